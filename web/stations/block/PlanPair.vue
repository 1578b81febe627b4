<script setup lang="ts">
import { computed } from 'vue'
import { afterBench, type Worth } from '#core/ledger'
import { formatPercent, type Kg, type Minor, counted } from '#core/measure'
import { differencesOf, figuresApart, pairsOf, sayDifference, type PlanFigures } from '#core/reading'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** Two plans of one animal, mirrored: what differs, the biggest first, bars to either side; what is alike is folded away. */
const { first, second, name, labour } = defineProps<{
  first: PlanFigures
  second: PlanFigures
  name: string
  labour: boolean
}>()
const SENTENCES = 3
const words = useWords()
const { priced } = useReading()
const sentences = computed(() =>
  differencesOf(first, second, words.unit.value)
    .filter((d) => d.about !== 'money' || priced.value)
    .slice(0, SENTENCES)
    .map((d) => sayDifference(d, name, words.says.value)),
)
const pairs = computed(() => pairsOf(first, second, words.unit.value))
const widest = computed(() =>
  Math.max(0.01, ...pairs.value.differ.flatMap((p) => [p.first as number, p.second as number])),
)
const at = (mass: Kg) => `${(100 * mass) / widest.value}%`
type Apart = ReturnType<typeof figuresApart>
/** A figure of a plan: its word, how it is said, and how a change of it is. */
type Figure = { word: string; of: (w: Worth) => string; change: (by: Apart) => string }
const amount = (word: string, of: (w: Worth) => Minor, by: (a: Apart) => Minor): Figure => ({
  word,
  of: (w) => words.money(of(w)),
  change: (a) => words.moneyChange(by(a)),
})
const weight = (word: string, id: 'takeHome' | 'bone' | 'fat'): Figure => ({
  word,
  of: (w) => words.mass(w[id]),
  change: (a) => words.massChange(a[id]),
})
const count = (word: string, id: 'pieces' | 'packs' | 'minutes', counted = ''): Figure => ({
  word,
  of: (w) => `${Math.round(w[id])} ${counted}`.trim(),
  change: (a) => words.change(a[id], counted),
})
const FIGURES = computed(() => [
  weight('Taken home', 'takeHome'),
  ...(priced.value
    ? [
        amount(
          'Brings',
          (w) => w.money,
          (a) => a.money,
        ),
        amount(labour ? 'After fees and labour' : 'After fees', afterBench, (a) => a.net),
      ]
    : []),
  amount(
    'Fees',
    (w) => w.fees,
    (a) => a.fees,
  ),
  ...(labour
    ? [
        amount(
          'Labour',
          (w) => w.labour,
          (a) => a.labour,
        ),
      ]
    : []),
  ...([first, second].some((p) => p.worth.goods !== 0)
    ? [
        amount(
          'Cures, casings and help paid in meat',
          (w) => w.goods,
          (a) => a.goods,
        ),
      ]
    : []),
  count('Pieces', 'pieces'),
  count('Packs', 'packs'),
  count('At the bench', 'minutes', 'min'),
  weight('Bones', 'bone'),
  weight('Fat', 'fat'),
])
const apart = computed(() => figuresApart(first, second, words.unit.value))
const rows = computed(() => FIGURES.value.map((f) => ({ ...f, a: f.of(first.worth), b: f.of(second.worth) })))
const differ = computed(() => rows.value.filter((r) => r.a !== r.b))
const alike = computed(() => rows.value.filter((r) => r.a === r.b))
const ofCarcass = computed(() =>
  [first, second].map((p) => formatPercent(p.worth.takeHome / p.read.balance.carcass, 1)),
)
</script>

<template>
  <ul class="says">
    <li v-for="s in sentences" :key="s">{{ s }}</li>
    <li v-if="sentences.length === 0">Nothing differs that matters.</li>
  </ul>
  <table v-if="differ.length > 0" class="plain figures">
    <thead>
      <tr>
        <td />
        <th class="right">In force</th>
        <th class="right" :data-column="name">{{ name }}</th>
        <th class="right">Difference</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in differ" :key="r.word">
        <th scope="row">{{ r.word }}</th>
        <td class="right">
          {{ r.a }} <small v-if="r.word === 'Taken home'" class="muted">{{ ofCarcass[0] }}</small>
        </td>
        <td class="right">
          {{ r.b }} <small v-if="r.word === 'Taken home'" class="muted">{{ ofCarcass[1] }}</small>
        </td>
        <td class="right">
          <b>{{ r.change(apart) }}</b>
        </td>
      </tr>
    </tbody>
  </table>
  <div v-if="pairs.differ.length > 0" class="mirror" role="table" aria-label="Cuts that differ">
    <div class="line head" role="row">
      <span role="columnheader" class="right">In force</span>
      <span role="columnheader" class="middle">Cut, and by how much</span>
      <span role="columnheader">{{ name }}</span>
    </div>
    <div v-for="p in pairs.differ" :key="p.cut.id" class="line" role="row" :data-pair="p.cut.id">
      <span class="lane back" role="cell">
        <span class="figure">{{
          p.first > 0 ? `${words.mass(p.first)}, ${counted(p.packs[0], 'pack')}` : 'none'
        }}</span>
        <span class="bar" :style="{ width: at(p.first), background: DESTINATIONS[p.cut.destination].fill }" />
      </span>
      <span class="middle" role="cell"
        ><DestinationMark :to="p.cut.destination" /> {{ words.name(p.cut.names) }}
        <b>{{ words.massChange(p.by) }}</b></span
      >
      <span class="lane" role="cell">
        <span
          class="bar"
          :style="{ width: at(p.second), background: DESTINATIONS[p.cut.destination].fill }"
        />
        <span class="figure">{{
          p.second > 0 ? `${words.mass(p.second)}, ${counted(p.packs[1], 'pack')}` : 'none'
        }}</span>
      </span>
    </div>
  </div>
  <details v-if="pairs.alike.length + alike.length > 0">
    <summary>
      Alike:
      {{
        [
          ...alike.map((r) => r.word.toLowerCase()),
          ...pairs.alike.map((p) => words.name(p.cut.names).toLowerCase()),
        ].length
      }}
      figures
    </summary>
    <ul class="alike">
      <li v-for="r in alike" :key="r.word">{{ r.word }} <b>{{ r.a }}</b></li>
      <li v-for="p in pairs.alike" :key="p.cut.id">
        {{ words.name(p.cut.names) }} <b>{{ words.mass(p.first) }}</b>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.says {
  margin: 0;
  padding-left: 1.1rem;
  font: 600 1.05rem/1.45 var(--head);
}
.figures tbody th {
  font-weight: 400;
  text-align: left;
  border-bottom: 1px solid var(--rule);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 15.5rem minmax(0, 1fr);
  gap: 0.6rem;
  align-items: center;
  min-height: 30px;
  border-bottom: 1px solid var(--rule);
}
.head {
  font-weight: 600;
  border-bottom-color: var(--ink);
}
.middle {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
.middle b {
  margin-left: auto;
  white-space: nowrap;
}
.lane {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
.back {
  justify-content: flex-end;
}
.bar {
  height: 18px;
  min-width: 1px;
  flex: none;
  max-width: calc(100% - 9rem);
  border: 1px solid var(--ink);
}
.figure {
  white-space: nowrap;
}
.alike {
  columns: 3 14rem;
  margin: 0.4rem 0 0;
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .middle {
    grid-column: 1 / -1;
    grid-row: 1;
  }
  .head .middle {
    display: none;
  }
  .bar {
    max-width: calc(100% - 8rem);
  }
}
</style>
