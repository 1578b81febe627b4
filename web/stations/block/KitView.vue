<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import { computed } from 'vue'
import { kitOf, TUB } from '#core/hand'
import { sumOf, counted, capital } from '#core/measure'
import { packedIn, type FactBody, type KitId, TOOL_WORDS } from '#core/records'
import CautionNote from '../../pieces/CautionNote.vue'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { useEquipment } from '../../state/bench.ts'
import { useReading } from '../../state/lot.ts'
import { usePacking } from '../../state/packing.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { supplyWords } from '../pack/wrapWords.ts'
import BlockTabs from './BlockTabs.vue'
import EquipmentPane from './EquipmentPane.vue'

/** What must be ready before the first cut, from the plan: each shelf is ticked when it stands there. */
const { read, note, withdraw, factOf, state } = useReading()
const { packing } = usePacking()
const words = useWords()
/** The farm’s own grinder, where its throughput stands in the register and it works. */
const { sheets } = useEquipment()
const grinder = computed(
  () =>
    sheets.value.find(({ body: b }) => b.station === 'grinder' && b.kgPerMinute !== null && b.fault === null)
      ?.body ?? null,
)
const kit = computed(() =>
  kitOf(
    read.value,
    grinder.value?.kgPerMinute,
    packedIn(state.value!.packs, state.value!.facts),
    packing.value,
  ),
)

const isReady = (id: KitId) => read.value.plan.steps.get(`kit-${id}`, 'animal') ?? false
function tick(id: KitId, ready: boolean) {
  const fact: FactBody = { kind: 'tick', what: 'step', of: `kit-${id}`, side: 'animal' }
  if (ready) note(fact)
  else withdraw(...factOf((f) => f.kind === 'tick' && f.of === fact.of))
}
interface Shelf {
  id: KitId
  word: string
  says: string
}
const names = (list: { american: string; commonwealth: string }[]) =>
  list.map((n) => words.name(n).toLowerCase()).join(', ')
const span = (low: number, high: number) => [...new Set([low, high].map(Math.ceil))].join('–')
const metres = (m: number) => `${Math.ceil(m)} m`
/** Everything but the tubs, in the order it is laid out. */
const shelves = computed((): Shelf[] => {
  const { tools, goes, supplies, tied, casing, grinder: ground, ice } = kit.value
  const packs = supplies.filter((x) => x.item.is !== 'twine')
  const twine = supplies.find((x) => x.item.is === 'twine')
  return [
    ...tools.map((t) => ({
      id: t.id,
      word: capital(TOOL_WORDS[t.id as keyof typeof TOOL_WORDS]),
      says: [
        t.with,
        ...(t.parts.length > 0 ? [`for ${names(t.parts)}`] : []),
        ...(t.id === 'grinder' && ground
          ? [
              `${words.mass(ground.kg)}: ${span(ground.low, ground.high)} min with ${grinder.value?.name ?? 'half a horsepower'}`,
            ]
          : []),
      ].join('; '),
    })),
    ...(goes.length > 0
      ? [
          {
            id: 'goes' as const,
            word: 'Goes in',
            says: goes.map((g) => `${g.name} ${words.about(g.kg)}`).join(', '),
          },
        ]
      : []),
    ...(twine
      ? [{ id: 'twine' as const, word: 'Twine', says: `${metres(twine.need)} for ${tied} pieces` }]
      : []),
    ...(casing
      ? [
          {
            id: 'casing' as const,
            word: 'Casing',
            says: `${metres(casing.metres)} for ${words.about(casing.kg)} of sausage`,
          },
        ]
      : []),
    ...(ice
      ? [
          {
            id: 'ice' as const,
            word: 'Ice',
            says: `${words.about(ice.cool)} cools the birds, ${words.about(ice.water)} the water they lie in; ${words.about(ice.reserve)} in reserve for tub, air and holding`,
          },
        ]
      : []),
    ...(packs.length > 0
      ? [
          {
            id: 'bags' as const,
            word: 'Bags',
            says: `${packs.map((x) => `${x.need} × ${supplyWords(x.item, words.mass)}${x.used > 0 ? `, ${x.used} used` : ''}`).join('; ')}; what is still to fill costs about ${words.money(sumOf(packs, (x) => x.cost))} (Pack, Bags)`,
          },
        ]
      : []),
  ]
})
const ids = computed(() => [...shelves.value.map((s) => s.id), 'tubs' as const])
const ready = computed(() => ids.value.filter(isReady).length)
const down = computed(() => kit.value.tools.filter((t) => t.down))
/** How full the last tub of a destination stands, of its height. */
const fill = (most: number, tubs: number) => `${Math.round((most / (tubs * TUB)) * 100)}%`
</script>

<template>
  <BlockTabs />
  <p v-if="!read.weights" class="muted">
    There is no weight yet, so nothing can be counted out.
    <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
  </p>
  <div v-else class="stack">
    <div class="pane-head">
      <h2>Ready before the first cut</h2>
      <span class="muted" data-testid="kit-ready">{{ ready }} of {{ ids.length }} stand ready</span>
    </div>
    <p v-for="t in down" :key="t.id" class="field-issue" role="status">
      The {{ t.id }} is down: what it was for is planned another way on the
      <RouterLink :to="{ name: 'card' }">block card</RouterLink>, or waits.
    </p>
    <ul class="shelves">
      <li v-for="s in shelves" :key="s.id" :data-kit="s.id" :class="{ ready: isReady(s.id) }">
        <label class="tick">
          <Checkbox
            :model-value="isReady(s.id)"
            binary
            :input-id="`kit-${s.id}`"
            @update:model-value="tick(s.id, $event)"
          />
          <b>{{ s.word }}</b>
        </label>
        <span>{{ s.says }}</span>
      </li>
    </ul>
    <section class="stack" :class="{ ready: isReady('tubs') }" data-kit="tubs">
      <div class="pane-head">
        <label class="tick">
          <Checkbox
            :model-value="isReady('tubs')"
            binary
            input-id="kit-tubs"
            @update:model-value="tick('tubs', $event)"
          />
          <b>Tubs</b>
        </label>
        <span class="muted"
          >of {{ words.mass(TUB) }}, for the most that likely comes; marked before the first cut</span
        >
      </div>
      <ol class="tubs">
        <li v-for="t in kit.tubs" :key="t.to">
          <span class="tub" aria-hidden="true"
            ><span
              class="full"
              :style="{ height: fill(t.most, t.tubs), background: DESTINATIONS[t.to].fill }"
          /></span>
          <span class="label"
            ><DestinationMark :to="t.to" /> {{ t.to === 'X' ? 'Waste' : DESTINATIONS[t.to].word }}</span
          >
          <b>{{ counted(t.tubs, 'tub') }}</b>
          <small class="muted"
            ><span class="estimate">{{ words.about(t.kg) }}</span
            ><template v-if="t.most > t.kg * 1.005">, to {{ words.about(t.most) }}</template></small
          >
        </li>
      </ol>
    </section>
    <CautionNote
      >Probe checked in ice water, hands washed, tables and knives sanitised (or an 82 °C, 180 °F dip) before
      the first cut. Curing salt is weighed, never guessed. What the inspector or your licensed plant asks for
      comes first.</CautionNote
    >
    <EquipmentPane />
  </div>
</template>

<style scoped>
.shelves,
.tubs {
  list-style: none;
  margin: 0;
  padding: 0;
}
.shelves li {
  display: grid;
  grid-template-columns: 8.5rem minmax(0, 1fr);
  gap: 0.75rem;
  align-items: center;
  padding: 0.3rem 0.2rem;
  border-bottom: 3px solid var(--rule-strong);
}
.ready > span,
.ready b {
  color: var(--muted);
}
.tubs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.5rem, 1fr));
  gap: 1rem;
}
.tubs li {
  display: grid;
  gap: 0.1rem;
}
.tub {
  height: 62px;
  border: 2px solid var(--ink);
  border-top: 0;
  border-radius: 0 0 10px 10px;
  margin: 0 0.6rem 0.3rem 0;
  display: flex;
  align-items: end;
  overflow: hidden;
  background: var(--sheet);
}
.full {
  width: 100%;
}
.label {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}
</style>
