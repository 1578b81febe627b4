<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { lookup, type Cut, type Species } from '#core/anatomy'
import { everySpecies } from '../../state/species.ts'
import PlaceHead from '../../frame/PlaceHead.vue'
import { libraryIn, worked } from '../../state/figures.ts'
import { useFarm } from '../../state/farm.ts'
import { useFinder } from '../../state/finder.ts'
import { useWords } from '../../state/words.ts'
import CutCard from './CutCard.vue'
import { primalOf } from './cutPlaces.ts'
import SpeciesPick from './SpeciesPick.vue'
import { useOwn } from './own.ts'

/** The wall of cuts, by the part of the carcass they come from; one search over all animals on top of it. */
const MOST_FOUND = 24
const store = useFarm()
const words = useWords()
const find = useFinder()
const species = ref<Species>([...store.cards.values()].at(0)?.species ?? 'hog')
const text = ref('')
const { failed, anatomy } = useOwn(species)
const { found: library, state: work } = worked(() => anatomy.value, libraryIn)
const mostOf = computed(() => new Map((library.value?.cuts ?? []).map((c) => [c.cut.id, c.most])))
const groups = computed(() => {
  const by = new Map<string, Cut[]>()
  for (const cut of anatomy.value.cuts) {
    const part = cut.kind === 'loss' ? null : primalOf(anatomy.value, cut.id)
    if (part) by.set(part, [...(by.get(part) ?? []), cut])
  }
  return anatomy.value.parts.flatMap((p) => (by.has(p.id) ? [{ part: p, cuts: by.get(p.id)! }] : []))
})
const found = computed(() =>
  find(text.value, species.value)
    .filter((c) => c.kind !== 'way')
    .slice(0, MOST_FOUND),
)
/** A part that was found stands for the cuts on its shelf. */
const cuts = computed(() => {
  const seen = new Set<string>()
  return found.value
    .flatMap((f) => {
      const a = f.species === species.value ? anatomy.value : everySpecies()[f.species]
      if (f.kind === 'cut') return [{ anatomy: a, cut: lookup(a).cut(f.id)! }]
      return a.cuts
        .filter((c) => c.kind !== 'loss' && !c.uncut && primalOf(a, c.id) === f.id)
        .map((cut) => ({ anatomy: a, cut }))
    })
    .filter(({ anatomy: a, cut }) => !seen.has(a.species + cut.id) && seen.add(a.species + cut.id))
    .slice(0, MOST_FOUND)
})
</script>

<template>
  <PlaceHead title="Cuts">
    <span style="flex: 1" />
    <RouterLink :to="{ name: 'ways', query: { of: species } }" class="ways"
      >Parts, ways, and our own</RouterLink
    >
  </PlaceHead>
  <main id="main" class="place">
    <div class="row top">
      <div class="field search">
        <label for="cut-search">Find a cut, whatever you call it</label>
        <InputText id="cut-search" v-model="text" autocomplete="off" />
      </div>
      <SpeciesPick v-model="species" />
    </div>
    <p v-if="failed" class="issue" role="alert">
      The farm’s own cuts could not be read: the server does not answer. Ours are shown.
    </p>
    <p v-if="work === 'failed'" class="issue" role="alert">
      The weights of the cuts could not be worked out. Choose the animal again; if it stays, reload the page.
    </p>
    <template v-if="text.trim()">
      <p v-if="cuts.length === 0" class="muted" role="status">
        Nothing here is called “{{ text }}”, in any name we know.
      </p>
      <div class="wall">
        <CutCard
          v-for="c in cuts"
          :key="c.anatomy.species + c.cut.id"
          :anatomy="c.anatomy"
          :cut="c.cut"
          :most="c.anatomy.species === species ? mostOf.get(c.cut.id) : undefined"
        />
      </div>
    </template>
    <section v-for="g in groups" v-else :key="g.part.id" :aria-label="words.name(g.part.names)">
      <h2>{{ words.name(g.part.names) }}</h2>
      <div class="wall">
        <CutCard v-for="c in g.cuts" :key="c.id" :anatomy="anatomy" :cut="c" :most="mostOf.get(c.id)" />
      </div>
    </section>
  </main>
</template>

<style scoped>
.place {
  padding: 1rem 1.5rem 2rem;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  max-width: 1500px;
  margin: 0 auto;
}
.top {
  gap: 1.2rem;
  align-items: end;
}
.search {
  flex: 1 1 20rem;
  max-width: 34rem;
}
.search :deep(input) {
  font-size: 1.2rem;
}
.wall {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 0.5rem;
}
h2 {
  padding: 0.3rem 0 0.4rem;
}
.ways {
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}
.issue {
  color: var(--danger);
}
@media (max-width: 560px) {
  .place {
    padding: 0.7rem;
  }
}
</style>
