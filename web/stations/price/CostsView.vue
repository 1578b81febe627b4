<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import { COST_WORDS, eachOf, kindOf, spentByKind } from '#core/ledger'
import { repeated, timesDue, type CostLine } from '#core/plan'
import type { Cost } from '#core/records'
import { costPer, lateCosts, type CostPer } from '#core/reading'
import FigureInput from '../../pieces/FigureInput.vue'
import FoldedPane from '../../pieces/FoldedPane.vue'
import { useAttachments } from '../../state/attachments.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import CostForm from './CostForm.vue'
import CostTable from './CostTable.vue'
import { readMoney } from './figures.ts'
import GrowthPane from './GrowthPane.vue'
import { usePrices } from './prices.ts'
import PriceTabs from './PriceTabs.vue'
import ShareCost from './ShareCost.vue'

/** Everything that was paid for a lot, line by line, what it comes to by kind, and what a kilogram of it cost. */
const { lot, state, read, decide, note, correct, withdraw, factOf } = useReading()
const words = useWords()
const { typed } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const lines = computed(() => read.value.plan.costs)
const kinds = computed(() =>
  spentByKind(lines.value.filter((l) => read.value.plan.countsUnpaid || !l.unpaid)),
)
const total = computed(() => read.value.money.costs.total)
const rowOf = (id: string) => factOf((f) => f.kind === 'cost').filter((f) => f.id === id)
function setAmount(id: string, amount: number) {
  const [row] = rowOf(id)
  if (row?.fact.kind !== 'cost') return
  const { repeats, day } = row.fact
  const anew = repeats && { ...repeats, each: amount }
  correct(row, {
    ...row.fact,
    ...(anew ? { repeats: anew, amount: repeated(anew, day!) } : { amount }),
  })
}
const { addressOf } = useAttachments(() => lot.value!.id)
const slipOf = (hash: string | undefined) => read.value.plan.attachments.find((a) => a.hash === hash) ?? null
const anew = ({ receipt: _, shared: __, repeats, carried: ___, ...line }: Cost): Cost => ({
  ...line,
  amount: repeats?.each ?? line.amount,
})
/** What is paid again and again is written down again, as of today. */
function again(id: string) {
  const [row] = rowOf(id)
  if (row?.fact.kind !== 'cost') return
  note({ ...anew(row.fact), day: new Date().toISOString().slice(0, 10) })
}
const late = computed(() => lateCosts(read.value, state.value!))
const isOut = (unpaid: boolean | undefined) => unpaid === true && !read.value.plan.countsUnpaid
const each = (l: CostLine) => {
  const one = eachOf(l)
  return one === null ? '' : `${words.money(one)} a ${l.quantity!.unit}`
}
const PER: Record<CostPer['of'], (unit: string) => string> = {
  head: () => 'a head',
  live: (unit) => `a ${unit} alive`,
  hanging: (unit) => `a ${unit} hanging`,
  takeHome: (unit) => `a ${unit} to take home`,
}
const per = computed(() => costPer(read.value))
const isLost = computed(() => !read.value.plan.verdict.food)
</script>

<template>
  <PriceTabs />
  <div class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>What was paid</h2>
        <span class="right" style="flex: 1"><b>{{ words.money(total) }}</b> with fees and labour</span>
      </div>
      <div class="scroll">
        <table v-if="lines.length > 0" class="plain" data-testid="costs">
          <thead>
            <tr>
              <th>Day</th>
              <th>What</th>
              <th>Kind</th>
              <th class="right">How much</th>
              <th class="right">Amount</th>
              <th><span class="visually-hidden">Take off</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in lines" :key="c.id" :class="{ out: isOut(c.unpaid) }">
              <td class="nowrap">{{ c.day ?? '' }}</td>
              <td>
                {{ c.label
                }}<small v-if="c.unpaid" class="muted"
                  >, own work{{ isOut(c.unpaid) ? ', not counted' : '' }}</small
                ><small v-if="late.has(c.id)" class="late">, came after all was packed</small
                ><a
                  v-if="slipOf(c.receipt)"
                  :href="addressOf(slipOf(c.receipt)!)"
                  target="_blank"
                  rel="noopener"
                  ><i class="pi pi-paperclip" :aria-label="`Slip of ${c.label}`" /></a
                ><small v-if="c.shared" class="muted"
                  >, share of {{ words.money(c.shared.total) }} by {{ c.shared.by }}</small
                ><small v-if="c.carried" class="muted">, borne by other lots</small
                ><small v-if="c.repeats" class="muted"
                  >, each {{ c.repeats.every }} until {{ c.repeats.until }}:
                  {{ timesDue(c.repeats.every, c.day!, c.repeats.until) }} times,
                  {{ words.money(c.amount) }}</small
                >
              </td>
              <td>{{ COST_WORDS[kindOf(c)] }}</td>
              <td class="right nowrap">
                <template v-if="c.quantity"
                  >{{ c.quantity.value }} {{ c.quantity.unit }}<br /><small class="muted">{{
                    each(c)
                  }}</small></template
                >
              </td>
              <td class="input">
                <span v-if="c.carried" class="nowrap">{{ words.moneyChange(c.amount) }}</span>
                <FigureInput
                  v-else
                  :shown="typed(c.repeats?.each ?? c.amount)"
                  :read="money"
                  :label="`Amount of ${c.label}${c.repeats ? `, each ${c.repeats.every}` : ''}`"
                  @take="$event !== null && setAmount(c.id, $event)"
                />
              </td>
              <td>
                <Button
                  v-if="!c.carried && !c.shared"
                  text
                  size="small"
                  icon="pi pi-replay"
                  :aria-label="`${c.label} again, today`"
                  title="The same again, today"
                  @click="again(c.id)"
                />
                <Button
                  text
                  size="small"
                  icon="pi pi-times"
                  severity="secondary"
                  :aria-label="`Take ${c.label} off`"
                  @click="withdraw(...rowOf(c.id))"
                />
              </td>
            </tr>
          </tbody>
        </table>
        <p v-else class="muted">
          Nothing is written down yet. What was paid for the animal, its feed, its keep?
        </p>
      </div>
      <CostForm />
      <FoldedPane
        v-if="isLost && total > 0"
        title="Let the living bear it"
        says="what a casualty cost, loaded on other lots"
        ><ShareCost :carry="total"
      /></FoldedPane>
      <FoldedPane
        late
        title="Share a cost over several lots"
        says="a load of feed, a mended fence; what the farm pays all year"
        ><ShareCost
      /></FoldedPane>
      <FoldedPane title="As a table" says="taken away, or brought from a spreadsheet (CSV)"
        ><CostTable
      /></FoldedPane>
    </section>
    <section class="stack">
      <div class="pane-head"><h2>What it comes to</h2></div>
      <table class="plain" data-testid="by-kind">
        <tbody>
          <tr v-for="k in kinds" :key="k.kind">
            <td>{{ COST_WORDS[k.kind] }}</td>
            <td class="right">{{ words.money(k.amount) }}</td>
          </tr>
          <tr v-for="r in read.money.costs.rows.filter((x) => x.fromPlan)" :key="r.id">
            <td>{{ r.label }} <small class="muted">follows from the plan</small></td>
            <td class="right">{{ words.money(r.amount) }}</td>
          </tr>
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">All</th>
            <td class="right">{{ words.money(total) }}</td>
          </tr>
          <tr v-for="p in per" :key="p.of" class="per">
            <td class="muted">{{ PER[p.of](words.unit.value) }}</td>
            <td class="right muted">{{ words.money(p.amount) }}</td>
          </tr>
        </tfoot>
      </table>
      <label v-if="lines.some((l) => l.unpaid)" class="row">
        <ToggleSwitch
          :model-value="read.plan.countsUnpaid"
          input-id="count-unpaid"
          @update:model-value="decide({ field: 'unpaid', target: 'lot', side: 'animal', value: $event })"
        />
        The family’s own work counts as a cost
      </label>
      <GrowthPane />
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 1.5rem;
  align-items: start;
}
.input {
  width: 6.5rem;
}
.late {
  color: var(--accent);
}
.out {
  color: var(--muted);
}
tfoot th,
tfoot td {
  font-weight: 700;
  text-align: right;
  border-top: 2px solid var(--ink);
}
tfoot th {
  text-align: left;
}
tfoot .per td {
  font-weight: 400;
  border-top: 0;
}
tfoot .per td:first-child {
  text-align: left;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
