<script setup lang="ts">
import Select from 'primevue/select'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import type { Anatomy } from '#core/anatomy'
import { boxedParts, canHang } from '#core/carcass'
import type { Half, Hangs, Quarter } from '#core/records'
import { useWords } from '../state/words.ts'

/** What of an animal hangs, or came in a box. */
const { anatomy } = defineProps<{ anatomy: Anatomy }>()
const hangs = defineModel<Hangs>({ required: true })
const words = useWords()
const parts = computed(() =>
  boxedParts(anatomy).map((id) => ({ v: id, w: words.name(anatomy.parts.find((p) => p.id === id)!.names) })),
)
const KINDS = computed(() =>
  (
    [
      { v: 'whole', w: 'A whole one', first: { as: 'whole' } },
      { v: 'side', w: 'A side', first: { as: 'side', side: 'left' } },
      { v: 'quarter', w: 'A quarter', first: { as: 'quarter', side: 'left', quarter: 'fore' } },
      { v: 'part', w: 'A part of it', first: { as: 'part', part: parts.value[0]?.v ?? '' } },
    ] satisfies { v: Hangs['as']; w: string; first: Hangs }[]
  ).filter((k) => canHang(anatomy, k.first)),
)
const kind = computed({
  get: () => hangs.value.as,
  set: (as) => (hangs.value = KINDS.value.find((k) => k.v === as)!.first),
})
const HALVES: { v: Half; w: string }[] = [
  { v: 'left', w: 'Left' },
  { v: 'right', w: 'Right' },
]
const QUARTERS: { v: Quarter; w: string }[] = [
  { v: 'fore', w: 'Fore quarter' },
  { v: 'hind', w: 'Hind quarter' },
]
const side = computed({
  get: () => ('side' in hangs.value ? hangs.value.side : 'left'),
  set: (now) => {
    if ('side' in hangs.value) hangs.value = { ...hangs.value, side: now }
  },
})
const quarter = computed({
  get: () => ('quarter' in hangs.value ? hangs.value.quarter : 'fore'),
  set: (now) => {
    if ('quarter' in hangs.value) hangs.value = { ...hangs.value, quarter: now }
  },
})
const part = computed({
  get: () => ('part' in hangs.value ? hangs.value.part : ''),
  set: (now) => (hangs.value = { as: 'part', part: now }),
})
const button = { optionLabel: 'w', optionValue: 'v', allowEmpty: false } as const
</script>

<template>
  <div class="row hangs">
    <SelectButton v-model="kind" v-bind="button" :options="KINDS" aria-label="What hangs" />
    <SelectButton
      v-if="'side' in hangs"
      v-model="side"
      v-bind="button"
      :options="HALVES"
      aria-label="Which side"
    />
    <SelectButton
      v-if="hangs.as === 'quarter'"
      v-model="quarter"
      v-bind="button"
      :options="QUARTERS"
      aria-label="Which quarter"
    />
    <Select
      v-if="hangs.as === 'part'"
      v-model="part"
      :options="parts"
      option-label="w"
      option-value="v"
      filter
      aria-label="Which part"
    />
  </div>
</template>

<style scoped>
.hangs {
  gap: 0.6rem;
  flex-wrap: wrap;
}
</style>
