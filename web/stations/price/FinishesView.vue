<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import { computed, reactive, ref } from 'vue'
import { priceIn, priceOf, toKg } from '#core/measure'
import { canBeFinished, finishKind } from '#core/plan'
import { FINISH_CHANGE, type Finish } from '#core/records'
import { finishesFor, leavesBetween, productsOf, takeFinishes, type FinishFigures } from '#core/reading'
import AllergensPick from '../../pieces/AllergensPick.vue'
import CautionNote from '../../pieces/CautionNote.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import { finishOffersIn, worked } from '../../state/figures.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { readMoney, readNumber } from './figures.ts'
import { usePrices } from './prices.ts'
import PriceTabs from './PriceTabs.vue'

/** What is done to a cut once it is cut, for more money: what each finish takes, what it brings, what is left of that. */
const { read, central, decide, by, flow, state, farmFigures } = useReading()
const words = useWords()
const { typed, inUnit } = usePrices()
const money = computed(() => readMoney(words.currency.value))
const products = computed(() =>
  productsOf(read.value)
    .filter((c) => canBeFinished(c.cut) && c.kg > 0)
    .toSorted((a, b) => b.value - a.value),
)
const wanted = ref<string | null>(null)
const chosen = computed(
  () => products.value.find((c) => c.cut.id === wanted.value) ?? products.value[0] ?? null,
)
/** Figures that were typed for a finish that is not taken yet, by cut. */
const drafts = reactive<Record<string, Finish[]>>({})
const tried = computed(() => (chosen.value ? (drafts[chosen.value.cut.id] ?? []) : []))
const rows = computed(() =>
  chosen.value ? finishesFor(central.value, chosen.value.cut.id, tried.value) : [],
)
const taken = computed(() => rows.value.filter((r) => r.taken))
const { found, state: work } = worked(
  () =>
    chosen.value
      ? {
          ...{ hash: by.value!, flow: flow.value!, state: state.value!, farm: farmFigures.value },
          ...{ cut: chosen.value.cut.id, tried: [...tried.value] },
        }
      : null,
  finishOffersIn,
)
const leaves = computed(() => new Map(found.value?.map((o) => [o.finish, o.leaves])))
const isSold = computed(() => read.value.plan.verdict.sale === 'by-the-piece')

function take(row: FinishFigures, isTaken: boolean) {
  const others = taken.value.filter((r) => r.kind.id !== row.kind.id).map((r) => r.figures)
  decide(...takeFinishes(central.value, chosen.value!.cut.id, isTaken ? [...others, row.figures] : others))
}
/** Another figure of a finish: of one that is taken at once, of another until it is. */
function set(row: FinishFigures, change: Partial<Finish>) {
  const figures = { ...row.figures, ...change }
  const { id } = chosen.value!.cut
  if (!row.taken) {
    drafts[id] = [...tried.value.filter((f) => f.finish !== row.kind.id), figures]
    return
  }
  const all = taken.value.map((r) => (r.kind.id === row.kind.id ? figures : r.figures))
  decide(...takeFinishes(central.value, id, all))
}
const price = (minor: number | null) => priceOf(minor ?? 0, words.unit.value)
const each = (row: FinishFigures) => (row.kind.per === 'kg' ? `a ${words.unit.value}` : 'a piece')
/** Minutes of what they are counted by on this farm: a piece, or its own unit of weight. */
const perUnit = (row: FinishFigures) => (row.kind.per === 'kg' ? toKg(1, words.unit.value) : 1)
const range = (row: FinishFigures) => {
  const offer = found.value?.find((o) => o.finish === row.kind.id)
  const between = offer && !chosen.value!.done ? leavesBetween(offer, row, chosen.value!) : null
  return between && words.moneyRange(between)
}
const cautions = computed(() => [...new Set(taken.value.flatMap((r) => r.kind.caution ?? []))])
const LACKS = { bone: 'has no bone', skin: 'has no rind', 'no-bone': 'has its bone in' }
</script>

<template>
  <PriceTabs />
  <p v-if="!chosen" class="muted">
    Nothing has a weight yet. <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
  </p>
  <div v-else class="two">
    <nav class="cuts" aria-label="Cuts">
      <button
        v-for="c in products"
        :key="c.cut.id"
        type="button"
        :class="{ here: c.cut.id === chosen.cut.id }"
        :aria-pressed="c.cut.id === chosen.cut.id"
        :data-cut="c.cut.id"
        @click="wanted = c.cut.id"
      >
        <span>{{ words.name(c.cut.names) }}</span>
        <small v-for="f in c.finishes" :key="f.finish" class="done">{{ finishKind(f.finish).word }}</small>
      </button>
    </nav>
    <section class="stack">
      <div class="pane-head">
        <h2>{{ words.name(chosen.cut.names) }}</h2>
        <span class="muted"
          ><span :class="{ estimate: !chosen.done }">{{ words.mass(chosen.kg) }}</span>,
          {{ chosen.pieces || chosen.packs }} {{ chosen.pieces ? 'pieces' : 'packs'
          }}<template v-if="isSold"
            >, {{ words.price(priceIn(chosen.price, words.unit.value)) }}</template
          ></span
        >
      </div>
      <div class="scroll">
        <table class="plain" data-testid="finishes">
          <thead>
            <tr>
              <th>Finish</th>
              <th class="right">Minutes</th>
              <th class="right">Weight, %</th>
              <th class="right">Goes on, per {{ words.unit.value }}</th>
              <th class="right">Extra, per {{ words.unit.value }}</th>
              <th>Contains</th>
              <th class="right">Leaves</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.kind.id" :data-finish="r.kind.id" :class="{ out: r.lacks }">
              <td class="what">
                <label>
                  <Checkbox
                    :model-value="r.taken"
                    binary
                    :disabled="r.lacks !== null && !r.taken"
                    :input-id="`finish-${r.kind.id}`"
                    @update:model-value="take(r, $event)"
                  />
                  <b class="word">{{ r.kind.word }}</b>
                </label>
                <small v-if="r.lacks" class="muted">this cut {{ LACKS[r.lacks] }}</small>
                <small v-else class="muted">{{ r.kind.how }}</small>
              </td>
              <template v-if="!r.lacks || r.taken">
                <td class="input">
                  <FigureInput
                    :shown="String(Number((r.figures.minutes * perUnit(r)).toFixed(2)))"
                    :read="readNumber(0, 120)"
                    :label="`Minutes ${each(r)}, ${r.kind.word}`"
                    @take="set(r, { minutes: ($event ?? 0) / perUnit(r) })"
                  />
                  <small class="muted">{{ each(r) }}</small>
                </td>
                <td class="input">
                  <FigureInput
                    :shown="String(Math.round(r.figures.change * 1000) / 10)"
                    :read="readNumber(FINISH_CHANGE.low * 100, FINISH_CHANGE.high * 100)"
                    :label="`Weight gained or lost, ${r.kind.word}`"
                    @take="set(r, { change: ($event ?? 0) / 100 })"
                  />
                </td>
                <td class="input">
                  <FigureInput
                    :shown="typed(inUnit(r.figures.goods))"
                    :read="money"
                    :label="`What goes on, ${r.kind.word}`"
                    @take="set(r, { goods: price($event) })"
                  />
                </td>
                <td class="input">
                  <FigureInput
                    :shown="typed(inUnit(r.figures.extra))"
                    :read="money"
                    :label="`Extra price, ${r.kind.word}`"
                    @take="set(r, { extra: price($event) })"
                  />
                </td>
                <td class="contains">
                  <AllergensPick
                    v-if="r.kind.seasons"
                    :model-value="r.figures.allergens"
                    none="nothing named"
                    :label="`What people react to in it, ${r.kind.word}`"
                    @update:model-value="set(r, { allergens: $event })"
                  />
                </td>
                <td class="right nowrap leaves">
                  <span v-if="work === 'working'" class="muted">…</span>
                  <span v-else-if="leaves.has(r.kind.id)" :class="{ up: leaves.get(r.kind.id)! > 0 }">{{
                    words.moneyChange(leaves.get(r.kind.id)!)
                  }}</span>
                  <small v-if="range(r)" class="muted">{{ range(r) }}</small>
                </td>
              </template>
              <td v-else colspan="6" />
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="work === 'failed'" class="field-issue" role="alert">
        What they leave could not be worked out. Reload the page; nothing was changed.
      </p>
      <CautionNote v-for="c in cautions" :key="c">{{ c }}</CautionNote>
      <small class="muted"
        >What a finish leaves is what it brings more, less its minutes and what goes on the cut, as much of it
        sold as of the cut now: what is new sells slower at first{{
          isSold ? '' : '; nothing of this lot is sold by the piece, so it only costs'
        }}. Taking one lifts a price that was set by its extra. It becomes a step of the block card, and the
        price list names it with what it contains. Where you sell, the authority says what a seasoned or
        stuffed cut needs: a recipe that is approved, a label, an inspected kitchen.</small
      >
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 230px minmax(0, 1fr);
  gap: 1.5rem;
  align-items: start;
}
.cuts {
  display: grid;
  gap: 2px;
}
.cuts button {
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.5rem;
  align-items: baseline;
  justify-content: space-between;
  text-align: left;
  font: inherit;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 0.3rem 0.6rem;
  min-height: 32px;
  cursor: pointer;
}
.cuts .here {
  border-color: var(--accent);
  box-shadow: inset 3px 0 0 var(--accent);
}
.done {
  color: var(--accent);
  font-weight: 600;
}
.what {
  min-width: 13rem;
}
.what label {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 32px;
}
.word::first-letter {
  text-transform: uppercase;
}
.what small {
  display: block;
}
.input {
  width: 5rem;
  text-align: right;
  vertical-align: top;
}
.contains {
  width: 9.5rem;
  vertical-align: top;
}
.contains :deep(.p-multiselect) {
  width: 100%;
}
.leaves {
  vertical-align: top;
}
.leaves small {
  display: block;
}
.up {
  color: var(--covered);
  font-weight: 700;
}
.out {
  color: var(--muted);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .cuts {
    display: flex;
    flex-wrap: wrap;
  }
  .cuts button {
    min-height: 44px;
  }
}
</style>
