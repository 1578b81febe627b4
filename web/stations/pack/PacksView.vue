<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { formatMass, kgOf } from '#core/measure'
import { unitsOf, type Unit } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FoldedPane from '../../pieces/FoldedPane.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useLabels } from '../../state/labels.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { useInstruments } from '../../state/instruments.ts'
import ListPane from './ListPane.vue'
import PackTabs from './PackTabs.vue'

/** Every pack of the lot as a thing: open it, print its label again, void it, and go to where it came from. */
const { lot, state, body, note, withdraw, factOf } = useReading()
const words = useWords()
const router = useRouter()
const { labelsOf } = useLabels()
const { hasPrinter } = useInstruments()
const issues = ref<FieldIssue[]>([])
const said = ref('')
const picked = ref<ReadonlySet<number>>(new Set())
const asked = ref<number | null>(null)
const why = ref('')
const units = computed(() => unitsOf(state.value!.packs, state.value!.facts).toReversed())
const here = computed(() => units.value.filter((u) => u.state === 'here'))
const STATE_WORDS: Record<Unit['state'], string> = {
  here: '',
  corrected: 'weighed again',
  void: 'void',
  opened: 'opened',
}
const made = computed(() => new Map((lot.value?.packs ?? []).map((p) => [p.id, p])))
const name = (cut: string) => words.name(body.value.anatomy.cuts.find((c) => c.id === cut)!.names)
const weight = (u: Unit) => {
  const p = made.value.get(u.weighIn)
  return p?.packs === 1 ? `${p.shown.value} ${p.shown.unit}` : formatMass(kgOf(u.grams), words.unit.value)
}
function pick(number: number, on: boolean) {
  const next = new Set(picked.value)
  if (on) next.add(number)
  else next.delete(number)
  picked.value = next
}
async function print(numbers: readonly number[]) {
  said.value = ''
  issues.value = await labelsOf(lot.value!.id, numbers)
  if (issues.value.length === 0)
    said.value = `${numbers.length === 1 ? 'Label' : `${numbers.length} labels`} ${hasPrinter.value ? 'printed' : 'handed over as a file'}.`
}
const open = (numbers: readonly number[]) =>
  router.push({
    name: 'pack',
    query: { open: numbers.join(), cut: units.value.find((u) => u.number === numbers[0])!.cut },
  })
function voidIt(number: number) {
  issues.value = why.value.trim() ? [] : [fieldIssue('why', 'Say why it is no pack: it stays on record.')]
  if (issues.value.length > 0) return
  note({ kind: 'void', pack: number, why: why.value.trim() })
  asked.value = null
  why.value = ''
}
const unvoid = (number: number) => withdraw(...factOf((f) => f.kind === 'void' && f.pack === number))
const all = computed(() => [...picked.value].filter((n) => here.value.some((u) => u.number === n)))
const alike = computed(
  () => new Set(all.value.map((n) => units.value.find((u) => u.number === n)!.cut)).size < 2,
)
</script>

<template>
  <PackTabs />
  <section class="stack">
    <div class="pane-head">
      <h2>Packs</h2>
      <span class="muted"
        >{{ here.length }} there, {{ units.length - here.length }} opened, void or weighed again</span
      >
    </div>
    <FoldedPane
      title="From the processor’s list"
      says="a CSV file of what came back, its columns matched to ours"
      ><ListPane
    /></FoldedPane>
    <p v-if="units.length === 0" class="none">
      No pack has been made of it yet. <RouterLink :to="{ name: 'pack' }">Weigh the first</RouterLink>.
    </p>
    <template v-else>
      <div class="row">
        <Button
          outlined
          size="small"
          icon="pi pi-print"
          :label="all.length > 0 ? `Labels of ${all.length}` : 'Labels of all'"
          :disabled="here.length === 0"
          @click="print(all.length > 0 ? all : here.slice(0, 200).map((u) => u.number))"
        />
        <Button
          outlined
          size="small"
          label="Open and weigh again"
          :disabled="all.length === 0 || !alike"
          @click="open(all)"
        />
        <span class="good" role="status">{{ said }}</span>
      </div>
      <FieldIssues :issues="issues.filter((i) => i.field !== 'why')" />
      <div class="scroll">
        <table class="plain" data-testid="packs">
          <thead>
            <tr>
              <th><span class="visually-hidden">Take</span></th>
              <th>Number</th>
              <th>Cut</th>
              <th class="right">Weight</th>
              <th>Lies</th>
              <th><span class="visually-hidden">What can be done</span></th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="u in units"
              :key="u.number"
              :class="{ gone: u.state !== 'here' }"
              :data-pack="u.number"
            >
              <td>
                <input
                  v-if="u.state === 'here'"
                  type="checkbox"
                  :aria-label="`Take pack ${u.number}`"
                  :checked="picked.has(u.number)"
                  @change="pick(u.number, ($event.target as HTMLInputElement).checked)"
                />
              </td>
              <td>
                <RouterLink :to="{ name: 'trace', params: { number: u.number } }">{{ u.number }}</RouterLink>
              </td>
              <td>{{ name(u.cut) }}</td>
              <td class="right nowrap figure">{{ weight(u) }}</td>
              <td>{{ STATE_WORDS[u.state] || made.get(u.weighIn)?.place || '' }}</td>
              <td class="acts">
                <template v-if="u.state === 'here'">
                  <Button
                    text
                    size="small"
                    label="Label"
                    :aria-label="`Label of pack ${u.number}`"
                    @click="print([u.number])"
                  />
                  <Button
                    text
                    size="small"
                    label="Open"
                    :aria-label="`Open pack ${u.number}`"
                    @click="open([u.number])"
                  />
                  <Button
                    text
                    size="small"
                    label="Void"
                    :aria-label="`Void pack ${u.number}`"
                    @click="asked = asked === u.number ? null : u.number"
                  />
                </template>
                <Button
                  v-else-if="u.state === 'void'"
                  text
                  size="small"
                  label="It is there after all"
                  @click="unvoid(u.number)"
                />
                <form v-if="asked === u.number" class="row" novalidate @submit.prevent="voidIt(u.number)">
                  <InputText
                    v-model="why"
                    autofocus
                    :aria-label="`Why pack ${u.number} is void`"
                    placeholder="why: dropped, bag open, counted twice"
                    :invalid="issues.some((i) => i.field === 'why')"
                  />
                  <Button type="submit" size="small" label="Void it" />
                  <FieldIssues :issues="issues.filter((i) => i.field === 'why')" />
                </form>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>

<style scoped>
th:first-child {
  width: 3rem;
}
.none {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 40rem;
}
input[type='checkbox'] {
  width: 22px;
  height: 22px;
  accent-color: var(--accent);
}
.gone {
  color: var(--muted);
}
.gone .figure {
  text-decoration: line-through;
}
.acts {
  white-space: nowrap;
}
.acts form {
  white-space: normal;
  padding: 0.3rem 0;
}
</style>
