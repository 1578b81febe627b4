<script setup lang="ts">
import { cautionAt } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import CarcassMeasures from './CarcassMeasures.vue'
import DressingChoice from './DressingChoice.vue'
import RouteChoice from './RouteChoice.vue'
import TypeChoice from './TypeChoice.vue'
import SlipList from './SlipList.vue'
import WeighingList from './WeighingList.vue'
import WeightEntry from './WeightEntry.vue'
import WhereFrom from './WhereFrom.vue'
import WhereItGoes from './WhereItGoes.vue'
import WithdrawLot from './WithdrawLot.vue'

const { read, body } = useReading()
const words = useWords()
const STAGE_WORDS = { live: 'live', shrunk: 'fasted live', hot: 'hot', cold: 'cold', aged: 'aged' }
</script>

<template>
  <div class="two">
    <section class="stack picture">
      <div class="pane-head"><h2>Where the rest of the animal goes</h2></div>
      <WhereItGoes />
      <WhereFrom />
      <div v-if="read.disagreements.length > 0" class="caution" role="alert">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" />
        <span>
          <b>The weighings disagree.</b> One of them may be wrong, or have another basis.
          <template v-for="d in read.disagreements" :key="d.stage">
            The {{ STAGE_WORDS[d.stage] }} weight is {{ Math.abs(d.z).toFixed(1) }} standard deviations
            {{ d.z > 0 ? 'above' : 'below' }} what the others say ({{ words.mass(d.expectedKg) }}).</template
          >
        </span>
      </div>
      <WeighingList />
      <SlipList />
      <WithdrawLot v-if="!read.plan.withdrawn" />
    </section>
    <section class="stack">
      <div class="pane-head"><h2>What does it weigh?</h2></div>
      <p class="muted">
        Type what you know, in any order: “260 lb”, “118 kg”, “12lb 6oz”. What is missing is estimated,
        forward and back.
      </p>
      <WeightEntry stage="live" label="Live weight" />
      <WeightEntry stage="hot" label="Hot carcass weight" />
      <WeightEntry stage="hanging" label="Hanging weight" />
      <CautionNote>{{ cautionAt('chill', body.anatomy.species) }}</CautionNote>
      <TypeChoice />
      <div class="pane-head"><h2>How is it slaughtered?</h2></div>
      <RouteChoice />
      <DressingChoice />
      <CarcassMeasures />
      <CautionNote>{{ cautionAt('slaughter', body.anatomy.species) }}</CautionNote>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(340px, 1fr);
  gap: 2rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
  .picture {
    order: 2;
  }
}
</style>
