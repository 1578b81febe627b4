<script setup lang="ts">
import Button from 'primevue/button'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { costOfAll, packsOf, suppliesOf, toBuy, type Supply, type SupplyItem } from '#core/hand'
import { parseMoney, parseWhole, sumOf } from '#core/measure'
import { inForce, packedIn, WRAPS, type PackingItem, type Wrap } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import FigureInput from '../../pieces/FigureInput.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { usePacking } from '../../state/packing.ts'
import { useWords } from '../../state/words.ts'
import PackTabs from './PackTabs.vue'
import { supplyWords, WRAP_WORDS } from './wrapWords.ts'

/** What each cut goes into, and what that takes: filled, still to fill, on the shelf, to buy, what it costs. */
const { read, body, state, note, withdraw } = useReading()
const words = useWords()
const { packing, state: loading, wrapCut, wrapUsually, sayOf, leftOf } = usePacking()
const issues = ref<FieldIssue[]>([])
const species = computed(() => body.value.anatomy.species)
const options = WRAPS.map((v) => ({ v, w: WRAP_WORDS[v] }))
const cuts = computed(() => read.value.cuts.filter((c) => c.cut.kind === 'product' && packsOf(c).packs > 0))
const own = (cut: string): Wrap | null =>
  packing.value.cuts.find((c) => c.species === species.value && c.cut === cut)?.wrap ?? null
const supplies = computed(() =>
  suppliesOf(read.value, packedIn(state.value!.packs, state.value!.facts), packing.value),
)
const cost = computed(() => sumOf(supplies.value, (s) => s.cost))
/** A wrapping that nobody named cannot be counted or priced. */
const named = (item: SupplyItem): PackingItem | null =>
  item.is !== 'wrap' || item.wrap !== null ? (item as PackingItem) : null
const keyOf = (s: Supply) => JSON.stringify(s.item)
const figure = (s: Supply, n: number) => (s.item.is === 'twine' ? `${Math.ceil(n)} m` : String(Math.round(n)))
const put = async (of: Promise<FieldIssue[]>) => (issues.value = await of)
const MOST = 1_000_000
const price = (item: PackingItem, per100: number | null) => put(sayOf(item, { per100 }))
const shelf = (item: PackingItem, count: number | null) =>
  put(sayOf(item, { counted: count === null ? null : { count, at: new Date().toISOString() } }))

/** What all of it costs, as one line among the costs of this lot: written again, it takes the place of the one before. */
const LABEL = 'Bags, labels and twine'
const booked = computed(() =>
  inForce(state.value!.facts).find(
    ({ fact }) => fact.kind === 'cost' && fact.label === LABEL && fact.of === 'packaging',
  ),
)
const whole = computed(() => costOfAll(supplies.value))
function book() {
  if (booked.value) withdraw(...state.value!.facts.filter((f) => f.id === booked.value!.id))
  note({ kind: 'cost', label: LABEL, amount: whole.value, of: 'packaging' })
}
const bookedAmount = computed(() => (booked.value?.fact.kind === 'cost' ? booked.value.fact.amount : null))
</script>

<template>
  <PackTabs />
  <p v-if="loading === 'failed'" class="field-issue" role="alert">
    What the farm packs in did not come. Reload the page before you change anything.
  </p>
  <div class="two">
    <section class="stack">
      <div class="pane-head">
        <h2>What each cut goes into</h2>
        <span class="muted">for every {{ words.name(body.anatomy.names).toLowerCase() }} of the farm</span>
      </div>
      <div class="field usual">
        <label for="wrap-usual">Usually</label>
        <Select
          :model-value="packing.usual"
          input-id="wrap-usual"
          show-clear
          placeholder="not said"
          :options="options"
          option-label="w"
          option-value="v"
          @update:model-value="put(wrapUsually($event ?? null))"
        />
      </div>
      <p v-if="cuts.length === 0" class="muted">
        There are no packs to come of this plan yet. Enter a weight at Hang, and they are counted.
      </p>
      <div v-else class="scroll" tabindex="0" role="group" aria-label="What each cut goes into">
        <table class="plain">
          <thead>
            <tr>
              <th>Cut</th>
              <th class="right">Packs</th>
              <th class="right">Each</th>
              <th>Goes into</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in cuts" :key="c.cut.id" :data-wrap-of="c.cut.id">
              <th scope="row">{{ words.name(c.cut.names) }}</th>
              <td class="right">{{ packsOf(c).packs }}</td>
              <td class="right nowrap estimate">
                {{ words.about(packsOf(c).each) }}
              </td>
              <td>
                <Select
                  :model-value="own(c.cut.id)"
                  size="small"
                  show-clear
                  :placeholder="packing.usual ? `as usual: ${WRAP_WORDS[packing.usual]}` : 'not said'"
                  :options="options"
                  option-label="w"
                  option-value="v"
                  :aria-label="`${words.name(c.cut.names)}: what it goes into`"
                  @update:model-value="put(wrapCut(species, c.cut.id, $event ?? null))"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
    <section class="stack">
      <div class="pane-head">
        <h2>What it takes</h2>
        <span class="muted">of this lot; the shelf is the farm’s</span>
      </div>
      <div class="scroll" tabindex="0" role="group" aria-label="What it takes">
        <table class="plain" data-testid="supplies">
          <thead>
            <tr>
              <th>What</th>
              <th class="right">Needed</th>
              <th class="right">Used</th>
              <th>On the shelf</th>
              <th class="right">To buy</th>
              <th>100 cost</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in supplies" :key="keyOf(s)" :data-supply="keyOf(s)">
              <th scope="row">{{ supplyWords(s.item, words.mass) }}</th>
              <td class="right">{{ figure(s, s.need) }}</td>
              <td class="right">{{ figure(s, s.used) }}</td>
              <td>
                <FigureInput
                  v-if="named(s.item) && s.item.is !== 'twine'"
                  :shown="leftOf(s.item) === null ? '' : String(leftOf(s.item))"
                  :label="`${supplyWords(s.item, words.mass)}: counted on the shelf`"
                  :read="(typed) => parseWhole(typed, 'count', { low: 0, high: MOST })"
                  optional
                  @take="shelf(named(s.item)!, $event)"
                />
              </td>
              <td class="right">
                <b>{{ figure(s, toBuy(s, leftOf(s.item))) }}</b>
              </td>
              <td>
                <FigureInput
                  v-if="named(s.item)"
                  :shown="s.said ? words.money(s.per100) : ''"
                  :label="`What 100 of ${supplyWords(s.item, words.mass)} cost`"
                  :read="(typed) => parseMoney(typed, words.currency.value)"
                  optional
                  @take="price(named(s.item)!, $event)"
                />
                <small v-if="!s.said" class="muted nowrap">about {{ words.money(s.per100) }}</small>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <FieldIssues :issues="issues" />
      <p data-testid="supply-cost">
        All of it costs about <b class="estimate">{{ words.money(whole) }}</b>, what is still to fill
        <b class="estimate">{{ words.money(cost) }}</b>.
        <template v-if="bookedAmount !== null"
          >{{ words.money(bookedAmount) }} stand among its costs.</template
        >
      </p>
      <p class="row">
        <Button
          outlined
          :label="bookedAmount === null ? 'Put it among its costs' : 'Put it among its costs anew'"
          :disabled="whole === 0 || bookedAmount === whole"
          @click="book"
        />
      </p>
      <p class="muted">
        Food-grade only, bone points padded. A vacuum does not preserve: 4 °C (40 °F) and short, or frozen;
        thawed in the cold. What is counted on the shelf goes down with every pack on the farm, those opened
        or voided too.
      </p>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 2rem;
  align-items: start;
}
.usual {
  max-width: 16rem;
}
.two :deep(.p-select) {
  width: 100%;
}
.two :deep(td input) {
  width: 6rem;
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
