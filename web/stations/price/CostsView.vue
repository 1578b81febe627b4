<script setup lang="ts">
import Button from 'primevue/button'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed } from 'vue'
import { COST_WORDS, kindOf, spentByKind } from '#core/ledger'
import { fromKg, toKg, type Kg } from '#core/measure'
import type { Cost } from '#core/records'
import { lateCosts } from '#core/reading'
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
  if (row?.fact.kind === 'cost') correct(row, { ...row.fact, amount })
}
const { addressOf } = useAttachments(() => lot.value!.id)
const slipOf = (hash: string | undefined) => read.value.plan.attachments.find((a) => a.hash === hash) ?? null
const anew = ({ receipt: _, shared: __, ...line }: Cost): Cost => line
/** What is paid again and again is written down again, as of today. */
function again(id: string) {
  const [row] = rowOf(id)
  if (row?.fact.kind !== 'cost') return
  note({ ...anew(row.fact), day: new Date().toISOString().slice(0, 10) })
}
const late = computed(() => lateCosts(read.value, state.value!))
const isOut = (unpaid: boolean | undefined) => unpaid === true && !read.value.plan.countsUnpaid
/** "$0.38 a lb": what one of the quantity cost. */
const each = (l: (typeof lines.value)[number]) =>
  l.quantity ? `${words.money(Math.round(l.amount / l.quantity.value))} a ${l.quantity.unit}` : ''
/** What a head and a unit of weight cost, at every step. */
const per = computed(() => {
  const { count, weights, worth } = read.value
  const unit = words.unit.value
  const by = (kilograms: Kg | undefined, of: string) =>
    kilograms ? [{ of: `a ${unit} ${of}`, amount: total.value / fromKg(kilograms, unit) }] : []
  return [
    ...(count > 1 ? [{ of: 'a head', amount: total.value / count }] : []),
    ...by(weights?.live, 'alive'),
    ...by(weights?.aged, 'hanging'),
    ...by(worth.takeHome > toKg(0.001, 'kg') ? worth.takeHome : undefined, 'to take home'),
  ]
})
</script>

<template>
  <PriceTabs />
  <div class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>What was paid</h2>
        <span class="right" style="flex: 1"
          ><b>{{ words.money(total) }}</b> with fees and labour</span
        >
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
                <FigureInput
                  :shown="typed(c.amount)"
                  :read="money"
                  :label="`Amount of ${c.label}`"
                  @take="$event !== null && setAmount(c.id, $event)"
                />
              </td>
              <td>
                <Button
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
      <FoldedPane title="Share a cost over several lots" says="rent, a load of feed, a mended fence"
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
            <td class="muted">{{ p.of }}</td>
            <td class="right muted">{{ words.money(Math.round(p.amount)) }}</td>
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
