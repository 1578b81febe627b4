<script setup lang="ts">
import { parseNumber, PLAIN } from '#core/measure'
import { sayIssue } from '#contracts/said'
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, reactive, ref } from 'vue'
import type { OwnVersion } from '#contracts'
import {
  closedWay,
  extendAnatomy,
  openShare,
  NAMED_TISSUES,
  TOOLS,
  withoutWay,
  withWay,
  type Anatomy,
  type Destination,
  type Goal,
  type NamedShares,
  type WayLine,
} from '#core/anatomy'
import { ownAdditionsSchema, type OwnAdditions, typed } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { ask, fieldIssue, issuesOf, type FieldIssue } from '../../state/api.ts'
import { wrongIn } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** A farm's own way to open a part, with a new cut where it needs one. Checked before it is kept; old plans stay as they are. */
const {
  anatomy,
  base,
  own: given,
  version: givenVersion,
} = defineProps<{
  anatomy: Anatomy
  base: Anatomy
  own: OwnAdditions
  version: number
}>()
const emit = defineEmits<{ kept: [] }>()
const words = useWords()
/** What another window kept meanwhile: what is typed here is added to it, never put over it. */
const newer = ref<OwnVersion | null>(null)
const own = computed(() => newer.value?.body ?? given)
const version = computed(() => newer.value?.version ?? givenVersion)
const NEW = 'a new cut'
const destinations = Object.entries(DESTINATIONS).map(([v, d]) => ({ v: v as Destination, w: d.word }))
const form = reactive({
  name: '',
  part: '',
  destination: 'T' as Destination,
  tool: 'knife' as (typeof TOOLS)[number],
  minutes: '5',
  steps: '',
  cut: '',
})
type TissueName = keyof NamedShares
interface Row {
  to: string
  shares: Record<TissueName, string>
}
const fresh = (to = ''): Row => ({ to, shares: { lean: '', fat: '', bone: '', skin: '' } })
const rows = ref<Row[]>([fresh(NEW)])
const issues = ref<FieldIssue[]>([])
const kept = ref('')

const parts = computed(() => anatomy.parts.map((p) => ({ v: p.id, w: words.name(p.names) })))
const targets = computed(() => [
  { v: NEW, w: 'A new cut, named above' },
  ...anatomy.cuts.filter((c) => c.kind !== 'loss').map((c) => ({ v: c.id, w: words.name(c.names) })),
  ...anatomy.parts.map((p) => ({ v: `> ${p.id}`, w: `on to: ${words.name(p.names)}` })),
])
const tissues = computed<readonly TissueName[]>(() =>
  base.bands.some((b) => b.tissue.skin > 0) ? NAMED_TISSUES : NAMED_TISSUES.filter((t) => t !== 'skin'),
)
const share = (text: string) => {
  const out = parseNumber(text.trim() || '0', 'outputs', { low: 0, high: 100 }, '%')
  return out.ok ? out.value / 100 : Number.NaN
}
const minutes = () =>
  typed.figure(ownAdditionsSchema.shape.paths.element.shape.minutes).read(form.minutes, 'outputs', PLAIN)
const goalOf = (to: string): Goal => {
  if (to === NEW) return { fresh: true }
  return to.startsWith('> ') ? { part: to.slice(2) } : { cut: to }
}
const nameOf = (to: Goal) => ('fresh' in to ? NEW : 'part' in to ? `> ${to.part}` : to.cut)
const lines = computed<WayLine[]>(() =>
  rows.value.map((r) => ({
    to: goalOf(r.to),
    shares: Object.fromEntries(NAMED_TISSUES.map((t) => [t, share(r.shares[t])])) as Record<
      TissueName,
      number
    >,
  })),
)
const left = (t: TissueName) => openShare(lines.value, t)
/** Tissues the species does not have close on the first line, so that they need not be typed. */
const whole = computed<WayLine[]>(() =>
  lines.value.map((l, i) => ({
    ...l,
    shares: Object.fromEntries(
      NAMED_TISSUES.map((t) => [t, tissues.value.includes(t) ? l.shares[t] : i === 0 ? 1 : 0]),
    ) as Record<TissueName, number>,
  })),
)
/** What is left of each tissue goes where it usually goes: trim, fat, bones, skin. */
function fillRest() {
  const shown = (x: number) => (x === 0 ? '' : String(Number((x * 100).toFixed(4))))
  rows.value = closedWay(anatomy, whole.value).map(({ to, shares }, i) => ({
    to: nameOf(to),
    shares: Object.fromEntries(
      NAMED_TISSUES.map((t) => [
        t,
        rows.value[i] && share(rows.value[i].shares[t]) === shares[t]
          ? rows.value[i].shares[t]
          : tissues.value.includes(t)
            ? shown(shares[t])
            : '',
      ]),
    ) as Record<TissueName, string>,
  }))
}

/** What is missing of the way, or wrong with it, before it can be checked. */
function missing(): FieldIssue[] {
  const makesNew = rows.value.some((r) => r.to === NEW)
  const odd = rows.value
    .flatMap((r) => NAMED_TISSUES.map((t) => r.shares[t]))
    .find((x) => !(share(x) >= 0 && share(x) <= 1))
  return [
    ...(form.name.trim() ? [] : [fieldIssue('name', 'The way has no name yet. Type what you call it.')]),
    ...(form.part ? [] : [fieldIssue('part', 'Say which part is opened this way.')]),
    ...(makesNew && !form.cut.trim() ? [fieldIssue('cut', 'The new cut has no name yet.')] : []),
    ...(rows.value.some((r) => !r.to)
      ? [fieldIssue('outputs', 'One line does not say what it becomes.')]
      : []),
    ...(odd === undefined ? [] : [fieldIssue('outputs', `“${odd}” is not a share from 0 to 100 %.`)]),
  ]
}

async function keep() {
  kept.value = ''
  const took = minutes()
  issues.value = [...missing(), ...wrongIn(words.says.value, took)]
  if (issues.value.length > 0) return
  const parsed = ownAdditionsSchema.safeParse(
    withWay(anatomy, own.value, {
      ...form,
      minutes: took.ok ? took.value : 0,
      freshCut: form.cut,
      lines: whole.value,
    }),
  )
  if (!parsed.success)
    return void (issues.value = parsed.error.issues.map((i) =>
      fieldIssue('outputs', `${i.path.join('.')}: ${i.message}`),
    ))
  const sound = extendAnatomy(base, parsed.data)
  if (!sound.ok)
    return void (issues.value = sound.issues.map((i) => fieldIssue('outputs', sayIssue(i, words.says.value))))
  await send(
    parsed.data,
    `“${form.name}” is kept. New lots can be cut this way; those already hung keep theirs.`,
  )
}
async function send(body: OwnAdditions, said: string) {
  const answer = await ask('POST', '/own', { base: version.value, body })
  if (answer.kind === 'problem' && answer.problem.type === '/problems/changed') {
    newer.value = answer.problem.held as OwnVersion
    const detail =
      'Another window kept a way meanwhile; it is in the list now. What you typed is still here: press again to add it.'
    return void (issues.value = [fieldIssue('', detail)])
  }
  issues.value = answer.kind === 'ok' ? [] : issuesOf(answer)
  if (answer.kind !== 'ok') return
  kept.value = said
  emit('kept')
}
/** Takes an own way away, and the own cuts nothing else makes. */
const remove = (id: string) => send(withoutWay(own.value, id), 'It is taken away from new lots.')
</script>

<template>
  <section class="stack making">
    <div class="pane-head">
      <h2>Your own way</h2>
      <span class="muted">{{ version > 0 ? `version ${version}` : 'none yet' }}</span>
    </div>
    <ul v-if="own.paths.length > 0" class="list">
      <li v-for="p in own.paths" :key="p.id">
        <b>{{ words.name(p.names) }}</b>
        <span class="muted">{{ parts.find((x) => x.v === p.part)?.w }}</span>
        <Button
          text
          size="small"
          severity="secondary"
          icon="pi pi-times"
          :aria-label="`Take away ${words.name(p.names)}`"
          @click="remove(p.id)"
        />
      </li>
    </ul>
    <form class="stack" novalidate @submit.prevent="keep">
      <div class="pair">
        <label
          >Part
          <Select
            v-model="form.part"
            :options="parts"
            option-label="w"
            option-value="v"
            filter
            size="small"
            aria-label="Part to open"
            placeholder="Which part…"
        /></label>
        <label
          >Name of the way <InputText v-model="form.name" size="small" aria-label="Name of the way"
        /></label>
        <label
          >It goes to
          <Select
            v-model="form.destination"
            :options="destinations"
            option-label="w"
            option-value="v"
            size="small"
            aria-label="Destination"
        /></label>
        <label
          >Tool <Select v-model="form.tool" :options="[...TOOLS]" size="small" aria-label="Tool"
        /></label>
        <label
          >Minutes, one side
          <InputText v-model="form.minutes" size="small" inputmode="decimal" aria-label="Minutes"
        /></label>
        <label
          >New cut, if it makes one
          <InputText v-model="form.cut" size="small" aria-label="Name of the new cut"
        /></label>
      </div>
      <label
        >How it is done <InputText v-model="form.steps" size="small" aria-label="How it is done"
      /></label>
      <table class="plain">
        <thead>
          <tr>
            <th>Becomes</th>
            <th v-for="t in tissues" :key="t" class="right">{{ t }}, %</th>
            <td />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in rows" :key="i">
            <td>
              <Select
                v-model="r.to"
                :options="targets"
                option-label="w"
                option-value="v"
                filter
                size="small"
                class="to"
                :aria-label="`Line ${i + 1} becomes`"
                placeholder="…"
              />
            </td>
            <td v-for="t in tissues" :key="t" class="share">
              <InputText
                v-model="r.shares[t]"
                size="small"
                inputmode="decimal"
                :aria-label="`Line ${i + 1}, ${t} %`"
                @input="issues = []"
              />
            </td>
            <td>
              <Button
                v-if="rows.length > 1"
                text
                size="small"
                icon="pi pi-times"
                :aria-label="`Drop line ${i + 1}`"
                @click="rows.splice(i, 1)"
              />
            </td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <td>Still to go somewhere</td>
            <td v-for="t in tissues" :key="t" class="right" :class="{ off: Math.abs(left(t)) > 1e-9 }">
              {{ (left(t) * 100).toFixed(1) }} %
            </td>
            <td />
          </tr>
        </tfoot>
      </table>
      <div class="row">
        <Button size="small" outlined label="Another line" icon="pi pi-plus" @click="rows.push(fresh())" />
        <Button size="small" outlined label="The rest to trim, fat and bones" @click="fillRest" />
        <Button type="submit" size="small" label="Check and keep" />
      </div>
      <FieldIssues :issues="issues" />
      <p v-if="kept" class="good" role="status"><i class="pi pi-check" aria-hidden="true" /> {{ kept }}</p>
      <p class="muted">
        Shares are of each tissue of the part, and close to 100 %: what is not sold goes to trim, fat, bones
        or discards by name. Curing, smoking and stuffing follow a tested recipe and your local codes.
      </p>
    </form>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 0.6rem;
}
label {
  display: grid;
  gap: 0.15rem;
  font-weight: 600;
}
.pair :deep(input),
.pair :deep(.p-select) {
  width: 100%;
  min-width: 0;
}
.to {
  width: 9.5rem;
}
.share input {
  width: 3.6rem;
  text-align: right;
}
.off {
  color: var(--danger);
  font-weight: 700;
}
.list {
  list-style: none;
  padding: 0;
  margin: 0;
}
.list li {
  display: flex;
  gap: 0.6rem;
  align-items: center;
}
@media (max-width: 560px) {
  .to {
    width: 6.4rem;
  }
  .share input {
    width: 2.6rem;
    padding: 0.3rem 0.15rem;
  }
  td,
  th {
    padding: 0.2rem 0.1rem !important;
  }
}
</style>
