<script setup lang="ts">
import { computed } from 'vue'
import { inForce, WEIGHED_WORDS } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useToday } from '../../state/today.ts'
import { BASIS_WORDS, SOURCE_WORDS } from './weighingWords.ts'

/** Every weight ever entered: a corrected one is struck through, never lost. */
const { state } = useReading()
const { dayOf } = useToday()
const standing = computed(() => new Set(inForce(state.value!.weighings).map((w) => w.id)))
const rows = computed(() => [...state.value!.weighings].reverse())
const when = (at: string) => new Date(at).toLocaleString('en', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <table class="plain">
    <thead>
      <tr>
        <th>Stage</th>
        <th class="right">Weight</th>
        <th>Known by</th>
        <th>On</th>
        <th>Entered</th>
        <td />
      </tr>
    </thead>
    <tbody>
      <tr v-for="w in rows" :key="w.id" :class="{ gone: !standing.has(w.id) }">
        <td>{{ WEIGHED_WORDS[w.stage] }}</td>
        <td class="right figure">{{ w.shown.value }} {{ w.shown.unit }}</td>
        <td>{{ SOURCE_WORDS[w.source] }}<template v-if="w.basis">, {{ BASIS_WORDS[w.basis] }}</template></td>
        <td>{{ w.day ?? (w.at ? dayOf(new Date(w.at)) : '') }}</td>
        <td>{{ w.at ? when(w.at) : 'held here' }}</td>
        <td>
          {{
            !w.stands ? 'withdrawal' : !standing.has(w.id) ? 'corrected' : w.corrects ? 'a correction' : ''
          }}
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.gone {
  color: var(--muted);
}
.gone .figure {
  text-decoration: line-through;
}
</style>
