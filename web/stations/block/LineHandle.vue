<script setup lang="ts">
import { computed, ref } from 'vue'
import type { CrossLine, LineMark } from '#core/anatomy'
import { moveLine } from '#core/plan'
import { HALVES, type Decision } from '#core/records'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** A break line's handle, outside the drawing: it slides between the places the schools use, by hand or arrow keys. */
const { line, side, marks, setting, handleY, edgeOf, x } = defineProps<{
  line: CrossLine
  side: 'left' | 'right'
  marks: LineMark[]
  setting: string
  handleY: number
  edgeOf: (mark: LineMark) => number
  x: (value: number) => number
}>()
const emit = defineEmits<{ ask: [event: Event] }>()
const { sides, decide, preview, body, central } = useReading()
const plan = computed(() => central.value.plan)
const words = useWords()
const ordered = computed(() => [...marks].sort((a, b) => b.y - a.y))
const now = computed(() => ordered.value.findIndex((m) => m.setting === setting))
const handle = ref<SVGGElement | null>(null)
const dragging = ref<number | null>(null)
const shown = computed(() => ordered.value[dragging.value ?? now.value]!)
const y = computed(() => (dragging.value === null ? handleY : shown.value.y))
const middle = computed(() => (side === 'left' ? 0 : 800))
const inner = computed(() => (side === 'left' ? 46 : 754))
const says = (id: string) => line.settings.find((s) => s.id === id)!
/** A place that is no rib is said so that it stays true for every reader. */
const LABELS: Record<string, string> = { on: 'stays on', off: 'cut off' }
const short = computed(() => words.name(line.names).replace(/ line$/, ''))

function take(index: number) {
  const wanted = ordered.value[Math.min(Math.max(index, 0), ordered.value.length - 1)]!
  if (wanted.setting !== setting) decide(...decisions(wanted.setting))
}
const decisions = (value: string): Decision[] =>
  moveLine(body.value.anatomy, plan.value, 'line', line.id, sides.value === 'both' ? HALVES : [side], value)
/** Where it was when it was taken hold of: while it moves the plan shows it where it is. */
const held = ref(0)
function nearest(event: PointerEvent): number {
  const svg = handle.value!.ownerSVGElement!
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse()).y
  return ordered.value.reduce(
    (best, m, i) => (Math.abs(m.y - at) < Math.abs(ordered.value[best]!.y - at) ? i : best),
    0,
  )
}
function grab(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging.value = held.value = now.value
}
function move(event: PointerEvent) {
  if (dragging.value === null) return
  const at = nearest(event)
  if (at === dragging.value) return
  dragging.value = at
  preview.value = at === held.value ? [] : decisions(ordered.value[at]!.setting)
}
function drop(event: Event) {
  const at = dragging.value
  dragging.value = null
  preview.value = []
  // A press that moved nothing asks where the line could lie.
  if (at !== null && at === held.value) emit('ask', event)
  if (at !== null && at !== held.value) decide(...decisions(ordered.value[at]!.setting))
}
function letGo() {
  dragging.value = null
  preview.value = []
}
</script>

<template>
  <g>
    <line :x1="x(shown.from)" :x2="x(shown.to)" :y1="shown.y" :y2="shown.y" class="cut" />
    <path :d="`M${inner} ${y}L${x(edgeOf(shown))} ${shown.y}`" class="lead" />
    <circle
      v-for="m in ordered.filter((o) => o.setting !== shown.setting)"
      :key="m.setting"
      :cx="x(edgeOf(m))"
      :cy="m.y"
      r="4"
      class="stop"
    />
    <g
      ref="handle"
      class="handle"
      role="slider"
      tabindex="-1"
      aria-haspopup="dialog"
      :aria-label="`${words.name(line.names)}, ${side} side`"
      :aria-valuemin="0"
      :aria-valuemax="ordered.length - 1"
      :aria-valuenow="now"
      :aria-valuetext="says(setting).school"
      :data-line="`${line.id}:${side}`"
      @keydown.up.prevent.stop="take(now + 1)"
      @keydown.down.prevent.stop="take(now - 1)"
      @keydown.enter.prevent.stop="emit('ask', $event)"
      @pointerdown="grab"
      @pointermove="move"
      @pointerup="drop"
      @pointercancel="letGo"
    >
      <rect :x="middle - 46" :y="y - 46" width="92" height="92" />
      <text
        :x="middle"
        :y="y + 4"
        text-anchor="middle"
        :class="{ long: (LABELS[says(shown.setting).label] ?? says(shown.setting).label).length > 4 }"
        >{{ LABELS[says(shown.setting).label] ?? says(shown.setting).label }}</text
      >
      <text :x="middle" :y="y + 28" text-anchor="middle" class="small">{{ short }}</text>
      <title>
        {{ words.name(line.names) }}: {{ says(shown.setting).school }}. Press for its places; drag, or arrow
        up and down.
      </title>
    </g>
  </g>
</template>

<style scoped src="./handle.css"></style>
<style scoped>
.cut {
  stroke: var(--accent);
  stroke-width: 3;
  pointer-events: none;
}
.lead {
  stroke: var(--accent);
  stroke-width: 1.3;
  fill: none;
  pointer-events: none;
}
.stop {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 1.4;
  pointer-events: none;
}
.handle {
  cursor: ns-resize;
}
.handle .long {
  font-size: 21px;
}
</style>
