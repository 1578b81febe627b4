<script setup lang="ts">
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import { computed } from 'vue'
import type { Portion } from '#core/anatomy'
import type { Decision } from '#core/plan'
import { useFarm } from '../state/farm.ts'
import { useWords } from '../state/words.ts'

const store = useFarm()
const words = useWords()
const anatomy = computed(() => {
  const lot = store.lots.get(store.conflict?.pending.lot ?? '')
  return lot ? store.flows.get(lot.anatomy)?.anatomy : undefined
})

function sayPortion(p: Portion): string {
  if (p.kind === 'sawn') return `${p.thicknessMm} mm thick, ${p.perPack} to a pack`
  if (p.kind === 'roast') return `${words.mass(p.kg)} each`
  if (p.kind === 'pack') return `${words.mass(p.kg)} a pack`
  return `${p.perPack} to a pack`
}
/** A decision in the farm's words. */
function say(d: Decision): { what: string; value: string } {
  const named = [
    ...(anatomy.value?.parts ?? []),
    ...(anatomy.value?.cuts ?? []),
    ...(anatomy.value?.lines ?? []),
  ].find((x) => x.id === d.target)
  const side = d.side === 'animal' ? '' : `, ${d.side} side`
  const path = d.field === 'path' ? anatomy.value?.paths.find((p) => p.id === d.value) : undefined
  const value =
    d.value === null
      ? 'the usual'
      : path
        ? words.name(path.names)
        : typeof d.value === 'object'
          ? 'kind' in d.value
            ? sayPortion(d.value)
            : 'minor' in d.value
              ? words.price(d.value)
              : 'label' in d.value
                ? `${d.value.label} ${words.money(d.value.amount)}`
                : words.money(d.value.amount)
          : String(d.value)
  return { what: `${named ? words.name(named.names) : d.field}${side}: ${d.field}`, value }
}
</script>

<template>
  <Dialog visible modal :closable="false" header="Changed in two windows" :style="{ width: '36rem' }">
    <p>
      While this page was deciding, another window decided the same thing differently. Nothing was
      overwritten. Which shall count?
    </p>
    <table class="plain" style="margin: 1rem 0">
      <thead>
        <tr>
          <th>About</th>
          <th>Here</th>
          <th>In the other window</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in store.conflict!.conflicts" :key="c.seq">
          <td>{{ say(c.mine).what }}</td>
          <td>
            <b>{{ say(c.mine).value }}</b>
          </td>
          <td>
            <b>{{ say(c.theirs).value }}</b>
          </td>
        </tr>
      </tbody>
    </table>
    <div class="row" style="justify-content: flex-end">
      <Button label="Keep the other window’s" severity="secondary" outlined @click="store.settle('theirs')" />
      <Button label="Take what was decided here" @click="store.settle('mine')" />
    </div>
  </Dialog>
</template>
