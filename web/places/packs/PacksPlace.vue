<script setup lang="ts">
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import VirtualScroller from 'primevue/virtualscroller'
import { v7 as uuid } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PackPage, UnitRow } from '#contracts'
import { readCode } from '#core/exchange'
import { formatMass, grams, kgOf, counted } from '#core/measure'
import PlaceHead from '../../frame/PlaceHead.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import SpeciesMark from '../../pieces/SpeciesMark.vue'
import { ask, fieldIssue, issuesOf } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useWords } from '../../state/words.ts'

/** Every pack of the farm that is there, by where it lies; one is found by its number, typed or scanned. */
const words = useWords()
const route = useRoute()
const router = useRouter()
const page = shallowRef<PackPage | null>(null)
const rows = shallowRef<UnitRow[]>([])
const failed = ref('')
const text = ref('')
/** Packs that are moved together. */
const picked = ref<ReadonlySet<number>>(new Set())
const to = ref('')
const moved = ref('')
const { issues, at } = useIssues()
const asked = (key: 'place' | 'lot' | 'cut') => {
  const value = route.query[key]
  return typeof value === 'string' ? value : null
}
const place = computed(() => asked('place'))
/** All but the place narrows what is looked at: of one animal, of one cut. */
const narrowed = computed(() =>
  (['lot', 'cut'] as const).flatMap((key) => {
    const value = asked(key)
    const first = rows.value[0]
    if (value === null) return []
    return [
      { key, word: key === 'lot' ? (first?.tag ?? 'that animal') : first ? words.name(first.names) : value },
    ]
  }),
)
const query = (more: Record<string, string | null>) =>
  Object.fromEntries(
    Object.entries({ place: place.value, lot: asked('lot'), cut: asked('cut'), ...more }).filter(
      ([, v]) => v !== null,
    ),
  ) as Record<string, string>

const PAGE = 100
const isLoading = ref(false)
async function load(before?: number) {
  isLoading.value = true
  const of = new URLSearchParams({
    ...{ state: 'here', limit: String(PAGE) },
    ...query({}),
    ...(before && { before: String(before) }),
  })
  const answer = await ask<PackPage>('GET', `/packs?${of}`)
  isLoading.value = false
  failed.value = answer.kind === 'ok' ? '' : issuesOf(answer)[0]!.detail
  if (answer.kind !== 'ok') return
  page.value = before ? { ...answer.body, places: page.value?.places ?? [] } : answer.body
  rows.value = before ? [...rows.value, ...answer.body.packs] : answer.body.packs
}
watch(
  () => JSON.stringify(query({})),
  () => {
    picked.value = new Set()
    void load()
  },
  { immediate: true },
)
/** The next page is asked for before the end of this one is in sight. */
const AHEAD = 40
function seen({ last }: { last: number }) {
  if (page.value?.more && !isLoading.value && last > rows.value.length - AHEAD)
    void load(rows.value.at(-1)!.number)
}
const all = computed(() => {
  const places = page.value?.places ?? []
  return {
    packs: places.reduce((n, p) => n + p.packs, 0),
    grams: grams(places.reduce((n, p) => n + p.grams, 0)),
  }
})
const mass = (of: UnitRow['grams']) => formatMass(kgOf(of), words.unit.value)
const weight = (u: UnitRow) => (u.shown ? `${u.shown.value} ${u.shown.unit}` : mass(u.grams))
function pick(number: number, on: boolean) {
  const next = new Set(picked.value)
  if (on) next.add(number)
  else next.delete(number)
  picked.value = next
  moved.value = ''
}
const isAll = computed(() => rows.value.length > 0 && rows.value.every((u) => picked.value.has(u.number)))
const pickAll = (on: boolean) => (picked.value = new Set(on ? rows.value.map((u) => u.number) : []))
/** As many as one request takes. */
const AT_ONCE = 200
async function move() {
  const where = to.value.trim()
  issues.value = where === '' ? [fieldIssue('to', 'Where do they go? Type the place.')] : []
  if (issues.value.length > 0) return
  const numbers = [...picked.value]
  for (let i = 0; i < numbers.length; i += AT_ONCE) {
    const events = numbers
      .slice(i, i + AT_ONCE)
      .map((number) => ({ id: uuid(), number, what: 'put', place: where }))
    const answer = await ask('POST', '/packs/events', { events })
    if (answer.kind !== 'ok')
      return void (issues.value = issuesOf(answer).map((x) => ({ ...x, field: 'to' })))
  }
  moved.value = `${counted(numbers.length, 'pack')} put to ${where}.`
  picked.value = new Set()
  to.value = ''
  await load()
}
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
          <InputText id="pack-number" v-model="text" autocomplete="off" :invalid="at('number').length > 0" />
          <FieldIssues :issues="at('number')" />
        </div>
        <Button type="submit" label="Where does it come from?" icon="pi pi-search" />
      </form>
      <p v-if="failed" class="field-issue" role="alert">
        {{ failed }} <Button text size="small" label="Try again" @click="load()" />
      </p>
      <nav v-if="page && all.packs > 0" class="places" aria-label="Where packs lie">
        <RouterLink :to="{ name: 'store', query: query({ place: null }) }" :class="{ here: place === null }"
          ><b>Everywhere</b> <span>{{ all.packs }} packs, {{ mass(all.grams) }}</span></RouterLink
        >
        <template v-for="p in page.places" :key="p.place ?? ''"
          ><RouterLink
            v-if="p.place"
            :to="{ name: 'store', query: query({ place: p.place }) }"
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
    <section v-else-if="page" class="stack">
      <form class="move" novalidate aria-label="Move packs" @submit.prevent="move">
        <label class="tick"
          ><Checkbox :model-value="isAll" binary input-id="pick-all" @update:model-value="pickAll($event)" />
          all {{ rows.length }} that are shown</label
        >
        <RouterLink
          v-for="n in narrowed"
          :key="n.key"
          class="only"
          :to="{ name: 'store', query: query({ [n.key]: null }) }"
          :aria-label="`Not only ${n.word}`"
          >only {{ n.word }} <i class="pi pi-times" aria-hidden="true"
        /></RouterLink>
        <template v-if="picked.size > 0">
          <div class="field">
            <label for="move-to">Put {{ picked.size }} to</label>
            <InputText
              id="move-to"
              v-model="to"
              list="move-places"
              maxlength="60"
              autocomplete="off"
              :invalid="at('to').length > 0"
            />
            <datalist id="move-places">
              <option v-for="p in page.places" :key="p.place ?? ''" :value="p.place ?? ''" />
            </datalist>
          </div>
          <Button type="submit" label="Put them there" />
        </template>
        <span class="good" role="status">{{ moved }}</span>
      </form>
      <FieldIssues :issues="at('to')" />
      <div role="table" aria-label="Packs that are there" :aria-rowcount="-1" data-testid="store">
        <div role="row" class="line head">
          <span role="columnheader"><span class="visually-hidden">Pick</span></span>
          <span role="columnheader">Number</span>
          <span role="columnheader">Cut</span>
          <span role="columnheader" class="right">Weight</span>
          <span role="columnheader">Animal</span>
          <span role="columnheader">Lies</span>
          <span role="columnheader">Packed</span>
        </div>
        <VirtualScroller
          :items="rows"
          :item-size="46"
          class="list"
          role="rowgroup"
          @scroll-index-change="seen"
        >
          <template #item="{ item: u }: { item: UnitRow }">
            <div role="row" class="line" :data-number="u.number">
              <span role="cell"
                ><Checkbox
                  :model-value="picked.has(u.number)"
                  binary
                  :aria-label="`Pick pack ${u.number}`"
                  @update:model-value="pick(u.number, $event)"
              /></span>
              <span role="cell"
                ><RouterLink :to="{ name: 'trace', params: { number: u.number } }">{{
                  u.number
                }}</RouterLink></span
              >
              <span role="cell"
                ><RouterLink
                  :to="{ name: 'store', query: query({ cut: u.cut }) }"
                  :aria-label="`Only ${words.name(u.names)}`"
                  >{{ words.name(u.names) }}</RouterLink
                ></span
              >
              <span role="cell" class="right nowrap">{{ weight(u) }}</span>
              <span role="cell"
                ><RouterLink
                  :to="{ name: 'store', query: query({ lot: u.lot }) }"
                  class="lot"
                  :aria-label="`Only ${u.tag}`"
                  ><SpeciesMark :of="u.species" /> {{ u.tag }}</RouterLink
                ></span
              >
              <span role="cell">{{ u.place ?? '' }}</span>
              <span role="cell" class="nowrap">{{ u.at.slice(0, 10) }}</span>
            </div>
          </template>
        </VirtualScroller>
      </div>
    </section>
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
.move {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem;
  align-items: center;
  min-height: 62px;
}
.only {
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
  min-height: 44px;
  padding: 0 0.7rem;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink);
  text-decoration: none;
}
.line {
  display: grid;
  grid-template-columns: 2.5rem 5rem minmax(8rem, 2fr) 6rem minmax(7rem, 1fr) minmax(6rem, 1fr) 7rem;
  gap: 0.75rem;
  align-items: center;
  height: 46px;
  padding: 0 0.4rem;
  border-bottom: 1px solid var(--rule);
}
.line > span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.line > .right {
  padding-right: 1rem;
}
.head {
  font-weight: 600;
  border-bottom: 1px solid var(--ink);
}
.list {
  height: max(300px, calc(100vh - 22rem));
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: 2.2rem 3.6rem minmax(0, 2fr) 4.6rem minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 0.4rem;
  }
  .line > :last-child {
    display: none;
  }
}
</style>
