<script setup lang="ts">
import { computed } from 'vue'
import { oneMoreIn, worked } from '../../state/figures.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import FoldedPane from '../../pieces/FoldedPane.vue'

/** What one more of each would change of what is left over: where a little more pays most. */
const { central, by, flow, state, farmFigures } = useReading()
const words = useWords()
const { found } = worked(
  () =>
    central.value.weights && central.value.money.costs.total > 0
      ? { hash: by.value!, flow: flow.value!, state: state.value!, farm: farmFigures.value }
      : null,
  oneMoreIn,
)
const rows = computed(() => {
  const f = found.value
  if (!f) return []
  const unit = words.unit.value
  return [
    { id: 'hanging', says: `One ${unit} more on the rail`, worth: f.hanging },
    { id: 'dressing', says: 'One point of dressing more', worth: f.dressing },
    { id: 'price', says: `${words.money(1)}/${unit} more on every price`, worth: f.price },
    { id: 'day', says: 'One day of hanging longer', worth: f.day },
  ].filter((r) => r.worth !== null)
})
const best = computed(() => rows.value.find((r) => r.id === 'hanging'))
</script>

<template>
  <FoldedPane
    v-if="rows.length > 0"
    title="What one more is worth"
    :says="
      best ? `${best.says.toLowerCase()}: ${words.moneyChange(best.worth!)}` : 'of weight, price and time'
    "
  >
    <table class="plain" data-testid="one-more">
      <tbody>
        <tr v-for="r in rows" :key="r.id">
          <td>{{ r.says }}</td>
          <td class="right nowrap">{{ words.moneyChange(r.worth!) }}</td>
        </tr>
      </tbody>
    </table>
  </FoldedPane>
</template>
