<script setup lang="ts">
import Button from 'primevue/button'
import { v7 as uuid } from 'uuid'
import { computed, ref } from 'vue'
import { fromKg, gramsOf, kgOf, sumOf, grams, issueOf } from '#core/measure'
import { inForce, typed } from '#core/records'
import DestinationMark from '../../pieces/DestinationMark.vue'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useForm } from '../../state/form.ts'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** Tubs under the table: what went in without a pack, each with its running weight; what fell into the wrong one is moved. */
const { body, state, packed } = useReading()
const farm = useFarm()
const words = useWords()
const {
  typed: move,
  issues,
  at,
  keep,
} = useForm(
  'tub',
  {
    from: typed.picked('Out of which tub?'),
    to: typed.picked('Into which other one?'),
    mass: typed.mass,
  },
  () => ({ from: null as string | null, to: null as string | null, mass: '' }),
  { stays: ['from', 'to'] },
)
const said = ref('')
const cutOf = (id: string) => body.value.anatomy.cuts.find((c) => c.id === id)!
const entries = computed(() => inForce(state.value!.packs).filter((p) => p.packs === 0))
const tubs = computed(() =>
  [...new Set(entries.value.map((p) => p.cut))].map((id) => {
    const own = entries.value.filter((p) => p.cut === id)
    return { id, cut: cutOf(id), kg: sumOf(own, (p) => kgOf(p.grams)), times: own.length }
  }),
)
const from = computed(() => tubs.value.map((t) => ({ v: t.id, w: words.name(t.cut.names) })))
const to = computed(() =>
  body.value.anatomy.cuts.filter((c) => c.kind !== 'loss').map((c) => ({ v: c.id, w: words.name(c.names) })),
)
const take = keep(async ({ from: out, to: into, mass }) => {
  said.value = ''
  if (into === out) return [issueOf('not-said', 'to', { ask: 'Into which other one?' })]
  const moved = gramsOf(mass)
  const held = entries.value.findLast((p) => p.cut === out && p.grams >= moved)
  if (!held) {
    const heaviest = Math.max(...entries.value.filter((p) => p.cut === out).map((p) => p.grams))
    return [issueOf('tub-too-small', 'mass', { most: kgOf(grams(heaviest)) })]
  }
  const left = held.grams - moved
  const { unit } = held.shown
  const value = Number(fromKg(kgOf(left as typeof moved), unit).toFixed(3))
  const tub = { packs: 0, confirmed: true }
  // The weighing is corrected by what did not belong there; gone as a whole, it is withdrawn.
  const refused = await farm.keepAll([
    packed({
      ...{ ...tub, id: uuid(), cut: held.cut, corrects: held.id, stands: left > 0 },
      shown: left > 0 ? { value, unit } : held.shown,
    }),
    packed({ ...tub, id: uuid(), cut: into, shown: mass, corrects: null, stands: true }),
  ])
  if (refused.length === 0)
    said.value = `${mass.value} ${mass.unit} moved to ${words.name(cutOf(into).names).toLowerCase()}.`
  return refused
})
</script>

<template>
  <section v-if="tubs.length > 0" class="stack" data-testid="tubs">
    <div class="pane-head"><h3>Tubs</h3></div>
    <ul>
      <li v-for="t in tubs" :key="t.id" :data-tub="t.id">
        <DestinationMark :to="t.cut.destination" /> {{ words.name(t.cut.names) }}
        <b>{{ words.mass(t.kg) }}</b>
        <small class="muted">{{ t.times === 1 ? 'weighed once' : `weighed ${t.times} times` }}</small>
      </li>
    </ul>
    <form class="move" novalidate aria-label="What fell into the wrong tub" @submit.prevent="take">
      <PickField id="tub-from" v-model="move.from" label="Out of" :options="from" :issues="at('from')" />
      <PickField id="tub-to" v-model="move.to" label="Into" :options="to" filter :issues="at('to')" />
      <TextField id="tub-mass" v-model="move.mass" label="How much" :issues="at('mass')" />
      <Button type="submit" outlined label="Move it" />
    </form>
    <FieldIssues :issues="issues.filter((i) => !['from', 'to', 'mass'].includes(i.field))" />
    <span class="good" role="status">{{ said }}</span>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
li {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  padding: 0.3rem 0.7rem;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
.move {
  display: grid;
  grid-template-columns: 1fr 1fr 0.7fr auto;
  gap: 0.6rem;
  align-items: end;
}
.move :deep(.p-select),
.move :deep(input) {
  width: 100%;
  min-width: 0;
}
@media (max-width: 560px) {
  .move {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
