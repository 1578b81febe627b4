<script setup lang="ts">
import Button from 'primevue/button'
import SelectButton from 'primevue/selectbutton'
import { computed, onScopeDispose, ref } from 'vue'
import type { Devices } from '#contracts'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import type { useDevices } from '../../state/devices.ts'

/** Letting a device in: the code to type, the same as a picture to scan, and how long it is good for. */
const { devices, open } = defineProps<{ devices: Devices; open: ReturnType<typeof useDevices> }>()
const MAY = [
  { floor: true, word: 'Floor only' },
  { floor: false, word: 'Everything' },
]
const floor = ref(devices.code?.floor ?? true)
const issues = ref<FieldIssue[]>([])
const clock = ref(Date.now())
const ticking = setInterval(() => (clock.value = Date.now()), 1000)
onScopeDispose(() => clearInterval(ticking))

const left = computed(() =>
  devices.code ? Math.ceil((Date.parse(devices.code.until) - clock.value) / 1000) : 0,
)
const code = computed(() => (left.value > 0 ? devices.code : null))
const address = ref(0)
const link = computed(() => code.value?.links[address.value] ?? code.value?.links[0])
const plain = (url: string) => url.replace(/\/#.*/, '')
const picture = computed(() => `data:image/svg+xml,${encodeURIComponent(link.value?.picture ?? '')}`)
async function make() {
  issues.value = await open.makeCode(floor.value)
  clock.value = Date.now()
}
</script>

<template>
  <p v-if="devices.addresses.length === 0" class="muted">
    Ekko answers only the machine it runs on. To let a tablet of your network in, start it with
    <code>npm start -- --lan</code> (the demo: <code>npm run demo -- --lan</code>) while the machine is on
    that network.
  </p>
  <template v-else>
    <div class="row">
      <SelectButton
        v-model="floor"
        :options="MAY"
        option-label="word"
        option-value="floor"
        :allow-empty="false"
        size="small"
        aria-label="What the next device may do"
      />
      <Button
        size="small"
        icon="pi pi-mobile"
        :outlined="!!code"
        :label="code ? 'Make another code' : 'Let a device in'"
        @click="make"
      />
    </div>
    <FieldIssues :issues="issues" />
    <div v-if="code && link" class="code" role="status">
      <img :src="picture" alt="The address and the code, to scan" width="148" height="148" />
      <div class="stack">
        <p>Scan it with the device, or open <b class="address">{{ plain(link.url) }}</b> there and type</p>
        <p class="digits" data-testid="code">{{ code.code.slice(0, 3) }} {{ code.code.slice(3) }}</p>
        <p class="muted">
          Lets one device in, {{ code.floor ? 'for the floor only' : 'for everything' }}. Good for
          {{ Math.floor(left / 60) }}:{{ String(left % 60).padStart(2, '0') }} more.
        </p>
        <p v-if="code.links.length > 1" class="row">
          <span class="muted">It does not open there?</span>
          <Button
            v-for="(l, i) in code.links"
            :key="l.url"
            size="small"
            text
            :label="plain(l.url)"
            :disabled="l === link"
            @click="address = i"
          />
        </p>
      </div>
    </div>
    <p class="caution">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" /><span
        >Only on a network of your own that has a password: what passes over it is not sealed.</span
      >
    </p>
  </template>
</template>

<style scoped>
.code {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1rem;
  align-items: center;
  padding: 0.75rem;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
}
.code img {
  background: #fff;
}
.code .stack {
  gap: 0.3rem;
}
.address {
  overflow-wrap: anywhere;
}
.digits {
  font: 700 2.4rem var(--head);
  letter-spacing: 0.06em;
}
</style>
