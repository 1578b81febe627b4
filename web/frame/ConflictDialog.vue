<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import type { Clash } from '#contracts'
import { CHECK_POINTS } from '#core/hand'
import { finishKind, hungWords, sayPortion } from '#core/plan'
import { readBy, type Decision, type FactBody } from '#core/records'
import { ruleOf } from '#core/rules'
import { useFarm } from '../state/farm.ts'
import { useLots } from '../state/lots.ts'
import { END_WORDS, useWords } from '../state/words.ts'

const store = useFarm()
const lots = useLots()
const words = useWords()
void lots.open(store.conflict!.lot)
const anatomy = computed(() => {
  const lot = lots.lots.get(store.conflict?.lot ?? '')
  return lot ? lots.flows.get(readBy(lot))?.anatomy : undefined
})

const nameOf = (id: string): string | null => {
  const {
    parts = [],
    cuts = [],
    lines = [],
    conventions = [],
    measures = [],
    types = [],
  } = anatomy.value ?? {}
  const named = [...parts, ...cuts, ...lines, ...conventions, ...measures, ...types].find((x) => x.id === id)
  return named ? words.name(named.names) : null
}
interface Said {
  what: string
  value: string
}
/** A decision in the farm's words. */
function sayDecision(d: Decision): Said {
  const side = d.side === 'animal' ? '' : `, ${d.side} side`
  const what = `${nameOf(d.target) ?? d.field}${side}: ${d.field}`
  if (d.field === 'anatomy')
    return { what: 'Figures', value: d.value === null ? 'those it was hung with' : 'newer ones' }
  if (d.value === null) return { what, value: 'the usual' }
  if (d.field === 'portion') return { what, value: sayPortion(d.value, words.says.value, lots.figures.pack) }
  if (d.field === 'split') {
    const way = anatomy.value?.paths.find((p) => p.id === d.value!.path)
    const percent = Math.round(d.value.at * 100)
    return { what, value: `behind ${percent} %: ${way ? words.name(way.names) : d.value.path}` }
  }
  if (d.field === 'aim')
    return {
      what: 'What is aimed at',
      value:
        d.value.kind === 'margin' ? words.percent(d.value.share) : `${words.money(d.value.amount)} an hour`,
    }
  if (d.field === 'finish') return { what, value: d.value.map((f) => finishKind(f.finish).word).join(', ') }
  if (d.field === 'own') {
    const at = d.value.at ? `, counted at ${words.price(d.value.at)}` : ''
    return { what, value: `${words.percent(d.value.share)}${at}` }
  }
  if (d.field === 'order')
    return { what: 'The order of steps', value: `${d.value.length} steps put in order` }
  if (d.field === 'crew')
    return { what: 'Who is there', value: d.value.map((p) => `${p.name} ${p.from}–${p.until}`).join(', ') }
  if (d.field === 'birdDay') return { what: 'The day', value: `from ${d.value.begins}` }
  if (d.field === 'raise')
    return {
      what: 'Raised to',
      value: `${d.value.shown.value} ${d.value.shown.unit}, ${words.percent(d.value.share)} of them`,
    }
  if (d.field === 'classes')
    return { what: 'Size classes', value: d.value.map((x) => `${x.value} ${x.unit}`).join(', ') }
  if (typeof d.value === 'object') return { what, value: words.price(d.value) }
  const path = d.field === 'path' ? anatomy.value?.paths.find((p) => p.id === d.value) : undefined
  return { what, value: path ? words.name(path.names) : String(d.value) }
}
/** A fact in the farm's words. */
function sayFact(f: FactBody): Said {
  switch (f.kind) {
    case 'cost':
      return { what: 'A cost', value: `${f.label} ${words.money(f.amount)}` }
    case 'fee':
      return { what: `Fee: ${f.fee}`, value: `${words.money(f.amount)} per ${f.per}` }
    case 'tick':
      return { what: `${nameOf(f.of) ?? f.of}: done`, value: 'yes' }
    case 'medicine':
      return { what: `Medicine: ${f.name}`, value: `given ${f.given}, withdrawal until ${f.until}` }
    case 'animal': {
      const weights = [
        f.live && `${f.live.value} ${f.live.unit} live`,
        f.hot && `${f.hot.value} ${f.hot.unit} hot`,
      ]
      return { what: `Animal ${f.mark}`, value: weights.filter(Boolean).join(', ') || 'named' }
    }
    case 'temperature':
      return { what: `Temperature, ${f.where}`, value: `${f.c} °C` }
    case 'acceptance':
      return { what: 'Acceptance', value: f.condition ?? f.condemned ?? 'as found' }
    case 'icing':
      return { what: 'Ice filled up', value: f.shown ? `${f.shown.value} ${f.shown.unit}` : f.at }
    case 'loss':
      return { what: 'Lost', value: `${f.animals} on ${f.day}` }
    case 'sample':
      return { what: 'A sample weighed', value: `${f.shown.length} on ${f.day}` }
    case 'scald':
      return { what: 'A load scalded', value: `${f.birds} at ${f.c} °C` }
    case 'downgrade':
      return { what: 'Worth less', value: `${f.animals}, ${words.money(f.lost)}` }
    case 'passed':
      return { what: 'Through', value: `${f.animals}, ${f.station}` }
    case 'stopped':
      return { what: 'Stood still', value: `${f.station}: ${f.why}` }
    case 'void':
      return { what: `Pack ${f.pack}: voided`, value: f.why }
    case 'attachment':
      return { what: 'Attached', value: f.name }
    case 'check':
      return { what: `${nameOf(f.of) ?? f.of}: ${CHECK_POINTS[f.check].word}`, value: `signed ${f.by}` }
    case 'fault':
      return { what: `${nameOf(f.of) ?? f.of}: ${f.what}`, value: f.lesson ?? f.cause }
    case 'work':
      return { what: `${nameOf(f.of) ?? f.of}: ${f.did}`, value: f.by }
    case 'closing':
      return { what: 'The block card', value: `closed by ${f.by}` }
    case 'withdrawal':
      return { what: 'The lot', value: 'taken off the rail' }
    case 'observation':
      switch (f.what) {
        case 'route':
          return { what: 'How it is slaughtered', value: ruleOf(f.value)!.label }
        case 'mark':
          return { what: 'Tag or ear number', value: f.value }
        case 'plant':
          return { what: 'Where it is killed', value: f.value }
        case 'killed':
          return { what: 'Day of kill', value: f.value }
        case 'end':
          return { what: 'How it came to its end', value: END_WORDS[f.value] }
        case 'start':
          return { what: 'Weighed when it came', value: `${f.shown.value} ${f.shown.unit} on ${f.day}` }
        case 'born':
          return { what: 'Born', value: f.value }
        case 'vet':
          return { what: 'Vet', value: f.value }
        case 'disposal':
          return { what: 'Where it went', value: f.value }
        case 'mother':
          return { what: 'What it is of', value: f.value }
        case 'hangs': {
          const hung = anatomy.value && hungWords(anatomy.value, f.value)
          return { what: 'What hangs', value: hung ? words.name(hung) : f.value.as }
        }
        case 'type':
          return { what: 'What animal it is', value: nameOf(f.value) ?? 'not sure' }
        case 'part':
        case 'cut-away': {
          const what = f.what === 'part' ? 'weighed' : 'cut away'
          return { what: `${nameOf(f.of) ?? f.of}: ${what}`, value: `${f.shown.value} ${f.shown.unit}` }
        }
        case 'ribs':
          return { what: 'Ribs counted', value: String(f.value) }
        case 'measure':
          return { what: nameOf(f.of) ?? f.of, value: String(f.value) }
        case 'dressing': {
          const c = anatomy.value?.conventions.find((x) => x.id === f.of)
          return { what: nameOf(f.of) ?? f.of, value: (f.value ? c?.on : c?.off) ?? String(f.value) }
        }
      }
  }
}
const say = (said: Clash['mine']): Said => {
  if (said === null) return { what: '', value: 'taken away' }
  return 'field' in said ? sayDecision(said) : sayFact(said)
}
const undoing = computed(() => ('undo' in store.conflict!.of ? store.conflict!.of : null))
const isUndo = computed(() => undoing.value !== null)
const isRedo = computed(() => undoing.value?.how === 'redoes')
/** The device theirs was decided on, where it has a name. */
const name = computed(() => store.names[store.conflict!.conflicts[0]!.by ?? ''] ?? null)
const other = computed(() => (name.value ? `“${name.value}”` : 'another window'))
const rows = computed(() =>
  store.conflict!.conflicts.map((c) => ({
    what: say(c.mine ?? c.theirs).what,
    mine: say(c.mine).value,
    theirs: say(c.theirs).value,
  })),
)
</script>

<template>
  <Dialog
    visible
    modal
    :closable="false"
    :header="isUndo ? 'Decided since by another' : 'Changed in two windows'"
    :style="{ width: '36rem' }"
  >
    <p v-if="isUndo">
      What would be {{ isRedo ? 'brought back' : 'taken back' }} here, {{ other }} has decided since. Nothing
      was changed. Which shall count?
    </p>
    <p v-else>
      While this page was deciding, {{ other }} decided the same thing differently. Nothing was overwritten.
      Which shall count?
    </p>
    <table class="plain" style="margin: 1rem 0">
      <thead>
        <tr>
          <th>About</th>
          <th>{{ isUndo ? (isRedo ? 'Brought back' : 'Taken back') : 'Here' }}</th>
          <th>{{ name ? `On ${name}` : 'In the other window' }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.what">
          <td>{{ r.what }}</td>
          <td>
            <b>{{ r.mine }}</b>
          </td>
          <td>
            <b>{{ r.theirs }}</b>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row" style="justify-content: flex-end">
      <Button
        :label="name ? `Keep that of ${name}` : 'Keep the other window’s'"
        severity="secondary"
        outlined
        @click="lots.settle('theirs')"
      />
      <Button
        :label="isUndo ? 'Set it as it was' : 'Take what was decided here'"
        @click="lots.settle('mine')"
      />
    </div>
  </Dialog>
</template>
