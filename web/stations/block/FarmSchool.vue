<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import type { Decision, SchoolSheet, StoredSheet } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useSheets } from '../../state/sheets.ts'

/** How this farm works on a species, under a name: order, stations and ways of working, taken over for the next animal. */
const { central: read, body, decide } = useReading()
const { sheets, state, keep, change, putAway } = useSheets('ekko-school')
const species = computed(() => body.value.anatomy.species)
const own = computed(() => sheets.value.filter((s) => s.body.species === species.value))
const name = ref('')
const issues = ref<FieldIssue[]>([])

async function save() {
  const { order, stations, schools } = read.value.plan
  const typed = name.value.trim()
  if (typed === '') {
    issues.value = [fieldIssue('name', 'It has no name. Type one, such as “Ours”.')]
    return
  }
  const sheet: SchoolSheet = {
    ...{ format: 'ekko-school', version: 1, name: typed, species: species.value, order: [...order] },
    stations: [...stations].map(([of, at]) => ({ of, at })),
    schools: [...schools].map(([of, way]) => ({ of, way })),
  }
  const held = own.value.find((s) => s.body.name === typed)
  issues.value = held ? await change(held, sheet) : await keep(sheet)
  if (issues.value.length === 0) name.value = ''
}
/** What the sheet says, and what it does not say as usual. */
function take({ body: b }: StoredSheet<SchoolSheet>) {
  const { stations, schools } = read.value.plan
  const whole = { side: 'animal' } as const
  const said = new Map(b.schools.map((s) => [s.of, s.way]))
  const at = new Map(b.stations.map((s) => [s.of, s.at]))
  const decisions: Decision[] = [
    { field: 'order', target: 'lot', ...whole, value: b.order.length > 0 ? b.order : null },
    ...[...new Set([...schools.keys(), ...said.keys()])].map((id): Decision => ({
      field: 'school',
      target: id,
      ...whole,
      value: said.get(id) ?? null,
    })),
    ...[...new Set([...stations.keys(), ...at.keys()])].map((id): Decision => ({
      field: 'station',
      target: id,
      ...whole,
      value: at.get(id) ?? null,
    })),
  ]
  decide(...decisions)
}
</script>

<template>
  <section class="stack" data-testid="farm-school">
    <div class="pane-head"><h2>This farm’s school</h2></div>
    <p v-if="state === 'failed'" class="field-issue" role="alert">
      What the farm keeps could not be read. Reload the page.
    </p>
    <p v-else-if="own.length === 0" class="muted">
      Nothing is kept yet. Put it in order, then keep it under a name.
    </p>
    <div v-for="s in own" :key="s.id" class="row">
      <b>{{ s.body.name }}</b>
      <Button
        size="small"
        label="Work like this"
        :aria-label="`Work like this: ${s.body.name}`"
        @click="take(s)"
      />
      <Button
        size="small"
        text
        severity="secondary"
        label="Put away"
        :aria-label="`Put away ${s.body.name}`"
        @click="putAway(s)"
      />
    </div>
    <form class="fields" novalidate @submit.prevent="save">
      <div class="field wide">
        <label for="school-name">Keep as</label>
        <InputText
          id="school-name"
          v-model="name"
          size="small"
          maxlength="80"
          autocomplete="off"
          :invalid="issues.length > 0"
        />
        <FieldIssues :issues="issues" />
      </div>
      <Button type="submit" size="small" outlined label="Keep order and ways of working" />
    </form>
  </section>
</template>
