<script setup lang="ts">
import Button from 'primevue/button'
import { computed, watch } from 'vue'
import { kg, type TypedMass } from '#core/measure'
import { sidesWeighed } from '#core/plan'
import { CHILLED, COVERS, FACTS, LEAN_COLOURS, MARBLINGS, type Chilled } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { asInstant, asLocal } from '../../state/deviceTime.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'

/** How it was found when it was accepted: sides, hour, what cools it, what was seen. */
const { read, note, withdraw, factOf } = useReading()
const words = useWords()
const CHILLED_WORDS: Record<Chilled, string> = {
  cooler: 'a cooler',
  chest: 'iced chests',
  none: 'nothing: cut warm',
}
const chilledBy = CHILLED.map((v) => ({ v, w: CHILLED_WORDS[v] }))
const accepted = computed(() => read.value.plan.acceptance)
const said = (mass: TypedMass | null | undefined) => (mass ? `${mass.value} ${mass.unit}` : '')
const asAccepted = () => {
  const a = accepted.value
  return {
    ...{ left: said(a?.left), right: said(a?.right), hungAt: a?.hungAt ? asLocal(a.hungAt) : '' },
    ...{ condition: a?.condition ?? '', condemned: a?.condemned ?? '', chilled: a?.chilled ?? 'cooler' },
    ...{ colour: a?.colour ?? null, marbling: a?.marbling ?? null, cover: a?.cover ?? null },
  }
}
const { typed: fresh, at, keep } = useForm('acceptance', FACTS.acceptance.fields, asAccepted)
watch(accepted, () => Object.assign(fresh, asAccepted()))
const accept = keep(({ hungAt, ...seen }) => {
  const { colour, marbling, cover, chilled } = fresh
  note({
    ...{ kind: 'acceptance', ...seen, colour, marbling, cover, chilled },
    hungAt: hungAt && asInstant(hungAt),
  })
})
/** What both sides weigh together, beside the hot weight that is on record. */
const sides = computed(() =>
  sidesWeighed(accepted.value, read.value.evidence.find((e) => e.stage === 'hot' && e.sd === 0)?.kg ?? null),
)
</script>

<template>
  <div class="pane-head"><h2>As it was accepted</h2></div>
  <form class="accept" novalidate @submit.prevent="accept">
    <div class="field">
      <label for="accept-at">Hung at</label>
      <input id="accept-at" v-model="fresh.hungAt" type="datetime-local" class="p-inputtext p-component" />
    </div>
    <TextField id="accept-left" v-model="fresh.left" label="Left side, hot" :issues="at('left')" />
    <TextField id="accept-right" v-model="fresh.right" label="Right side, hot" :issues="at('right')" />
    <PickField
      id="accept-colour"
      v-model="fresh.colour"
      label="Colour of the lean"
      :options="LEAN_COLOURS"
      optional
    />
    <PickField id="accept-marbling" v-model="fresh.marbling" label="Marbling" :options="MARBLINGS" optional />
    <PickField id="accept-cover" v-model="fresh.cover" label="Fat cover" :options="COVERS" optional />
    <PickField id="accept-chilled" v-model="fresh.chilled" label="Cooled by" :options="chilledBy" />
    <TextField
      id="accept-condition"
      v-model="fresh.condition"
      class="two"
      label="Bruises, dirt, what was noticed"
      :issues="at('condition')"
    />
    <TextField
      id="accept-condemned"
      v-model="fresh.condemned"
      class="wide"
      label="Offal condemned or not collected"
      :issues="at('condemned')"
    />
    <Button type="submit" :label="accepted ? 'Put it right' : 'Accept it'" />
    <Button
      v-if="accepted"
      text
      severity="secondary"
      label="Take it off"
      @click="withdraw(...factOf((f) => f.kind === 'acceptance'))"
    />
  </form>
  <p v-if="sides">
    Both sides: <b>{{ words.mass(sides.sum) }}</b
    ><template v-if="sides.apart !== null"
      >, {{ words.mass(kg(Math.abs(sides.apart))) }} {{ sides.apart < 0 ? 'under' : 'over' }} the hot weight
      on record</template
    >.
  </p>
  <p class="muted">Yellow fat, pus, swollen nodes or a foul smell: stop, and ask the inspector or a vet.</p>
</template>

<style scoped>
.accept {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 0.6rem;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.two {
  grid-column: span 2;
}
@media (max-width: 900px) {
  .accept {
    grid-template-columns: minmax(0, 1fr);
  }
  .two {
    grid-column: auto;
  }
}
</style>
