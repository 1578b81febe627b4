<script setup lang="ts">
import { counted } from '#core/measure'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { signersOf } from '#core/hand'
import type { CutFigure } from '#core/reading'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** Every cut that is expected or was weighed, in cutting order; what is to come is rounded with the sum above it. */
defineProps<{ toCome: ReadonlyMap<string, number> }>()
const emit = defineEmits<{ weigh: [cut: string] }>()
const { read, note, withdraw, factOf } = useReading()
/** A cut of which all packs are weighed is ticked; unticked, the tick is withdrawn. */
function tick(cut: string, on: boolean) {
  if (on) note({ kind: 'tick', what: 'cut', of: cut, side: 'animal' })
  else withdraw(...factOf((f) => f.kind === 'tick' && f.what === 'cut' && f.of === cut))
}
const words = useWords()
const rows = computed(() => read.value.cuts.filter((c) => c.cut.kind !== 'loss'))
const widest = computed(() =>
  Math.max(...rows.value.flatMap((c) => [c.range?.high ?? c.expectedKg, c.weighedKg])),
)
const at = (kg: number) => `${(100 * kg) / widest.value}%`
/** Who signed at the bench for what goes into the packs of each cut. */
const signers = computed(() => new Map(rows.value.map((c) => [c.cut.id, signersOf(read.value, c.cut.id)])))
/** How many packs are there of those that the plan takes: "3 of 9 packs". */
const sayPacks = ({ weighedPacks: n, packs, done }: CutFigure) => {
  const word = (of: number) => (of === 1 ? 'pack' : 'packs')
  if (done || packs === 0) return n > 0 ? `${n} ${word(n)}` : ''
  return `${n} of ${packs} ${word(packs)}`
}
/** Weighed and done, yet outside what was likely: worth a second look before it is believed. */
const odd = (c: CutFigure) =>
  c.range !== null && ((c.done && c.weighedKg < c.range.low) || c.weighedKg > c.range.high)
</script>

<template>
  <div>
    <div class="pane-head"><h2>The block, emptying</h2></div>
    <table class="plain">
      <thead>
        <tr>
          <th>Cut</th>
          <th class="lane-head"><span>Expected and weighed</span></th>
          <th class="right">Expected</th>
          <th class="right">Weighed</th>
          <th class="right">To come</th>
          <th>All in</th>
          <th><span class="visually-hidden">Weigh</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in rows" :key="c.cut.id" :class="{ done: c.done }" :data-cut="c.cut.id">
          <td>
            <span class="cut"><DestinationMark :to="c.cut.destination" /> {{ words.name(c.cut.names) }}</span>
            <small v-if="signers.get(c.cut.id)!.length > 0" class="muted"
              >signed {{ signers.get(c.cut.id)!.join(', ') }}</small
            >
          </td>
          <td class="lane" aria-hidden="true">
            <span class="expected" :style="{ width: at(c.expectedKg) }" />
            <span
              class="weighed"
              :style="{ width: at(c.weighedKg), background: DESTINATIONS[c.cut.destination].fill }"
            />
            <span
              v-if="c.range && !c.done"
              class="whisker"
              :style="{ left: at(c.range.low), width: at(c.range.high - c.range.low) }"
            />
          </td>
          <td class="right nowrap">
            <span class="estimate">{{ words.mass(c.expectedKg) }}</span
            ><small v-if="c.range" class="muted likely">{{ words.massRange(c.range) }}</small
            ><small v-if="c.pieces > 0 && !c.done" class="muted likely">{{
              counted(c.pieces, 'piece')
            }}</small>
          </td>
          <td class="right nowrap">
            <b v-if="c.weighedKg > 0">{{ words.mass(c.weighedKg) }}</b
            ><small v-if="sayPacks(c)" class="muted pk">{{ sayPacks(c) }}</small>
          </td>
          <td class="right nowrap">
            <span v-if="(toCome.get(c.cut.id) ?? 0) > 0" class="estimate">{{
              words.figure(toCome.get(c.cut.id)!)
            }}</span
            ><span
              v-else-if="odd(c)"
              v-tooltip="
                `Outside what was likely (${words.massRange(c.range!)}). Is a pack missing, or counted twice?`
              "
              class="pi pi-exclamation-triangle odd"
              role="img"
              tabindex="0"
              aria-label="Outside what was likely"
            />
          </td>
          <td>
            <Checkbox
              :model-value="c.done"
              binary
              :aria-label="`All ${words.name(c.cut.names)} weighed`"
              @update:model-value="tick(c.cut.id, Boolean($event))"
            />
          </td>
          <td>
            <Button
              text
              size="small"
              icon="pi pi-plus"
              class="weigh"
              :aria-label="`Weigh ${words.name(c.cut.names)}`"
              @click="emit('weigh', c.cut.id)"
            />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.cut {
  display: flex;
  gap: 0.45rem;
  align-items: center;
}
td {
  padding: 0.12rem 0.4rem !important;
}
.lane {
  position: relative;
  width: 26%;
  height: 26px;
}
.expected,
.weighed {
  position: absolute;
  left: 0;
  top: 6px;
  bottom: 6px;
}
.expected {
  border: 1px dashed #8a7452;
  background: #f1e7d4;
}
.weighed {
  border: 0;
}
.whisker {
  position: absolute;
  top: 50%;
  height: 2px;
  background: var(--accent);
}
.done .cut {
  color: var(--muted);
}
.pk {
  margin-left: 0.35rem;
}
.likely {
  display: block;
}
.odd {
  color: var(--caution);
}
.weigh {
  min-width: 44px;
  min-height: 44px;
}
@media (max-width: 900px) {
  .lane {
    width: 18%;
  }
}
@media (max-width: 560px) {
  .lane,
  .lane-head,
  .likely {
    display: none;
  }
  .pk {
    display: block;
    margin: 0;
  }
  .weigh {
    min-width: 36px;
    padding: 0;
  }
  td,
  th {
    padding: 0.1rem 0.2rem !important;
  }
}
</style>
