<script setup lang="ts">
import { parseNumber, parseWhole } from '#core/measure'
import { limitsOf, lineStationSchema } from '#core/records'
import Checkbox from 'primevue/checkbox'
import MultiSelect from 'primevue/multiselect'
import { computed } from 'vue'
import type { DayForecast, DayStation } from '#core/line'
import type { LineStationId } from '#core/records'
import FigureInput from '../../pieces/FigureInput.vue'
import { useWords } from '../../state/words.ts'
import type { useBirdDay } from './birdDay.ts'

/** Stations of the day: minutes a load, birds a load, places, who; how busy each is and how long birds wait before it. */
const { day, told } = defineProps<{ day: ReturnType<typeof useBirdDay>; told: DayForecast | null }>()
const words = useWords()
const line = computed(() => day.line.value)
const names = computed(() => line.value.hands)
const loadOf = (s: DayStation) => told?.stations.find((x) => x.id === s.id) ?? null
const { minutes, places, load } = lineStationSchema.shape
const readMinutes = (text: string) => parseNumber(text, 'minutes', limitsOf(minutes), 'min')
const readLoad = (text: string) => parseWhole(text, 'load', limitsOf(load))
const readPlaces = (text: string) => parseWhole(text, 'places', limitsOf(places))
const say = (id: LineStationId, patch: Parameters<typeof day.changeStation>[1]) =>
  day.changeStation(id, patch)
</script>

<template>
  <div class="scroll" tabindex="0" role="group" aria-label="Stations of the day">
    <table class="plain" data-testid="stations">
      <thead>
        <tr>
          <th><span class="visually-hidden">Is there</span></th>
          <th>Station</th>
          <th class="right">Minutes</th>
          <th class="right">Birds</th>
          <th class="right">Places</th>
          <th>Who</th>
          <th class="right">Busy</th>
          <th class="right">Wait</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="s in line.stations"
          :key="s.id"
          :data-station="s.id"
          :class="{ off: s.off, holds: told?.holds === s.id }"
        >
          <td>
            <Checkbox
              :model-value="!s.off"
              binary
              :aria-label="`${s.word} is done on this day`"
              @update:model-value="(on) => say(s.id, { off: !on })"
            />
          </td>
          <th scope="row">{{ s.word }}</th>
          <td class="narrow">
            <FigureInput
              :shown="s.minutes < 10 ? s.minutes.toFixed(1) : s.minutes.toFixed(0)"
              :read="readMinutes"
              optional
              :label="`${s.word}: minutes a load`"
              @take="(v) => say(s.id, { minutes: v ?? undefined })"
            />
          </td>
          <td class="narrow">
            <FigureInput
              :shown="String(s.load)"
              :read="readLoad"
              optional
              :label="`${s.word}: birds a load`"
              @take="(v) => say(s.id, { load: v ?? undefined })"
            />
          </td>
          <td class="narrow">
            <FigureInput
              :shown="String(s.places)"
              :read="readPlaces"
              optional
              :label="`${s.word}: places`"
              @take="(v) => say(s.id, { places: v ?? undefined })"
            />
          </td>
          <td>
            <MultiSelect
              v-if="s.hand"
              :model-value="[...s.who]"
              :options="names"
              size="small"
              placeholder="all"
              :show-toggle-all="false"
              :aria-label="`${s.word}: who works there`"
              @update:model-value="(who: string[]) => say(s.id, { who: who.length > 0 ? who : undefined })"
            />
            <span v-else class="muted">by itself</span>
          </td>
          <td class="right">{{ loadOf(s) ? words.percent(loadOf(s)!.busy) : '–' }}</td>
          <td class="right nowrap">{{ loadOf(s) ? `${loadOf(s)!.waited.toFixed(1)} min` : '–' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.narrow {
  width: 4.4rem;
}
.off {
  opacity: 0.6;
}
.holds th {
  color: var(--accent);
  box-shadow: inset 4px 0 0 var(--accent);
}
td :deep(.p-multiselect) {
  width: 8rem;
}
</style>
