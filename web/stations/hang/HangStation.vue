<script setup lang="ts">
import { computed } from 'vue'
import { chainUnder, STAGE_WORDS } from '#core/carcass'
import { conventionsOf } from '#core/plan'
import { lastOf, sayClear } from '#core/rules'
import FoldedPane from '../../pieces/FoldedPane.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import AnimalFacts from './AnimalFacts.vue'
import AnimalList from './AnimalList.vue'
import BookingDoors from './BookingDoors.vue'
import CasualtyRecord from './CasualtyRecord.vue'
import HangTabs from './HangTabs.vue'
import HowItEnded from './HowItEnded.vue'
import MedicineList from './MedicineList.vue'
import CarcassMeasures from './CarcassMeasures.vue'
import DayScales from './DayScales.vue'
import DressingChoice from './DressingChoice.vue'
import DroppedWays from './DroppedWays.vue'
import RouteChoice from './RouteChoice.vue'
import TypeChoice from './TypeChoice.vue'
import SlipList from './SlipList.vue'
import WeighingList from './WeighingList.vue'
import WhatHangs from './WhatHangs.vue'
import WhereFrom from './WhereFrom.vue'
import WhereItGoes from './WhereItGoes.vue'
import WithdrawLot from './WithdrawLot.vue'

const { read, body, lot, alive } = useReading()
const words = useWords()
const anatomy = computed(() => body.value.anatomy)
const dressed = computed(() => {
  const { conventions, type } = read.value.plan
  const { mean, sd } = chainUnder(anatomy.value, conventions, type).dressing
  const is = conventionsOf(anatomy.value, conventions).map(({ convention: c, is: on }) => (on ? c.on : c.off))
  return `${is.join(', ')}: dresses at ${(mean * 100).toFixed(1)} ± ${(sd * 100).toFixed(1)} %`
})
const measured = computed(() => {
  const known = anatomy.value.measures.filter((m) => read.value.plan.measured[m.id] !== undefined)
  return known.length > 0
    ? known
        .map((m) => `${words.name(m.names).toLowerCase()} ${read.value.plan.measured[m.id]} ${m.unit}`)
        .join(', ')
    : 'nothing yet: they shift lean and fat, and narrow every estimate'
})
const medicines = computed(() => {
  const all = read.value.plan.medicines
  if (all.length === 0) return 'none given'
  return `${all.length} given; ${sayClear(lastOf(all)!)}`
})
const apart = computed(() => {
  const n = read.value.plan.animals.length
  return n === 0 ? 'ear tags or bands, and single weights' : `${n} of ${alive.value} told apart`
})
const slips = computed(() => {
  const n = read.value.plan.attachments.length
  return n === 0 ? 'none yet' : n === 1 ? '1 kept' : `${n} kept`
})
</script>

<template>
  <HangTabs v-if="read.plan.verdict.food" />
  <div class="stack">
    <WhatHangs v-if="read.plan.hangs.as !== 'whole'" />
    <CasualtyRecord v-if="!read.plan.verdict.food" />
    <DayScales v-else />
    <div v-if="read.disagreements.length > 0" class="caution" role="alert">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" />
      <span>
        <b>The weighings disagree.</b> One of them may be wrong, or have another basis.
        <template v-for="d in read.disagreements" :key="d.stage">
          The {{ STAGE_WORDS[d.stage] }} is {{ Math.abs(d.z).toFixed(1) }} standard deviations
          {{ d.z > 0 ? 'above' : 'below' }} what the others say ({{ words.mass(d.expectedKg) }}).</template
        >
      </span>
    </div>
    <DroppedWays />
    <div class="two">
      <section class="stack">
        <div class="pane-head"><h2>The animal and its kill</h2></div>
        <AnimalFacts />
        <TypeChoice />
        <HowItEnded />
        <RouteChoice />
      </section>
      <section v-if="read.plan.hangs.as === 'whole' && read.plan.verdict.food" class="stack">
        <div class="pane-head"><h2>Where the rest of the animal goes</h2></div>
        <WhereItGoes />
        <WhereFrom />
      </section>
    </div>
    <div>
      <FoldedPane
        v-if="read.plan.hangs.as === 'whole'"
        title="Less than a whole animal?"
        says="a side, a quarter or a part that came by itself"
        ><WhatHangs
      /></FoldedPane>
      <FoldedPane
        v-if="read.plan.verdict.food && read.plan.hangs.as === 'whole'"
        late
        title="Doors that close at booking"
        says="what each choice at the plant shuts, and the sheet to hand in"
        ><BookingDoors
      /></FoldedPane>
      <FoldedPane title="How it was dressed" :says="dressed"><DressingChoice /></FoldedPane>
      <FoldedPane v-if="anatomy.measures.length > 0" title="Measured on the carcass" :says="measured"
        ><CarcassMeasures
      /></FoldedPane>
      <FoldedPane
        v-if="lot!.count > 1 && read.plan.hangs.as === 'whole'"
        title="The animals one by one"
        :says="apart"
        ><AnimalList
      /></FoldedPane>
      <FoldedPane title="Medicines" :says="medicines"><MedicineList /></FoldedPane>
      <FoldedPane title="Slips and photos" :says="slips"><SlipList /></FoldedPane>
      <FoldedPane
        v-if="lot!.weighings.length > 0"
        title="Every weighing on record"
        :says="`${lot!.weighings.length}, none ever lost`"
        ><WeighingList
      /></FoldedPane>
      <FoldedPane
        v-if="!read.plan.withdrawn"
        title="Hung by mistake?"
        says="it leaves the rail and can be hung again"
        ><WithdrawLot
      /></FoldedPane>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 2rem;
  align-items: start;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
