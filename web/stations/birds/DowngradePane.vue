<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { issueOf } from '#core/measure'
import { FACTS, type DowngradeId } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useOfGroup } from './ofGroup.ts'
import { useWords } from '../../state/words.ts'
import { DOWNGRADE_OPTIONS, downgradeWord } from './words.ts'

/** Birds that are worth less than they were: what, how many, what was cut away, what it cost, what to do next time. A condemned one is no longer counted. */
const { read } = useReading()
const { options, group, alive, say, canTakeBack, takeBack } = useOfGroup()
const words = useWords()
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'downgrade',
  FACTS.downgrade.fields,
  () => ({ what: 'torn-skin' as DowngradeId, animals: '1', mass: '', lost: '', lesson: '' }),
  { stays: ['what'] },
)
/** What one is worth as it is planned: so much is lost of a condemned one. */
const worth = computed(() => Math.round(read.value.money.net / read.value.count))
const rows = computed(() => read.value.plan.downgrades)
const lost = computed(() => rows.value.reduce((n, d) => n + d.lost, 0))
const keep = kept(({ animals, mass, lost, lesson }) => {
  const isCondemned = fresh.what === 'condemned'
  if (animals > alive.value)
    return [issueOf('more-than-alive', 'animals', { asked: animals, alive: alive.value })]
  if (isCondemned && animals === alive.value) return [issueOf('none-left', 'animals', { alive: alive.value })]
  const usual = isCondemned ? Math.max(0, worth.value * animals) : 0
  say({ kind: 'downgrade', what: fresh.what, animals, shown: mass, lost: lost ?? usual, lesson })
})
</script>

<template>
  <div class="pane-head">
    <h2>Worth less</h2>
    <span class="muted" data-testid="downgraded">{{
      rows.length === 0 ? 'none so far' : `${words.money(lost)} lost so far`
    }}</span>
  </div>
  <form class="fields" novalidate aria-label="Birds worth less" @submit.prevent="keep">
    <PickField v-if="options.length > 0" id="down-group" v-model="group" label="Of" :options="options" />
    <PickField id="down-what" v-model="fresh.what" class="wide" label="What" :options="DOWNGRADE_OPTIONS" />
    <TextField
      id="down-animals"
      v-model="fresh.animals"
      class="short"
      label="How many"
      inputmode="numeric"
      :issues="at('animals')"
    />
    <TextField
      id="down-mass"
      v-model="fresh.mass"
      class="short"
      :label="`Cut away, ${words.unit.value}`"
      :issues="at('mass')"
    />
    <TextField
      id="down-lost"
      v-model="fresh.lost"
      class="short"
      :label="`Cost, ${words.currency.value}`"
      inputmode="decimal"
      :issues="at('lost')"
    />
    <TextField
      id="down-lesson"
      v-model="fresh.lesson"
      class="wide"
      label="Next time"
      :issues="at('lesson')"
    />
    <Button type="submit" outlined label="Worth less" />
  </form>
  <p v-if="fresh.what === 'condemned'" class="muted">
    Whoever may condemn says so, not this page: at an inspected plant the inspector. It leaves the count, and
    goes where local rules say.
  </p>
  <table v-if="rows.length > 0" class="plain" data-testid="downgrades">
    <tbody>
      <tr v-for="d in rows" :key="d.id">
        <td class="right">
          <b>{{ d.animals }}</b>
        </td>
        <td>
          {{ downgradeWord(d.what)
          }}<template v-if="d.lesson"><br /><small class="muted">{{ d.lesson }}</small></template>
        </td>
        <td class="right">{{ d.shown ? `${d.shown.value} ${d.shown.unit} away` : '' }}</td>
        <td class="right">{{ words.money(d.lost) }}</td>
        <td>
          <Button
            v-if="canTakeBack(d.id)"
            text
            size="small"
            label="Withdraw"
            :aria-label="`Withdraw ${d.animals} ${downgradeWord(d.what)}`"
            @click="takeBack(d.id)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>
