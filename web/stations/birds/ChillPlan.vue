<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { chillMinutes, freezing, type DayForecast } from '#core/line'
import { birdDaySchema, typed } from '#core/records'
import { kg, massesToSum, sumOf, type TypedMass } from '#core/measure'
import { chillHours } from '#core/rules'
import type { Chill } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useWords } from '../../state/words.ts'
import type { useBirdDay } from './birdDay.ts'
import { useForm } from '../../state/form.ts'

/** Ice and water to have there: the heat of birds and water, and the reserve apart; hours to cold against the rule; what the freezer takes. */
const { day, told } = defineProps<{ day: ReturnType<typeof useBirdDay>; told: DayForecast | null }>()
const words = useWords()
const { read, body, plan, line, change } = day
const HOW: { v: Chill; w: string }[] = [
  { v: 'still', w: 'ice and water, still' },
  { v: 'moving', w: 'ice and water, kept moving' },
  { v: 'air', w: 'the air of a cooler' },
]
const shown = (m: TypedMass | null) => (m ? `${m.value} ${m.unit}` : '')
const { chill, freezer } = birdDaySchema.shape
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'chill',
  {
    c: typed.celsius(chill.shape.waterC),
    water: typed.maybe(typed.mass),
    ice: typed.maybe(typed.mass),
    litres: typed.maybe(typed.figure(freezer)),
  },
  () => ({
    how: plan.value.chill.how,
    c: String(plan.value.chill.waterC),
    water: shown(plan.value.chill.water),
    ice: shown(plan.value.chill.ice),
    litres: plan.value.freezer === null ? '' : String(plan.value.freezer),
  }),
  { stays: ['how', 'c', 'water', 'ice', 'litres'] },
)
const heats = computed(() => {
  const { cool, water, reserve } = line.value.ice
  return massesToSum([cool, water, reserve], words.unit.value)
})
const allowed = computed(() => chillHours(body.value.anatomy.species, line.value.carcass))
const takes = computed(() => chillMinutes(plan.value.chill.how, line.value.carcass) / 60)
const packed = computed(() =>
  kg(
    sumOf(
      read.value.cuts.filter((c) => c.cut.kind === 'product'),
      (c) => c.kg,
    ),
  ),
)
const freezes = computed(() =>
  plan.value.freezer === null ? null : freezing(packed.value, plan.value.freezer),
)
const packsAnHour = computed(() => {
  const bag = told?.stations.find((s) => s.id === 'bag')
  const packs = read.value.cuts.reduce((n, c) => n + c.packs, 0)
  return bag && bag.until > bag.from + 1 ? Math.round((60 * packs) / (bag.until - bag.from)) : null
})
const keep = kept(({ c, water, ice, litres }) => {
  change({ chill: { how: fresh.how, water, waterC: c, ice }, freezer: litres })
})
</script>

<template>
  <div class="pane-head">
    <h2>Chill</h2>
    <span class="muted" data-testid="chill-rule"
      >about {{ takes.toFixed(1) }} h to 4 °C (40 °F); a carcass of {{ words.mass(line.carcass) }} has
      {{ allowed }} h</span
    >
  </div>
  <form class="fields" novalidate aria-label="How they are chilled" @submit.prevent="keep">
    <PickField id="chill-how" v-model="fresh.how" label="In" :options="HOW" />
    <TextField id="chill-c" v-model="fresh.c" class="short" label="Tap water" :issues="at('c')" />
    <TextField id="chill-water" v-model="fresh.water" class="short" label="Water" :issues="at('water')" />
    <TextField id="chill-ice" v-model="fresh.ice" class="short" label="Ice at hand" :issues="at('ice')" />
    <TextField
      id="chill-litres"
      v-model="fresh.litres"
      class="short"
      label="Freezer, litres"
      inputmode="numeric"
      :issues="at('litres')"
    />
    <Button type="submit" outlined label="Chill so" />
  </form>
  <table v-if="plan.chill.how !== 'air'" class="plain" data-testid="ice">
    <tbody>
      <tr>
        <th scope="row">Heat of the birds</th>
        <td class="right">{{ words.mass(heats[0]!) }}</td>
      </tr>
      <tr>
        <th scope="row">Heat of the water they lie in</th>
        <td class="right">{{ words.mass(heats[1]!) }}</td>
      </tr>
      <tr>
        <th scope="row">For tub, air and holding</th>
        <td class="right">{{ words.mass(heats[2]!) }}</td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <td>Ice to have there, at the least one to one</td>
        <td class="right">{{ words.mass(line.ice.order) }}</td>
      </tr>
    </tfoot>
  </table>
  <p v-if="freezes" data-testid="freezes">
    {{ words.mass(packed) }} to freeze: the freezer takes {{ words.mass(kg(freezes.daily[0])) }} to
    {{ words.mass(kg(freezes.daily[1])) }} a day, so {{ freezes.low.toFixed(1) }} to
    {{ freezes.high.toFixed(1) }} days; the rest is held at or below 2 °C (36 °F)<template v-if="packsAnHour"
      >. About {{ packsAnHour }} packs an hour are bagged</template
    >.
  </p>
</template>
