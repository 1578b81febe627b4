<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { issueOf, parseMass, parseMoney, parseWhole, sayIssue } from '#core/measure'
import type { DowngradeId } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useOfGroup } from './ofGroup.ts'
import { useWords } from '../../state/words.ts'
import { DOWNGRADE_OPTIONS, downgradeWord } from './words.ts'

/** Birds that are worth less than they were: what, how many, what was cut away, what it cost, what to do next time. A condemned one is no longer counted. */
const { read } = useReading()
const { options, group, alive, say, canTakeBack, takeBack } = useOfGroup()
const words = useWords()
const fresh = reactive({ what: 'torn-skin' as DowngradeId, animals: '1', mass: '', lost: '', lesson: '' })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
/** What one is worth as it is planned: so much is lost of a condemned one. */
const worth = computed(() => Math.round(read.value.money.net / read.value.count))
const rows = computed(() => read.value.plan.downgrades)
const lost = computed(() => rows.value.reduce((n, d) => n + d.lost, 0))
function keep() {
  const count = parseWhole(fresh.animals, 'animals', { low: 1, high: 2000 })
  const mass = fresh.mass.trim() === '' ? null : parseMass(fresh.mass, words.unit.value, 'mass')
  const usual = fresh.what === 'condemned' && count.ok ? worth.value * count.value : 0
  const money = fresh.lost.trim() === '' ? null : parseMoney(fresh.lost, words.currency.value, 'lost')
  const over = count.ok && count.value >= alive.value && fresh.what === 'condemned'
  issues.value = [
    ...(count.ok ? [] : count.issues),
    ...(count.ok && count.value > alive.value
      ? [issueOf('more-than-alive', 'animals', { asked: count.value, alive: alive.value })]
      : over
        ? [issueOf('none-left', 'animals', { alive: alive.value })]
        : []),
    ...(mass && !mass.ok ? mass.issues : []),
    ...(money && !money.ok ? money.issues : []),
  ].map((i) => fieldIssue(i.field, sayIssue(i, words.says.value)))
  if (!count.ok || issues.value.length > 0) return
  say({
    ...{ kind: 'downgrade', what: fresh.what, animals: count.value },
    shown: mass?.ok ? mass.value : null,
    lost: money?.ok ? Math.max(0, money.value) : Math.max(0, usual),
    lesson: fresh.lesson.trim() || null,
  })
  Object.assign(fresh, { animals: '1', mass: '', lost: '', lesson: '' })
}
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
    <TextField id="down-lesson" v-model="fresh.lesson" class="wide" label="Next time" />
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
