<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { chillMinutes, freezing, type DayForecast } from '#core/line'
import { kg, massesToSum, parseMass, parseTemperature, sayIssue, sumOf, type TypedMass } from '#core/measure'
import { chillHours } from '#core/rules'
import type { Chill } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useWords } from '../../state/words.ts'
import type { useBirdDay } from './birdDay.ts'

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
const fresh = reactive({
  how: plan.value.chill.how,
  c: String(plan.value.chill.waterC),
  water: shown(plan.value.chill.water),
  ice: shown(plan.value.chill.ice),
  litres: plan.value.freezer === null ? '' : String(plan.value.freezer),
})
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
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
function massOf(text: string, field: string): TypedMass | null {
  if (text.trim() === '') return null
  const out = parseMass(text, words.unit.value, field)
  if (out.ok) return out.value
  issues.value.push(...out.issues.map((i) => fieldIssue(field, sayIssue(i, words.says.value))))
  return null
}
function keep() {
  issues.value = []
  const c = parseTemperature(fresh.c, 'c', { low: 0, high: 40 })
  if (!c.ok)
    issues.value.push(
      fieldIssue('c', `“${fresh.c}” is no water to chill in. Type what the tap gives, 0 to 40 °C.`),
    )
  const [water, ice] = [massOf(fresh.water, 'water'), massOf(fresh.ice, 'ice')]
  const litres = fresh.litres.trim() === '' ? null : Number(fresh.litres)
  if (litres !== null && !(litres >= 10 && litres <= 100_000))
    issues.value.push(fieldIssue('litres', `“${fresh.litres}” is no freezer. Type its litres, 10 or more.`))
  if (issues.value.length > 0 || !c.ok) return
  change({ chill: { how: fresh.how, water, waterC: c.value, ice }, freezer: litres })
}
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
