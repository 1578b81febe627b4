<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { ref, watch } from 'vue'
import { crewOf } from '#core/clock'
import { crewSchema, type Crew } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue } from '../../state/api.ts'
import { useIssues } from '../../state/issues.ts'
import { useReading } from '../../state/lot.ts'

/** Who is there on the day, from when until when and how practised; kept as soon as it is right. */
const { central: read, decide } = useReading()
const SKILL_WORDS = [
  { v: 'skilled', w: 'every day' },
  { v: 'practised', w: 'a few times a year' },
  { v: 'beginner', w: 'first time' },
] as const
const draft = ref<Crew>([])
const { issues, at } = useIssues()
watch(
  () => read.value.plan.crew,
  () => {
    if (issues.value.length === 0) draft.value = crewOf(read.value).map((p) => ({ ...p }))
  },
  { immediate: true },
)
const general = () => issues.value.filter((i) => i.field === '')
function keep() {
  const typed = draft.value.map((p) => ({ ...p, from: p.from.trim(), until: p.until.trim() }))
  const out = crewSchema.safeParse(typed)
  issues.value = out.success ? [] : out.error.issues.map((i) => fieldIssue(i.path.join('.'), i.message))
  if (out.success) decide({ field: 'crew', target: 'lot', side: 'animal', value: out.data })
}
function add() {
  draft.value.push({
    name: `Helper ${draft.value.length}`,
    skill: 'practised',
    from: '08:00',
    until: '16:00',
  })
  keep()
}
function leave(i: number) {
  draft.value.splice(i, 1)
  keep()
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="keep">
    <div v-for="(p, i) in draft" :key="i" class="crew" :data-hand="i">
      <div class="field">
        <label :for="`crew-name-${i}`">Name</label>
        <InputText
          :id="`crew-name-${i}`"
          v-model="p.name"
          size="small"
          maxlength="40"
          :invalid="at(`${i}.name`).length > 0"
          @change="keep"
        />
        <FieldIssues :issues="at(`${i}.name`)" />
      </div>
      <div class="field">
        <span :id="`crew-skill-${i}`" class="label">Cuts</span>
        <Select
          v-model="p.skill"
          :options="[...SKILL_WORDS]"
          option-label="w"
          option-value="v"
          size="small"
          :aria-labelledby="`crew-skill-${i}`"
          @change="keep"
        />
      </div>
      <div class="field">
        <label :for="`crew-from-${i}`">From</label>
        <InputText
          :id="`crew-from-${i}`"
          v-model="p.from"
          size="small"
          :invalid="at(`${i}.from`).length > 0"
          @change="keep"
        />
      </div>
      <div class="field">
        <label :for="`crew-until-${i}`">Until</label>
        <InputText
          :id="`crew-until-${i}`"
          v-model="p.until"
          size="small"
          :invalid="at(`${i}.until`).length > 0"
          @change="keep"
        />
      </div>
      <Button
        v-if="draft.length > 1"
        type="button"
        text
        severity="secondary"
        size="small"
        icon="pi pi-times"
        :aria-label="`${p.name} is gone`"
        @click="leave(i)"
      />
      <FieldIssues class="wide" :issues="[...at(`${i}.from`), ...at(`${i}.until`)]" />
    </div>
    <FieldIssues :issues="general()" />
    <Button type="button" size="small" outlined icon="pi pi-plus" label="Another hand" @click="add" />
  </form>
</template>

<style scoped>
.crew {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.3fr) 4.6rem 4.6rem 36px;
  gap: 0.4rem;
  align-items: end;
}
.crew :deep(input) {
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
</style>
