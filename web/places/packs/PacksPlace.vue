<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PackPage, UnitRow } from '#contracts'
import { readCode } from '#core/exchange'
import { formatMass, grams, kgOf } from '#core/measure'
import PlaceHead from '../../frame/PlaceHead.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import SpeciesMark from '../../pieces/SpeciesMark.vue'
import { ask, fieldIssue, issuesOf, type FieldIssue } from '../../state/api.ts'
import { useWords } from '../../state/words.ts'

/** Every pack of the farm that is there, by where it lies; one is found by its number, typed or scanned. */
const words = useWords()
const route = useRoute()
const router = useRouter()
const page = shallowRef<PackPage | null>(null)
const rows = shallowRef<UnitRow[]>([])
const failed = ref('')
const text = ref('')
const issues = ref<FieldIssue[]>([])
const place = computed(() => (typeof route.query.place === 'string' ? route.query.place : null))

async function load(before?: number) {
  const query = new URLSearchParams({
    state: 'here',
    limit: '50',
    ...(place.value && { place: place.value }),
    ...(before && { before: String(before) }),
  })
  const answer = await ask<PackPage>('GET', `/packs?${query}`)
  failed.value = answer.kind === 'ok' ? '' : issuesOf(answer)[0]!.detail
  if (answer.kind !== 'ok') return
  page.value = before ? { ...answer.body, places: page.value?.places ?? [] } : answer.body
  rows.value = before ? [...rows.value, ...answer.body.packs] : answer.body.packs
}
watch(place, () => void load(), { immediate: true })
const all = computed(() => {
  const places = page.value?.places ?? []
  return {
    packs: places.reduce((n, p) => n + p.packs, 0),
    grams: grams(places.reduce((n, p) => n + p.grams, 0)),
  }
})
const mass = (of: UnitRow['grams']) => formatMass(kgOf(of), words.unit.value)
const weight = (u: UnitRow) => (u.shown ? `${u.shown.value} ${u.shown.unit}` : mass(u.grams))
function find() {
  const number = readCode(text.value)
  issues.value = number
    ? []
    : [fieldIssue('number', `“${text.value}” is no pack’s number: it stands on the label, under the bars.`)]
  if (number) void router.push({ name: 'trace', params: { number } })
}
</script>

<template>
  <PlaceHead title="Packs" />
  <main id="main" class="packs">
    <section class="stack">
      <form class="find" novalidate @submit.prevent="find">
        <div class="field">
          <label for="pack-number">Number on the label</label>
          <InputText id="pack-number" v-model="text" autocomplete="off" :invalid="issues.length > 0" />
          <FieldIssues :issues="issues" />
        </div>
        <Button type="submit" label="Where does it come from?" icon="pi pi-search" />
      </form>
      <p v-if="failed" class="field-issue" role="alert">
        {{ failed }} <Button text size="small" label="Try again" @click="load()" />
      </p>
      <nav v-if="page && all.packs > 0" class="places" aria-label="Where packs lie">
        <RouterLink :to="{ name: 'store' }" :class="{ here: place === null }"
          ><b>Everywhere</b> <span>{{ all.packs }} packs, {{ mass(all.grams) }}</span></RouterLink
        >
        <template v-for="p in page.places" :key="p.place ?? ''"
          ><RouterLink
            v-if="p.place"
            :to="{ name: 'store', query: { place: p.place } }"
            :class="{ here: place === p.place }"
            ><b>{{ p.place }}</b> <span>{{ p.packs }} packs, {{ mass(p.grams) }}</span></RouterLink
          ><span v-else class="nowhere"
            ><b>Not said where</b> <span>{{ p.packs }} packs, {{ mass(p.grams) }}</span></span
          ></template
        >
      </nav>
    </section>
    <p v-if="!page && !failed" class="muted" role="status">Looking through the packs…</p>
    <p v-else-if="page && rows.length === 0" class="none">
      No pack is there{{ place ? ` in ${place}` : ' yet' }}. Packs are made at Pack, where an animal’s cuts
      are weighed.
    </p>
    <div v-else-if="page" class="scroll">
      <table class="plain" data-testid="store">
        <thead>
          <tr>
            <th>Number</th>
            <th>Cut</th>
            <th class="right">Weight</th>
            <th>Animal</th>
            <th>Lies</th>
            <th>Packed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="u in rows" :key="u.number">
            <td>
              <RouterLink :to="{ name: 'trace', params: { number: u.number } }">{{ u.number }}</RouterLink>
            </td>
            <td>{{ words.name(u.names) }}</td>
            <td class="right nowrap">{{ weight(u) }}</td>
            <td>
              <RouterLink :to="{ name: 'pack', params: { id: u.lot } }" class="lot"
                ><SpeciesMark :of="u.species" /> {{ u.tag }}</RouterLink
              >
            </td>
            <td>{{ u.place ?? '' }}</td>
            <td class="nowrap">{{ u.at.slice(0, 10) }}</td>
          </tr>
        </tbody>
      </table>
      <Button v-if="page.more" outlined label="Older ones" @click="load(rows.at(-1)!.number)" />
    </div>
  </main>
</template>

<style scoped>
.packs {
  padding: 1rem 1.5rem;
  display: grid;
  gap: 1rem;
}
.find {
  display: flex;
  gap: 0.75rem;
  align-items: end;
  flex-wrap: wrap;
}
.find :deep(input) {
  font: 700 1.5rem var(--head);
  width: 11rem;
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
.places a,
.nowhere {
  display: grid;
  padding: 0.35rem 0.8rem;
  min-height: 44px;
  color: var(--ink);
  text-decoration: none;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  border-top-width: 5px;
}
.nowhere {
  border-style: dashed;
}
.places .here {
  border-color: var(--accent);
}
.lot {
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
}
.none {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 40rem;
}
</style>
