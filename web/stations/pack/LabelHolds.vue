<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import { putInto } from '#core/papers'
import type { LabelSheet } from '#core/records'
import AllergensPick from '../../pieces/AllergensPick.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What goes into cuts in the making, said once for the farm: it stands on their labels; what nobody named has none for sale. */
const { read, body } = useReading()
const words = useWords()
const holds = defineModel<LabelSheet['holds']>()
type Named = NonNullable<LabelSheet['holds']>[number]

const rows = computed(() => {
  const { anatomy } = body.value
  return read.value.cuts.flatMap(({ cut }) => {
    const into = putInto(anatomy, cut.id)
    if (into.length === 0) return []
    const named = holds.value?.find((h) => h.species === anatomy.species && h.cut === cut.id)
    return [{ cut: cut.id, name: words.name(cut.names), into: into.join(', '), named }]
  })
})
/** A row with neither words nor what people react to says nothing, and is none. */
function set(cut: string, change: Partial<Pick<Named, 'says' | 'allergens'>>) {
  const { species } = body.value.anatomy
  const of = (h: Named) => h.species === species && h.cut === cut
  const next: Named = {
    ...(holds.value?.find(of) ?? { species, cut, says: '', allergens: [] }),
    ...change,
  }
  const isSaid = next.says.trim() !== '' || next.allergens.length > 0
  holds.value = [...(holds.value ?? []).filter((h) => !of(h)), ...(isSaid ? [next] : [])]
}
</script>

<template>
  <div v-if="rows.length > 0" class="field" data-testid="holds">
    <span class="label">What goes in, and what of it people react to</span>
    <div v-for="r in rows" :key="r.cut" class="of">
      <label :for="`holds-${r.cut}`"><b>{{ r.name }}</b> <span class="muted">{{ r.into }}</span></label>
      <span class="pair">
        <InputText
          :id="`holds-${r.cut}`"
          :model-value="r.named?.says ?? ''"
          maxlength="200"
          placeholder="salt, pepper, sage"
          autocomplete="off"
          @update:model-value="set(r.cut, { says: $event ?? '' })"
        />
        <AllergensPick
          :model-value="r.named?.allergens ?? []"
          none="none of those"
          :label="`What people react to in ${r.name}`"
          @update:model-value="set(r.cut, { allergens: $event })"
        />
      </span>
    </div>
    <small class="muted"
      >Nitrite and curing salt are named too. Until it is said what is in it, a cut has no label for sale; its
      label says so.</small
    >
  </div>
</template>

<style scoped>
.of {
  display: grid;
  gap: 0.2rem;
  margin-bottom: 0.5rem;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 0.6rem;
}
</style>
