<script setup lang="ts">
import { curveCatmullRom, line } from 'd3-shape'
import { computed } from 'vue'
import { drawSide } from '#core/anatomy'
import { slotKey } from '#core/carcass'
import { DESTINATIONS } from '../../theme/destinations.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import LineHandle from './LineHandle.vue'

const {
  side,
  origin,
  mirrored = false,
} = defineProps<{ side: 'left' | 'right'; origin: number; mirrored?: boolean }>()
const emit = defineEmits<{ select: [part: string, side: 'left' | 'right'] }>()
const { read, body, part, sides } = useReading()
const words = useWords()
const SMALLEST_LABEL = 0.03

const x = (value: number) => (mirrored ? origin - value : origin + value)
const closed = (points: [number, number][]) =>
  `M${points.map(([px, py]) => `${x(px).toFixed(1)} ${py.toFixed(1)}`).join('L')}Z`
const curve = line<[number, number]>(
  (p) => x(p[0]),
  (p) => p[1],
).curve(curveCatmullRom)
const drawing = computed(() => drawSide(body.value.anatomy, read.value.setting.lineAt[side]))

const shapes = computed(() => {
  const { anatomy, slotIndex, slots } = body.value
  const { inputs, setting } = read.value
  const whole = inputs.reduce((a, b) => a + b, 0) / 2
  return drawing.value.parts.flatMap((shape) => {
    const slot = slotIndex.get(slotKey(shape.part, side))!
    const kg = inputs.slice(slot * 4, slot * 4 + 4).reduce((a, b) => a + b, 0)
    if (kg <= 0) return []
    const path = anatomy.paths.find((p) => p.id === slots[slot]!.paths[setting.pathOf[slot]!]!.id)!
    const name = words.name(anatomy.parts.find((p) => p.id === shape.part)!.names)
    const chosen = part.value === shape.part && (sides.value === 'both' || sides.value === side)
    return [
      {
        ...shape,
        d: closed(shape.polygon),
        kg,
        path,
        name,
        chosen,
        labelled: chosen || kg / whole >= SMALLEST_LABEL,
      },
    ]
  })
})
</script>

<template>
  <g>
    <path
      :d="`M${x(196)} 10v16a10 10 0 1 ${mirrored ? 0 : 1} ${mirrored ? -10 : 10} 10`"
      fill="none"
      stroke="#241d16"
      stroke-width="4"
    />
    <text class="side" :x="x(190)" y="822" text-anchor="middle">{{
      side === 'left' ? 'Left side' : 'Right side'
    }}</text>
    <path
      v-for="s in shapes"
      :key="s.part"
      :d="s.d"
      :fill="`url(#to-${s.path.destination})`"
      class="part"
      role="button"
      tabindex="0"
      :aria-pressed="s.chosen"
      :aria-label="`${s.name}, ${side} side, ${words.mass(s.kg)}: ${words.name(s.path.names)}`"
      :data-part="s.part"
      @click="emit('select', s.part, side)"
      @keydown.enter="emit('select', s.part, side)"
    >
      <title>
        {{ s.name }}, {{ words.mass(s.kg) }}: {{ words.name(s.path.names) }} ({{
          DESTINATIONS[s.path.destination].word
        }})
      </title>
    </path>
    <path
      v-for="s in shapes.filter((p) => p.chosen || part === p.part)"
      :key="`o${s.part}`"
      :d="s.d"
      class="outline"
      :class="{ other: !s.chosen }"
    />
    <g class="bones" aria-hidden="true">
      <path v-for="r in drawing.ribs" :key="r.rib" :d="curve([r.from, r.bend, r.to])!" />
      <rect
        v-for="([vx, vy], i) in drawing.vertebrae"
        :key="i"
        :x="x(vx) - 7"
        :y="vy - 6"
        width="14"
        height="12"
        rx="3"
      />
      <text
        v-for="r in drawing.ribs"
        :key="`n${r.rib}`"
        :x="x(r.number[0])"
        :y="r.number[1]"
        text-anchor="middle"
        >{{ r.rib }}</text
      >
    </g>
    <g
      v-for="s in shapes.filter((p) => p.labelled)"
      :key="`t${s.part}`"
      class="label"
      aria-hidden="true"
      :transform="`translate(${x(s.label[0])} ${s.label[1]})`"
    >
      <text text-anchor="middle">{{ s.name.split(' (')[0] }}</text>
      <text text-anchor="middle" y="18" class="kg">{{ words.mass(s.kg) }}</text>
    </g>
    <LineHandle
      v-for="l in body.anatomy.lines.filter((x) => x.settings.length > 1)"
      :key="l.id"
      :line="l"
      :side="side"
      :marks="drawing.lines.filter((m) => m.line === l.id)"
      :at="mirrored ? 800 : 0"
      :mirrored="mirrored"
      :x="x"
    />
  </g>
</template>

<style scoped>
.part {
  stroke: #2c241b;
  stroke-width: 1.6;
  cursor: pointer;
  transition: d 0.15s;
}
.part:hover {
  filter: brightness(1.08);
}
.outline {
  fill: none;
  stroke: var(--accent);
  stroke-width: 5;
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
.bones {
  pointer-events: none;
}
.bones path {
  fill: none;
  stroke: #f6efdf;
  stroke-width: 3.4;
  stroke-linecap: round;
  opacity: 0.75;
}
.bones rect {
  fill: #f6efdf;
  stroke: #8a7c68;
  stroke-width: 0.8;
}
.bones text {
  font: 600 12px var(--body);
  fill: #241d16;
  paint-order: stroke;
  stroke: #fdfaf4;
  stroke-width: 3px;
}
.label {
  pointer-events: none;
}
.label text {
  font: 700 18px var(--head);
  fill: #1b150f;
  paint-order: stroke;
  stroke: rgb(253 250 244 / 0.88);
  stroke-width: 5px;
  stroke-linejoin: round;
}
.label .kg {
  font: 600 16px var(--body);
}
.side {
  font: 600 16px var(--body);
  fill: var(--muted);
}
</style>
