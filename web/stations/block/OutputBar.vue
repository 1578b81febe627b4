<script setup lang="ts">
import { computed } from 'vue'
import type { Destination } from '#core/anatomy'
import type { Output } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { DESTINATIONS } from '../../theme/destinations.ts'

/** What comes of the part this way, drawn to scale: each piece in the colour of what it becomes. */
const { outputs } = defineProps<{ outputs: Output[] }>()
const { body, central: read } = useReading()
const words = useWords()
const total = computed(() => outputs.reduce((s, o) => s + o.kg, 0))

/** Where a part that is opened in its turn goes: by the way it is planned. */
function destinationOf(part: string): Destination {
  const { cutting } = read.value
  return (cutting.slot(part, 'left') ?? cutting.slot(part, 'animal'))!.path.destination
}
const bars = computed(() =>
  outputs.map((o) => {
    const { anatomy } = body.value
    const names = o.cut
      ? anatomy.cuts.find((c) => c.id === o.cut)!.names
      : anatomy.parts.find((p) => p.id === o.part)!.names
    const to = o.cut ? anatomy.cuts.find((c) => c.id === o.cut)!.destination : destinationOf(o.part!)
    return { key: o.cut ?? `> ${o.part}`, name: words.name(names), kg: o.kg, to }
  }),
)
const spoken = computed(() => bars.value.map((b) => `${b.name} ${words.mass(b.kg)}`).join(', '))
</script>

<template>
  <span class="bar" role="img" :aria-label="spoken" :title="spoken">
    <span
      v-for="b in bars"
      :key="b.key"
      :style="{ width: `${(100 * b.kg) / total}%`, background: DESTINATIONS[b.to].fill }"
    />
  </span>
</template>

<style scoped>
.bar {
  display: flex;
  height: 9px;
  margin: 0.2rem 0 0.1rem 1.75rem;
  border: 1px solid var(--rule-strong);
  max-width: 15rem;
}
.bar span {
  border-right: 1px solid var(--sheet);
}
</style>
