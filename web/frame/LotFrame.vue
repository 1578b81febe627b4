<script setup lang="ts">
import Button from 'primevue/button'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { withEverySpecies } from '../state/species.ts'
import { useRoute, useRouter } from 'vue-router'
import { readFacts } from '#core/plan'
import { isOfGroup, isOfWhole, stationOf, STATIONS } from '../stations/registry.ts'
import { useFarm } from '../state/farm.ts'
import { useLots } from '../state/lots.ts'
import { useKeys } from '../state/keys.ts'
import { useEquipment } from '../state/bench.ts'
import { provideLot } from '../state/lot.ts'
import NotFood from '../pieces/NotFood.vue'
import OtherLots from './OtherLots.vue'
import PlaceHead from './PlaceHead.vue'
import SaveState from './SaveState.vue'
import StationTabs from './StationTabs.vue'
import TheStair from './TheStair.vue'

const GroupTabs = defineAsyncComponent(() => import('./GroupTabs.vue'))
const GroupsView = defineAsyncComponent(() => import('../stations/block/GroupsView.vue'))
const KeysDialog = defineAsyncComponent(() => import('./KeysDialog.vue'))
const FindDialog = defineAsyncComponent(() => withEverySpecies(import('./FindDialog.vue')))
const MoveUpDialog = defineAsyncComponent(() => import('./MoveUpDialog.vue'))
const route = useRoute()
const router = useRouter()
const store = useFarm()
const lots = useLots()
const open = provideLot(
  () => String(route.params.id),
  () => isOfWhole(route.name),
)
const { by, lot, alive, reading, groups, group, undoable, redoable, undo, redo } = open
useEquipment()
const helping = ref(false)
const finding = ref(false)
const moving = ref(false)
/** Figures a lot hung now would be read by, where this one is read by others. */
const newer = computed(() => {
  const today = lot.value && store.today?.[lot.value.species]
  return today && today !== by.value ? today : null
})
/** Nothing of a casualty is cut or packed. */
const isLost = computed(
  () =>
    !!reading.value && !reading.value.plan.verdict.food && ['block', 'pack'].includes(stationOf(route.name)),
)
const isOff = computed(() => !!lot.value && readFacts(lot.value.facts).withdrawn)

/** Where the last key led, so that two quick ones go two stations even while the first still loads. */
const heading = ref(stationOf(route.name))
watch(
  () => route.name,
  (name) => (heading.value = stationOf(name)),
)
function step(by: number) {
  const next = STATIONS[STATIONS.findIndex((s) => s.id === heading.value) + by]?.id
  if (!next) return
  heading.value = next
  void router.push({ name: next })
}
useKeys(() => ({
  '[': () => step(-1),
  ']': () => step(1),
  u: undo,
  'Shift+U': redo,
  'Ctrl+z': undo,
  'Ctrl+Shift+Z': redo,
  'Ctrl+Shift+z': redo,
  w: () => void router.push({ name: 'pack', query: { weigh: '1' } }),
  '?': () => (helping.value = true),
  '/': () => (finding.value = true),
}))
</script>

<template>
  <p v-if="!lot && !lots.missing.has(String(route.params.id))" class="station" role="status">
    Opening the lot…
  </p>
  <div v-else-if="!lot">
    <PlaceHead title="No such lot" />
    <main id="main" style="padding: 1.5rem">
      <p>
        This farm has no lot with that number.
        <RouterLink :to="{ name: 'rail' }">Go back to the rail</RouterLink> and choose one.
      </p>
    </main>
  </div>
  <div v-else class="frame">
    <header class="strip">
      <RouterLink :to="{ name: 'rail' }" class="back" aria-label="The rail"
        ><i class="pi pi-arrow-left" aria-hidden="true" /> <span>The rail</span></RouterLink
      >
      <OtherLots :id="lot.id" :tag="lot.tag" :count="alive" />
      <StationTabs />
      <span style="flex: 1" />
      <SaveState />
      <Button
        text
        size="small"
        class="tool"
        icon="pi pi-undo"
        label="Undo"
        :disabled="!undoable"
        @click="undo"
      />
      <Button
        text
        size="small"
        class="tool"
        icon="pi pi-refresh"
        label="Redo"
        :disabled="!redoable"
        @click="redo"
      />
      <Button text size="small" icon="pi pi-search" aria-label="Find" @click="finding = true" />
      <Button
        text
        size="small"
        icon="pi pi-question"
        class="keys"
        aria-label="Keys"
        @click="helping = true"
      />
    </header>
    <GroupTabs v-if="groups.length > 0 && !isOfWhole(route.name)" />
    <TheStair />
    <p v-if="isOff" class="note" role="note">
      <i class="pi pi-info-circle" aria-hidden="true" /> {{ lot.tag }} is taken off the rail.
      <Button
        text
        size="small"
        label="Hang it again"
        :aria-label="`Hang it again: ${lot.tag}`"
        @click="lots.hangAgain(lot.id)"
      />
    </p>
    <p v-if="newer || lots.oldPins.has(by!)" class="note" role="note">
      <i class="pi pi-history" aria-hidden="true" />
      <template v-if="lots.oldPins.has(by!)">
        Its figures are those of an earlier Ekko: what each cut weighs stays as it was then; pieces, likely
        ranges and minutes follow today’s rules.
      </template>
      <template v-else>It is read by the figures of the day it was hung; there are newer ones.</template>
      <Button v-if="newer" text size="small" label="What would they change?" @click="moving = true" />
    </p>
    <main v-if="reading" id="main" class="station" :data-station="route.name">
      <NotFood v-if="isLost" />
      <GroupsView v-else-if="groups.length > 0 && group === null && isOfGroup(route.name)" />
      <RouterView v-else />
    </main>
    <p v-else class="station" role="status">Reading the carcass…</p>
    <MoveUpDialog v-if="moving && newer" :to="newer" @close="moving = false" />
    <KeysDialog v-if="helping" @close="helping = false" />
    <FindDialog v-if="finding" @close="finding = false" />
  </div>
</template>

<style scoped>
.frame {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
.strip {
  display: flex;
  align-items: center;
  gap: 0.9rem;
  min-height: 40px;
  padding: 0 1rem;
  border-bottom: 5px solid var(--ink);
}
.note {
  margin: 0;
  padding: 0.3rem 1rem;
  color: var(--muted);
  border-bottom: 1px solid var(--rule, #d9ceba);
}
.note i {
  margin-right: 0.4rem;
}
.back {
  font-weight: 600;
  text-decoration: none;
  white-space: nowrap;
}
.station {
  flex: 1;
  padding: 0.8rem 1rem 1rem;
}
@media (max-width: 900px) {
  .strip {
    gap: 0.3rem 0.5rem;
    padding: 0 0.6rem;
  }
  .strip :deep(.tool .p-button-label) {
    display: none;
  }
}
@media (max-width: 700px) {
  .strip {
    flex-wrap: wrap;
    min-height: 44px;
    border-bottom-width: 3px;
  }
  .back span,
  .strip :deep(.keys) {
    display: none;
  }
  .station {
    padding: 0.6rem 0.6rem 1rem;
  }
}
</style>
