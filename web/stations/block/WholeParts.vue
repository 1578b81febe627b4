<script setup lang="ts">
import { computed } from 'vue'
import { lookup } from '#core/anatomy'
import { loneParts } from '#core/reading'
import DestinationMark from '../../pieces/DestinationMark.vue'
import { vRoving } from '../../pieces/roving.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What there is one of, on a line of its own: offal kept or left, and the trim, fat and bones of both sides together. */
const emit = defineEmits<{ select: [part: string] }>()
const { central: read, body, part } = useReading()
const words = useWords()
const parts = computed(() =>
  loneParts(read.value).map((slot) => ({
    ...lookup(body.value.anatomy).part(slot.part)!,
    way: slot.path,
    kg: slot.kg,
  })),
)
</script>

<template>
  <div v-if="parts.length > 0" v-roving class="one" role="group" aria-label="Of the whole animal">
    <button
      v-for="p in parts"
      :key="p.id"
      type="button"
      :class="{ chosen: part === p.id, left: p.way.leaves }"
      :aria-pressed="part === p.id"
      :title="words.name(p.way.names)"
      :data-part="p.id"
      @click="emit('select', p.id)"
    >
      <DestinationMark v-if="!p.way.leaves" :to="p.way.destination" />
      {{ words.name(p.names).split(':')[0] }}
      <small>{{ p.way.leaves ? 'not kept' : words.mass(p.kg) }}</small>
    </button>
  </div>
</template>

<style scoped>
.one {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem;
  padding: 0.3rem 0.5rem 0.5rem;
  border-top: 1px solid var(--rule);
}
button {
  display: inline-flex;
  align-items: center;
  gap: 0.3rem;
  font: 600 0.9rem var(--body);
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 0.2rem 0.45rem;
  min-height: 30px;
  cursor: pointer;
}
.left {
  color: var(--muted);
  border-style: dashed;
}
.chosen {
  outline: 3px solid var(--accent);
  outline-offset: -2px;
}
small {
  font-weight: 400;
}
</style>
