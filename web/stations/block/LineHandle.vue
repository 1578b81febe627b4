<script setup lang="ts">
import { computed, ref } from 'vue'
import type { HungSide, Line } from '#core/anatomy'
import type { Decision } from '#core/plan'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** A break line's handle, outside the drawing: it slides between the ribs the schools use, by hand or arrow keys. */
const { line, side, marks, at, mirrored, x } = defineProps<{
  line: Line
  side: 'left' | 'right'
  marks: HungSide['lines']
  at: number
  mirrored: boolean
  x: (value: number) => number
}>()
const { sides, decide } = useReading()
const words = useWords()
const ordered = computed(() => [...marks].sort((a, b) => b.y - a.y))
const now = computed(() => ordered.value.findIndex((m) => m.inForce))
const mark = computed(() => ordered.value[now.value]!)
const handle = ref<SVGGElement | null>(null)
const dragging = ref<number | null>(null)
const shown = computed(() => ordered.value[dragging.value ?? now.value]!)

function take(index: number) {
  const wanted = ordered.value[Math.min(Math.max(index, 0), ordered.value.length - 1)]!
  if (wanted.inForce) return
  const both = sides.value === 'both' ? (['left', 'right'] as const) : ([side] as const)
  decide(...both.map((s): Decision => ({ field: 'line', target: line.id, side: s, value: wanted.setting })))
}
function nearest(event: PointerEvent): number {
  const svg = handle.value!.ownerSVGElement!
  const y = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse()).y
  return ordered.value.reduce(
    (best, m, i) => (Math.abs(m.y - y) < Math.abs(ordered.value[best]!.y - y) ? i : best),
    0,
  )
}
function grab(event: PointerEvent) {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  dragging.value = now.value
}
function drop() {
  if (dragging.value !== null) take(dragging.value)
  dragging.value = null
}
</script>

<template>
  <g>
    <line :x1="x(shown.from - 14)" :x2="x(shown.to + 10)" :y1="shown.y" :y2="shown.y" class="cut" />
    <line
      v-for="m in ordered"
      :key="m.setting"
      :x1="at + (mirrored ? -34 : 34)"
      :x2="x(m.from - 6)"
      :y1="m.y"
      :y2="m.y"
      class="stop"
    />
    <text
      v-for="m in ordered.filter((o) => Math.abs(o.y - shown.y) > 34)"
      :key="`s${m.setting}`"
      :x="at + (mirrored ? -18 : 18)"
      :y="m.y + 5"
      text-anchor="middle"
      class="where"
      >{{ m.setting }}</text
    >
    <g
      ref="handle"
      class="handle"
      role="slider"
      tabindex="0"
      :aria-label="`${words.name(line.names)}, ${side} side`"
      :aria-valuemin="0"
      :aria-valuemax="ordered.length - 1"
      :aria-valuenow="now"
      :aria-valuetext="line.settings.find((s) => s.id === mark.setting)!.school"
      :data-line="`${line.id}:${side}`"
      @keydown.up.prevent.stop="take(now + 1)"
      @keydown.down.prevent.stop="take(now - 1)"
      @pointerdown="grab"
      @pointermove="dragging !== null && (dragging = nearest($event))"
      @pointerup="drop"
      @pointercancel="dragging = null"
    >
      <rect :x="mirrored ? at - 60 : at + 2" :y="shown.y - 29" width="58" height="58" />
      <text :x="mirrored ? at - 31 : at + 31" :y="shown.y - 3" text-anchor="middle">{{ shown.setting }}</text>
      <text :x="mirrored ? at - 31 : at + 31" :y="shown.y + 17" text-anchor="middle" class="small">▲▼</text>
      <title>
        {{ words.name(line.names) }}: {{ line.settings.find((s) => s.id === shown.setting)!.school }}. Drag,
        or arrow up and down.
      </title>
    </g>
  </g>
</template>

<style scoped>
.cut {
  stroke: var(--accent);
  stroke-width: 3;
  pointer-events: none;
}
.stop {
  stroke: var(--muted);
  stroke-width: 1;
  stroke-dasharray: 3 3;
  pointer-events: none;
}
.where {
  font: 600 13px var(--body);
  fill: var(--muted);
  pointer-events: none;
}
.handle {
  cursor: ns-resize;
  touch-action: none;
}
.handle rect {
  fill: var(--sheet);
  stroke: var(--accent);
  stroke-width: 2.5;
}
.handle:focus-visible {
  outline: none;
}
.handle:focus-visible rect {
  stroke-width: 5;
}
.handle text {
  font: 700 20px var(--head);
  fill: var(--accent);
  pointer-events: none;
}
.handle .small {
  font-size: 13px;
}
</style>
