<script setup lang="ts">
import { curveCatmullRom, line } from 'd3-shape'
import { computed } from 'vue'
import type { CrossLine, HungSide, Line, LineMark } from '#core/anatomy'
import { isMovable } from '#core/plan'
import { vRoving } from '../../pieces/roving.ts'
import { useReading } from '../../state/lot.ts'
import LineHandle from './LineHandle.vue'
import LongHandle from './LongHandle.vue'
import PartShapes from './PartShapes.vue'

/** One side of a hung carcass. Split sides turn their backs outward; unsplit, both backs meet in the middle. */
const { side, drawing, whole } = defineProps<{ side: 'left' | 'right'; drawing: HungSide; whole: boolean }>()
const emit = defineEmits<{
  select: [part: string, side: 'left' | 'right']
  ask: [event: Event, line: Line, side: 'left' | 'right']
}>()
const { central: read, body, sides, hangs } = useReading()
const movable = (l: Line) => isMovable(body.value.anatomy, hangs.value, l.id)
/** Lines of both sides move together: one side's tags are the stop. */
const stops = computed(() => side !== 'right' || sides.value === 'right')

const toRight = computed(() => (side === 'left') !== whole)
const origin = computed(() => (whole ? 400 : side === 'left' ? 20 : 780))
const x = (value: number) => (toRight.value ? origin.value + value : origin.value - value)
const curve = line<[number, number]>(
  (p) => x(p[0]),
  (p) => p[1],
).curve(curveCatmullRom)

const HANDLE = 96
/** Handles in order down the edge, pushed apart where lines lie close together. */
const handles = computed(() => {
  const across = body.value.anatomy.lines.filter(
    (l): l is CrossLine => l.kind === 'across' && l.settings.length > 1 && movable(l),
  )
  const placed = across
    .map((l) => {
      const marks = drawing.marks.filter((m) => m.line === l.id)
      const setting = read.value.plan.choices.lines.get(l.id, side) ?? l.fallback
      return { line: l, marks, setting, y: marks.find((m) => m.setting === setting)!.y }
    })
    .sort((a, b) => a.y - b.y)
  const ys: number[] = []
  placed.forEach((h) => ys.push(Math.max(h.y, (ys.at(-1) ?? 0) + HANDLE)))
  for (let i = ys.length - 1; i >= 0; i--) ys[i] = Math.min(ys[i]!, (ys[i + 1] ?? 880) - HANDLE)
  return placed.map((h, i) => ({ ...h, handleY: ys[i]! }))
})
const long = computed(() =>
  body.value.anatomy.lines.flatMap((l) =>
    l.kind === 'along' && movable(l)
      ? [{ line: l, path: drawing.along.find((a) => a.line === l.id)!.path }]
      : [],
  ),
)
const edgeOf = (m: LineMark) => (whole ? m.to + 8 : m.from - 8)
</script>

<template>
  <g>
    <path
      v-if="!whole && hangs.as !== 'part'"
      :d="`M${x(196)} 10v16a10 10 0 1 ${toRight ? 1 : 0} ${toRight ? 10 : -10} 10`"
      class="hook"
    />
    <text v-if="hangs.as !== 'part'" class="side" :x="x(whole ? 150 : 190)" y="826" text-anchor="middle">{{
      `${side === 'left' ? 'Left side' : 'Right side'}, ${whole ? 'from behind' : 'inside'}`
    }}</text>
    <PartShapes
      :shapes="drawing.parts"
      :side="side"
      :x="x"
      :whole="whole"
      @select="emit('select', $event, side)"
    >
      <g v-if="hangs.as !== 'part'" class="bones" aria-hidden="true">
        <template v-if="!whole">
          <path v-for="(seam, i) in drawing.seams" :key="`s${i}`" :d="curve(seam)!" class="seam" />
        </template>
        <path v-for="r in drawing.ribs" :key="r.rib" :d="curve([r.from, r.bend, r.to])!" />
        <template v-if="!whole">
          <rect
            v-for="([vx, vy], i) in drawing.vertebrae"
            :key="i"
            :x="x(vx) - 7"
            :y="vy - 6"
            width="14"
            height="12"
            rx="3"
          />
        </template>
        <text
          v-for="r in drawing.ribs"
          :key="`n${r.rib}`"
          :x="x(r.number[0] + (whole ? 12 : 0))"
          :y="r.number[1]"
          text-anchor="middle"
          >{{ r.rib }}</text
        >
      </g>
    </PartShapes>
    <g v-roving="stops ? 'pages' : 'none'">
      <LongHandle
        v-for="(l, i) in long"
        :key="l.line.id"
        :line="l.line"
        :side="side"
        :path="l.path"
        :at="(side === 'left' ? 60 : 430) + i * 160"
        :px-per-mm="drawing.pxPerMm"
        :x="x"
        @ask="emit('ask', $event, l.line, side)"
      />
      <LineHandle
        v-for="h in handles"
        :key="h.line.id"
        :line="h.line"
        :side="side"
        :marks="h.marks"
        :setting="h.setting"
        :handle-y="h.handleY"
        :edge-of="edgeOf"
        :x="x"
        @ask="emit('ask', $event, h.line, side)"
      />
    </g>
  </g>
</template>

<style scoped>
.hook {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
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
.bones .seam {
  stroke: #241d16;
  stroke-width: 1.6;
  stroke-dasharray: 3 7;
  opacity: 0.5;
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
.side {
  font: 600 16px var(--body);
  fill: var(--muted);
}
</style>
