<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import ToggleSwitch from 'primevue/toggleswitch'
import { computed, onMounted, reactive, ref, watch } from 'vue'
import type { Device, Logged } from '#contracts'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { ME } from '../../state/device.ts'
import { useDevices } from '../../state/devices.ts'
import { useFarm } from '../../state/farm.ts'
import { useWords } from '../../state/words.ts'
import LetDeviceIn from './LetDeviceIn.vue'

/** The devices of the farm as tags on its beam: who is in, what each may do, and taking one off. */
const words = useWords()
const store = useFarm()
const open = useDevices()
const { devices, failed } = open
onMounted(open.load)
// A device came in or was changed elsewhere.
watch(() => store.names, open.load)

const isIn = (d: Device) => d.withdrawn === null
const inside = computed(() => devices.value?.devices.filter(isIn) ?? [])
const gone = computed(() => devices.value?.devices.filter((d) => !isIn(d)) ?? [])
const isHere = (d: Device) => !devices.value!.you.machine && d.id === ME.device

function sayLogged({ what, about }: Logged): string {
  const who = `“${String(about.name ?? 'a device')}”`
  switch (what) {
    case 'let in':
      return `${who} was let in, ${about.floor ? 'for the floor only' : 'for everything'}.`
    case 'withdrawn':
      return `${who} was withdrawn.`
    case 'brought back':
      return `A copy took the place of the records; those lie as ${String(about.aside)} and ${String(about.kept)}.`
    case 'recovered':
      return `Cut off; brought back as they stood at ${words.instant(String(about.to))}.`
    case 'cleared':
      return `${String(about.aside)} was cleared from the disk.`
  }
}
const picked = ref<string | null>(null)
const form = reactive({ name: '', floor: false })
const asked = ref(false)
const issues = ref<FieldIssue[]>([])
function pick(d: Device) {
  picked.value = picked.value === d.id ? null : d.id
  Object.assign(form, { name: d.name, floor: d.floor })
  asked.value = false
  issues.value = []
}
async function save() {
  issues.value = await open.change(picked.value!, { ...form })
  if (issues.value.length === 0) picked.value = null
}
async function withdraw() {
  if (!asked.value) return void (asked.value = true)
  issues.value = await open.withdraw(picked.value!)
  if (issues.value.length === 0) picked.value = null
}
</script>

<template>
  <section class="stack devices" aria-labelledby="devices-title">
    <div class="pane-head"><h2 id="devices-title">Devices</h2></div>
    <p v-if="failed" class="field-issue" role="alert">{{ failed }}</p>
    <p v-else-if="!devices" class="muted" role="status">Looking for the devices…</p>
    <template v-else>
      <ul class="tags">
        <li>
          <div class="tag machine">
            <b>This farm’s machine</b>
            <small>holds the records; always in</small>
          </div>
        </li>
        <li v-for="d in inside" :key="d.id">
          <button type="button" class="tag" :aria-expanded="picked === d.id" @click="pick(d)">
            <b>{{ d.name }}</b>
            <small>{{ d.floor ? 'floor only' : 'may do everything' }}</small>
            <small class="muted">{{
              isHere(d) ? 'the one you hold' : d.seen ? `last here ${words.instant(d.seen)}` : 'not yet here'
            }}</small>
          </button>
        </li>
      </ul>
      <form v-if="picked" class="change" novalidate @submit.prevent="save">
        <div class="field">
          <label for="device-name">Name</label>
          <InputText id="device-name" v-model="form.name" size="small" :maxlength="40" />
        </div>
        <label class="row"
          ><ToggleSwitch v-model="form.floor" /> Floor only: the block card, weighing and packing</label
        >
        <FieldIssues :issues="issues" />
        <div class="row">
          <Button
            type="submit"
            size="small"
            :outlined="asked"
            label="Save the device"
            :disabled="!form.name.trim()"
          />
          <Button
            size="small"
            :outlined="!asked"
            icon="pi pi-ban"
            :label="asked ? 'Withdraw it now' : 'Withdraw'"
            @click="withdraw"
          />
        </div>
        <p v-if="asked" class="muted" role="status">
          It hears and sends nothing more from that moment. What it kept stays in the records; what it still
          holds is sent once it is let in again, with a new code.
        </p>
      </form>
      <LetDeviceIn :devices="devices" :open="open" />
      <details v-if="gone.length > 0">
        <summary>Withdrawn ({{ gone.length }})</summary>
        <ul class="gone">
          <li v-for="d in gone" :key="d.id">
            <b>{{ d.name }}</b> <span class="muted">{{ words.instant(d.withdrawn!) }}</span>
          </li>
        </ul>
      </details>
      <details v-if="devices.log.length > 0">
        <summary>Logbook: who came in, what was brought back ({{ devices.log.length }})</summary>
        <ul class="gone">
          <li v-for="l in devices.log" :key="l.at + l.what">
            <span class="muted">{{ words.instant(l.at) }}</span> {{ sayLogged(l) }}
          </li>
        </ul>
      </details>
    </template>
  </section>
</template>

<style scoped>
.devices {
  min-width: 0;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.1rem;
  list-style: none;
  margin: 0;
  padding: 0 0.75rem;
  border-top: 12px solid var(--ink);
}
.tags li {
  padding-top: 1.3rem;
  background: linear-gradient(var(--ink), var(--ink)) top / 3px 1.3rem no-repeat;
}
.tag {
  display: grid;
  gap: 0.1rem;
  justify-items: start;
  min-width: 8.5rem;
  min-height: 56px;
  padding: 0.5rem 0.7rem;
  font: inherit;
  color: inherit;
  text-align: left;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
}
button.tag {
  cursor: pointer;
}
.tag[aria-expanded='true'] {
  background: var(--ink);
  color: var(--sheet);
}
.tag[aria-expanded='true'] .muted {
  color: inherit;
}
.machine {
  border-style: double;
  border-width: 4px;
}
.change {
  display: grid;
  gap: 0.6rem;
  padding: 0.75rem;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
.gone {
  margin: 0.4rem 0 0;
  padding-left: 1.1rem;
}
</style>
