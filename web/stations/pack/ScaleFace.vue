<script setup lang="ts">
import Button from 'primevue/button'
import { computed, ref } from 'vue'
import { fromKg } from '#core/measure'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useInstruments } from '../../state/instruments.ts'
import { useWords } from '../../state/words.ts'

/** What the scale shows, live: large enough for two metres, and whether it stands still. */
const words = useWords()
const { state, shown, hasScale, tare, zero } = useInstruments()
const issues = ref<FieldIssue[]>([])
const figure = computed(() => {
  const s = shown.value
  if (!s) return '—'
  return fromKg(s.kg, s.unit).toFixed(s.digits).replace('-', '−')
})
const says = computed(() => {
  const s = shown.value
  if (!s) return { icon: 'pi-times-circle', word: 'The scale does not answer', of: 'gone' }
  if (s.overload) return { icon: 'pi-exclamation-triangle', word: 'Too much for this scale', of: 'over' }
  return s.stable
    ? { icon: 'pi-check-circle', word: 'stands still', of: 'still' }
    : { icon: 'pi-sync', word: 'still moving', of: 'moving' }
})
const told = async (how: () => Promise<FieldIssue[]>) => (issues.value = await how())
</script>

<template>
  <section v-if="hasScale" class="face" :class="says.of" aria-label="Scale" data-testid="scale">
    <p class="reading"><b>{{ figure }}</b> <span>{{ shown?.unit ?? words.unit.value }}</span></p>
    <p class="state" role="status">
      <i class="pi" :class="says.icon" aria-hidden="true" /> {{ says.word
      }}<template v-if="shown && shown.tare !== 0"
        >, less {{ fromKg(shown.tare, shown.unit).toFixed(shown.digits) }} {{ shown.unit }} tare</template
      ><template v-if="state?.scale.kind === 'stand-in'"> · simulated</template>
    </p>
    <div class="row">
      <Button outlined size="small" label="Tare" :disabled="!shown?.stable" @click="told(tare)" />
      <Button outlined size="small" label="Zero" :disabled="!shown?.stable" @click="told(zero)" />
    </div>
    <FieldIssues :issues="issues" />
  </section>
</template>

<style scoped>
.face {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 0.1rem 0.75rem;
  padding: 0.35rem 0.8rem 0.5rem;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-top-width: 8px;
}
.reading {
  font: 700 1.4rem var(--head);
  white-space: nowrap;
}
.reading b {
  font-size: clamp(2.6rem, 9vw, 84px);
  line-height: 1;
}
.state {
  grid-column: 1;
  font-weight: 600;
}
.row {
  grid-column: 2;
  grid-row: 1 / span 2;
  flex-direction: column;
}
.row :deep(button) {
  min-height: 44px;
  min-width: 72px;
}
.moving .reading,
.gone .reading {
  color: var(--muted);
}
.still .state {
  color: var(--covered);
}
.over .state,
.gone .state {
  color: var(--caution);
}
</style>
