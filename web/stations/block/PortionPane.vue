<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import {
  fromKg,
  kg,
  massDigits,
  mm,
  parseMass,
  parseNumber,
  refuse,
  toKg,
  type Kg,
  type Outcome,
  counted,
} from '#core/measure'
import {
  EATERS,
  keepsBone,
  mostPieces,
  oddPortion,
  regionsOf,
  portionFor,
  roastFor,
  thicknessFor,
} from '#core/plan'
import { cutsOfPart } from '#core/reading'
import type { Portion } from '#core/records'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How the cuts of the selected part are divided: thickness or count, by the eater, by the pack. */
const { body, central: read, part, sidesOf, decide } = useReading()
const words = useWords()

const rows = computed(() => {
  const { plan, cutting, count } = read.value
  const sides = sidesOf(part.value)
  const rowsHere = sides.flatMap((side) => cutting.slot(part.value, side)?.rows ?? [])
  return cutsOfPart(read.value, part.value, sides).flatMap((c) => {
    const portion = portionFor(c.cut, plan.portions)
    if (!portion) return []
    const stretch = rowsHere.find((row) => row.cut?.id === c.cut.id)?.stretch
    const span = stretch
      ? {
          mm: stretch.usable,
          kerf: stretch.kerf,
          vertebrae: stretch.vertebrae,
          pieces: stretch.pieces,
          thick: stretch.thick,
        }
      : { mm: mm(0), kerf: mm(0), vertebrae: 0, pieces: 0, thick: mm(0) }
    const each = kg(c.pieces > 0 ? c.kg / c.pieces : 0)
    const odd = oddPortion(portion, each, span)
    const twoSides = sides.length > 1
    const aSide = Math.max(1, Math.round(c.pieces / sides.length / count))
    const regions = regionsOf(
      body.value.anatomy.species,
      rowsHere.filter((row) => row.cut?.id === c.cut.id),
    )
    return [{ ...c, regions, portion, span, each, twoSides, aSide, own: plan.portions.has(c.cut.id), odd }]
  })
})
type Row = (typeof rows.value)[number]

const set = (row: Row, value: Portion | null) =>
  decide({ field: 'portion', target: row.cut.id, side: 'animal', value })
const number = (low: number, high: number, field: string) => (typed: string) =>
  parseNumber(typed, field, { low, high }, 'mm')
/** So many pieces of a length, if it can give them. */
function pieces(row: Row): (typed: string) => Outcome<number> {
  return (typed) => {
    const out = number(1, 999, 'pieces')(typed)
    const most = mostPieces(row.span.mm, row.span.kerf)
    return !out.ok || out.value <= most
      ? out
      : refuse('pieces-too-many', 'pieces', {
          cut: row.cut.names,
          typed: out.value,
          most,
          length: row.span.mm,
        })
  }
}
function weight(typed: string): Outcome<Kg> {
  const out = parseMass(typed, words.unit.value, 'portion')
  return out.ok ? { ok: true, value: toKg(out.value.value, out.value.unit) } : out
}
const figure = (mass: Kg) => fromKg(mass, words.unit.value).toFixed(massDigits(words.unit.value))
const EATER_WORDS: Record<number, string> = { 2.5: 'for 2–3', 4: 'for 4', 6: 'for 6' }
const boneIn = (row: Row) => keepsBone(body.value.anatomy, row.cut.id)
const eaters = (row: Row) =>
  EATERS.map((n) => ({
    v: roastFor(n, boneIn(row)),
    w: `${EATER_WORDS[n]}: ${words.mass(roastFor(n, boneIn(row)))}`,
  }))
const eatersNow = (row: Row) =>
  row.portion.kind === 'roast'
    ? eaters(row).find((e) => Math.abs(e.v - (row.portion as { kg: number }).kg) < 0.01)?.v
    : undefined
const packed = (portion: Extract<Portion, { kind: 'pack' }>) =>
  words.unit.value === 'kg' ? kg(portion.kg) : toKg(portion.lb, 'lb')
</script>

<template>
  <section v-if="rows.length > 0" class="portions" aria-label="Portions" tabindex="-1">
    <h3>Portions</h3>
    <div v-for="row in rows" :key="row.cut.id" class="row cut" :data-portion="row.cut.id">
      <b class="name">{{ words.name(row.cut.names) }}</b>
      <template v-if="row.portion.kind === 'sawn'">
        <label
          ><span>mm thick</span>
          <FigureInput
            :shown="String(row.portion.thicknessMm)"
            :read="number(3, 400, 'thickness')"
            :label="`Thickness of ${words.name(row.cut.names)}, mm`"
            @take="set(row, { ...row.portion, thicknessMm: $event! } as Portion)"
          />
        </label>
        <label v-if="row.span.mm > 0"
          ><span>or pieces {{ row.pieces > 1 ? 'a side' : '' }}</span>
          <FigureInput
            :shown="String(row.span.pieces)"
            :read="pieces(row)"
            :label="`Pieces of ${words.name(row.cut.names)} a side`"
            @take="
              set(row, {
                ...row.portion,
                even: false,
                thicknessMm: thicknessFor(row.span.mm, $event!, row.span.kerf),
              } as Portion)
            "
          />
        </label>
        <label
          ><span>mm kerf</span>
          <FigureInput
            :shown="String(row.portion.kerfMm)"
            :read="number(0, 5, 'kerf')"
            :label="`Kerf for ${words.name(row.cut.names)}, mm`"
            @take="set(row, { ...row.portion, kerfMm: $event! } as Portion)"
          />
        </label>
      </template>
      <template v-else-if="row.portion.kind === 'snapped'">
        <span class="muted"
          >one to a vertebra, about {{ Math.round(row.span.mm / Math.max(1, row.span.vertebrae)) }} mm</span
        >
        <button
          type="button"
          class="plain-button"
          @click="set(row, { kind: 'sawn', thicknessMm: 25, kerfMm: 1.2, perPack: row.portion.perPack })"
        >
          saw to a thickness
        </button>
      </template>
      <template v-else-if="row.portion.kind === 'roast'">
        <Select
          :model-value="eatersNow(row)"
          :options="eaters(row)"
          option-label="w"
          option-value="v"
          placeholder="for…"
          size="small"
          :aria-label="`Eaters for ${words.name(row.cut.names)}`"
          @update:model-value="set(row, { ...row.portion, kg: $event } as Portion)"
        />
        <label
          ><span>{{ words.unit.value }} each</span>
          <FigureInput
            :shown="figure(kg(row.portion.kg))"
            :read="weight"
            :label="`Weight of ${words.name(row.cut.names)}`"
            @take="set(row, { ...row.portion, kg: $event! } as Portion)"
          />
        </label>
      </template>
      <label v-else-if="row.portion.kind === 'pack'"
        ><span>{{ words.unit.value }} a pack</span>
        <FigureInput
          :shown="figure(packed(row.portion))"
          :read="weight"
          :label="`Pack of ${words.name(row.cut.names)}`"
          @take="set(row, { kind: 'pack', kg: $event!, lb: fromKg(kg($event!), 'lb') })"
        />
      </label>
      <label v-if="row.portion.kind === 'whole' || row.portion.kind === 'roast'"
        ><span
          >{{ row.portion.kind === 'roast' ? 'or pieces' : 'pieces' }}
          {{ row.twoSides ? 'a side' : '' }}</span
        >
        <FigureInput
          :shown="String(row.portion.kind === 'whole' ? row.portion.perSide : row.aSide)"
          :read="number(1, 50, 'pieces')"
          :label="`Pieces of ${words.name(row.cut.names)}`"
          @take="
            set(row, { kind: 'whole', perSide: Math.round($event!), perPack: row.portion.perPack } as Portion)
          "
        />
      </label>
      <label v-if="row.portion.kind !== 'pack'"
        ><span>to a pack</span>
        <FigureInput
          :shown="String(row.portion.perPack)"
          :read="number(1, 50, 'perPack')"
          :label="`${words.name(row.cut.names)} to a pack`"
          @take="set(row, { ...row.portion, perPack: Math.round($event!) } as Portion)"
        />
      </label>
      <template v-if="row.portion.kind === 'sawn'">
        <button
          v-if="row.span.pieces > 0"
          type="button"
          class="plain-button"
          :aria-pressed="row.portion.even === true"
          :title="`The gauge is set near ${row.portion.thicknessMm} mm so that nothing is left over`"
          @click="set(row, { ...row.portion, even: !row.portion.even })"
        >
          {{ row.portion.even ? `comes out even at ${row.span.thick.toFixed(1)} mm` : 'come out even' }}
        </button>
        <button
          v-if="row.endMm >= 1"
          type="button"
          class="plain-button"
          :aria-pressed="row.portion.ends === 'trim'"
          title="What makes no good piece is boned and goes to be minced, instead of into the last pack"
          @click="set(row, { ...row.portion, ends: row.portion.ends === 'trim' ? 'pack' : 'trim' })"
        >
          ends to the trim
        </button>
        <button
          v-if="row.span.vertebrae > 0"
          type="button"
          class="plain-button"
          @click="set(row, { kind: 'snapped', perPack: row.portion.perPack })"
        >
          one to a vertebra
        </button>
      </template>
      <small class="muted">
        {{ row.pieces }} in {{ counted(row.packs, 'pack')
        }}<template v-if="row.each > 0">, {{ words.mass(row.each) }} each</template
        ><template v-if="row.regions.length > 0"
          >: {{ row.regions.map(([where, n]) => `${n * read.count} ${where}`).join(', ') }}</template
        ><template v-if="row.endMm >= 1"
          >; end pieces up to {{ Math.round(row.endMm) }} mm{{
            row.endKg > 0 ? `, ${words.mass(row.endKg)}, go in with the last pack` : ' go to the trim'
          }}</template
        >
      </small>
      <button v-if="row.own" type="button" class="plain-button" @click="set(row, null)">as usual</button>
      <small v-if="row.odd" class="odd"
        ><i class="pi pi-exclamation-triangle" aria-hidden="true" /> {{ row.odd }}</small
      >
    </div>
  </section>
</template>

<style scoped>
.portions {
  border-top: 1px solid var(--rule);
  padding-top: 0.4rem;
}
h3 {
  font: 700 1rem var(--head);
  margin: 0 0 0.2rem;
}
.cut {
  gap: 0.6rem;
  align-items: end;
  padding: 0.25rem 0;
  border-bottom: 1px solid var(--rule);
}
.name {
  min-width: 9rem;
  align-self: center;
}
label {
  display: grid;
  font-size: 0.85rem;
  color: var(--muted);
  width: 4.6rem;
}
small {
  align-self: center;
}
.plain-button {
  font: 600 0.88rem var(--body);
  color: var(--accent);
  background: none;
  border: 1px solid var(--rule-strong);
  padding: 0.2rem 0.45rem;
  min-height: 30px;
  cursor: pointer;
  align-self: center;
}
.plain-button[aria-pressed='true'] {
  color: var(--sheet);
  background: var(--accent);
  border-color: var(--accent);
}
.odd {
  color: var(--caution);
  font-weight: 600;
  flex-basis: 100%;
}
</style>
