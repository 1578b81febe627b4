<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { decideBy, doorsOf, type Door } from '#core/reading'
import PaperButtons from '../../pieces/PaperButtons.vue'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What the plant must know before the kill: each choice, what it shuts, what the other would change; and the sheet for the plant. */
const { lot, read, flow, state, farmFigures, priced, decide, note } = useReading()
const words = useWords()
const doors = computed(() => doorsOf(flow.value!, state.value!, farmFigures.value, read.value))
const last = computed(() => decideBy(read.value.plan.killed))
const MOST = 5
const list = (names: Door['shut']) => {
  const said = names.slice(0, MOST).map((n) => words.name(n).toLowerCase())
  return names.length > MOST ? `${said.join(', ')} and ${names.length - MOST} more` : said.join(', ')
}
function take(door: Door) {
  for (const said of door.said) {
    if ('kind' in said) note(said)
  }
  decide(...door.said.flatMap((said) => ('field' in said ? [said] : [])))
}
</script>

<template>
  <div class="stack">
    <p class="row">
      <span v-if="last"><b>Last day to decide: {{ last }}</b>, the day before the kill.</span>
      <span v-else class="muted">Say the day of kill above, and the last day to decide stands here.</span>
      <span style="flex: 1" />
      <PaperButtons :lot="lot!.id" place="booking" />
    </p>
    <div class="scroll" role="region" aria-label="Doors and what each shuts" tabindex="0">
      <table class="plain doors">
        <thead>
          <tr>
            <th>Door</th>
            <th>As booked</th>
            <th>Cannot be had so</th>
            <th>The other way</th>
            <th class="right">Take-home</th>
            <th v-if="priced" class="right">Money</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="d in doors" :key="d.id" :data-door="d.id">
            <th scope="row">{{ words.name(d.names) }}</th>
            <td>{{ d.is }}</td>
            <td>
              <span v-if="d.shut.length > 0"
                ><i class="pi pi-lock" aria-hidden="true" /> {{ list(d.shut) }}</span
              ><span v-else class="muted">nothing</span>
            </td>
            <td>
              <Button
                text
                size="small"
                :label="d.other"
                :aria-label="`${words.name(d.names)}: ${d.other}`"
                @click="take(d)"
              />
              <small v-if="d.wouldShut.length > 0" class="muted block"
                >would shut {{ list(d.wouldShut) }}</small
              >
            </td>
            <td class="right">{{ words.massChange(d.takeHome) }}</td>
            <td v-if="priced" class="right">{{ words.moneyChange(d.money) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.doors th[scope='row'] {
  text-align: left;
  font-weight: 600;
  vertical-align: top;
  border-bottom: 1px solid var(--rule);
}
.doors td {
  vertical-align: top;
}
.block {
  display: block;
  padding-left: 0.6rem;
}
</style>
