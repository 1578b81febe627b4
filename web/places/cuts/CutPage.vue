<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { falseFriendsIn, lookup, SPECIES, type Species } from '#core/anatomy'
import { perKg, priceOf, pricePer } from '#core/measure'
import PlaceHead from '../../frame/PlaceHead.vue'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { libraryIn, worked } from '../../state/figures.ts'
import { useFarm } from '../../state/farm.ts'
import { useLots } from '../../state/lots.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { partsOfCut } from './cutPlaces.ts'
import { useCutOnLots } from './cutOnLots.ts'
import { useOwn } from './own.ts'
import OwnWords from './OwnWords.vue'
import WhereItLies from './WhereItLies.vue'

/** A cut's own page: where it lies, what it weighs on this farm, how it is come by, what shuts it out, what it starts at. */
const route = useRoute()
const words = useWords()
const store = useFarm()
const lots = useLots()
const species = computed<Species>(() => SPECIES.find((s) => s === route.params.species) ?? 'hog')
const { anatomy } = useOwn(species)
const find = computed(() => lookup(anatomy.value))
const cut = computed(() => find.value.cut(String(route.params.cut)) ?? null)
const { found: library } = worked(() => anatomy.value, libraryIn)
const entry = computed(() => library.value?.cuts.find((c) => c.cut.id === cut.value?.id) ?? null)
const parts = computed(() => partsOfCut(anatomy.value, cut.value?.id ?? ''))
const partName = (id: string) => words.name(find.value.part(id)!.names)
const ways = computed(() => anatomy.value.paths.filter((p) => p.outputs.some((o) => o.cut === cut.value?.id)))
/** Ways of other parts, or others of the same, under which this cut cannot be had. */
const shutBy = computed(() =>
  anatomy.value.paths.flatMap((p) =>
    (p.shutsOut ?? []).flatMap((s) => (s.cut === cut.value?.id ? [{ path: p, reason: s.reason }] : [])),
  ),
)
const onLots = useCutOnLots(species, () => cut.value?.id ?? '')
const mince = computed(() => {
  const { mince: usual, minces } = lots.figures
  return minces?.[species.value] ?? usual
})
const start = computed(() =>
  cut.value && cut.value.kind === 'product' && cut.value.index > 0
    ? pricePer(
        perKg(priceOf(cut.value.index * (mince.value.milli / 1000), mince.value.per)),
        words.unit.value,
      )
    : null,
)
/** Words of its names that mean another cut elsewhere. */
const friends = computed(() => (cut.value ? falseFriendsIn(cut.value.names) : []))
const title = computed(() => (cut.value ? words.name(cut.value.names) : 'No such cut'))
const names = computed(() => {
  const { american, commonwealth } = cut.value!.names
  return american === commonwealth ? '' : `American: ${american}. Commonwealth: ${commonwealth}.`
})
</script>

<template>
  <PlaceHead :title="title">
    <RouterLink :to="{ name: 'cuts' }" class="back">All cuts</RouterLink>
  </PlaceHead>
  <main id="main" class="page">
    <p v-if="!cut">
      A {{ words.name(anatomy.names).toLowerCase() }} has no cut of that name.
      <RouterLink :to="{ name: 'cuts' }">Look at all of them</RouterLink>.
    </p>
    <template v-else>
      <section class="stack picture">
        <WhereItLies :anatomy="anatomy" :parts="parts" :size="anatomy.map.kind === 'laid' ? 220 : 380" />
        <p class="row">
          <DestinationMark :to="cut.destination" /> {{ DESTINATIONS[cut.destination].word }}
          <span v-if="entry" class="muted"
            >up to {{ entry.most.toFixed(entry.most < 1 ? 2 : 1) }} % of the carcass</span
          >
        </p>
        <p v-if="names" class="muted">{{ names }}</p>
        <p v-for="f in friends" :key="f.word" class="friend"><b>{{ f.word }}</b> {{ f.says }}</p>
        <OwnWords :species="species" :cut="cut.id" />
        <p v-if="start && store.farm" data-testid="starts-at">
          Starts at <b>{{ words.price(start) }}</b>
          <span class="muted">: {{ cut.index }} × your price of {{ words.minced }}</span>
        </p>
      </section>
      <div class="stack">
        <section>
          <div class="pane-head"><h2>On this farm</h2></div>
          <table v-if="onLots.length > 0" class="plain">
            <thead>
              <tr>
                <th>Lot</th>
                <th class="right">Expected</th>
                <th class="right">Weighed</th>
                <th class="right">Price</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="l in onLots" :key="l.id">
                <td>
                  <RouterLink :to="{ name: 'block', params: { id: l.id } }">{{ l.tag }}</RouterLink>
                </td>
                <td class="right">
                  <span class="estimate">{{ words.mass(l.expected) }}</span>
                </td>
                <td class="right">{{ l.weighed > 0 ? words.mass(l.weighed) : '–' }}</td>
                <td class="right">{{ l.price ? words.price(l.price) : '–' }}</td>
              </tr>
            </tbody>
          </table>
          <p v-else class="muted">No lot on the rail is cut so that it gives this.</p>
        </section>
        <section>
          <div class="pane-head"><h2>How it is come by</h2></div>
          <ul>
            <li v-for="w in ways" :key="w.id">
              <b>{{ partName(w.part) }}</b>, cut as “{{ words.name(w.names) }}”
              <span class="muted">{{ w.minutes }} min, {{ w.tool }}. {{ w.steps }}</span>
            </li>
          </ul>
        </section>
        <section v-if="shutBy.length > 0">
          <div class="pane-head"><h2>What shuts it out</h2></div>
          <ul>
            <li v-for="s in shutBy" :key="s.path.id">
              <b>{{ partName(s.path.part) }}</b> cut as “{{ words.name(s.path.names) }}”: {{ s.reason }}.
            </li>
          </ul>
        </section>
      </div>
    </template>
  </main>
</template>

<style scoped>
.friend {
  margin: 0;
  border-left: 3px solid var(--ink);
  padding-left: 0.6rem;
}
.friend b {
  text-transform: capitalize;
}
.page {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 2rem;
  max-width: 1200px;
  margin: 0 auto;
  padding: 1.2rem 1.5rem 2rem;
  align-items: start;
}
.picture {
  justify-items: center;
}
ul {
  margin: 0.4rem 0 0;
  padding-left: 1.1rem;
  display: grid;
  gap: 0.3rem;
}
.back {
  font-weight: 600;
  text-decoration: none;
}
@media (max-width: 760px) {
  .page {
    grid-template-columns: minmax(0, 1fr);
    padding: 0.8rem;
  }
}
</style>
