<script setup lang="ts">
import { computed } from 'vue'
import { setFlow } from '#core/carcass'
import { tallyWith } from '#core/forecast'
import type { Decision } from '#core/plan'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What each place of the break lines at the part would give: how far the shoulder goes, how many vertebrae as T-bones. */
const { body, read, state, farmFigures, part, sidesOf, decide } = useReading()
const words = useWords()

const lines = computed(() => {
  const { anatomy } = body.value
  const { plan } = read.value
  const sides = sidesOf(part.value).filter((s) => s !== 'animal')
  if (sides.length === 0) return []
  const touching = new Set(
    anatomy.bands.flatMap((b) =>
      b.spans.flatMap((span, i) =>
        span.part === part.value ? [span.until, b.spans[i - 1]?.until ?? ''] : [],
      ),
    ),
  )
  const tally = tallyWith(state.value!, farmFigures.value, read.value)
  const now = tally(read.value.setting, []).tally
  return anatomy.lines.flatMap((line) => {
    if (line.kind !== 'across' || line.settings.length < 2 || !touching.has(line.id)) return []
    const settings = line.settings.map((s) => {
      const taken = new Map(plan.choices.lines)
      for (const side of sides) taken.set(`${line.id}:${side}`, s.id)
      const then = tally(setFlow(body.value, { ...plan.choices, lines: taken }), []).tally
      const inForce = sides.every(
        (side) => (plan.choices.lines.get(`${line.id}:${side}`) ?? line.fallback) === s.id,
      )
      return { ...s, inForce, kg: then.takeHomeKg - now.takeHomeKg, money: then.money - now.money }
    })
    return [{ line, sides, settings }]
  })
})
const take = (line: string, sides: readonly ('left' | 'right' | 'animal')[], value: string) =>
  decide(
    ...sides.map((side): Decision => ({
      field: 'line',
      target: line,
      side: side as 'left' | 'right',
      value,
    })),
  )
</script>

<template>
  <section v-for="l in lines" :key="l.line.id" class="line" :aria-label="words.name(l.line.names)">
    <b>{{ words.name(l.line.names) }}</b>
    <button
      v-for="s in l.settings"
      :key="s.id"
      type="button"
      :class="{ taken: s.inForce }"
      :aria-pressed="s.inForce"
      :title="s.school"
      :data-setting="`${l.line.id}:${s.id}`"
      @click="take(l.line.id, l.sides, s.id)"
    >
      {{ s.label }}
      <small v-if="!s.inForce">{{ words.massChange(s.kg) }}, {{ words.moneyChange(s.money) }}</small>
      <small v-else>in force</small>
    </button>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem;
  align-items: center;
  padding: 0.3rem 0;
  border-top: 1px solid var(--rule);
}
b {
  min-width: 7rem;
}
button {
  font: 600 0.92rem var(--body);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0.15rem 0.5rem;
  min-height: 34px;
  cursor: pointer;
}
.taken {
  border-color: var(--accent);
  background: #f3e9d8;
}
small {
  display: block;
  font-weight: 400;
  color: var(--muted);
}
</style>
