<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { cameOf } from '#core/ledger'
import { issueOf } from '#core/measure'
import { curveOf } from '#core/batch'
import { FACTS, typed, type Sex } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'
import { SEXED } from './words.ts'

/** What they weighed when they came, on which day, and how many of them there were: those that are gone since were lost. */
const { read, body, note, withdraw, factOf } = useReading()
const words = useWords()
/** Asked where it decides much: where the sexes grow apart. */
const asksSex = computed(() => (curveOf(body.value.anatomy.species, read.value.plan.type)?.sexes ?? 0) > 0)
const start = computed(() => read.value.plan.start)
const least = computed(() => cameOf({ ...read.value.plan, start: null }, read.value.count))
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'start',
  {
    mass: typed.mass,
    day: typed.picked('On which day did they come, or were they born?'),
    animals: typed.maybe(typed.count(FACTS.loss.schema.shape.animals)),
  },
  () => ({ mass: '', day: '', animals: '', sexed: 'both' as 'both' | Sex }),
)
const keep = kept(({ mass, day, animals }) => {
  if (animals !== null && animals < least.value)
    return [issueOf('fewer-came', 'animals', { least: least.value })]
  const came = animals === null ? {} : { animals }
  const sexed = asksSex.value && fresh.sexed !== 'both' ? { sexed: fresh.sexed } : {}
  note({ kind: 'observation', what: 'start', shown: mass, day, ...came, ...sexed })
})
</script>

<template>
  <p v-if="start">
    Came on {{ start.day }} at <b>{{ words.mass(start.kg) }}</b>{{ read.count > 1 ? ' together' : ''
    }}<template v-if="start.sexed">, {{ start.sexed }} only</template>.
    <Button
      text
      size="small"
      label="Take it off"
      @click="withdraw(...factOf((f) => f.kind === 'observation' && f.what === 'start'))"
    />
  </p>
  <form v-else class="fields" novalidate aria-label="What it weighed when it came" @submit.prevent="keep">
    <TextField
      id="start-mass"
      v-model="fresh.mass"
      :label="`Weighed when ${read.count > 1 ? 'they' : 'it'} came, ${words.unit.value}${read.count > 1 ? ', all together' : ''}`"
      :issues="at('mass')"
    />
    <TextField id="start-day" v-model="fresh.day" type="date" label="On" :issues="at('day')" />
    <TextField
      v-if="read.count > 1"
      id="start-animals"
      v-model="fresh.animals"
      label="How many came"
      inputmode="numeric"
      :issues="at('animals')"
    />
    <PickField v-if="asksSex" id="start-sexed" v-model="fresh.sexed" label="Which came" :options="SEXED" />
    <Button type="submit" outlined label="Keep it" />
  </form>
</template>
