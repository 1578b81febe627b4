<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { finderOf, SPECIES, type Species } from '#core/anatomy'
import { everySpecies } from '../../state/species.ts'
import PlaceHead from '../../frame/PlaceHead.vue'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { libraryIn, worked } from '../../state/figures.ts'
import { useFarm } from '../../state/farm.ts'
import { useWords } from '../../state/words.ts'
import OwnWayForm from './OwnWayForm.vue'
import SpeciesPick from './SpeciesPick.vue'
import { useOwn } from './own.ts'

/** Every part, cut and way of a species, under both names; and where the farm's own are made. */
const store = useFarm()
const words = useWords()
const route = useRoute()
const asked = SPECIES.find((s) => s === route.query.of)
const species = ref<Species>(asked ?? [...store.cards.values()].at(0)?.species ?? 'hog')
const text = ref('')
const { own, versions, failed, load, anatomy } = useOwn(species)
const { found: library, state: work } = worked(() => anatomy.value, libraryIn)
const find = computed(() => finderOf([anatomy.value]))
/** Parts found by any name of theirs or of a way they are cut. */
const parts = computed(() => {
  const all = library.value?.parts ?? []
  if (!text.value.trim()) return all
  const found = find.value(text.value)
  return all.filter((p) =>
    found.some((f) => (f.kind === 'way' ? f.part : f.id) === p.part.id && f.kind !== 'cut'),
  )
})
const percent = (x: number) => (x < 0.005 ? '–' : `${x.toFixed(x < 1 ? 2 : 1)} %`)
const outputs = (path: (typeof anatomy.value.paths)[number]) =>
  path.outputs
    .filter((o) => o.lean + o.fat + o.bone + o.skin > 0.01)
    .map((o) =>
      words.name(
        (o.cut
          ? anatomy.value.cuts.find((c) => c.id === o.cut)
          : anatomy.value.parts.find((p) => p.id === o.part))!.names,
      ),
    )
    .join(', ')
</script>

<template>
  <PlaceHead title="Parts, ways, and our own" />
  <main id="main" class="place">
    <div class="row">
      <SpeciesPick v-model="species" />
      <label class="row">Find a part or a way <InputText v-model="text" /></label>
    </div>
    <p v-if="failed" class="issue" role="alert">
      The farm’s own cuts could not be read: the server does not answer. Ours are shown.
    </p>
    <div class="two">
      <section class="stack">
        <details
          v-for="p in parts"
          :key="p.part.id"
          class="part"
          :open="text.length > 1"
          :data-library-part="p.part.id"
        >
          <summary>
            <b>{{ words.name(p.part.names) }}</b>
            <span class="muted">{{ words.also(p.part.names) }}</span>
            <span class="share"
              >{{ percent(p.share) }} of carcass<template v-if="p.from.length > 0"
                >, out of
                {{
                  p.from.length > 3 ? 'every part' : p.from.map((f) => words.name(f.names)).join(', ')
                }}</template
              ></span
            >
          </summary>
          <table class="plain">
            <tbody>
              <tr v-for="w in p.paths" :key="w.id">
                <td>
                  <DestinationMark :to="w.destination" /> {{ words.name(w.names) }}
                  <small v-if="w.id.startsWith('own-')" class="own">own</small>
                </td>
                <td>{{ outputs(w) }}</td>
                <td class="right nowrap">{{ w.minutes }} min</td>
              </tr>
            </tbody>
          </table>
        </details>
        <p v-if="work === 'working'" class="muted" role="status">Following every way to its cuts…</p>
        <p v-else-if="work === 'failed'" class="issue" role="alert">
          The cuts could not be worked out. Choose the animal again; if it stays, reload the page.
        </p>
        <p v-else-if="parts.length === 0" class="muted">
          Nothing here is called “{{ text }}”, in any name we know.
        </p>
      </section>
      <OwnWayForm
        :key="`${species} ${versions.length}`"
        :anatomy="anatomy"
        :base="everySpecies()[species]"
        :own="own"
        :version="versions.at(-1)?.version ?? 0"
        @kept="load"
      />
    </div>
  </main>
</template>

<style scoped>
summary .muted {
  margin-inline-start: 0.5rem;
}
.place {
  padding: 1rem 1.5rem;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.9rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(min(380px, 100%), 1fr);
  gap: 1.75rem;
  align-items: start;
}
td {
  vertical-align: top;
}
.way {
  display: block;
  font-size: 0.92rem;
}
.own {
  border: 1px solid var(--accent);
  color: var(--accent);
  padding: 0 0.25rem;
}
.part {
  border-bottom: 1px solid var(--rule);
  padding: 0.3rem 0;
}
summary {
  cursor: pointer;
}
.share {
  float: right;
  font-size: 0.92rem;
}
.issue {
  color: var(--danger);
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
