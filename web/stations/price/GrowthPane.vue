<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, reactive, ref } from 'vue'
import { growthOf } from '#core/ledger'
import { kg, minorOf, parseMass, pricePer, sayIssue } from '#core/measure'
import MassRange from '../../pieces/MassRange.vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** How well feed became animal: what it weighed when it came, what it gained, and what that cost. */
const { read, note, withdraw, factOf } = useReading()
const words = useWords()
const fresh = reactive({ mass: '', day: '', animals: '' })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
const start = computed(() => read.value.plan.start)
const live = computed(() => read.value.stages.find((s) => s.id === 'live') ?? null)
const growth = computed(() => {
  const { plan, count } = read.value
  return live.value && growthOf(plan.costs, start.value, live.value.kg, count, plan.killed)
})
/** At the likely least and most that it weighs now, while that is an estimate. */
const between = computed(() => {
  const { plan, count } = read.value
  const range = live.value?.range
  if (!range) return null
  const at = (weight: number) => growthOf(plan.costs, start.value, kg(weight), count, plan.killed)
  const [low, high] = [at(range.low), at(range.high)]
  return low && high ? { low, high } : null
})
const perUnit = (perKg: number) =>
  `${words.money(Math.round(minorOf(pricePer(perKg, words.unit.value))))}/${words.unit.value}`
function keep() {
  const mass = parseMass(fresh.mass, words.unit.value, 'mass')
  issues.value = [
    ...(mass.ok ? [] : mass.issues.map((i) => fieldIssue('mass', sayIssue(i, words.says.value)))),
    ...(fresh.day ? [] : [fieldIssue('day', 'On which day did they come, or were they born?')]),
  ]
  const came = fresh.animals.trim() === '' ? null : Number(fresh.animals)
  if (came !== null && !(Number.isInteger(came) && came >= read.value.count))
    issues.value.push(
      fieldIssue(
        'animals',
        `At least the ${read.value.count} that are here came. Type how many came, lost ones too.`,
      ),
    )
  if (!mass.ok || issues.value.length > 0) return
  const animals = came === null ? {} : { animals: came }
  note({ kind: 'observation', what: 'start', shown: mass.value, day: fresh.day, ...animals })
  Object.assign(fresh, { mass: '', day: '', animals: '' })
}
</script>

<template>
  <section class="stack">
    <div class="pane-head"><h2>Feed and gain</h2></div>
    <p v-if="start">
      Came on {{ start.day }} at <b>{{ words.mass(start.kg) }}</b>{{ read.count > 1 ? ' together' : '' }}.
      <Button
        text
        size="small"
        label="Take it off"
        @click="withdraw(...factOf((f) => f.kind === 'observation' && f.what === 'start'))"
      />
    </p>
    <form v-else class="fields" novalidate aria-label="What it weighed when it came" @submit.prevent="keep">
      <div class="field">
        <label for="start-mass">Weighed when it came, {{ words.unit.value }}</label>
        <InputText id="start-mass" v-model="fresh.mass" size="small" autocomplete="off" />
        <FieldIssues :issues="at('mass')" />
      </div>
      <div class="field">
        <label for="start-day">On</label>
        <InputText id="start-day" v-model="fresh.day" type="date" size="small" />
        <FieldIssues :issues="at('day')" />
      </div>
      <div v-if="read.count > 1" class="field">
        <label for="start-animals">How many came</label>
        <InputText
          id="start-animals"
          v-model="fresh.animals"
          size="small"
          inputmode="numeric"
          autocomplete="off"
        />
        <FieldIssues :issues="at('animals')" />
      </div>
      <Button type="submit" size="small" outlined label="Keep it" />
    </form>
    <table v-if="growth" class="plain" data-testid="growth">
      <tbody>
        <tr>
          <td>Gained</td>
          <td class="right">
            <MassRange
              :kg="growth.gain"
              :range="between && { low: between.low.gain, high: between.high.gain }"
            />
          </td>
        </tr>
        <tr v-if="growth.daily">
          <td>a day, each</td>
          <td class="right">
            <MassRange
              :kg="growth.daily"
              :range="between && { low: between.low.daily!, high: between.high.daily! }"
            />
          </td>
        </tr>
        <tr v-if="growth.conversion">
          <td>
            Feed for one of gain <small class="muted">{{ words.mass(growth.feed) }} fed</small>
          </td>
          <td class="right">
            <span :class="{ estimate: between }">{{ growth.conversion.toFixed(2) }}</span><template
              v-if="between"
              ><br /><small class="muted"
                >{{ between.high.conversion!.toFixed(2) }}–{{ between.low.conversion!.toFixed(2) }}</small
              ></template
            >
          </td>
        </tr>
        <tr v-if="growth.feedPerKg">
          <td>Feed cost of gain</td>
          <td class="right">
            <span :class="{ estimate: between }">{{ perUnit(growth.feedPerKg) }}</span><template
              v-if="between"
              ><br /><small class="muted"
                >{{ perUnit(between.high.feedPerKg!) }}–{{ perUnit(between.low.feedPerKg!) }}</small
              ></template
            >
          </td>
        </tr>
        <tr v-if="growth.lost">
          <td>
            {{ growth.lost.animals }} lost in rearing <small class="muted">borne by each that lives</small>
          </td>
          <td class="right">{{ words.money(growth.lost.each) }}</td>
        </tr>
        <tr>
          <td>All cost of gain</td>
          <td class="right">
            <span :class="{ estimate: between }">{{ perUnit(growth.allPerKg) }}</span><template v-if="between"
              ><br /><small class="muted"
                >{{ perUnit(between.high.allPerKg) }}–{{ perUnit(between.low.allPerKg) }}</small
              ></template
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="start" class="muted">
      {{
        live ? 'It weighs no more than when it came: look at both weights.' : 'There is no live weight yet.'
      }}
    </p>
    <small v-if="growth && !growth.conversion" class="muted"
      >Write feed down with its weight, and what it took to gain one is reckoned.</small
    >
  </section>
</template>
