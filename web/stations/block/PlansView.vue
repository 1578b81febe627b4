<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import RadioButton from 'primevue/radiobutton'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import { valuePlan } from '#core/reading'
import { sayIssue } from '#contracts/said'
import { cutPlanOf, housePlans, readCutPlan } from '#core/plan'
import type { CutPlan } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'
import PlanPair from './PlanPair.vue'

/** The plan in force against another, on this very animal: ours, or one of the farm's own. */
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
const picked = ref<string | null>(null)
const other = computed(() => plans.value.find((p) => p.id === picked.value) ?? plans.value[0] ?? null)
const value = (plan: CutPlan | null) => valuePlan(flow.value!, state.value!, central.value, plan)
const now = computed(() => value(null))
const then = computed(() => (other.value ? value(other.value.plan) : null))
/** What the plan cannot have here, once for both sides. */
const leftOut = computed(() => [...new Set((then.value?.leftOut ?? []).map((l) => `${l.what}. ${l.why}`))])

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
            <RadioButton
              :model-value="other?.id"
              :value="p.id"
              :input-id="`plan-${p.id}`"
              name="plan"
              @update:model-value="picked = p.id"
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
      <section v-if="other && then" class="stack compare">
        <div class="pane-head">
          <h2>In force, and “{{ other.plan.name }}”</h2>
          <span style="flex: 1" />
          <Button
            size="small"
            label="Use it"
            :aria-label="`Use it: ${other.plan.name}`"
            :disabled="then.decisions.length === 0"
            @click="decide(...then.decisions)"
          />
        </div>
        <p v-for="says in leftOut" :key="says" class="left">
          <i class="pi pi-exclamation-triangle" aria-hidden="true" /> Not here: {{ says }}
        </p>
        <PlanPair :first="now" :second="then" :name="other.plan.name" :labour="farmFigures.hour > 0" />
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
.left {
  color: var(--caution);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
