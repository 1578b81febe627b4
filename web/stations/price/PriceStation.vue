<script setup lang="ts">
import { computed } from 'vue'
import { minorOf, pricePer } from '#core/measure'
import { ruleOf } from '#core/rules'
import PaperButtons from '../../pieces/PaperButtons.vue'
import { useKeys } from '../../state/keys.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import CostPane from './CostPane.vue'
import NotFood from '../../pieces/NotFood.vue'
import FoldedPane from '../../pieces/FoldedPane.vue'
import MarkDowns from './MarkDowns.vue'
import PriceLists from './PriceLists.vue'
import PriceTable from './PriceTable.vue'
import PriceTabs from './PriceTabs.vue'
import SharePane from './SharePane.vue'
import SkylinePane from './SkylinePane.vue'
import SolvePane from './SolvePane.vue'

const { lot, read } = useReading()
const words = useWords()
useKeys(() => ({ c: () => document.getElementById('cost-label')?.focus() }))
const rule = computed(() => ruleOf(read.value.plan.route))
const verdict = computed(() => read.value.plan.verdict)
const reason = computed(() => verdict.value.reasons[0] ?? null)
</script>

<template>
  <PriceTabs v-if="verdict.food" />
  <div class="two">
    <div class="stack">
      <NotFood v-if="!verdict.food" />
      <div v-else-if="verdict.sale === 'never' && reason" class="caution" role="note">
        <i class="pi pi-lock" aria-hidden="true" />
        <span
          ><b>{{ reason.fact }}</b> {{ reason.rule }}
          <RouterLink :to="{ name: 'hang' }">Change it at Hang</RouterLink>.
          <template v-if="read.money.costPerKg"
            >What you take home costs you
            <b
              >{{ words.money(Math.round(minorOf(pricePer(read.money.costPerKg, words.unit.value)))) }}/{{
                words.unit.value
              }}</b
            >.</template
          ></span
        >
      </div>
      <SharePane v-else-if="rule && verdict.sale === 'live-shares-only'" :rule="rule" />
      <template v-else>
        <div v-if="!rule" class="caution" role="note">
          <i class="pi pi-question-circle" aria-hidden="true" />
          <span
            >How the animal is slaughtered decides what may be sold.
            <RouterLink :to="{ name: 'hang' }">Say it at Hang</RouterLink>; until then no price list can be
            taken away.</span
          >
        </div>
        <SkylinePane />
        <PriceTable />
        <FoldedPane
          late
          title="What does not sell"
          says="what the rest of a cut brings, what the own table keeps, what is given for help"
          ><MarkDowns
        /></FoldedPane>
        <FoldedPane
          late
          title="Price lists"
          says="by place and day, others’ beside ours, all prices moved at once"
          ><PriceLists
        /></FoldedPane>
      </template>
    </div>
    <div class="stack">
      <SolvePane v-if="verdict.sale === 'by-the-piece'" />
      <CostPane />
      <section v-if="verdict.food" class="stack">
        <div class="pane-head"><h2>Take away</h2></div>
        <div class="row"><PaperButtons :lot="lot!.id" place="sold" /></div>
      </section>
    </div>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
  gap: 1.5rem;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
