<script setup lang="ts">
import { computed } from 'vue'
import type { PartShape, SideName } from '#core/anatomy'
import { kg } from '#core/measure'
import { fromInside, offered } from '#core/reading'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { apart } from './labels.ts'

/** Drawn parts: coloured by what they become, named by weight, pressed to decide on them. The slot lies under the names. */
const { shapes, side, x, laid, whole } = defineProps<{
  shapes: PartShape[]
  side: SideName
  x: (value: number) => number
  /** A bird on its back: drawn in a smaller box. */
  laid?: boolean
  /** Both halves meet in the middle: what is alike on both is named on one. */
  whole?: boolean
}>()
const emit = defineEmits<{ select: [part: string] }>()
const { central: read, body, part, sides, halves } = useReading()
const words = useWords()
const SMALLEST_LABEL = 0.03

/** The part in hand is one stop for the Tab key, on one of the sides that show it. */
const stops = computed(() => side !== 'right' || sides.value === 'right')
const closed = (points: PartShape['polygon'], at: (value: number) => number) =>
  `M${points.map(([px, py]) => `${at(px).toFixed(1)} ${py.toFixed(1)}`).join('L')}Z`

const drawn = computed(() => {
  const { anatomy } = body.value
  const { cutting, weights } = read.value
  const all = (weights?.aged ?? kg(0)) / (side === 'animal' ? 1 : 2)
  const selected = fromInside(anatomy, part.value)
  return shapes.flatMap((shape) => {
    const id =
      shape.parts.find((p) => cutting.partKg(p, side) > 1e-9) ??
      shape.parts.find((p) => cutting.slot(p, side) && offered(read.value, p))
    const slot = id === undefined ? null : cutting.slot(id, side)
    if (!id || !slot) return []
    const way = slot.path
    const other = side === 'animal' ? null : cutting.slot(id, side === 'left' ? 'right' : 'left')
    const on = shape.parts.includes(part.value) || selected.includes(id)
    const chosen = on && (side === 'animal' || sides.value === 'both' || sides.value === side)
    const d = closed(shape.polygon, x) + (shape.both ? closed(shape.polygon, (v) => 400 - v) : '')
    return [
      {
        id,
        d,
        kg: slot.kg,
        way,
        on,
        chosen,
        label: shape.label,
        differs: halves.value.length === 2 && other !== null && other.path !== way,
        name: words.name(anatomy.parts.find((p) => p.id === id)!.names),
        labelled: chosen || slot.kg / all >= SMALLEST_LABEL,
      },
    ]
  })
})
const labels = computed(() => {
  const seen = new Set<string>()
  const all = drawn.value
    .filter((s) => !(whole && side === 'right' && !s.differs) || sides.value === 'right')
    .filter((s) => s.labelled && !seen.has(s.id) && seen.add(s.id))
    .map((s) => ({
      ...s,
      words: [
        `${s.name.split(/ \(|,| and /)[0]}${s.differs ? ' ≠' : ''}`,
        `${s.way.destination} · ${words.mass(s.kg)}`,
      ] as const,
    }))
  return apart(all, laid ? 10 : 18)
})
const where = side === 'animal' ? '' : `, ${side} side`
</script>

<template>
  <path
    v-for="(s, i) in drawn"
    :key="i"
    :d="s.d"
    :fill="`url(#to-${s.way.destination})`"
    class="part"
    :class="{ left: s.way.leaves }"
    role="button"
    :tabindex="s.chosen && stops ? 0 : -1"
    :aria-pressed="s.chosen"
    :aria-label="`${s.name}${where}, ${words.mass(s.kg)}: ${words.name(s.way.names)}`"
    :data-part="s.id"
    @click="emit('select', s.id)"
    @keydown.enter="emit('select', s.id)"
  >
    <title>
      {{ s.name }}, {{ words.mass(s.kg) }}: {{ words.name(s.way.names) }} ({{
        DESTINATIONS[s.way.destination].word
      }})
    </title>
  </path>
  <path
    v-for="(s, i) in drawn.filter((p) => p.on)"
    :key="`o${i}`"
    :d="s.d"
    class="outline"
    :class="{ other: !s.chosen }"
  />
  <slot />
  <g
    v-for="s in labels"
    :key="`t${s.id}`"
    class="label"
    aria-hidden="true"
    :transform="`translate(${x(s.label[0])} ${s.label[1]})`"
  >
    <text text-anchor="middle">{{ s.words[0] }}</text>
    <text text-anchor="middle" dy="1em" class="kg">{{ s.words[1] }}</text>
  </g>
</template>

<style scoped>
.part {
  stroke: #2c241b;
  stroke-width: calc(var(--label, 18px) * 0.09);
  cursor: pointer;
  transition: d 0.15s;
}
.left {
  opacity: 0.35;
}
.part:hover {
  filter: brightness(1.08);
}
.outline {
  fill: none;
  stroke: var(--accent);
  stroke-width: calc(var(--label, 18px) * 0.26);
  pointer-events: none;
}
.outline.other {
  stroke-width: 2.5;
  stroke-dasharray: 7 4;
}
.part:focus-visible {
  outline: none;
  stroke: #000;
  stroke-width: 5;
  stroke-dasharray: 9 4;
}
.label {
  pointer-events: none;
}
.label text {
  font: 700 var(--label, 18px) var(--head);
  fill: #1b150f;
  paint-order: stroke;
  stroke: rgb(253 250 244 / 0.88);
  stroke-width: calc(var(--label, 18px) * 0.28);
  stroke-linejoin: round;
}
.label .kg {
  font: 600 calc(var(--label, 18px) * 0.9) var(--body);
}
</style>
