<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { crewOf, forecast, clockMinutes, OUT_AT_MOST, sayClock } from '#core/clock'
import { sayMinutes } from '#core/measure'
import { normalsOf } from '#core/carcass'
import { useBench } from '../../state/bench.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'
import BlockTabs from './BlockTabs.vue'
import CrewForm from './CrewForm.vue'

/** When the cutting day is done, by whom and where; what goes back in the cold meanwhile, and what waits for tomorrow. */
const { central: read, body, work, standing, tally, paces, decide } = useBench()
const words = useWords()
const DRAWS = 120

const { today, minutes } = useToday()
const crew = computed(() => crewOf(read.value))
/** Told from now once something of it is done today; before, from when the first comes. */
const isOn = computed(
  () =>
    (read.value.plan.cuttingDay ?? today.value) === today.value &&
    [...standing.value.values()].some((s) => s.state !== 'waiting'),
)
const from = computed(() => {
  const first = Math.min(...crew.value.map((p) => clockMinutes(p.from)))
  return isOn.value ? minutes.value : first
})
const told = computed(() =>
  forecast(read.value, {
    ...{ from: from.value, standing: standing.value, paces: paces.value },
    ...{ normal: normalsOf(), draws: DRAWS },
  }),
)
const nameOf = (job: string) => words.name(work.value.tasks.find((t) => t.id === job)!.names)
const partName = (id: string) => words.name(body.value.anatomy.parts.find((p) => p.id === id)!.names)
/** Who does what, in the order it is begun. */
const rows = computed(() =>
  crew.value.map((p) => ({
    name: p.name,
    runs: told.value.day.runs.filter((r) => r.hands.includes(p.name)).sort((a, b) => a.from - b.from),
  })),
)
const span = computed(() => {
  const ends = [told.value.range?.high ?? 0, ...told.value.day.runs.map((r) => r.until)]
  return { from: from.value, until: Math.max(from.value + 60, ...ends) }
})
const percent = (minutes: number) =>
  `${((minutes - span.value.from) / (span.value.until - span.value.from)) * 100}%`
const hours = computed(() => {
  const first = Math.ceil(span.value.from / 60)
  const last = Math.floor(span.value.until / 60)
  const step = last - first > 10 ? 2 : 1
  return Array.from({ length: Math.floor((last - first) / step) + 1 }, (_, i) => (first + i * step) * 60)
})
const skipped = computed(() =>
  [...standing.value].filter(([, s]) => s.state === 'skipped').map(([id, s]) => ({ id, why: s.why })),
)
const day = computed({
  get: () => read.value.plan.cuttingDay ?? '',
  set: (value) =>
    decide({ field: 'cuttingDay', target: 'lot', side: 'animal', value: value === '' ? null : value }),
})
const isWide = (minutes: number) => (minutes / (span.value.until - span.value.from)) * 100 > 7
</script>

<template>
  <BlockTabs />
  <p v-if="!read.weights" class="muted">
    There is no weight yet, so the day has no length.
    <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
  </p>
  <div v-else class="stack">
    <div class="pane-head">
      <h2>
        <template v-if="told.finish === null">{{
          tally.done === tally.of ? 'All is done' : 'Nobody can finish anything'
        }}</template>
        <span v-else class="estimate" data-testid="finish"
          >{{ told.day.left.length > 0 ? 'Would be done about' : 'Done about' }}
          {{ sayClock(told.finish) }}</span
        >
      </h2>
      <span v-if="told.range" class="muted" data-testid="finish-range"
        >likely {{ sayClock(told.range.low) }}–{{ sayClock(told.range.high) }}</span
      >
      <span class="muted">{{ tally.done }} of {{ tally.of }} steps done</span>
      <span v-if="isOn" class="muted">told from now, {{ sayClock(from) }}</span>
      <label class="row day">Day of cutting <InputText v-model.lazy="day" type="date" size="small" /></label>
    </div>
    <p v-if="told.day.left.length > 0" class="field-issue" role="status" data-testid="tomorrow">
      <span
        ><b>Not today:</b> {{ told.day.left.map(nameOf).join(', ') }}. Uncut it waits in the cold at or below
        4&nbsp;°C (40&nbsp;°F); somebody longer, another hand, or an open station brings it back.</span
      >
    </p>
    <div class="bars" role="group" aria-label="Who does what">
      <div class="axis" aria-hidden="true">
        <span v-for="h in hours" :key="h" :style="{ left: percent(h) }">{{ sayClock(h) }}</span>
      </div>
      <div v-for="r in rows" :key="r.name" class="person" :data-person="r.name">
        <b>{{ r.name }}</b>
        <div class="lane">
          <span
            v-for="run in r.runs"
            :key="`${run.job} ${run.from}`"
            class="bar"
            :class="run.station ?? ''"
            :style="{
              left: percent(run.from),
              width: `calc(${percent(span.from + run.until - run.from)} - 1px)`,
            }"
            :title="`${nameOf(run.job)}, ${run.station}: ${sayClock(run.from)}–${sayClock(run.until)}`"
            >{{ isWide(run.until - run.from) ? nameOf(run.job) : '' }}</span
          >
          <i
            v-if="told.finish !== null && told.range"
            class="likely"
            :style="{
              left: percent(told.range.low),
              width: percent(span.from + told.range.high - told.range.low),
            }"
          />
        </div>
      </div>
    </div>
    <div class="two">
      <section class="stack">
        <div class="pane-head"><h2>Who is there</h2></div>
        <CrewForm />
        <div class="pane-head"><h2>Back in the cold meanwhile</h2></div>
        <p v-if="told.waits.length === 0" class="muted">
          Nothing lies longer than {{ OUT_AT_MOST }} minutes between its line and its turn.
        </p>
        <ul v-else class="waits" data-testid="waits">
          <li v-for="w in told.waits" :key="w.part">
            <b>{{ partName(w.part) }}</b> {{ sayClock(w.from) }}–{{ sayClock(w.until) }}
          </li>
        </ul>
        <p v-for="s in skipped" :key="s.id" class="muted">{{ nameOf(s.id) }} was skipped: {{ s.why }}.</p>
      </section>
      <section>
        <div class="scroll" tabindex="0" role="group" aria-label="Steps by the clock">
          <table class="plain" data-testid="by-clock">
            <thead>
              <tr>
                <th>From</th>
                <th>Step</th>
                <th>Where</th>
                <th>Who</th>
                <th class="right">Takes</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in told.day.runs" :key="`${r.job} ${r.hands.join()}`">
                <td>{{ sayClock(r.from) }}</td>
                <td>{{ nameOf(r.job) }}</td>
                <td>{{ r.station }}</td>
                <td>{{ r.hands.join(', ') }}</td>
                <td class="right">
                  {{ sayMinutes(r.until - r.from)
                  }}<small v-if="paces.get(r.job)" class="muted"> timed {{ paces.get(r.job)!.n }} ×</small>
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
.day {
  margin-left: auto;
}
.bars {
  border-bottom: 1px solid var(--rule-strong);
  padding: 1.4rem 0 0.5rem;
  position: relative;
  overflow-x: clip;
}
.axis {
  position: absolute;
  left: 8rem;
  right: 0;
  top: 0;
  bottom: 0;
}
.axis span {
  position: absolute;
  top: 0;
  bottom: 0;
  font-size: 0.85rem;
  border-left: 1px solid var(--rule);
  padding-left: 3px;
  white-space: nowrap;
}
.axis span:last-child {
  padding-left: 0;
}
.person {
  display: grid;
  grid-template-columns: 8rem minmax(0, 1fr);
  align-items: center;
  min-height: 42px;
}
.lane {
  position: relative;
  height: 34px;
}
.bar {
  position: absolute;
  top: 0;
  bottom: 6px;
  overflow: hidden;
  white-space: nowrap;
  font-size: 0.8rem;
  padding: 0.2rem 0.25rem;
  background: var(--sheet);
  border: 1px solid var(--ink);
}
.bar.saw {
  background: repeating-linear-gradient(90deg, var(--sheet) 0 4px, var(--rule) 4px 6px);
}
.bar.rail {
  border-top-width: 4px;
}
.bar.grinder {
  background: radial-gradient(var(--rule-strong) 1px, var(--sheet) 1.2px) 0 0 / 7px 7px;
}
.bar.house {
  border-style: dashed;
}
.likely {
  position: absolute;
  bottom: 0;
  height: 4px;
  background: var(--accent);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 1.4rem;
}
.waits {
  margin: 0;
  padding-left: 1.1rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
