<script setup lang="ts">
import { computed, ref } from 'vue'
import type { LongLine, Point } from '#core/anatomy'
import { mm as millimetres } from '#core/measure'
import { moveLine } from '#core/plan'
import { HALVES, type Decision } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** A long line's handle, below the drawing: so many mm from the eye, by hand or arrow keys. */
const { line, side, path, at, pxPerMm, x } = defineProps<{
  line: LongLine
  side: 'left' | 'right'
  path: Point[]
  at: number
  pxPerMm: number
  x: (value: number) => number
}>()
const emit = defineEmits<{ ask: [event: Event] }>()
const { central: read, sides, decide, preview } = useReading()
const words = useWords()
const WIDTH = 150
const mm = computed(() => read.value.plan.choices.mm.get(line.id, side) ?? line.mm.usual)
const handle = ref<SVGGElement | null>(null)
const start = ref<{ x: number; mm: number } | null>(null)
const dragged = ref<number | null>(null)
const shown = computed(() => dragged.value ?? mm.value)
const outward = computed(() => Math.sign(x(1) - x(0)))
const drawn = computed(() => `M${path.map(([px, py]) => `${x(px).toFixed(1)} ${py.toFixed(1)}`).join('L')}`)
const short = computed(() => words.name(line.names).replace(/ line$/, ''))

const onStep = (value: number) =>
  Math.min(line.mm.high, Math.max(line.mm.low, Math.round(value / line.mm.step) * line.mm.step))
function take(value: number) {
  const wanted = onStep(value)
  if (wanted !== mm.value) decide(...decisions(wanted))
}
const decisions = (value: number): Decision[] =>
  moveLine(
    read.value.flow.anatomy,
    read.value.plan,
    'mm',
    line.id,
    sides.value === 'both' ? HALVES : [side],
    millimetres(value),
  )
const along = (event: PointerEvent) =>
  new DOMPoint(event.clientX, event.clientY).matrixTransform(
    handle.value!.ownerSVGElement!.getScreenCTM()!.inverse(),
  ).x
function grab(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  start.value = { x: along(event), mm: mm.value }
}
function move(event: PointerEvent) {
  if (!start.value) return
  const px = (along(event) - start.value.x) * outward.value
  const to = onStep(start.value.mm + px / pxPerMm)
  if (to === dragged.value) return
  dragged.value = to
  preview.value = to === start.value.mm ? [] : decisions(to)
}
function drop(event: Event) {
  const [from, to] = [start.value?.mm, dragged.value]
  letGo()
  if (from !== undefined && (to === null || to === from)) emit('ask', event)
  if (to !== null && to !== from) decide(...decisions(to))
}
function letGo() {
  start.value = dragged.value = null
  preview.value = []
}
</script>

<template>
  <g>
    <path :d="drawn" class="line" />
    <g
      ref="handle"
      class="handle"
      role="slider"
      tabindex="-1"
      aria-haspopup="dialog"
      :aria-label="`${words.name(line.names)}, ${side} side`"
      :aria-valuemin="line.mm.low"
      :aria-valuemax="line.mm.high"
      :aria-valuenow="mm"
      :aria-valuetext="`${mm} mm from the eye`"
      :data-line="`${line.id}:${side}`"
      @keydown.right.prevent.stop="take(mm + outward * line.mm.step)"
      @keydown.left.prevent.stop="take(mm - outward * line.mm.step)"
      @keydown.enter.prevent.stop="emit('ask', $event)"
      @keydown.up.prevent.stop="take(mm + line.mm.step)"
      @keydown.down.prevent.stop="take(mm - line.mm.step)"
      @pointerdown="grab"
      @pointermove="move"
      @pointerup="drop"
      @pointercancel="letGo"
    >
      <rect :x="at" y="834" :width="WIDTH" height="92" />
      <text :x="at + WIDTH / 2" y="878" text-anchor="middle">{{ shown }} mm</text>
      <text :x="at + WIDTH / 2" y="906" text-anchor="middle" class="small">◀ {{ short }} ▶</text>
      <title>{{ words.name(line.names) }}: {{ line.says }}. Press for its places; drag, or arrow keys.</title>
    </g>
  </g>
</template>

<style scoped src="./handle.css"></style>
<style scoped>
.line {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.6;
  stroke-dasharray: 8 5;
  pointer-events: none;
}
.handle {
  cursor: ew-resize;
}
</style>
