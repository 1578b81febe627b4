<script setup lang="ts">
import { fatLeft } from '#core/records'
import { computed, ref, useTemplateRef } from 'vue'
import Select from 'primevue/select'
import { TRIM_LEVELS, type TrimLevel } from '#core/anatomy'
import { shownWeights, type CutFigure } from '#core/reading'
import { massDigits, counted } from '#core/measure'
import CutOrigin from './CutOrigin.vue'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** All that comes off, in figures that add up as shown. */
const { read, decide } = useReading()
const words = useWords()
const open = ref(true)
const origin = useTemplateRef('origin')
const shown = computed(() => shownWeights(read.value, words.unit.value))
const TRIMMED: Record<TrimLevel, string> = {
  ...{ generous: 'generously', standard: 'as usual', close: 'closely', strict: 'strictly' },
}
const trims = TRIM_LEVELS.map((v) => ({ v, w: `${TRIMMED[v]}: ${fatLeft(v, 'on')}` }))
const trim = (value: TrimLevel) => decide({ field: 'trim', target: 'lot', side: 'animal', value })
const KINDS = [
  ['product', 'Products'],
  ['by-product', 'By-products'],
  ['loss', 'Losses'],
] as const
const groups = computed(() =>
  KINDS.map(([kind, word]) => ({ kind, word, cuts: read.value.cuts.filter((c) => c.cut.kind === kind) })),
)
const figure = (n: number) => `${n.toFixed(massDigits(words.unit.value))} ${words.unit.value}`
const beside = (c: CutFigure) =>
  [
    c.range && !c.done ? `likely ${words.massRange(c.range)}` : '',
    c.pieces === c.packs || c.packs === 0 ? '' : counted(c.pieces, 'piece'),
    c.packs > 0 ? counted(c.packs, 'pack') : '',
  ]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <section class="tray sheet" aria-label="All that comes off">
    <button type="button" class="fold" :aria-expanded="open" @click="open = !open">
      <i class="pi" :class="open ? 'pi-chevron-down' : 'pi-chevron-right'" aria-hidden="true" />
      <h2>All that comes off</h2>
      <span class="sum" data-testid="balance">
        carcass <b>{{ figure(shown.carcass) }}</b>
        <template v-if="shown.kept > 0"> + offal kept <b>{{ figure(shown.kept) }}</b></template>
        + added <b>{{ figure(shown.added) }}</b> = products <b>{{ figure(shown.products) }}</b> + by-products
        <b>{{ figure(shown.byProducts) }}</b> + losses
        <b>{{ figure(shown.losses) }}</b>
        <template v-if="Math.abs(shown.difference) >= 0.05">
          + not accounted for <b>{{ figure(shown.difference) }}</b></template
        >
      </span>
    </button>
    <div class="row trim">
      <span id="trim-word">How closely all of it is trimmed</span>
      <Select
        :model-value="read.plan.choices.trim"
        aria-labelledby="trim-word"
        :options="trims"
        option-label="w"
        option-value="v"
        size="small"
        @update:model-value="trim"
      />
    </div>
    <div v-if="open" class="cuts">
      <div v-for="g in groups" :key="g.kind" class="group" :class="g.kind">
        <h3>{{ g.word }}</h3>
        <ul>
          <li v-for="c in g.cuts" :key="c.cut.id" :data-cut="c.cut.id">
            <DestinationMark :to="c.cut.destination" />
            <span class="name">{{ words.name(c.cut.names) }}</span>
            <button
              type="button"
              class="kg"
              :class="{ estimate: !c.done && c.remainingKg > 0 }"
              :title="c.range ? `likely ${words.massRange(c.range)}` : 'weighed'"
              :aria-label="`${words.name(c.cut.names)}, ${figure(shown.cuts.get(c.cut.id)!)}: where this comes from`"
              @click="origin?.ask($event, c.cut.id)"
            >
              {{ figure(shown.cuts.get(c.cut.id)!) }}
            </button>
            <small class="muted">{{ beside(c) }}</small>
          </li>
        </ul>
      </div>
    </div>
    <CutOrigin ref="origin" />
  </section>
</template>

<style scoped>
.trim {
  padding: 0.3rem 0.8rem;
  border-top: 1px solid var(--rule);
}
.tray {
  margin-top: 0.9rem;
}
.fold {
  display: flex;
  align-items: baseline;
  gap: 0.6rem;
  width: 100%;
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  padding: 0.5rem 0.7rem;
  cursor: pointer;
  text-align: left;
  flex-wrap: wrap;
}
.cuts {
  display: grid;
  grid-template-columns: 3fr 1fr 1fr;
  gap: 1.25rem;
  padding: 0 0.7rem 0.7rem;
}
.product ul {
  columns: 2;
  column-gap: 1.5rem;
}
button.kg {
  font: inherit;
  color: inherit;
  background: none;
  border-top: 0;
  border-left: 0;
  border-right: 0;
  padding: 0;
  min-height: 24px;
  cursor: pointer;
}
button.kg:not(.estimate) {
  border-bottom: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  column-gap: 0.45rem;
  padding: 0.15rem 0;
  break-inside: avoid;
  border-bottom: 1px solid var(--rule);
}
li small {
  grid-column: 2 / -1;
}
@media (max-width: 900px) {
  .cuts {
    grid-template-columns: 1fr;
  }
}
</style>
