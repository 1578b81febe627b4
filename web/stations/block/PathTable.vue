<script setup lang="ts">
import { sayIssue } from '#contracts/said'
import Select from 'primevue/select'
import { computed } from 'vue'
import { openedFrom } from '#core/anatomy'
import { perPlate } from '#core/ledger'
import { PLATE } from '#core/plan'
import { offered, type Alternative, type Rank } from '#core/reading'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { vRoving } from '../../pieces/roving.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import FaceView from './FaceView.vue'
import HoldPane from './HoldPane.vue'
import LineChoices from './LineChoices.vue'
import OutputBar from './OutputBar.vue'
import PortionPane from './PortionPane.vue'
import PartMass from './PartMass.vue'
import PartWeights from './PartWeights.vue'
import SplitPane from './SplitPane.vue'
import { sayAnimals } from './groups.ts'
import { usePathChoice } from './pathChoice.ts'

const { body, central: read, part, sides, hangs, rank, priced } = useReading()
const { alternatives, choose, remedy, make, sides: chosenSides } = usePathChoice()
const words = useWords()
const anatomy = computed(() => body.value.anatomy)
const partData = computed(() => anatomy.value.parts.find((p) => p.id === part.value)!)
const RANKS: { v: Rank; w: string }[] = [
  { v: 'listed', w: 'in the usual order' },
  { v: 'money', w: 'most money after fees first' },
  { v: 'take-home', w: 'most to take home first' },
  { v: 'minutes', w: 'least time at the bench first' },
]
const sideWords = computed(() => {
  const { count, plan } = read.value
  if (hangs.value.as === 'part') return count > 1 ? `all ${count} pieces` : 'the one piece'
  return chosenSides.value.includes('animal')
    ? plan.half
      ? sayAnimals({ animals: count * 2, half: true })
      : count > 1
        ? `all ${count}`
        : 'the whole animal'
    : sides.value === 'both'
      ? 'both sides'
      : `${sides.value} side`
})
const outer = computed(() => {
  const id = openedFrom(anatomy.value, part.value)
  return anatomy.value.parts.find((p) => p.id === id) ?? null
})
const inner = computed(() =>
  anatomy.value.parts.filter(
    (p) => openedFrom(anatomy.value, p.id) === part.value && offered(read.value, p.id),
  ),
)
const mixed = computed(() => alternatives.value.every((a) => !a.inForce))
const nameOf = (list: 'parts' | 'paths' | 'conventions', id: string) =>
  words.name(anatomy.value[list].find((x) => x.id === id)!.names)

/** What a refused way would take, in words, or null when nothing would help. */
function remedyWords(path: string): string | null {
  const way = remedy(path)
  if (!way) return null
  return [
    ...way.conventions.map(({ id, value }) => {
      const c = anatomy.value.conventions.find((x) => x.id === id)!
      return `have it ${value ? c.on : c.off}`
    }),
    ...way.paths.map(
      (p) => `cut the ${nameOf('parts', p.part).toLowerCase()} as “${nameOf('paths', p.path)}”`,
    ),
    ...(way.bothSides ? ['take both sides'] : []),
  ].join(', ')
}
const rows = computed(() =>
  alternatives.value.map((a, i) => {
    const path = anatomy.value.paths.find((p) => p.id === a.path)!
    return {
      ...a,
      path,
      key: i + 1,
      reason: a.refusal && sayIssue(a.refusal, words.says.value),
      remedy: a.refusal && remedyWords(a.path),
      plate: perPlate(a.whole, PLATE),
      shuts: (path.shutsOut ?? []).map((s) => ({
        name: words.name(anatomy.value.cuts.find((c) => c.id === s.cut)!.names),
        reason: s.reason,
      })),
    }
  }),
)
const inForce = computed(() => rows.value.find((r) => r.inForce))
/** The way of what lies behind a split. */
const behind = computed(() => read.value.cutting.slot(part.value, chosenSides.value[0]!)?.rear?.path ?? null)
const tone = (n: number) => (n > 0 ? 'good' : n < 0 ? 'bad' : 'muted')
const spoken = (a: Pick<Alternative, 'difference'>) =>
  `take-home ${words.massChange(a.difference.takeHome)}${priced.value ? `, money ${words.moneyChange(a.difference.money)}` : ''}`
</script>

<template>
  <div class="paths">
    <div class="pane-head">
      <h2>{{ words.name(partData.names) }}</h2>
      <PartMass :sides="chosenSides" />
      <span class="muted">{{ sideWords }}: what each way changes</span>
    </div>
    <p v-if="outer || inner.length > 0" class="row nested">
      <template v-if="outer">
        <span class="muted">comes out of</span>
        <button type="button" @click="part = outer.id">{{ words.name(outer.names) }}</button>
      </template>
      <template v-if="inner.length > 0">
        <span class="muted">opened into</span>
        <button v-for="p in inner" :key="p.id" type="button" :data-part="p.id" @click="part = p.id">
          {{ words.name(p.names) }}
        </button>
      </template>
    </p>
    <p v-if="mixed" class="muted">The two sides are cut differently. Taking one here makes them the same.</p>
    <table
      v-roving
      class="plain"
      role="radiogroup"
      :aria-label="`How to cut the ${words.name(partData.names)}`"
    >
      <thead>
        <tr>
          <th colspan="2">Way</th>
          <th v-if="priced" class="right">Money</th>
          <th class="right">Take-home</th>
          <th class="right wide">Pieces<br /><small>packs</small></th>
          <th class="right wide">Bone<br /><small>fat</small></th>
          <th class="right wide">Bench<br /><small>fees</small></th>
          <th v-if="priced" class="right wide">A plate</th>
        </tr>
      </thead>
      <tbody v-for="r in rows" :key="r.path.id">
        <tr :class="{ taken: r.inForce, shut: r.refusal }" @click="choose(r.path.id)">
          <td class="key">
            <kbd>{{ r.key }}</kbd>
          </td>
          <td>
            <button
              type="button"
              role="radio"
              class="way"
              :aria-checked="r.inForce"
              :aria-disabled="!!r.refusal"
              :aria-label="`${words.name(r.path.names)}: ${r.reason ?? spoken(r)}`"
              :data-path="r.path.id"
            >
              <DestinationMark :to="r.path.destination" /><span
                >{{ words.name(r.path.names)
                }}<small v-if="mixed && r.takenOn.length > 0" class="now"
                  >{{ r.takenOn.join(' and ') }} side now</small
                ></span
              >
            </button>
            <OutputBar v-if="!r.refusal" :outputs="r.outputs" />
          </td>
          <template v-if="!r.refusal">
            <td v-if="priced" class="right">
              <b>{{ words.money(r.whole.money) }}</b><br /><small :class="tone(r.difference.money)">{{
                r.inForce ? '' : words.moneyChange(r.difference.money)
              }}</small>
            </td>
            <td class="right">
              <b>{{ words.mass(r.whole.takeHome) }}</b><br /><small :class="r.inForce ? 'muted' : ''">{{
                r.inForce ? 'in force' : words.massChange(r.difference.takeHome)
              }}</small>
            </td>
            <td class="right wide">
              {{ r.inForce ? r.whole.pieces : words.change(r.difference.pieces, '') }}<br /><small>{{
                r.inForce ? r.whole.packs : words.change(r.difference.packs, '')
              }}</small>
            </td>
            <td class="right wide">
              {{ r.inForce ? words.mass(r.whole.bone) : words.massChange(r.difference.bone) }}<br /><small>{{
                r.inForce ? words.mass(r.whole.fat) : words.massChange(r.difference.fat)
              }}</small>
            </td>
            <td class="right wide nowrap">
              {{
                r.inForce
                  ? `${Math.round(r.whole.minutes)} min`
                  : words.change(Math.round(r.difference.minutes), 'min')
              }}<br /><small>{{
                r.inForce ? words.money(r.whole.fees) : words.moneyChange(r.difference.fees)
              }}</small>
            </td>
            <td
              v-if="priced"
              class="right wide"
              :title="`${words.mass(r.whole.edible)} can be eaten: ${Math.round(r.whole.edible / PLATE)} plates of ${words.mass(PLATE)}`"
            >
              {{ words.money(Math.round(r.plate)) }}
            </td>
          </template>
          <td v-else :colspan="priced ? 6 : 4" class="reason">
            <i class="pi pi-lock" aria-hidden="true" /> {{ r.reason }}
            <button v-if="r.remedy" type="button" class="remedy" @click.stop="make(r.path.id)">
              Take it and {{ r.remedy }}
            </button>
          </td>
        </tr>
        <tr v-if="r.shuts.length > 0 && !r.refusal" class="shuts" :class="{ taken: r.inForce }">
          <td />
          <td :colspan="priced ? 7 : 5">
            <span v-for="s in r.shuts" :key="s.name"
              ><i class="pi pi-ban" aria-hidden="true" /> No
              <b>{{ s.name[0]!.toLowerCase() + s.name.slice(1) }}</b>: {{ s.reason }}.
            </span>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row">
      <span class="muted">Ways</span>
      <Select
        v-model="rank"
        class="rank"
        :options="RANKS.filter((r) => priced || r.v !== 'money')"
        option-label="w"
        option-value="v"
        size="small"
        aria-label="Order of the ways"
      />
    </div>
    <FaceView />
    <LineChoices />
    <SplitPane />
    <HoldPane />
    <PartWeights />
    <PortionPane />
    <div v-if="inForce" class="how">
      <p><b>How:</b> {{ inForce.path.steps }}</p>
      <p v-if="behind"><b>Behind it:</b> {{ behind.steps }}</p>
      <p v-if="inForce.path.caution" class="care">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ inForce.path.caution }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.paths {
  display: grid;
  gap: 0.4rem;
  align-content: start;
}
tbody tr:first-child {
  cursor: pointer;
}
tbody tr:first-child:hover:not(.shut) td {
  background: #fff;
}
td {
  vertical-align: top;
}
td.right {
  white-space: nowrap;
}
.taken td {
  background: #f3e9d8;
}
.taken .way {
  font-weight: 700;
}
.key {
  width: 1.6rem;
  padding-right: 0;
}
kbd {
  font: 600 0.85rem var(--body);
  border: 1px solid var(--rule);
  background: var(--sheet);
  padding: 0 0.3rem;
  color: var(--muted);
}
.way {
  display: flex;
  gap: 0.45rem;
  align-items: flex-start;
  font: inherit;
  color: inherit;
  text-align: left;
  border: 0;
  background: none;
  padding: 0.1rem;
  cursor: pointer;
}
.nested {
  gap: 0.3rem;
  font-size: 0.95rem;
}
.nested button {
  font: 600 0.92rem var(--body);
  color: var(--accent);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0.15rem 0.5rem;
  min-height: 30px;
  cursor: pointer;
}
.remedy {
  font: 600 0.9rem var(--body);
  color: var(--accent);
  background: var(--sheet);
  border: 1px solid var(--accent);
  padding: 0.15rem 0.5rem;
  min-height: 28px;
  cursor: pointer;
}
thead small {
  font-weight: 400;
}
.now {
  display: block;
  color: var(--accent);
}
.shut,
.shut .way {
  color: var(--muted);
  cursor: not-allowed;
}
.shuts td {
  border-bottom: 1px solid var(--rule);
  font-size: 0.88rem;
  color: var(--muted);
  padding-top: 0;
}
tr:has(+ .shuts) td {
  border-bottom: 0;
}
.shuts .pi,
.reason .pi {
  font-size: 0.8rem;
}
.how {
  font-size: 0.95rem;
  display: grid;
  gap: 0.3rem;
}
.care {
  color: var(--caution);
  font-weight: 600;
}
@media (max-width: 900px) {
  .wide {
    display: none;
  }
  tr:focus-within .wide {
    display: table-cell;
  }
}
</style>
