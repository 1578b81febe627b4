<script setup lang="ts">
import Button from 'primevue/button'
import { v7 as uuid } from 'uuid'
import { computed } from 'vue'
import { fromKg, type Kg, type TypedMass } from '#core/measure'
import { contradictionIn, dressedAt, tried, unknownFact, weighedApart } from '#core/plan'
import { FACTS, inForce, type OneAnimal } from '#core/records'
import TextField from '../../pieces/TextField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'

/** The animals of a lot of several, told apart by ear tag or leg band, each with what it weighed by itself. */
const { read, body, lot, alive, state, note, withdraw, weigh, factOf } = useReading()
const words = useWords()
const STAGES = [
  { id: 'live', label: 'Live weight' },
  { id: 'hot', label: 'Hot carcass weight' },
] as const
type Stage = (typeof STAGES)[number]['id']

const {
  typed: fresh,
  issues,
  at,
  keep,
} = useForm('animal', FACTS.animal.fields, () => ({ mark: '', live: '', hot: '' }))
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

const add = keep(({ mark, live, hot }) => {
  const known = animals.value.find((a) => a.mark === mark)
  const fact = {
    kind: 'animal' as const,
    mark,
    live: live ?? known?.live ?? null,
    hot: hot ?? known?.hot ?? null,
  }
  const odd =
    unknownFact(body.value.anatomy, fact) ??
    contradictionIn(body.value.anatomy, tried(state.value!, [fact]).facts, lot.value!.count)
  if (odd) return [odd]
  note(fact)
})
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
      <TextField
        id="animal-mark"
        v-model="fresh.mark"
        size="small"
        label="Ear tag or band"
        :issues="at('mark')"
      />
      <TextField
        v-for="s in STAGES"
        :id="`animal-${s.id}`"
        :key="s.id"
        v-model="fresh[s.id]"
        size="small"
        :label="`${s.label}, ${words.unit.value}`"
        inputmode="decimal"
        :issues="at(s.id)"
      />
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
