<script setup lang="ts">
import { counted } from '#core/measure'
import { computed } from 'vue'
import { leftOf } from '#core/hand'
import type { CutFigure } from '#core/reading'
import { useWords } from '../../state/words.ts'

/** The cut that is weighed, and what of it is left, to be read at two metres. */
const { cut } = defineProps<{ cut: CutFigure }>()
const words = useWords()
const left = computed(() => leftOf(cut))
</script>

<template>
  <section class="at-hand" aria-label="At hand" data-testid="at-hand">
    <p class="huge">{{ words.name(cut.cut.names) }}</p>
    <p class="left">
      <template v-if="left.packs > 0"
        >{{ counted(left.packs, 'pack')
        }}<template v-if="left.pieces > 0">, {{ counted(left.pieces, 'piece') }}</template> left</template
      ><template v-else>all of its packs are weighed</template>
    </p>
  </section>
</template>

<style scoped>
.at-hand {
  border: 4px solid #000;
  padding: 0.6rem 1rem;
}
.huge {
  font: 700 clamp(40px, 7vw, 84px) / 1.05 var(--head);
  margin: 0;
}
.left {
  font-size: 1.9rem;
  font-weight: 600;
  margin: 0.2rem 0 0;
}
</style>
