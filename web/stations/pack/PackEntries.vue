<script setup lang="ts">
import { counted } from '#core/measure'
import Button from 'primevue/button'
import { computed } from 'vue'
import type { PackRow } from '#core/reading'
import { inForce } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Everything weighed at the bench, newest first; a corrected entry is struck through, never lost. */
const emit = defineEmits<{ correct: [id: string] }>()
const { body, state } = useReading()
const words = useWords()
const standing = computed(() => new Set(inForce(state.value!.packs).map((p) => p.id)))
const rows = computed(() => [...state.value!.packs].reverse())
const name = (id: string) => {
  const cut = body.value.anatomy.cuts.find((c) => c.id === id)
  return cut ? words.name(cut.names) : id
}
/** "#12" or "#12–20": what its labels bear. */
const sayNumbers = ({ number, packs }: PackRow) =>
  number === null ? '' : `#${number}${packs > 1 ? `–${number + packs - 1}` : ''}`
</script>

<template>
  <section v-if="rows.length > 0">
    <div class="pane-head">
      <h3>On record</h3>
      <span class="muted">{{ counted(rows.length, 'entry', 'entries') }}</span>
    </div>
    <div class="scroll">
      <table class="plain">
        <tbody>
          <tr v-for="p in rows" :key="p.id" :class="{ gone: !standing.has(p.id) }">
            <td>
              {{ name(p.cut) }}
              <small v-if="p.number" class="muted nowrap">{{ sayNumbers(p) }}</small>
              <small v-else-if="p.at === ''" class="muted">on its way</small>
            </td>
            <td class="right figure nowrap">{{ p.shown.value }} {{ p.shown.unit }}</td>
            <td class="right nowrap">{{ counted(p.packs, 'pack') }}</td>
            <td class="right">
              <Button
                v-if="standing.has(p.id)"
                text
                size="small"
                label="Correct"
                :aria-label="`Correct ${name(p.cut)} ${p.shown.value} ${p.shown.unit}`"
                @click="emit('correct', p.id)"
              /><span v-else class="muted">{{ p.stands ? 'corrected' : 'withdrawal' }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
  <p v-else class="muted">
    Nothing weighed yet. Bones and fat can be weighed too: then nothing is left to guess.
  </p>
</template>

<style scoped>
td {
  padding: 0.1rem 0.4rem !important;
}
.gone {
  color: var(--muted);
}
.gone .figure {
  text-decoration: line-through;
}
</style>
