<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { batchCost, batchOf, curveOf, growthOfBatch, raisedTo, readyDay, type WeighedAll } from '#core/batch'
import { unaccounted } from '#core/ledger'
import { kg, kgOf, minorOf, pricePer, dayAfter, daysBetween } from '#core/measure'
import { inForce } from '#core/records'
import FoldedPane from '../../pieces/FoldedPane.vue'
import MassRange from '../../pieces/MassRange.vue'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'
import { useWords } from '../../state/words.ts'
import HangTabs from '../hang/HangTabs.vue'
import BatchFeed from './BatchFeed.vue'
import BatchStart from './BatchStart.vue'
import LossPane from './LossPane.vue'
import RaiseTo from './RaiseTo.vue'
import SamplePane from './SamplePane.vue'
import TypesPane from './TypesPane.vue'

/** What will they weigh, and when are they ready? A batch from the day it was placed: losses, samples, feed, growth with its band. */
const GrowthChart = defineAsyncComponent(() => import('./GrowthChart.vue'))
const { read, body, state } = useReading()
const words = useWords()
const { today, sayDay, dayOf } = useToday()
const species = computed(() => body.value.anatomy.species)
const many = computed(() => words.name(body.value.anatomy.names).toLowerCase())
const batch = computed(() => batchOf(species.value, read.value.plan, read.value.count))
const to = computed(() => {
  const curve = curveOf(species.value, read.value.plan.type, read.value.plan.start?.sexed)
  return curve && raisedTo(curve, read.value.plan.raise)
})
/** The last day that is shown: its kill, today, or some weeks past the target. */
const age = computed(
  () => batch.value && daysBetween(batch.value.placed, read.value.plan.killed ?? today.value),
)
/** All of them weighed alive together, and when. */
const weighed = computed<WeighedAll | null>(() => {
  const live = inForce(state.value!.weighings).findLast((w) => w.stage === 'live' && w.source === 'scale')
  return live
    ? { day: live.day ?? dayOf(new Date(live.at)), each: kg(kgOf(live.grams) / read.value.count) }
    : null
})
const growth = computed(() => {
  if (!batch.value) return null
  const first = growthOfBatch(batch.value, read.value.plan.samples, 2, weighed.value)
  const ready = readyDay(first, to.value!.kg, to.value!.share)
  return growthOfBatch(
    batch.value,
    read.value.plan.samples,
    Math.max(28, (ready.high ?? ready.day ?? 84) + 7),
    weighed.value,
  )
})
const ready = computed(() => growth.value && readyDay(growth.value, to.value!.kg, to.value!.share))
const on = (day: number) => sayDay(dayAfter(batch.value!.placed, day))
const isWeighedToday = computed(() => weighed.value?.day === today.value)
const now = computed(() =>
  growth.value && age.value !== null && age.value >= 0 && read.value.plan.killed === null
    ? growth.value.at(age.value)
    : null,
)
const missing = computed(() => unaccounted(read.value.plan, read.value.count))
const cost = computed(() => (read.value.money.costs.total > 0 ? batchCost(read.value) : null))
</script>

<template>
  <HangTabs />
  <div class="stack">
    <div class="pane-head">
      <h2 data-testid="ready">
        <template v-if="!batch">When did they come?</template>
        <template v-else-if="ready?.day == null">They never weigh that much</template>
        <span v-else class="estimate">Ready about {{ on(ready.day) }}</span>
      </h2>
      <span v-if="batch && ready?.day != null" class="muted" data-testid="ready-range"
        >likely {{ ready.low === null ? 'never' : on(ready.low) }} to
        {{ ready.high === null ? 'never' : on(ready.high) }}: {{ words.percent(to!.share) }} of them at
        {{ words.mass(to!.kg) }} or more</span
      >
      <span class="muted"
        ><b>{{ read.count }}</b> alive<template v-if="batch && batch.came > read.count">
          of {{ batch.came }} that came</template
        ><template v-if="missing > 0"
          >, <b class="missing">{{ missing }} not accounted for</b></template
        ></span
      >
    </div>
    <template v-if="!batch">
      <p class="muted">
        From the day they came, and what all of them weighed then: growth, the day they are ready, feed for
        one of gain, the cost of each that lives.
      </p>
      <BatchStart />
      <div class="two">
        <section class="stack"><SamplePane /></section>
        <section class="stack"><LossPane /></section>
      </div>
    </template>
    <template v-else>
      <div class="two">
        <section class="stack">
          <GrowthChart
            :growth="growth!"
            :placed="batch.placed"
            :samples="read.plan.samples"
            :target="to!.kg"
            :ready="ready!"
            :today="read.plan.killed === null ? age : null"
          />
          <p v-if="batch.curve.caution" class="muted" data-testid="curve-caution">
            {{ batch.curve.caution }} A sample weighed corrects it.
          </p>
          <dl class="figures">
            <div v-if="now">
              <dt>One weighs today</dt>
              <dd>
                <MassRange
                  :kg="isWeighedToday ? weighed!.each : now.kg"
                  :range="isWeighedToday ? null : now.range"
                />
              </dd>
            </div>
            <div v-if="now">
              <dt>All {{ read.count }} together</dt>
              <dd>
                <MassRange
                  :kg="kg((isWeighedToday ? weighed!.each : now.kg) * read.count)"
                  :range="
                    isWeighedToday
                      ? null
                      : { low: now.range.low * read.count, high: now.range.high * read.count }
                  "
                />
              </dd>
            </div>
            <div>
              <dt>Beside its type</dt>
              <dd class="estimate">
                {{ growth!.ahead >= 0 ? '+' : '−' }}{{ words.percent(Math.abs(growth!.ahead)) }}
              </dd>
            </div>
            <div v-if="cost">
              <dt>Cost of one alive</dt>
              <dd>{{ words.money(Math.round(cost.alive)) }}</dd>
              <dd v-if="cost.lost > 0" class="muted">
                {{ words.money(Math.round(cost.lost)) }} of it for those lost
              </dd>
            </div>
            <div v-if="cost?.dressedKg">
              <dt>Cost of one {{ words.unit.value }} dressed</dt>
              <dd :class="{ estimate: !read.stages.find((s) => s.id === 'hot')?.weighed }">
                {{ words.money(Math.round(minorOf(pricePer(cost.dressedKg, words.unit.value)))) }}
              </dd>
            </div>
          </dl>
          <RaiseTo :to="to!" />
          <BatchFeed />
        </section>
        <section class="stack">
          <SamplePane :growth="growth!" :batch="batch" />
          <LossPane :placed="batch.placed" />
          <FoldedPane title="When they came" :says="`${batch.came} on ${batch.placed}`"
            ><BatchStart
          /></FoldedPane>
        </section>
      </div>
      <TypesPane v-if="body.anatomy.types.length > 1" :target="to!.kg" :many="many" />
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 1.6rem;
  align-items: start;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.6rem;
  margin: 0;
}
.figures dt {
  color: var(--muted);
  font-size: 0.92rem;
}
.figures dd {
  margin: 0;
  font-weight: 600;
}
.figures dd.muted {
  font-weight: 400;
  font-size: 0.9rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
