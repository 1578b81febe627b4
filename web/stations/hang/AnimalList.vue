<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { fromKg, parseMass, sayIssue, type Kg, type TypedMass } from '#core/measure'
import { contradictionIn, dressedAt, tried, unknownFact, weighedApart } from '#core/plan'
import { inForce, type OneAnimal } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The animals of a lot of several, told apart by ear tag or leg band, each with what it weighed by itself. */
const { read, body, lot, alive, state, note, withdraw, weigh, factOf } = useReading()
const words = useWords()
const STAGES = [
  { id: 'live', label: 'Live weight' },
  { id: 'hot', label: 'Hot carcass weight' },
] as const
type Stage = (typeof STAGES)[number]['id']

const fresh = reactive({ mark: '', live: '', hot: '' })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const animals = computed(() => read.value.plan.animals)
const sums = computed(() =>
  STAGES.flatMap(({ id, label }) => {
    const apart = weighedApart(animals.value, alive.value, id)
    const isWritten = inForce(lot.value!.weighings).some((w) => w.stage === id)
    return apart ? [{ id, label, ...apart, isWritten }] : []
  }),
)
const shown = (m: TypedMass | null) => (m ? `${m.value} ${m.unit}` : '')
const percent = (a: OneAnimal) => {
  const share = dressedAt(a)
  return share === null ? '' : `${(share * 100).toFixed(1)} %`
}

/** A weight as typed; null where none was, an issue where it cannot be read. */
function typed(stage: Stage): TypedMass | null {
  if (fresh[stage].trim() === '') return null
  const out = parseMass(fresh[stage], words.unit.value, stage)
  if (out.ok) return out.value
  issues.value.push(...out.issues.map((i) => fieldIssue(i.field, sayIssue(i, words.says.value))))
  return null
}
function add() {
  issues.value = []
  const mark = fresh.mark.trim()
  if (mark === '')
    issues.value.push(fieldIssue('mark', 'Which animal? Type its ear tag or the number of its band.'))
  const known = animals.value.find((a) => a.mark === mark)
  const fact = {
    kind: 'animal' as const,
    mark,
    live: typed('live') ?? known?.live ?? null,
    hot: typed('hot') ?? known?.hot ?? null,
  }
  if (issues.value.length > 0) return
  const odd =
    unknownFact(body.value.anatomy, fact) ??
    contradictionIn(body.value.anatomy, tried(state.value!, [fact]).facts, lot.value!.count)
  if (odd) return void (issues.value = [fieldIssue(odd.field, sayIssue(odd, words.says.value))])
  note(fact)
  Object.assign(fresh, { mark: '', live: '', hot: '' })
  document.getElementById('animal-mark')?.focus()
}
/** All weighed one by one: together they are the weight of the lot, as the scale would have shown it. */
async function write(stage: Stage, together: Kg) {
  const unit = words.unit.value
  const value = Number(fromKg(together, unit).toFixed(2))
  const found = await weigh({
    id: uuid(),
    stage,
    basis: null,
    source: 'scale',
    shown: { value, unit },
    corrects: null,
    stands: true,
    confirmed: false,
  })
  issues.value = found.map((i) => ({ ...i, field: 'sum' }))
}
</script>

<template>
  <div class="stack">
    <table v-if="animals.length > 0" class="plain">
      <thead>
        <tr>
          <th>Ear tag or band</th>
          <th class="right">Live</th>
          <th class="right">Hot</th>
          <th class="right">Dressed at</th>
          <th><span class="visually-hidden">Take off</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="a in animals" :key="a.id">
          <td>{{ a.mark }}</td>
          <td class="right">{{ shown(a.live) }}</td>
          <td class="right">{{ shown(a.hot) }}</td>
          <td class="right">{{ percent(a) }}</td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-times"
              severity="secondary"
              :aria-label="`Take ${a.mark} off`"
              @click="withdraw(...factOf((f) => f.kind === 'animal' && f.mark === a.mark))"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-for="s in sums" :key="s.id" class="row">
      <span
        >{{ s.label }}: {{ s.weighed }} of {{ alive }} weighed, <b>{{ words.mass(s.sum) }}</b> together,
        {{ words.mass(s.mean) }} each<template v-if="s.sd !== null"> ± {{ words.mass(s.sd) }}</template
        >.</span
      >
      <Button
        v-if="s.all && !s.isWritten"
        size="small"
        outlined
        :label="`Write ${words.mass(s.sum)} down for the lot`"
        @click="write(s.id, s.sum)"
      />
    </p>
    <FieldIssues :issues="at('sum')" />
    <form class="add" novalidate @submit.prevent="add">
      <div class="field">
        <label for="animal-mark">Ear tag or band</label>
        <InputText id="animal-mark" v-model="fresh.mark" size="small" maxlength="40" autocomplete="off" />
        <FieldIssues :issues="at('mark')" />
      </div>
      <div v-for="s in STAGES" :key="s.id" class="field">
        <label :for="`animal-${s.id}`">{{ s.label }}, {{ words.unit.value }}</label>
        <InputText
          :id="`animal-${s.id}`"
          v-model="fresh[s.id]"
          size="small"
          inputmode="decimal"
          autocomplete="off"
        />
        <FieldIssues :issues="at(s.id)" />
      </div>
      <Button type="submit" size="small" outlined label="Keep this animal" />
    </form>
    <small class="muted">A tag that is written again adds to what is known of that animal.</small>
  </div>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: start;
}
/* Beside the fields, below their labels. */
.add > button {
  margin-top: 1.65rem;
}
</style>
