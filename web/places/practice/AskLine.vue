<script setup lang="ts">
import Button from 'primevue/button'
import { curveCatmullRom, line as lineOf } from 'd3-shape'
import { computed, ref } from 'vue'
import { drawHung, linePositions } from '#core/anatomy'
import { kg } from '#core/measure'
import { linesOf, placeBy, placedLine, type Placed } from '#core/practice'
import type { Reckoning } from '#core/reading'
import { useWords } from '../../state/words.ts'

/** A line is placed on an unmarked carcass; the answer says what was off, and what one rib costs. */
const { read, line: id } = defineProps<{ read: Reckoning; line: string }>()
const emit = defineEmits<{ tried: [right: boolean, kg: number]; next: [] }>()
const words = useWords()
const anatomy = computed(() => read.flow.anatomy)
const asked = computed(() => linesOf(anatomy.value).find((l) => l.id === id)!)
const settings = computed(() => asked.value.settings.map((s) => ({ v: s.id, w: s.label })))
const school = ref(asked.value.fallback)
const schoolSays = computed(() => asked.value.settings.find((s) => s.id === school.value)!)
const side = computed(() => {
  const mm = Object.fromEntries(
    anatomy.value.lines.flatMap((l) => (l.kind === 'along' ? [[l.id, l.mm.usual] as const] : [])),
  )
  const hung = drawHung(anatomy.value, { at: linePositions(anatomy.value, () => undefined).at, mm })
  return hung.kind === 'laid' ? null : hung.side
})
const segments = computed(() => anatomy.value.axis.length)
/** It begins in the middle of the axis: nowhere near a line by design. */
const at = ref(Math.round(anatomy.value.axis.length * 2) / 4)
const answer = ref<Placed | null>(null)
const level = (place: number) => side.value?.levels[Math.round(place * 4)]
const here = computed(() => level(at.value))
const lies = computed(() => placeBy(anatomy.value, id, school.value))
const right = computed(() => (answer.value ? level(lies.value) : undefined))
const d = (points: readonly (readonly [number, number])[]) =>
  `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`
const curve = lineOf<[number, number]>().curve(curveCatmullRom)
function point(event: PointerEvent) {
  const svg = event.currentTarget as SVGSVGElement
  if (answer.value || !side.value) return
  const box = svg.getBoundingClientRect()
  const y = ((event.clientY - box.top) / box.height) * 840
  const nearest = side.value.levels.reduce((best, l) => (Math.abs(l.y - y) < Math.abs(best.y - y) ? l : best))
  at.value = nearest.at
}
function check() {
  answer.value = placedLine(read, asked.value, at.value, school.value)
  emit('tried', answer.value.right, Math.abs(answer.value.kg))
}
/** Behind the ribs vertebrae are counted. */
const counted = computed(() =>
  anatomy.value.axis[Math.round(lies.value) - 1]?.rib
    ? (['rib', 'ribs'] as const)
    : (['vertebra', 'vertebrae'] as const),
)
const ribs = (n: number) => `${Math.abs(n)} ${counted.value[Math.abs(n) === 1 ? 0 : 1]}`
const mass = (x: number) => words.mass(kg(Math.abs(x)))
</script>

<template>
  <div class="two">
    <svg
      viewBox="0 0 400 840"
      class="carcass"
      role="img"
      :aria-label="`A half ${words.name(anatomy.names).toLowerCase()}, no line on it`"
      @pointerdown="point"
    >
      <path v-for="(s, i) in side?.parts ?? []" :key="i" :d="d(s.polygon)" class="meat" />
      <path
        v-for="r in side?.ribs ?? []"
        :key="`r${r.rib}`"
        :d="curve([r.from, r.bend, r.to])!"
        class="bone"
      />
      <circle
        v-for="(v, i) in side?.vertebrae ?? []"
        :key="`v${i}`"
        :cx="v[0]"
        :cy="v[1]"
        r="5"
        class="bone"
      />
      <line
        v-if="right"
        :x1="right.from - 6"
        :x2="right.to + 6"
        :y1="right.y"
        :y2="right.y"
        class="right"
        data-testid="school-line"
      />
      <line v-if="here" :x1="here.from - 14" :x2="here.to + 14" :y1="here.y" :y2="here.y" class="mine" />
    </svg>
    <section class="stack">
      <h2>Where does the {{ words.name(asked.names).toLowerCase() }} go?</h2>
      <div v-if="settings.length > 1" class="row" role="radiogroup" aria-label="By which school">
        <span class="muted">By which school:</span>
        <Button
          v-for="s in settings"
          :key="s.v"
          size="small"
          :outlined="school !== s.v"
          :label="s.w"
          role="radio"
          :aria-checked="school === s.v"
          :disabled="answer !== null"
          @click="school = s.v"
        />
      </div>
      <label class="field">
        <span class="label"
          >Press on the carcass, or move it with the arrow keys: a quarter of a rib or vertebra each</span
        >
        <input
          v-model.number="at"
          type="range"
          min="0"
          :max="segments"
          step="0.25"
          :disabled="answer !== null"
          aria-label="Place of the line along the back, from the head end"
        />
      </label>
      <div class="row">
        <Button v-if="!answer" label="Cut here" icon="pi pi-check" @click="check" />
        <Button v-else label="Next" icon="pi pi-arrow-right" @click="emit('next')" />
      </div>
      <div v-if="answer" class="answer" role="status" data-testid="answer">
        <p :class="answer.right ? 'good' : 'bad'">
          <b v-if="answer.off === 0">Right on it.</b>
          <b v-else-if="answer.right">Right, within half a {{ counted[0] }}.</b>
          <b v-else>{{ ribs(answer.off) }} too far {{ answer.off > 0 ? 'back' : 'forward' }}.</b>
          It lies {{ schoolSays.school }}.
        </p>
        <p v-if="answer.off !== 0">
          That moves {{ mass(answer.kg) }} to the part {{ answer.kg > 0 ? 'ahead' : 'behind' }}, and
          {{ words.moneyChange(answer.money) }} at the farm’s prices.
        </p>
        <p class="muted">
          One {{ counted[0] }} here is {{ mass(answer.perSegment.kg) }} and
          {{ words.moneyChange(answer.perSegment.money) }}, of a
          {{ words.name(anatomy.names).toLowerCase() }} of {{ words.mass(kg(anatomy.referenceKg)) }}.
        </p>
      </div>
    </section>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 300px) minmax(0, 1fr);
  gap: 1.5rem;
}
.carcass {
  width: 100%;
  cursor: crosshair;
  touch-action: none;
}
.meat {
  fill: #f0dcd0;
  stroke: #f0dcd0;
  stroke-width: 2;
}
.bone {
  fill: none;
  stroke: #8b7b68;
  stroke-width: 2;
}
.mine {
  stroke: var(--ink);
  stroke-width: 5;
  stroke-dasharray: 12 6;
}
.right {
  stroke: var(--covered);
  stroke-width: 6;
}
.answer {
  border-left: 4px solid var(--ink);
  padding: 0.3rem 0.8rem;
  display: grid;
  gap: 0.35rem;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
