<script setup lang="ts">
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { computed, ref } from 'vue'
import { drawUsual } from '#core/anatomy'
import { repeatedFaults } from '#core/hand'
import { faultItems, knownOf, linesOf } from '#core/practice'
import type { Species } from '#core/records'
import PlaceHead from '../../frame/PlaceHead.vue'
import { useBenchRows } from '../../state/bench.ts'
import { useFarm } from '../../state/farm.ts'
import { everySpecies } from '../../state/species.ts'
import { useWords } from '../../state/words.ts'
import SpeciesPick from '../cuts/SpeciesPick.vue'
import AskFault from './AskFault.vue'
import AskLine from './AskLine.vue'
import AskName from './AskName.vue'
import AskOrder from './AskOrder.vue'
import { usePracticeCarcass, useTries } from './usePractice.ts'

/** Lines placed on an unmarked carcass, parts named, a breakdown put in order, the fault spotted; what was missed is asked again. */
const store = useFarm()
const words = useWords()
const species = ref<Species>([...store.cards.values()].at(0)?.species ?? 'hog')
const { anatomy, read } = usePracticeCarcass(species)
type Kind = 'line' | 'name' | 'order' | 'fault'
const kind = ref<Kind>('line')
const KINDS = computed(() => [
  ...(linesOf(anatomy.value).length > 0 ? [{ v: 'line' as const, w: 'Place the lines' }] : []),
  { v: 'name' as const, w: 'Name the parts' },
  { v: 'order' as const, w: 'Put it in order' },
  { v: 'fault' as const, w: 'Spot the fault' },
])
const now = computed<Kind>(() => (KINDS.value.some((k) => k.v === kind.value) ? kind.value : 'name'))
/** Parts that are drawn, each once. */
const drawn = computed(() => [...new Set(drawUsual(anatomy.value).shapes.map((s) => s.parts[0]!))])
const items = computed(() => {
  const at = (id: string) => `${now.value}.${species.value}.${id}`
  switch (now.value) {
    case 'line':
      return linesOf(anatomy.value).map((l) => at(l.id))
    case 'name':
      return drawn.value.map(at)
    case 'order':
      return ['1', '2', '3', '4'].map(at)
    case 'fault':
      return faultItems().map((id) => `fault.${id}`)
  }
})
const { name, state, tries, asked, turn, next, tried } = useTries(() => items.value)
const id = computed(() => asked.value?.split('.').at(-1) ?? '')
const known = computed(() => items.value.map((i) => knownOf(tries.value, i)))
const score = computed(() => {
  const all = known.value
  const missed = all.filter((k) => k.missed).length
  return { seen: all.filter((k) => k.tries > 0).length, of: all.length, missed }
})
const { faults } = useBenchRows()
const repeated = computed(() => repeatedFaults(faults.value).slice(0, 8))
const stepName = (of: Species, step: string) => {
  const { parts, lines } = everySpecies()[of]
  const found = [...parts, ...lines].find((x) => x.id === step.replace(/^(free|line)-/, ''))
  return found ? words.name(found.names) : step
}
</script>

<template>
  <PlaceHead title="Practice">
    <span style="flex: 1" />
    <label class="row"
      >Who practises
      <InputText v-model="name" size="small" maxlength="12" class="by" placeholder="initials" />
    </label>
  </PlaceHead>
  <main id="main" class="practice">
    <div class="row">
      <SpeciesPick v-model="species" />
      <SelectButton
        :model-value="now"
        :options="KINDS"
        option-label="w"
        option-value="v"
        :allow-empty="false"
        aria-label="What is practised"
        @update:model-value="kind = $event"
      />
      <span class="muted" data-testid="score"
        >{{ score.seen }} of {{ score.of }} tried<template v-if="score.missed > 0"
          >, {{ score.missed }} to be asked again</template
        ></span
      >
    </div>
    <p v-if="state === 'failed'" class="field-issue" role="alert">
      What was tried before could not be read, so nothing is remembered now. Reload the page.
    </p>
    <p v-if="state === 'loading'" class="muted" role="status">Reading what was tried before…</p>
    <template v-else-if="asked">
      <AskLine
        v-if="now === 'line' && linesOf(anatomy).some((l) => l.id === id)"
        :key="turn"
        :read="read"
        :line="id"
        @tried="tried"
        @next="next"
      />
      <AskName
        v-else-if="now === 'name' && drawn.includes(id)"
        :key="turn"
        :anatomy="anatomy"
        :part="id"
        :drawn="drawn"
        @tried="tried"
        @next="next"
      />
      <AskOrder v-else-if="now === 'order'" :key="turn" :read="read" @tried="tried" @next="next" />
      <AskFault v-else-if="now === 'fault'" :key="turn" :action="id" @tried="tried" @next="next" />
    </template>
    <section v-if="repeated.length > 0" class="stack" data-testid="wrong-most">
      <div class="pane-head">
        <h2>What goes wrong here most</h2>
        <span class="muted">from the cards of all lots, at the prices of their days</span>
      </div>
      <div class="scroll" tabindex="0" role="group" aria-label="What goes wrong here most">
        <table class="plain">
          <thead>
            <tr>
              <th>At</th>
              <th>What</th>
              <th class="right">Times</th>
              <th class="right">Lost</th>
              <th>Learnt</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in repeated" :key="r.species + r.of + r.what">
              <td>
                {{ words.name(everySpecies()[r.species].names) }}:
                {{ stepName(r.species, r.of).toLowerCase() }}
              </td>
              <td>{{ r.what }}</td>
              <td class="right">{{ r.times }}</td>
              <td class="right">{{ words.money(r.lost) }}</td>
              <td>{{ r.lesson ?? '' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </section>
  </main>
</template>

<style scoped>
.practice {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  padding: 1rem 1.5rem;
  max-width: 1240px;
  margin: 0 auto;
}
.by {
  width: 7rem;
}
</style>
