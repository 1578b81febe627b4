<script setup lang="ts">
import SelectButton from 'primevue/selectbutton'
import { computed, useTemplateRef } from 'vue'
import { drawHung, type SideName } from '#core/anatomy'
import { fromInside, type HeldPart } from '#core/reading'
import { useReading, type Sides } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import { vRoving } from '../../pieces/roving.ts'
import DestinationLegend from './DestinationLegend.vue'
import HalfCarcass from './HalfCarcass.vue'
import HeldParts from './HeldParts.vue'
import LinePlaces from './LinePlaces.vue'
import PartShapes from './PartShapes.vue'
import PatternDefs from './PatternDefs.vue'
import WholeParts from './WholeParts.vue'

/** The animal on the Block: two hung sides, a whole carcass where it was not split, or a bird on its back. */
const { central: read, body, part, sides, halves, hangs } = useReading()
const words = useWords()
const hanging = computed(() => read.value.stages.find((s) => s.id === 'hanging'))
/** Where the lines lie, as text: the drawing is made anew where one moved, and nowhere else. */
const placedAt = (side: 'left' | 'right') => {
  const { cutting, plan } = read.value
  return JSON.stringify([cutting.lineAt(side), cutting.mmAt(side), plan.conventions.split === false])
}
type Lines = Parameters<typeof drawHung>[1]
const hung = (placed: string) => {
  const [at, mm, whole] = JSON.parse(placed) as [Lines['at'], Lines['mm'], boolean]
  return drawHung(body.value.anatomy, { at, mm }, whole)
}
const [placedLeft, placedRight] = [computed(() => placedAt('left')), computed(() => placedAt('right'))]
const left = computed(() => hung(placedLeft.value))
const right = computed(() => hung(placedRight.value))
const differ = computed(() => {
  const { cutting } = read.value
  if (halves.value.length < 2) return false
  return cutting.slots.some((s) => s.side === 'left' && s.path !== cutting.slot(s.part, 'right')?.path)
})
const CHOICES: { v: Sides; w: string }[] = [
  { v: 'left', w: 'Left' },
  { v: 'both', w: 'Both sides' },
  { v: 'right', w: 'Right' },
]
const places = useTemplateRef('places')
const box = computed(() => {
  if (left.value.kind === 'laid') return '0 0 400 404'
  if (hangs.value.as === 'part') return around(hangs.value.part)
  if (halves.value.length === 1 && left.value.kind !== 'whole')
    return halves.value[0] === 'left' ? '-150 0 700 928' : '250 0 700 928'
  return body.value.anatomy.lines.some((l) => l.kind === 'along') ? '-48 0 896 928' : '-48 0 896 834'
})
/** A part that came by itself fills the picture: the box around it and what it lies in. */
function around(id: string): string {
  if (left.value.kind === 'laid') return '0 0 400 404'
  const own = fromInside(body.value.anatomy, id)
  const points = left.value.side.parts
    .filter((s) => s.parts.some((p) => own.includes(p)))
    .flatMap((s) => s.polygon)
    .map(([x, y]) => [20 + x, y] as const)
  if (points.length === 0) return '-48 0 896 834'
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])]
  const [x, y] = [Math.min(...xs) - 30, Math.min(...ys) - 30]
  return [x, y, Math.max(...xs) + 30 - x, Math.max(...ys) + 30 - y].map(Math.round).join(' ')
}
function show({ part: id, sides: on }: HeldPart) {
  part.value = id
  if (halves.value.length === 2) sides.value = on.length > 1 || on[0] === 'animal' ? 'both' : (on[0] as Sides)
}
function select(id: string, side: SideName) {
  part.value = id
  if (side !== 'animal' && sides.value !== 'both') sides.value = side
}
</script>

<template>
  <section class="picture" aria-label="The carcass on the block">
    <div class="row top">
      <span class="muted"
        >{{ words.mass(hanging!.kg) }} {{ hangs.as === 'part' ? 'as it came' : 'hanging'
        }}<template v-if="differ">; ≠ sides differ</template></span
      >
      <SelectButton
        v-if="left.kind !== 'laid' && halves.length === 2"
        v-model="sides"
        v-roving
        :options="CHOICES"
        option-label="w"
        option-value="v"
        :allow-empty="false"
        size="small"
        aria-label="Sides to decide for"
      />
    </div>
    <svg
      :viewBox="box"
      class="carcass"
      :class="{ laid: left.kind === 'laid' }"
      role="group"
      :aria-label="left.kind === 'laid' ? 'A bird on its back' : 'The hung carcass, ribs numbered'"
    >
      <PatternDefs />
      <PartShapes
        v-if="left.kind === 'laid'"
        :shapes="left.parts"
        side="animal"
        laid
        :x="(v) => v"
        @select="select($event, 'animal')"
      />
      <template v-else-if="right.kind !== 'laid'">
        <rect
          v-if="hangs.as !== 'part'"
          :x="halves.length === 2 || halves[0] === 'left' ? 40 : 410"
          y="6"
          :width="halves.length === 2 ? 720 : 350"
          height="9"
          fill="#241d16"
        />
        <path v-if="left.kind === 'whole'" d="M300 14v22M500 14v22M290 36h220" class="gambrel" />
        <HalfCarcass
          v-if="halves.includes('left')"
          side="left"
          :drawing="left.side"
          :whole="left.kind === 'whole'"
          @select="select"
          @ask="(e, l, s) => places?.open(e, l, s)"
        />
        <HalfCarcass
          v-if="halves.includes('right')"
          side="right"
          :drawing="right.side"
          :whole="right.kind === 'whole'"
          @select="select"
          @ask="(e, l, s) => places?.open(e, l, s)"
        />
      </template>
    </svg>
    <DestinationLegend />
    <LinePlaces ref="places" />
    <WholeParts @select="select($event, 'animal')" />
    <HeldParts @select="show" />
  </section>
</template>

<style scoped>
.picture {
  background: var(--sheet);
  border: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
}
.top {
  justify-content: space-between;
  padding: 0.35rem 0.6rem 0;
}
.carcass {
  width: 100%;
  height: max(570px, calc(100vh - 300px));
  display: block;
}
.laid {
  --label: 10px;
}
.gambrel {
  fill: none;
  stroke: #241d16;
  stroke-width: 5;
}
@media (max-width: 900px) {
  .carcass {
    height: 560px;
  }
}
</style>
