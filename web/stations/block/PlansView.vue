<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import { differencesOf, sayDifference, valuePlan } from '#core/reading'
import { afterBench } from '#core/ledger'
import { formatPercent, sayIssue } from '#core/measure'
import { cutPlanOf, housePlans, readCutPlan } from '#core/plan'
import type { CutPlan } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'

/** Plans side by side on this very animal: ours, the farm's own, and the one in force. */
const MOST = 3
const store = useFarm()
const words = useWords()
const { flow, state, read, body, farmFigures, decide, central } = useReading()
const anatomy = computed(() => body.value.anatomy)

const plans = computed(() => [
  ...housePlans(anatomy.value).map((plan) => ({ id: `house ${plan.name}`, plan, own: false })),
  ...store.plans
    .filter((p) => p.body.species === anatomy.value.species)
    .map((p) => ({ id: p.id, plan: p.body, own: true })),
])
const picked = ref<string[]>([])
const shownIds = computed(() =>
  picked.value.length > 0 ? picked.value : plans.value.slice(0, 2).map((p) => p.id),
)
function pick(id: string, on: boolean) {
  const now = shownIds.value.filter((x) => x !== id)
  picked.value = on ? [...now, id].slice(-MOST) : now
}
const value = (plan: CutPlan | null) => valuePlan(flow.value!, state.value!, central.value, plan)
const columns = computed(() => [
  { id: 'now', name: 'In force', says: '', figures: value(null), plan: null as CutPlan | null },
  ...plans.value
    .filter((p) => shownIds.value.includes(p.id))
    .map((p) => ({ id: p.id, name: p.plan.name, says: p.plan.says, figures: value(p.plan), plan: p.plan })),
])
const first = computed(() => columns.value[0]!)
const cuts = computed(() => {
  const ids = new Map(
    columns.value.flatMap((c) =>
      c.figures.read.cuts.filter((x) => x.cut.kind === 'product').map((x) => [x.cut.id, x.cut] as const),
    ),
  )
  return anatomy.value.cuts.filter((c) => ids.has(c.id))
})
const cell = (c: (typeof columns.value)[number], id: string) =>
  c.figures.read.cuts.find((x) => x.cut.id === id) ?? null
const FIGURES = computed(() => [
  { word: 'Taken home', of: (c: (typeof columns.value)[number]) => words.mass(c.figures.worth.takeHome) },
  {
    word: 'of the carcass',
    of: (c: (typeof columns.value)[number]) =>
      formatPercent(c.figures.worth.takeHome / c.figures.read.balance.carcass, 1),
  },
  { word: 'Brings', of: (c: (typeof columns.value)[number]) => words.money(c.figures.worth.money) },
  { word: 'Fees', of: (c: (typeof columns.value)[number]) => words.money(c.figures.worth.fees) },
  ...(farmFigures.value.hour > 0
    ? [
        {
          word: 'Labour',
          of: (c: (typeof columns.value)[number]) => words.money(c.figures.worth.labour),
        },
      ]
    : []),
  {
    word: farmFigures.value.hour > 0 ? 'After fees and labour' : 'After fees',
    of: (c: (typeof columns.value)[number]) => words.money(afterBench(c.figures.worth)),
  },
  { word: 'Pieces', of: (c: (typeof columns.value)[number]) => String(c.figures.worth.pieces) },
  { word: 'Packs', of: (c: (typeof columns.value)[number]) => String(c.figures.worth.packs) },
  {
    word: 'At the bench',
    of: (c: (typeof columns.value)[number]) => `${Math.round(c.figures.worth.minutes)} min`,
  },
  { word: 'Bones', of: (c: (typeof columns.value)[number]) => words.mass(c.figures.worth.bone) },
  { word: 'Fat', of: (c: (typeof columns.value)[number]) => words.mass(c.figures.worth.fat) },
])
const sentences = (c: (typeof columns.value)[number]) =>
  differencesOf(first.value.figures, c.figures).map((d) => sayDifference(d, c.name, words.says.value))

const name = ref('')
const issues = ref<FieldIssue[]>([])
const problem = (detail: string): FieldIssue => ({ field: 'name', detail, confirmable: false })
async function keep() {
  if (!name.value.trim())
    return void (issues.value = [problem('The plan has no name yet. Type one, such as “Autumn lambs”.')])
  issues.value = await store.keepPlan(uuid(), cutPlanOf(anatomy.value, read.value.plan, name.value.trim()))
  if (issues.value.length === 0) name.value = ''
}
async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  const out = readCutPlan(await file.text())
  issues.value = out.ok
    ? await store.keepPlan(uuid(), out.value)
    : out.issues.map((i) => problem(sayIssue(i, words.says.value)))
  if (out.ok && issues.value.length === 0 && out.value.species !== anatomy.value.species)
    issues.value = [
      problem(
        `“${out.value.name}” is a plan for a ${out.value.species}: it is kept, and found on the Block of one.`,
      ),
    ]
}
function download(plan: CutPlan) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([JSON.stringify(plan, null, 2)], { type: 'application/json' }))
  link.download = `plan-${plan.species}-${plan.name.replaceAll(/[^\p{L}\p{N}]+/gu, '-')}.json`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <div>
    <BlockTabs />
    <p v-if="!read.weights" class="muted">
      There is no weight yet, so plans cannot be compared.
      <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <div v-else class="two">
      <section class="stack">
        <div class="pane-head">
          <h2>Plans for a {{ words.name(anatomy.names).toLowerCase() }}</h2>
        </div>
        <ul class="list">
          <li v-for="p in plans" :key="p.id" :data-plan="p.plan.name">
            <Checkbox
              :model-value="shownIds.includes(p.id)"
              binary
              :input-id="`plan-${p.id}`"
              @update:model-value="pick(p.id, Boolean($event))"
            />
            <label :for="`plan-${p.id}`"
              ><b>{{ p.plan.name }}</b
              ><small class="muted">{{ p.plan.says || 'a plan of this farm' }}</small></label
            >
            <span class="acts">
              <Button
                text
                size="small"
                icon="pi pi-download"
                :aria-label="`Take away ${p.plan.name} as a file`"
                @click="download(p.plan)"
              />
              <Button
                v-if="p.own"
                text
                size="small"
                severity="secondary"
                icon="pi pi-times"
                :aria-label="`Put away ${p.plan.name}`"
                @click="store.keepPlan(p.id, p.plan, true)"
              />
            </span>
          </li>
        </ul>
        <form class="row" novalidate @submit.prevent="keep">
          <InputText
            v-model="name"
            size="small"
            placeholder="Name this plan…"
            aria-label="Name of the plan in force"
            @input="issues = []"
          />
          <Button type="submit" size="small" label="Keep the plan in force" />
        </form>
        <label class="bring"
          ><i class="pi pi-upload" aria-hidden="true" /> Bring in a plan from a file
          <input type="file" accept="application/json,.json" aria-label="Plan file" @change="bring"
        /></label>
        <FieldIssues :issues="issues" />
      </section>
      <section class="stack compare">
        <div class="pane-head">
          <h2>Side by side</h2>
          <span class="muted"
            >each valued whole on this animal, up to {{ MOST }} beside the one in force</span
          >
        </div>
        <div class="scroll">
          <table class="plain">
            <thead>
              <tr>
                <th />
                <th v-for="c in columns" :key="c.id" class="right" :data-column="c.name">
                  {{ c.name }}
                  <Button
                    v-if="c.plan"
                    size="small"
                    label="Use it"
                    :aria-label="`Use ${c.name}`"
                    :disabled="c.figures.decisions.length === 0"
                    @click="decide(...c.figures.decisions)"
                  />
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="f in FIGURES" :key="f.word">
                <th scope="row">{{ f.word }}</th>
                <td v-for="c in columns" :key="c.id" class="right">{{ f.of(c) }}</td>
              </tr>
              <tr class="says">
                <th scope="row">What differs</th>
                <td v-for="c in columns" :key="c.id">
                  <template v-if="c.plan">
                    <p v-for="s in sentences(c)" :key="s">{{ s }}</p>
                    <p v-if="sentences(c).length === 0" class="muted">Nothing that matters.</p>
                    <p v-for="l in c.figures.leftOut" :key="l.what" class="left">
                      <i class="pi pi-exclamation-triangle" aria-hidden="true" /> Not here: {{ l.what }}.
                      {{ l.why }}
                    </p>
                  </template>
                </td>
              </tr>
              <tr v-for="cut in cuts" :key="cut.id">
                <th scope="row">{{ words.name(cut.names) }}</th>
                <td v-for="c in columns" :key="c.id" class="right">
                  <template v-if="cell(c, cut.id)"
                    >{{ words.mass(cell(c, cut.id)!.kg) }}
                    <small class="muted">{{ cell(c, cut.id)!.packs }} packs</small></template
                  >
                  <span v-else class="muted">–</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 1.5rem;
}
.list {
  list-style: none;
  padding: 0;
  margin: 0;
}
.list li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0.5rem;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--rule);
  align-items: start;
}
label small {
  display: block;
}
.acts {
  display: flex;
}
.bring {
  font-weight: 600;
  color: var(--accent);
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0.35rem 0.7rem;
  justify-self: start;
  cursor: pointer;
}
.bring:focus-within {
  outline: 2px solid var(--accent);
}
.bring input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.scroll {
  overflow-x: auto;
}
tbody th {
  text-align: left;
  font-weight: 400;
  vertical-align: top;
  border-bottom: 1px solid var(--rule);
}
thead th {
  vertical-align: bottom;
  min-width: 9.5rem;
}
.says td {
  vertical-align: top;
  font-size: 0.92rem;
  min-width: 12rem;
}
.says p {
  margin: 0 0 0.3rem;
}
.left {
  color: var(--caution);
}
td small {
  display: block;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
