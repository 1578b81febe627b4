<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { drawFace, type FacePiece } from '#core/carcass'
import { faceOfPart } from '#core/reading'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The face of the cut: what the saw shows across the part in hand, to scale, at any place along it. */
const { central, part, sides, body } = useReading()
const words = useWords()
const share = ref(50)
watch(part, () => (share.value = 50))
const side = computed(() => (sides.value === 'right' ? 'right' : 'left'))
const shown = computed(() => faceOfPart(central.value, part.value, side.value, share.value / 100))
const drawing = computed(() => (shown.value ? drawFace(shown.value.face) : null))
const FILL: Record<FacePiece['id'], string> = {
  skin: '#8c7458',
  cover: '#f1e7c9',
  seam: '#f6efdc',
  lean: '#d9a28c',
  eye: '#b9755c',
  chine: '#cfc6b2',
  rib: '#cfc6b2',
  tenderloin: '#c07f68',
}
const d = (outline: FacePiece['outline']) =>
  `M${outline.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`
/** The ruler: centimetres, or inches where the farm weighs in pounds. */
const MM_PER_IN = 25.4
const unit = computed(() =>
  words.unit.value === 'kg' ? { mm: 10, word: 'cm', every: 1 } : { mm: MM_PER_IN, word: 'in', every: 1 },
)
const ticks = computed(() =>
  drawing.value
    ? Array.from({ length: Math.floor(drawing.value.width / unit.value.mm) + 1 }, (_, i) => i)
    : [],
)
const area = (cm2: number) =>
  words.unit.value === 'kg' ? `${cm2.toFixed(0)} cm²` : `${(cm2 / 6.4516).toFixed(1)} sq in`
const PADDING = 6
const RULER = 22
const name = computed(() => {
  const line = body.value.anatomy.parts.find((p) => p.id === part.value)
  return line ? words.name(line.names).toLowerCase() : ''
})
</script>

<template>
  <section v-if="shown && drawing" class="face" :aria-label="`Face of the ${name}`" data-testid="face">
    <svg
      :viewBox="`${-PADDING} ${-PADDING} ${drawing.width + 2 * PADDING} ${drawing.height + RULER + 2 * PADDING}`"
      role="img"
      :aria-label="`Across the ${name} at ${shown.place}: eye ${area(shown.face.eye)}`"
    >
      <path v-for="p in drawing.pieces" :key="p.id" :d="d(p.outline)" :fill="FILL[p.id]" :data-piece="p.id" />
      <g :transform="`translate(0 ${drawing.height + 6})`" class="ruler">
        <line x1="0" x2="0" y1="0" y2="0" />
        <line :x1="0" :x2="ticks.at(-1)! * unit.mm" y1="0" y2="0" />
        <g v-for="t in ticks" :key="t">
          <line :x1="t * unit.mm" :x2="t * unit.mm" y1="-3" y2="3" />
          <text v-if="t % (ticks.length > 14 ? 5 : 1) === 0" :x="t * unit.mm" y="13" text-anchor="middle">
            {{ t }}{{ t === 0 ? ` ${unit.word}` : '' }}
          </text>
        </g>
      </g>
    </svg>
    <div class="words">
      <label for="face-at">Face of the cut <span class="muted">at {{ shown.place }}</span></label>
      <input id="face-at" v-model.number="share" type="range" min="1" max="99" step="1" />
      <p>
        Eye <b>{{ area(shown.face.eye) }}</b
        ><span class="muted">{{
          shown.face.measured ? ', carried from the eye that was measured' : ', as usual at this weight'
        }}</span
        ><template v-if="shown.face.fatMm !== null"
          >; fat {{ Math.round(shown.face.fatMm) }} mm over it</template
        ><template v-if="shown.face.tenderloin > 0.3">; tenderloin {{ area(shown.face.tenderloin) }}</template
        >. A slice of {{ shown.thickness }} mm is about <b>{{ words.mass(shown.slice) }}</b
        ><span class="muted">, before it is trimmed, belly or tail apart.</span>
      </p>
    </div>
  </section>
</template>

<style scoped>
.face {
  display: grid;
  grid-template-columns: 210px minmax(0, 1fr);
  gap: 1rem;
  align-items: center;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--rule);
}
svg {
  width: 210px;
  max-height: 170px;
  background: var(--sheet);
  border: 1px solid var(--rule);
}
path {
  stroke: var(--ink);
  stroke-width: 0.7;
}
.ruler line {
  stroke: var(--ink);
  stroke-width: 0.9;
}
.ruler text {
  font: 600 10px var(--body);
  fill: var(--ink);
}
.words {
  display: grid;
  gap: 0.2rem;
}
label {
  font-weight: 600;
}
input {
  width: min(100%, 22rem);
  accent-color: var(--accent);
  min-height: 30px;
}
@media (max-width: 560px) {
  .face {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
