<script setup lang="ts">
import Button from 'primevue/button'
import { SELLS } from '#core/reading'
import { cheapEndIn } from '../../state/figures.ts'
import { workedOnLot } from '../../state/workedOnLot.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PriceTabs from './PriceTabs.vue'

/** Parts that sell near nothing, and what could be made of each: what that leaves over, and what it lets the dear cuts drop. */
const { read, decide } = useReading()
const words = useWords()
const { found, work, isSplit } = workedOnLot(cheapEndIn)
const sideWords = (sides: readonly string[]) =>
  sides.length === 1 && sides[0] !== 'animal' ? `, ${sides[0]!} side` : ''
</script>

<template>
  <PriceTabs />
  <div class="stack">
    <div class="pane-head">
      <h2>The cheap end</h2>
      <span class="muted">what sells near nothing, made something that sells</span>
    </div>
    <p v-if="!read.weights" class="muted">
      Nothing has a weight yet. <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink> first.
    </p>
    <p v-else-if="isSplit" class="muted">
      This lot is cut in groups. Its ways are compared group by group:
      <RouterLink :to="{ name: 'block' }">look at them on the Block</RouterLink>.
    </p>
    <p v-else-if="work === 'working'" class="muted" role="status">Trying every way of every part…</p>
    <p v-else-if="work === 'failed'" class="field-issue" role="alert">
      This could not be worked out. Reload the page; nothing was changed.
    </p>
    <template v-else-if="found">
      <p>
        The extra is what is left once the packs, fees and hours it takes are paid, with only
        {{ words.percent(SELLS) }} of what it brings counted: new things sell slowly.
      </p>
      <p v-if="found.length === 0" class="muted" data-testid="no-lift">
        Nothing that sells near nothing here would leave more over another way: at these prices its work is
        not paid.
      </p>
      <div v-else class="scroll">
        <table class="plain" data-testid="lifts">
          <thead>
            <tr>
              <th>Part</th>
              <th>Now</th>
              <th>Made</th>
              <th class="right">Near nothing</th>
              <th class="right">After</th>
              <th class="right">Bench</th>
              <th class="right">Packs</th>
              <th class="right">Extra</th>
              <th class="right">Dear cuts could drop</th>
              <th><span class="visually-hidden">Take it</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in found" :key="l.part + l.sides.join()" :data-lift="l.part">
              <td><b>{{ words.name(l.names) }}</b>{{ sideWords(l.sides) }}</td>
              <td>{{ words.name(l.from) }}</td>
              <td>{{ words.name(l.to) }}</td>
              <td class="right nowrap">
                <span class="estimate">{{ words.mass(l.cheapKg) }}</span>
              </td>
              <td class="right nowrap">
                <span class="estimate">{{ words.mass(l.leftKg) }}</span>
              </td>
              <td class="right nowrap">{{ words.change(Math.round(l.minutes), 'min') }}</td>
              <td class="right">{{ words.change(l.packs, '') }}</td>
              <td class="right nowrap">
                <span class="up">{{ words.moneyChange(l.extra) }}</span
                ><template v-if="l.between"
                  ><br /><small class="muted">{{ words.moneyRange(l.between) }}</small></template
                >
              </td>
              <td class="right nowrap">{{ words.percent(l.drop) }}</td>
              <td>
                <Button
                  text
                  size="small"
                  label="Take it"
                  :aria-label="`Take it: ${words.name(l.to)} for ${words.name(l.names)}`"
                  @click="decide(...l.said)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <small class="muted"
        >Each is by itself, with the rest of the plan as it is. Taking one can be undone; the others are then
        worked out anew.</small
      >
    </template>
  </div>
</template>

<style scoped>
.up {
  color: var(--covered);
  font-weight: 700;
}
</style>
