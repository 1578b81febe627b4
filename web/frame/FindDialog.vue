<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { lookup, type Called, type Names } from '#core/anatomy'
import { everySpecies } from '../state/species.ts'
import { useFarm } from '../state/farm.ts'
import { useFinder } from '../state/finder.ts'
import { useLotHere } from '../state/lot.ts'
import { useWords } from '../state/words.ts'

interface Found {
  id: string
  name: string
  kind: string
  to: RouteLocationRaw
}

const emit = defineEmits<{ close: [] }>()
const store = useFarm()
const words = useWords()
/** Asked on a page of the whole farm there is no lot: everything leads to its own page. */
const here = useLotHere()
const router = useRouter()
const text = ref('')
const chosen = ref(0)
watchDebounced(text, (now) => void store.search(now, []), { debounce: 200 })

const find = useFinder()
const MOST = 9
const KIND_WORDS = { cut: 'cut', part: 'part', way: 'way to cut' } as const
const own = computed(() => here?.flow.value?.anatomy ?? null)
const name = (n: Names) => {
  const also = words.also(n)
  return also ? `${words.name(n)} (${also})` : words.name(n)
}
/** Parts and ways of this animal are gone to on its Block; a cut has a page of its own. */
function leadsTo(c: Called): Found | null {
  const isOwn = own.value?.species === c.species
  if (c.kind !== 'cut' && !isOwn) return null
  const anatomy = isOwn ? own.value! : everySpecies()[c.species]
  const part = c.kind === 'way' ? c.part! : c.id
  const known = c.kind === 'cut' ? lookup(anatomy).cut(c.id) : lookup(anatomy).part(part)
  if (!known) return null
  const of = isOwn ? '' : `, ${words.name(anatomy.names).toLowerCase()}`
  return {
    id: `${c.species} ${c.id}`,
    name: name(c.names),
    kind:
      c.kind === 'way' ? `way to cut the ${words.name(known.names).toLowerCase()}` : KIND_WORDS[c.kind] + of,
    to:
      c.kind === 'cut'
        ? { name: 'cut', params: { species: c.species, cut: c.id } }
        : { name: 'block', query: { part } },
  }
}
const found = computed<Found[]>(() => {
  const wanted = text.value.trim().toLowerCase()
  if (!wanted) return []
  const lots = [...store.cards.values()]
    .filter((l) => l.tag.toLowerCase().includes(wanted))
    .map((l): Found => ({ id: l.id, name: l.tag, kind: 'lot', to: { name: 'hang', params: { id: l.id } } }))
  const called = find(text.value, own.value?.species).flatMap((c) => leadsTo(c) ?? [])
  return [...lots, ...called].slice(0, MOST)
})

function go(item: Found | undefined) {
  if (!item) return
  if (typeof item.to === 'object' && 'query' in item.to && item.to.query?.part)
    here!.part.value = String(item.to.query.part)
  emit('close')
  void router.push(item.to)
}
</script>

<template>
  <Dialog
    visible
    modal
    dismissable-mask
    position="top"
    header="Find"
    :style="{ width: '34rem' }"
    @update:visible="emit('close')"
  >
    <InputText
      v-model="text"
      autofocus
      fluid
      aria-label="Find a lot, part or cut"
      @input="chosen = 0"
      @keydown.down.prevent="chosen = Math.min(chosen + 1, found.length - 1)"
      @keydown.up.prevent="chosen = Math.max(chosen - 1, 0)"
      @keydown.enter="go(found[chosen])"
    />
    <ul>
      <li v-for="(item, i) in found" :key="item.kind + item.id">
        <button type="button" :class="{ chosen: i === chosen }" @click="go(item)">
          {{ item.name }} <small class="muted">{{ item.kind }}</small>
        </button>
      </li>
    </ul>
    <p v-if="text && found.length === 0" class="muted">Nothing here is called “{{ text }}”.</p>
  </Dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0.6rem 0 0;
  padding: 0;
}
button {
  width: 100%;
  text-align: left;
  font: inherit;
  color: var(--ink);
  background: none;
  border: 0;
  border-bottom: 1px solid var(--rule);
  padding: 0.45rem 0.4rem;
  cursor: pointer;
}
button.chosen,
button:hover {
  background: #f3e9d8;
}
</style>
