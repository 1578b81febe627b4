<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { useMediaQuery } from '@vueuse/core'
import { v7 as uuid } from 'uuid'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Write } from '#contracts'
import type { Species } from '#core/anatomy'
import { ALL_HANGS, newLotSchema, typed, type Hangs } from '#core/records'
import FieldIssues from '../pieces/FieldIssues.vue'
import HangsChoice from '../pieces/HangsChoice.vue'
import { vRoving } from '../pieces/roving.ts'
import SpeciesMark from '../pieces/SpeciesMark.vue'
import { saidFirst, useFarm } from '../state/farm.ts'
import { aboutOf, allAbout, figuresOfSpecies } from '../state/species.ts'
import { useForm } from '../state/form.ts'
import { useWords } from '../state/words.ts'

/** The animals a farm may hang on one ground line, to one scale; one is pressed, the rest has an answer already. */
const store = useFarm()
const router = useRouter()
const words = useWords()
const { unit } = words
/** Height of the tallest, px: on a phone all of them stand in its width. */
const isNarrow = useMediaQuery('(max-width: 560px)')
const tallest = computed(() => (isNarrow.value ? 62 : 88))
const {
  typed: form,
  issues,
  at,
  keep,
} = useForm(
  'lot',
  {
    tag: typed.line(
      newLotSchema.shape.tag,
      'The lot has no name or number yet. Type what stands on its ear tag.',
    ),
    count: typed.count(newLotSchema.shape.count),
    live: typed.maybe(typed.mass),
  },
  () => ({ species: 'hog' as Species, tag: '', count: '1', live: '', isOwn: false }),
)
/** Tallest first, as they stand on the line. */
const kinds = computed(() => allAbout().toSorted((a, b) => b.about.tall - a.about.tall))
const kind = computed(() => aboutOf(form.species))
const anatomy = computed(() => figuresOfSpecies(form.species))
const hangs = ref<Hangs>(ALL_HANGS)
const isWhole = computed(() => hangs.value.as === 'whole')
/** What is counted: animals, or pieces of them. */
const many = computed(() => (isWhole.value ? (kind.value?.many ?? 'animals') : 'pieces'))
/** A name that is free: what kind, and how many came before. Typed in, so that it can be typed over. */
const free = computed(() => {
  const names = new Set([...store.cards.values()].map((c) => c.tag.toLowerCase()))
  const stem = kind.value?.stem ?? 'Lot'
  for (let n = 1; ; n++) if (!names.has(`${stem} ${n}`.toLowerCase())) return `${stem} ${n}`
})
watch(
  free,
  (name) => {
    if (!form.isOwn) form.tag = name
  },
  { immediate: true },
)
watch(hangs, ({ as }) => (form.count = as === 'whole' ? String(kind.value?.usual ?? 1) : '1'))
watch(
  () => form.species,
  (s) => {
    form.count = String(aboutOf(s)?.usual ?? 1)
    hangs.value = ALL_HANGS
  },
)
const id = uuid()
const more = (by: number) => (form.count = String(Math.max(1, (Number(form.count) || 1) + by)))

const hang = keep(async ({ tag, count, live }) => {
  const { species } = form
  const writes: Write[] = [{ is: 'hung', lot: id, hung: { id, tag, species, count } }]
  if (!isWhole.value) writes.push(saidFirst(id, { kind: 'observation', what: 'hangs', value: hangs.value }))
  if (live)
    writes.push({
      ...{ is: 'weighing', lot: id },
      weighing: {
        id: uuid(),
        stage: isWhole.value ? 'live' : 'hanging',
        basis: isWhole.value ? null : hangs.value.as === 'part' ? 'boxed' : 'cold',
        source: 'scale',
        shown: live,
        corrects: null,
        stands: true,
        confirmed: false,
      },
    })
  const refusals = await store.keepAll(writes)
  const ofForm = ['tag', 'count', 'species']
  if (refusals.length > 0)
    return refusals.map((r) => (ofForm.includes(r.field) ? r : { ...r, field: 'live' }))
  await router.push(store.queue.isHere(id) ? { name: 'rail' } : { name: 'hang', params: { id } })
})
</script>

<template>
  <form class="stack" novalidate @submit.prevent="hang">
    <div v-roving class="ground" role="radiogroup" aria-label="What kind of animal">
      <button
        v-for="{ species, about } in kinds"
        :key="species"
        type="button"
        role="radio"
        class="animal"
        :class="{ chosen: form.species === species }"
        :aria-checked="form.species === species"
        @click="form.species = species"
        @focus="form.species = species"
      >
        <span class="stand"><SpeciesMark :of="species" :height="about.tall * tallest" /></span>
        <span class="name">{{ about.one }}</span>
      </button>
    </div>
    <HangsChoice v-if="anatomy" v-model="hangs" :anatomy="anatomy" />
    <div class="trio">
      <div class="field">
        <label for="lot-tag">Name or lot number</label>
        <InputText
          id="lot-tag"
          v-model="form.tag"
          :invalid="at('tag').length > 0"
          autocomplete="off"
          @input="form.isOwn = true"
          @focus="($event.target as HTMLInputElement).select()"
        />
        <FieldIssues :issues="at('tag')" />
      </div>
      <div class="field">
        <label for="lot-count">How many {{ many }}</label>
        <span class="stepper">
          <button type="button" :aria-label="`One of the ${many} fewer`" @click="more(-1)">−</button>
          <InputText
            id="lot-count"
            v-model="form.count"
            inputmode="numeric"
            :invalid="at('count').length > 0"
          />
          <button type="button" :aria-label="`One of the ${many} more`" @click="more(1)">+</button>
        </span>
        <FieldIssues :issues="at('count')" />
      </div>
      <div class="field">
        <label for="lot-live">{{
          isWhole
            ? 'Live weight, if weighed'
            : hangs.as === 'part'
              ? 'Weight as it came'
              : 'Weight on the hook, cold'
        }}</label>
        <InputText
          id="lot-live"
          v-model="form.live"
          :invalid="at('live').length > 0"
          autocomplete="off"
          aria-describedby="lot-live-how"
        />
        <small id="lot-live-how" class="muted"
          >in {{ unit }}{{ Number(form.count) > 1 ? ', all together' : ''
          }}{{ isWhole ? '; a tape or a guess comes on the next page' : '' }}</small
        >
      </div>
    </div>
    <FieldIssues :issues="issues.filter((i) => !['tag', 'count'].includes(i.field))" />
    <div><Button type="submit" label="Hang the lot" /></div>
  </form>
</template>

<style scoped>
.ground {
  display: flex;
  align-items: flex-end;
  gap: 0.15rem;
  border-bottom: 3px solid var(--ink);
  flex-wrap: wrap;
  padding: 4px 4px 0;
}
.animal {
  display: grid;
  justify-items: center;
  align-content: end;
  gap: 0.2rem;
  border: 0;
  background: none;
  color: #8c7d68;
  font: 600 1rem var(--body);
  padding: 0.3rem 0.3rem 0.4rem;
  cursor: pointer;
  flex: none;
  min-width: 64px;
}
.animal:hover {
  color: var(--ink);
}
.stand {
  display: grid;
  align-items: end;
}
.chosen {
  color: var(--ink);
  background: #eaddc6;
  box-shadow: inset 0 -4px 0 var(--accent);
}
.name {
  color: var(--ink);
}
.trio {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 0.75rem;
  align-items: start;
}
.trio :deep(input) {
  width: 100%;
}
.stepper {
  display: flex;
}
.stepper button {
  width: 44px;
  flex: none;
  font: 700 1.3rem var(--head);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--ink);
  cursor: pointer;
}
.stepper :deep(input) {
  text-align: center;
  min-width: 3.5rem;
}
</style>
