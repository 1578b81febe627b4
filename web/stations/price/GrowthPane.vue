<script setup lang="ts">
import { computed } from 'vue'
import { cameOf, growthOf } from '#core/ledger'
import { kg, minorOf, pricePer } from '#core/measure'
import MassRange from '../../pieces/MassRange.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import BatchStart from '../birds/BatchStart.vue'

/** How well feed became animal: what it weighed when it came, what it gained, and what that cost. */
const { read } = useReading()
const words = useWords()
const start = computed(() => read.value.plan.start)
const live = computed(() => read.value.stages.find((s) => s.id === 'live') ?? null)
/** Who came: those that are here and those that are gone. */
const came = computed(
  () => start.value && { ...start.value, animals: cameOf(read.value.plan, read.value.count) },
)
const growth = computed(() => {
  const { plan, count } = read.value
  return live.value && growthOf(plan.costs, came.value, live.value.kg, count, plan.killed)
})
/** At the likely least and most that it weighs now, while that is an estimate. */
const between = computed(() => {
  const { plan, count } = read.value
  const range = live.value?.range
  if (!range) return null
  const at = (weight: number) => growthOf(plan.costs, came.value, kg(weight), count, plan.killed)
  const [low, high] = [at(range.low), at(range.high)]
  return low && high ? { low, high } : null
})
const perUnit = (perKg: number) =>
  `${words.money(Math.round(minorOf(pricePer(perKg, words.unit.value))))}/${words.unit.value}`
</script>

<template>
  <section class="stack">
    <div class="pane-head"><h2>Feed and gain</h2></div>
    <BatchStart />
    <table v-if="growth" class="plain" data-testid="growth">
      <tbody>
        <tr>
          <td>Gained</td>
          <td class="right">
            <MassRange
              :kg="growth.gain"
              :range="between && { low: between.low.gain, high: between.high.gain }"
            />
          </td>
        </tr>
        <tr v-if="growth.daily">
          <td>a day, each</td>
          <td class="right">
            <MassRange
              :kg="growth.daily"
              :range="between && { low: between.low.daily!, high: between.high.daily! }"
            />
          </td>
        </tr>
        <tr v-if="growth.conversion">
          <td>Feed for one of gain <small class="muted">{{ words.mass(growth.feed) }} fed</small></td>
          <td class="right">
            <span :class="{ estimate: between }">{{ growth.conversion.toFixed(2) }}</span
            ><template v-if="between"
              ><br /><small class="muted"
                >{{ between.high.conversion!.toFixed(2) }}–{{ between.low.conversion!.toFixed(2) }}</small
              ></template
            >
          </td>
        </tr>
        <tr v-if="growth.feedPerKg">
          <td>Feed cost of gain</td>
          <td class="right">
            <span :class="{ estimate: between }">{{ perUnit(growth.feedPerKg) }}</span
            ><template v-if="between"
              ><br /><small class="muted"
                >{{ perUnit(between.high.feedPerKg!) }}–{{ perUnit(between.low.feedPerKg!) }}</small
              ></template
            >
          </td>
        </tr>
        <tr v-if="growth.lost">
          <td>
            {{ growth.lost.animals }} lost in rearing <small class="muted">borne by each that lives</small>
          </td>
          <td class="right">{{ words.money(growth.lost.each) }}</td>
        </tr>
        <tr>
          <td>All cost of gain</td>
          <td class="right">
            <span :class="{ estimate: between }">{{ perUnit(growth.allPerKg) }}</span
            ><template v-if="between"
              ><br /><small class="muted"
                >{{ perUnit(between.high.allPerKg) }}–{{ perUnit(between.low.allPerKg) }}</small
              ></template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="start" class="muted">
      {{
        live ? 'It weighs no more than when it came: look at both weights.' : 'There is no live weight yet.'
      }}
    </p>
    <small v-if="growth && !growth.conversion" class="muted"
      >Write feed down with its weight, and what it took to gain one is reckoned.</small
    >
  </section>
</template>
