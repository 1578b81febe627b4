<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import Sortable from 'sortablejs'
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { cannotMove, remade, taskMinutes, type Task } from '#core/hand'
import { sayMinutes, counted } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { STATIONS, type Decision, type Station } from '#core/records'
import { useBench } from '../../state/bench.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'
import FarmSchool from './FarmSchool.vue'
import SchoolChoices from './SchoolChoices.vue'

/** In which order the plan is cut and where each step is done: proposed from what must come first, moved by hand or by key. */
const { central: read, work, decide, standing } = useBench()
const words = useWords()
const minutes = computed(() => taskMinutes(read.value, work.value.tasks))
const ids = computed(() => work.value.tasks.map((t) => t.id))
const refusal = ref<{ id: string; says: string } | null>(null)
const name = (t: Task) => words.name(t.names)
const nameOf = (id: string) => words.name(work.value.tasks.find((t) => t.id === id)!.names)

const order = (value: string[] | null): Decision => ({ field: 'order', target: 'lot', side: 'animal', value })
/** Puts a step at another place, or says why it cannot stand there. The list stays as it is until it is decided. */
function move(id: string, to: number) {
  const at = ids.value.indexOf(id)
  if (to === at || to < 0 || to >= ids.value.length) return
  const issue = cannotMove(work.value, ids.value, id, to)
  refusal.value = issue && { id, says: sayIssue(issue, words.says.value) }
  if (issue) return
  const moved = ids.value.filter((x) => x !== id)
  moved.splice(to, 0, id)
  decide(order(moved))
  void nextTick(() => list.value?.querySelector<HTMLElement>(`[data-task="${id}"] .grip`)?.focus())
}
const list = ref<HTMLElement | null>(null)
let sortable: Sortable | null = null
watch(list, (now) => {
  sortable?.destroy()
  sortable = now
    ? Sortable.create(now, {
        handle: '.grip',
        animation: 120,
        ghostClass: 'ghost',
        onEnd({ item, oldIndex, newIndex }) {
          // The list is drawn from the plan: what was dragged goes back, and comes where it is decided.
          const parent = item.parentNode!
          parent.removeChild(item)
          parent.insertBefore(item, parent.children[oldIndex!] ?? null)
          move(item.dataset.task!, newIndex!)
        },
      })
    : null
})
onBeforeUnmount(() => sortable?.destroy())
function byKey(event: KeyboardEvent, id: string) {
  const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0
  if (step === 0) return
  event.preventDefault()
  event.stopPropagation()
  move(id, ids.value.indexOf(id) + step)
}

const STATION_WORDS: Record<Station, string> = {
  rail: 'rail',
  table: 'table',
  saw: 'saw',
  grinder: 'grinder',
  house: 'house',
}
const options = (t: Task) =>
  t.stations.map((v) => ({ v, w: STATION_WORDS[v], off: read.value.plan.closed.has(v) }))
const place = (id: string, value: Station) => decide({ field: 'station', target: id, side: 'animal', value })
const isClosed = (s: Station) => read.value.plan.closed.has(s)
const isDown = (s: Station) => read.value.farm.down?.includes(s) ?? false
const close = (target: Station) =>
  decide({ field: 'closed', target, side: 'animal', value: isClosed(target) ? null : true })
const used = (s: Station) => work.value.tasks.filter((t) => work.value.at.get(t.id) === s).length
/** What a closed station was for, and where that is done now. */
const lost = computed(() =>
  [...read.value.plan.closed].map((station) => {
    const open = new Set([...read.value.plan.closed].filter((s) => s !== station))
    const before = { ...read.value, plan: { ...read.value.plan, closed: open } }
    const moved = remade(before, station)
    const to = (where: Station | null) => moved.filter((m) => m.to === where).map((m) => name(m.task))
    return {
      station,
      nowhere: to(null),
      elsewhere: STATIONS.map((s) => ({ s, names: to(s) })).filter((x) => x.names.length > 0),
    }
  }),
)
const isChanged = computed(() => read.value.plan.order.length > 0)
const isDone = (id: string) => standing.value.get(id)?.state === 'done'
</script>

<template>
  <BlockTabs />
  <p v-if="!read.weights" class="muted">
    There is no weight yet, so there is nothing to put in order.
    <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
  </p>
  <div v-else class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>Order of work</h2>
        <span class="muted">Drag by the grip, or press ↑ and ↓ on it. What must come first stays first.</span>
        <Button
          v-if="isChanged"
          size="small"
          text
          label="As proposed"
          icon="pi pi-replay"
          @click="decide(order(null))"
        />
      </div>
      <p v-for="b in work.bent" :key="b.task" class="field-issue" role="status">
        {{ nameOf(b.must.then) }} waits for {{ nameOf(b.must.first).toLowerCase() }}: {{ b.must.why }}
      </p>
      <ol ref="list" class="order" data-testid="order">
        <li
          v-for="(t, i) in work.tasks"
          :key="t.id"
          :data-task="t.id"
          :class="[t.kind, { done: isDone(t.id) }]"
        >
          <button
            type="button"
            class="grip"
            :aria-label="`${name(t)}, step ${i + 1} of ${work.tasks.length}: move with arrow keys`"
            @keydown="byKey($event, t.id)"
          >
            <i class="pi pi-bars" aria-hidden="true" />
          </button>
          <span class="nth">{{ i + 1 }}</span>
          <span class="what">
            <b>{{ name(t) }}</b>
            <small v-if="isDone(t.id)" class="good"> done</small>
            <span v-if="refusal?.id === t.id" class="field-issue" role="alert">{{ refusal.says }}</span>
          </span>
          <span class="muted nowrap time">{{ sayMinutes(minutes.get(t.id) ?? 0) }}</span>
          <Select
            v-if="t.stations.length > 1"
            :model-value="work.at.get(t.id)"
            :options="options(t)"
            option-label="w"
            option-value="v"
            option-disabled="off"
            size="small"
            class="where"
            placeholder="nowhere"
            :aria-label="`Where: ${name(t)}`"
            @update:model-value="place(t.id, $event)"
          />
          <span v-else class="where only" :class="{ bad: work.at.get(t.id) === null }">{{
            work.at.get(t.id) ?? 'nowhere today'
          }}</span>
        </li>
      </ol>
    </section>
    <div class="stack side">
      <section class="stack">
        <div class="pane-head"><h2>Stations</h2></div>
        <ul class="stations">
          <li v-for="s in STATIONS" :key="s" :data-station="s">
            <b>{{ STATION_WORDS[s] }}</b>
            <span class="muted">{{ isClosed(s) ? 'not to be had' : `${counted(used(s), 'step')}` }}</span>
            <span v-if="isDown(s)" class="bad">broken: see Kit</span>
            <Button
              v-else
              size="small"
              outlined
              :label="isClosed(s) ? 'Open again' : 'Not to be had'"
              :aria-label="`${STATION_WORDS[s]}: ${isClosed(s) ? 'open again' : 'not to be had'}`"
              @click="close(s)"
            />
          </li>
        </ul>
        <div v-for="l in lost" :key="l.station" class="lost" :data-lost="l.station" role="status">
          <b>Without the {{ STATION_WORDS[l.station] }}</b>
          <p v-for="e in l.elsewhere" :key="e.s">
            Now at the {{ STATION_WORDS[e.s] }}: {{ e.names.join(', ') }}.
          </p>
          <p v-if="l.nowhere.length > 0" class="bad">
            Nowhere today: {{ l.nowhere.join(', ') }}. Plan it another way, or it waits in the cold.
          </p>
          <p v-if="l.elsewhere.length === 0 && l.nowhere.length === 0" class="muted">
            Nothing was to be done there.
          </p>
        </div>
      </section>
      <SchoolChoices />
      <FarmSchool />
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 1.4rem;
}
.side {
  gap: 1.3rem;
}
.order {
  list-style: none;
  margin: 0;
  padding: 0;
}
.order li {
  display: grid;
  grid-template-columns: 40px 2rem minmax(0, 1fr) 4rem 7.5rem;
  gap: 0.5rem;
  align-items: center;
  min-height: 42px;
  border-bottom: 1px solid var(--rule);
  background: var(--sheet);
}
.order li.line {
  background: repeating-linear-gradient(135deg, var(--sheet) 0 7px, var(--paper) 7px 14px);
}
.order li.ready,
.order li.wash,
.order li.pack {
  background: none;
}
.order .done b {
  text-decoration: line-through;
  font-weight: 400;
}
.ghost {
  opacity: 0.4;
}
.grip {
  width: 40px;
  height: 40px;
  border: 0;
  background: none;
  cursor: grab;
  color: var(--muted);
  touch-action: none;
}
.nth {
  font: 700 1rem var(--head);
  text-align: right;
}
.time {
  text-align: right;
}
.where.only {
  padding-left: 0.7rem;
}
.stations {
  list-style: none;
  margin: 0;
  padding: 0;
}
.stations li {
  display: grid;
  grid-template-columns: 5rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--rule);
}
.lost {
  padding: 0.4rem 0.6rem;
  border-left: 3px solid var(--accent);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
