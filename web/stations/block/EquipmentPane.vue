<script setup lang="ts">
import TextField from '../../pieces/TextField.vue'
import Button from 'primevue/button'
import Checkbox from 'primevue/checkbox'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { reactive } from 'vue'
import { SHEETS, STATIONS, type Equipment, type Station, type StoredSheet } from '#core/records'
import { useEquipment } from '../../state/bench.ts'
import { useForm } from '../../state/form.ts'

/** What the cutting room has: which station it makes, what goes through it, when it was sharpened, what is wrong with it, whose it is. */
const { sheets, state, keep, change, putAway } = useEquipment()
type Kept = StoredSheet<Equipment>
const {
  typed: draft,
  issues,
  at,
  keep: kept,
} = useForm('equipment', SHEETS.equipment.fields, () => ({
  ...{ name: '', station: 'table' as Station, makes: false },
  ...{ kgPerMinute: '', places: '', sharpened: '', borrowed: '' },
}))
const add = kept(({ places, ...said }) =>
  keep({
    ...{ format: 'ekko-equipment', version: 1, station: draft.station, makes: draft.makes, fault: null },
    ...said,
    ...(places !== null && { places }),
  }),
)
/** What is wrong with it is typed where it stands; nothing typed: it works again. */
const faults = reactive<Record<string, string>>({})
const says = (s: Kept) => faults[s.id] ?? s.body.fault ?? ''
const mend = (s: Kept, fault: string | null) => change(s, { ...s.body, fault })
async function setFault(s: Kept) {
  issues.value = await mend(s, says(s).trim() || null)
  if (issues.value.length === 0) delete faults[s.id]
}
const sharpen = (s: Kept, day: string) => change(s, { ...s.body, sharpened: day || null })
</script>

<template>
  <section class="stack" data-testid="equipment">
    <div class="pane-head">
      <h2>Equipment</h2>
      <span class="muted"
        >What is broken closes its station, and the ways cut there, before a carcass is down.</span
      >
    </div>
    <p v-if="state === 'failed'" class="field-issue" role="alert">
      The register could not be read. Reload the page.
    </p>
    <div v-else-if="sheets.length > 0" class="scroll" tabindex="0" role="group" aria-label="Equipment">
      <table class="plain">
        <thead>
          <tr>
            <th>What</th>
            <th>Station</th>
            <th class="right">kg a minute</th>
            <th class="right">Carcasses</th>
            <th>Sharpened, tested</th>
            <th>Borrowed from</th>
            <th>What is wrong with it</th>
            <th><span class="visually-hidden">Put away</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in sheets" :key="s.id" :data-equipment="s.body.name" :class="{ broken: s.body.fault }">
            <th scope="row">{{ s.body.name }}</th>
            <td>{{ s.body.station }}<template v-if="s.body.makes"> (makes it)</template></td>
            <td class="right">{{ s.body.kgPerMinute ?? '' }}</td>
            <td class="right">{{ s.body.places ?? '' }}</td>
            <td>
              <InputText
                type="date"
                size="small"
                :model-value="s.body.sharpened ?? ''"
                :aria-label="`${s.body.name}: sharpened or tested`"
                @change="sharpen(s, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td>{{ s.body.borrowed ?? '' }}</td>
            <td>
              <form class="row" @submit.prevent="setFault(s)">
                <InputText
                  size="small"
                  maxlength="160"
                  :model-value="says(s)"
                  placeholder="works"
                  :aria-label="`${s.body.name}: what is wrong with it`"
                  @update:model-value="faults[s.id] = $event ?? ''"
                />
                <Button v-if="faults[s.id] !== undefined" type="submit" size="small" label="Keep" />
                <Button
                  v-else-if="s.body.fault"
                  type="button"
                  size="small"
                  outlined
                  label="Works again"
                  :aria-label="`${s.body.name} works again`"
                  @click="mend(s, null)"
                />
              </form>
            </td>
            <td>
              <Button
                text
                size="small"
                severity="secondary"
                icon="pi pi-times"
                :aria-label="`Put ${s.body.name} away`"
                @click="putAway(s)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <form class="fields" novalidate @submit.prevent="add">
      <TextField
        id="eq-name"
        v-model="draft.name"
        class="wide"
        size="small"
        label="What"
        :issues="at('name')"
      />
      <div class="field">
        <span id="eq-station" class="label">Station</span>
        <Select v-model="draft.station" :options="[...STATIONS]" size="small" aria-labelledby="eq-station" />
      </div>
      <TextField
        id="eq-rate"
        v-model="draft.kgPerMinute"
        class="short"
        size="small"
        label="kg a minute"
        inputmode="decimal"
        :issues="at('kgPerMinute')"
      />
      <TextField
        id="eq-places"
        v-model="draft.places"
        class="short"
        size="small"
        label="Room for carcasses"
        inputmode="numeric"
        :issues="at('places')"
      />
      <TextField
        id="eq-day"
        v-model="draft.sharpened"
        type="date"
        size="small"
        label="Sharpened, tested"
        :issues="at('sharpened')"
      />
      <TextField
        id="eq-from"
        v-model="draft.borrowed"
        size="small"
        label="Borrowed from"
        :issues="at('borrowed')"
      />
      <div class="last">
        <label class="tick"
          ><Checkbox v-model="draft.makes" binary input-id="eq-makes" /> Without it there is no such
          station</label
        >
        <Button type="submit" size="small" outlined label="Put it in the register" />
      </div>
    </form>
  </section>
</template>

<style scoped>
.broken th,
.broken td {
  background: var(--caution-sheet);
}
</style>
