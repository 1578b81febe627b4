<script setup lang="ts">
import { computed } from 'vue'
import { sayClock } from '#core/clock'
import type { DayForecast, DayStation } from '#core/line'

/** The middle day as a picture: one lane a station, as thick as birds stand at it; whoever fetches as a flag. */
const { told, stations, pickups } = defineProps<{
  told: DayForecast
  stations: readonly DayStation[]
  pickups: DayForecast['pickups']
}>()
const LANE = 26
/** Those that were drawn: another plan may stand beside them until it is drawn too. */
const shown = computed(() =>
  told.stations.map(({ id }) => ({ id, word: stations.find((s) => s.id === id)?.word ?? id })),
)
const end = computed(() => {
  const { from, step, at } = told.picture
  return Math.max(from + step * (at[0]!.length - 1), ...pickups.map((p) => p.at + 10))
})
const from = computed(() => told.picture.from)
const x = (minute: number) => (100 * (minute - from.value)) / Math.max(1, end.value - from.value)
const hours = computed(() => {
  const first = Math.ceil(from.value / 60)
  const last = Math.floor(end.value / 60)
  const by = last - first > 12 ? 2 : 1
  return Array.from(
    { length: Math.max(0, Math.floor((last - first) / by) + 1) },
    (_, i) => (first + i * by) * 60,
  )
})
/** The lane of a station: its birds at each step, as an area that is closed below; its height is the root of how many, so that one still shows beside sixty. */
const lanes = computed(() => {
  const { at } = told.picture
  const most = Math.max(4, ...at.flat())
  return shown.value.map((s, i) => {
    const row = at[i]!
    const tall = row.map((n) => Math.sqrt(n / most) * (LANE - 3))
    const over = tall.map(
      (h, k) => `${x(told.picture.from + k * told.picture.step).toFixed(2)},${(LANE - h).toFixed(2)}`,
    )
    return {
      id: s.id,
      word: s.word,
      most: Math.max(...row),
      points: `0,${LANE} ${over.join(' ')} ${x(told.picture.from + (row.length - 1) * told.picture.step)},${LANE}`,
    }
  })
})
</script>

<template>
  <div
    class="picture"
    role="img"
    :aria-label="`The day from ${sayClock(from)} to ${sayClock(end)}, station by station`"
    data-testid="line-picture"
  >
    <div class="axis" aria-hidden="true">
      <span v-for="h in hours" :key="h" :style="{ left: `${x(h)}%` }">{{ sayClock(h) }}</span>
      <i
        v-for="p in pickups"
        :key="p.who + p.at"
        class="flag"
        :style="{ left: `${Math.min(99.5, Math.max(0, x(p.at)))}%` }"
        :title="`${p.who}, ${sayClock(p.at)}`"
      />
    </div>
    <div v-for="l in lanes" :key="l.id" class="lane" :class="{ holds: told.holds === l.id }">
      <b>{{ l.word }}</b>
      <svg :viewBox="`0 0 100 ${LANE}`" preserveAspectRatio="none" aria-hidden="true">
        <polygon :points="l.points" />
      </svg>
      <small class="muted">{{ l.most }} at most</small>
    </div>
  </div>
</template>

<style scoped>
.picture {
  position: relative;
  padding-top: 1.4rem;
  border-bottom: 1px solid var(--rule-strong);
}
.axis {
  position: absolute;
  inset: 0 5.6rem 0 9.6rem;
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
.flag {
  position: absolute;
  top: 1.2rem;
  bottom: 0;
  border-left: 2px dashed var(--covered);
}
.lane {
  display: grid;
  grid-template-columns: 9.2rem minmax(0, 1fr) 5.2rem;
  gap: 0.4rem;
  align-items: center;
  min-height: 27px;
  border-top: 1px solid var(--rule);
}
.lane b {
  font-size: 0.92rem;
  white-space: nowrap;
}
.lane svg {
  width: 100%;
  height: 26px;
  display: block;
}
polygon {
  fill: #b9a78a;
  stroke: none;
}
.holds polygon {
  fill: var(--accent);
}
.holds b {
  color: var(--accent);
}
</style>
