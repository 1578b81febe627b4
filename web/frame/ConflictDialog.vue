<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import type { Clash } from '#contracts'
import { sayRecord, type Sentence } from '#core/plan'
import { readBy } from '#core/records'
import { useFarm } from '../state/farm.ts'
import { useLots } from '../state/lots.ts'
import { useWords } from '../state/words.ts'

const store = useFarm()
const lots = useLots()
const words = useWords()
void lots.open(store.conflict!.lot)
const anatomy = computed(() => {
  const lot = lots.lots.get(store.conflict?.lot ?? '')
  return lot ? lots.flows.get(readBy(lot))?.anatomy : undefined
})

const say = (said: Clash['mine']): Sentence =>
  said === null
    ? { what: '', value: 'taken away' }
    : sayRecord(said, { says: words.says.value, pack: lots.figures.pack, anatomy: anatomy.value })
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
