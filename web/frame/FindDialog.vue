<script setup lang="ts">
import Dialog from 'primevue/dialog'
import InputText from 'primevue/inputtext'
import { watchDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { useFarm } from '../state/farm.ts'
import { useLot } from '../state/lot.ts'

interface Found {
  id: string
  name: string
  kind: string
  to: RouteLocationRaw
}

const emit = defineEmits<{ close: [] }>()
const store = useFarm()
const { flow, part } = useLot()
const router = useRouter()
const text = ref('')
const chosen = ref(0)
watchDebounced(text, (now) => void store.search(now, []), { debounce: 200 })

const everything = computed<(Found & { words: string })[]>(() => {
  const a = flow.value?.anatomy
  const both = (names: { american: string; commonwealth: string }) =>
    `${names.american} ${names.commonwealth}`
  const shown = (names: { american: string; commonwealth: string }) => {
    const own = names[store.farm?.nameSet ?? 'american']
    const other = names[store.farm?.nameSet === 'commonwealth' ? 'american' : 'commonwealth']
    return own === other ? own : `${own} (${other})`
  }
  return [
    ...[...store.cards.values()].map((l) => ({
      id: l.id,
      name: l.tag,
      kind: 'lot',
      to: { name: 'hang', params: { id: l.id } },
      words: l.tag,
    })),
    ...(a?.parts ?? []).map((p) => ({
      id: p.id,
      name: shown(p.names),
      kind: 'part',
      to: { name: 'block', query: { part: p.id } },
      words: both(p.names),
    })),
    ...(a?.paths ?? []).map((p) => ({
      id: p.id,
      name: shown(p.names),
      kind: `way to cut the ${p.part}`,
      to: { name: 'block', query: { part: p.part } },
      words: both(p.names),
    })),
    ...(a?.cuts ?? []).map((c) => ({
      id: c.id,
      name: shown(c.names),
      kind: 'cut',
      to: { name: 'pack', query: { cut: c.id } },
      words: both(c.names),
    })),
  ]
})
const found = computed(() => {
  const wanted = text.value.trim().toLowerCase()
  return wanted ? everything.value.filter((x) => x.words.toLowerCase().includes(wanted)).slice(0, 9) : []
})

function go(item: Found | undefined) {
  if (!item) return
  if (typeof item.to === 'object' && 'query' in item.to && item.to.query?.part)
    part.value = String(item.to.query.part)
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
      placeholder="A lot, a part or a cut, by either name"
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
