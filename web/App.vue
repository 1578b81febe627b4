<script setup lang="ts">
import Button from 'primevue/button'
import Toast from 'primevue/toast'
import { withEverySpecies } from './state/species.ts'
import { useToast } from 'primevue/usetoast'
import { defineAsyncComponent, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import AsideNote from './frame/AsideNote.vue'
import StandingNote from './frame/StandingNote.vue'
import { useHeadingFocus } from './frame/headingFocus.ts'
import { readRestricted } from '#core/exchange'
import type { StoredSheet } from '#core/records'
import { ask, barred } from './state/api.ts'
import { useFarm } from './state/farm.ts'
import { useKeys } from './state/keys.ts'
import { useScanner } from './state/scanner.ts'
import { floorPage } from './stations/registry.ts'

const LetIn = defineAsyncComponent(() => import('./frame/LetIn.vue'))
const FindDialog = defineAsyncComponent(() => withEverySpecies(import('./frame/FindDialog.vue')))
const ConflictDialog = defineAsyncComponent(() => import('./frame/ConflictDialog.vue'))
const store = useFarm()
const toast = useToast()
const here = useRoute()
const router = useRouter()
useHeadingFocus()
useScanner((number) => void router.push({ name: 'trace', params: { number } }), readOther)
/** A code of the restricted range says a cut and no pack: all that is there of it is shown. Any other is none of ours. */
async function readOther(code: string) {
  const said = readRestricted(code)
  const answer = said && (await ask<StoredSheet[]>('GET', '/sheets'))
  const sheets = answer?.kind === 'ok' ? answer.body : []
  const item = sheets
    .flatMap(({ body: b }) => (b.format === 'ekko-labels' && b.code.kind === 'ean13' ? [b] : []))
    .filter((b) => b.code.kind === 'ean13' && b.code.prefix === said!.prefix)
    .flatMap((b) => b.items)
    .find((i) => i.item === said!.item)
  if (item) return void router.push({ name: 'store', query: { cut: item.cut } })
  const detail = `${code} is no label of this farm. Scan the pack’s number, or type what stands under the bars.`
  toast.add({ severity: 'warn', summary: 'Not ours', detail, life: 9000 })
}
/** The same search everywhere: a lot's own frame opens it there, with the lot's parts first. */
const finding = ref(false)
useKeys(() => (here.params.id ? {} : { '/': () => (finding.value = true) }))
// What a device of the floor may not open leads to what it may.
watch(
  () => store.isFloor && floorPage(here.name),
  (name) => name && void router.replace({ name, params: here.params }),
)
onMounted(() => store.listen())
</script>

<template>
  <a class="skip" href="#main">Skip to the page</a>
  <LetIn v-if="barred" />
  <div v-if="store.state === 'loading' || (barred && store.state === 'failed')" class="wait" role="status">
    <div class="beam" />
    <p>Opening the farm’s records…</p>
  </div>
  <div v-else-if="store.state === 'failed'" class="wait" role="alert">
    <div class="beam" />
    <h1>The farm’s records do not open</h1>
    <p v-if="store.failure">{{ store.failure }}</p>
    <p v-else>
      This page reached no server. Start Ekko again with <code>npm start</code> or <code>npm run demo</code>,
      then try once more. Nothing is lost.
    </p>
    <Button label="Try again" icon="pi pi-refresh" @click="store.load()" />
  </div>
  <div v-else :inert="!!barred">
    <StandingNote />
    <AsideNote />
    <!-- A lot's frame is its own: what was picked in one animal means nothing in another. -->
    <RouterView v-slot="{ Component, route }">
      <component :is="Component" :key="String(route.params.id ?? '')" />
    </RouterView>
  </div>
  <ConflictDialog v-if="store.conflict" />
  <FindDialog v-if="finding" @close="finding = false" />
  <Toast position="bottom-left" />
</template>

<style scoped>
.wait {
  display: grid;
  gap: 1rem;
  justify-items: center;
  align-content: center;
  min-height: 100vh;
  padding: 2rem;
  text-align: center;
  max-width: 34rem;
  margin: 0 auto;
}
.beam {
  width: 220px;
  height: 10px;
  background: var(--ink);
  position: relative;
}
.beam::after {
  content: '';
  position: absolute;
  left: 50%;
  top: 10px;
  width: 14px;
  height: 22px;
  border: 3px solid var(--accent);
  border-top: 0;
  border-radius: 0 0 10px 10px;
}
</style>
