<script setup lang="ts">
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref, watch } from 'vue'
import type { OwnVersion } from '#contracts'
import { ANATOMIES, extendAnatomy, SPECIES, type Names, type Species } from '#core/anatomy'
import type { OwnAdditions } from '#core/records'
import PlaceHead from '../frame/PlaceHead.vue'
import DestinationMark from '../pieces/DestinationMark.vue'
import SpeciesMark from '../pieces/SpeciesMark.vue'
import { ask } from '../state/api.ts'
import { libraryIn, worked } from '../state/figures.ts'
import { useFarm } from '../state/farm.ts'
import { useWords } from '../state/words.ts'
import OwnWayForm from './OwnWayForm.vue'

/** Every part, cut and way of a species, under both names; and where the farm's own are made. */
const store = useFarm()
const words = useWords()
const species = ref<Species>([...store.cards.values()].at(0)?.species ?? 'hog')
const kinds = SPECIES.map((v) => ({ v, w: words.name(ANATOMIES[v].names) }))
const list = ref<'cuts' | 'parts'>('cuts')
const LISTS = [
  { v: 'cuts', w: 'Cuts' },
  { v: 'parts', w: 'Parts and their ways' },
]
const text = ref('')
const versions = ref<OwnVersion[]>([])
const failed = ref(false)
const own = computed<OwnAdditions>(
  () => versions.value.at(-1)?.body ?? { species: species.value, cuts: [], parts: [], paths: [] },
)
async function load() {
  const answer = await ask<OwnVersion[]>('GET', `/own/${species.value}`)
  failed.value = answer.kind !== 'ok'
  versions.value = answer.kind === 'ok' ? answer.body : []
}
watch(species, load, { immediate: true })

const anatomy = computed(() => {
  const out = extendAnatomy(ANATOMIES[species.value], own.value)
  return out.ok ? out.value : ANATOMIES[species.value]
})
const { found: library, state: work } = worked(() => anatomy.value, libraryIn)
const other = (n: Names) => {
  const shown = words.name(n)
  const also = shown === n.american ? n.commonwealth : n.american
  return also === shown ? '' : also
}
const meets = (...names: Names[]) => {
  const wanted = text.value.trim().toLowerCase()
  return !wanted || names.some((n) => `${n.american} ${n.commonwealth}`.toLowerCase().includes(wanted))
}
const cuts = computed(() =>
  (library.value?.cuts ?? []).filter(
    (c) => c.cut.kind !== 'loss' && meets(c.cut.names, ...c.ways.map((w) => w.names)),
  ),
)
const parts = computed(() =>
  (library.value?.parts ?? []).filter((p) => meets(p.part.names, ...p.paths.map((w) => w.names))),
)
const percent = (x: number) => (x < 0.005 ? '–' : `${x.toFixed(x < 1 ? 2 : 1)} %`)
const partName = (id: string) => words.name(anatomy.value.parts.find((p) => p.id === id)!.names)
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
  <PlaceHead title="Cuts" />
  <main id="main" class="place">
    <div class="row">
      <SelectButton
        v-model="species"
        :options="kinds"
        option-label="w"
        option-value="v"
        :allow-empty="false"
        aria-label="Species"
      >
        <template #option="{ option }"
          ><span class="kind"><SpeciesMark :of="option.v" />{{ option.w }}</span></template
        >
      </SelectButton>
      <SelectButton
        v-model="list"
        :options="LISTS"
        option-label="w"
        option-value="v"
        :allow-empty="false"
        aria-label="What to list"
      />
      <InputText v-model="text" placeholder="Find by either name…" aria-label="Find a cut, part or way" />
    </div>
    <p v-if="failed" class="issue" role="alert">
      The farm’s own cuts could not be read: the server does not answer. Ours are shown.
    </p>
    <div class="two">
      <section class="stack">
        <table v-if="list === 'cuts'" class="plain">
          <thead>
            <tr>
              <th>Cut</th>
              <th>Also called</th>
              <th class="right">At most, of carcass</th>
              <th>Comes of</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="c in cuts" :key="c.cut.id" :data-library-cut="c.cut.id">
              <td>
                <DestinationMark :to="c.cut.destination" /> <b>{{ words.name(c.cut.names) }}</b>
                <small v-if="c.cut.id.startsWith('own-')" class="own">own</small>
              </td>
              <td class="muted">{{ other(c.cut.names) }}</td>
              <td class="right">{{ percent(c.most) }}</td>
              <td>
                <span v-for="w in c.ways" :key="w.id" class="way"
                  >{{ partName(w.part) }}: {{ words.name(w.names) }}</span
                >
              </td>
            </tr>
          </tbody>
        </table>
        <template v-else>
          <details
            v-for="p in parts"
            :key="p.part.id"
            class="part"
            :open="text.length > 1"
            :data-library-part="p.part.id"
          >
            <summary>
              <b>{{ words.name(p.part.names) }}</b>
              <span class="muted"> {{ other(p.part.names) }}</span>
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
        </template>
        <p v-if="work === 'working'" class="muted" role="status">Following every way to its cuts…</p>
        <p v-else-if="work === 'failed'" class="issue" role="alert">
          The cuts could not be worked out. Choose the animal again; if it stays, reload the page.
        </p>
        <p v-else-if="(list === 'cuts' ? cuts : parts).length === 0" class="muted">
          Nothing here is called “{{ text }}”, in either set of names.
        </p>
      </section>
      <OwnWayForm
        :key="`${species} ${versions.length}`"
        :anatomy="anatomy"
        :base="ANATOMIES[species]"
        :own="own"
        :version="versions.at(-1)?.version ?? 0"
        @kept="load"
      />
    </div>
  </main>
</template>

<style scoped>
.place {
  padding: 1rem 1.5rem;
  display: grid;
  gap: 0.9rem;
}
.kind {
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(380px, 1fr);
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
    grid-template-columns: 1fr;
  }
}
</style>
