<script setup lang="ts">
import { computed } from 'vue'
import { hangs } from '#core/plan'
import { fromKg, massDigits, parseMass, toKg, type Kg, type Outcome } from '#core/measure'
import { judgePart } from '#core/reading'
import type { SideName } from '#core/records'
import FigureInput from '../../pieces/FigureInput.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What the part weighed by itself, and what was cut away of it because it was bruised or condemned. */
const { body, central: read, part, hangs: job, sidesOf, note, withdraw, factOf } = useReading()
const words = useWords()

type What = 'part' | 'cut-away'
const partData = computed(() => body.value.anatomy.parts.find((p) => p.id === part.value)!)
const figure = (mass: Kg | undefined) =>
  mass === undefined ? '' : fromKg(mass, words.unit.value).toFixed(massDigits(words.unit.value))
const rows = computed(() => {
  const { plan, cutting } = read.value
  return sidesOf(part.value)
    .filter((side) => cutting.slot(part.value, side)?.holds)
    .map((side) => ({
      side,
      word: side === 'animal' || job.value.as !== 'whole' ? '' : side,
      weighed: figure(plan.parts.get(part.value, side)),
      away: figure(plan.cutAway.get(part.value, side)),
      canWeigh: job.value.as !== 'part' && hangs(body.value.anatomy, part.value),
    }))
})
const reading =
  (what: What, side: SideName) =>
  (typed: string): Outcome<number> => {
    const out = parseMass(typed, words.unit.value, what)
    if (!out.ok) return out
    const issue = judgePart(read.value, what, part.value, side, toKg(out.value.value, out.value.unit))
    return issue ? { ok: false, issues: [issue] } : { ok: true, value: toKg(out.value.value, out.value.unit) }
  }
function take(what: What, side: SideName, value: number | null, typed?: string) {
  const of = part.value
  if (value === null)
    return withdraw(
      ...factOf((f) => f.kind === 'observation' && f.what === what && f.of === of && f.side === side),
    )
  const shown = parseMass(typed ?? '', words.unit.value, what)
  if (shown.ok) note({ kind: 'observation', what, of, side, shown: shown.value })
}
const label = (what: string, word: string) =>
  `${words.name(partData.value.names)}${word ? `, ${word} side` : ''}: ${what}`
</script>

<template>
  <section v-if="rows.length > 0 && read.weights" class="weights" aria-label="On the scale">
    <b>On the scale</b>
    <div v-for="r in rows" :key="r.side" class="side">
      <span v-if="r.word" class="muted">{{ r.word }}</span>
      <label v-if="r.canWeigh"
        ><span>weighed, {{ words.unit.value }}</span>
        <FigureInput
          optional
          :shown="r.weighed"
          :read="reading('part', r.side)"
          :label="label('weighed', r.word)"
          @take="(value, typed) => take('part', r.side, value, typed)"
        />
      </label>
      <label
        ><span>cut away, {{ words.unit.value }}</span>
        <FigureInput
          optional
          :shown="r.away"
          :read="reading('cut-away', r.side)"
          :label="label('bruised or condemned, cut away', r.word)"
          @take="(value, typed) => take('cut-away', r.side, value, typed)"
        />
      </label>
    </div>
    <small class="muted"
      >A part that is weighed is that weight, and the rest follows. What is bruised or condemned is cut away
      before anything else and never sold; what may be kept is the inspector’s word.</small
    >
  </section>
</template>

<style scoped>
.weights {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.9rem;
  align-items: end;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
  align-self: center;
}
.side {
  display: flex;
  gap: 0.5rem;
  align-items: end;
}
label {
  display: grid;
  width: 6.4rem;
  font-size: 0.9rem;
}
small {
  flex-basis: 100%;
}
</style>
