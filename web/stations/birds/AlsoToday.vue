<script setup lang="ts">
import Button from 'primevue/button'
import { computed, reactive, ref } from 'vue'
import { SPECIES } from '#core/anatomy'
import { usualStations } from '#core/line'
import { parseWhole } from '#core/measure'
import type { Species } from '#core/records'
import PickField from '../../pieces/PickField.vue'
import TextField from '../../pieces/TextField.vue'
import { type FieldIssue } from '../../state/api.ts'
import { wrongIn } from '../../state/form.ts'
import { aboutOf } from '../../state/species.ts'
import { useWords } from '../../state/words.ts'
import type { useBirdDay } from './birdDay.ts'

/** Others that go through on the same day, once these are done: water changed, tables washed between. */
const { day } = defineProps<{ day: ReturnType<typeof useBirdDay> }>()
const words = useWords()
const nameOf = (s: Species) => (aboutOf(s) ? words.name(aboutOf(s)!.names).toLowerCase() : s)
const options = computed(() =>
  SPECIES.filter((s) => usualStations(s).length > 0 && s !== day.body.value.anatomy.species).map((v) => ({
    v,
    w: nameOf(v),
  })),
)
const fresh = reactive({ species: options.value[0]!.v, birds: '' })
const issues = ref<FieldIssue[]>([])
function keep() {
  const birds = parseWhole(fresh.birds, 'birds', { low: 1, high: 2000 })
  issues.value = wrongIn(words.says.value, birds)
  if (birds.ok) day.change({ also: { species: fresh.species, type: null, birds: birds.value } })
}
</script>

<template>
  <div class="pane-head"><h2>Others on the same day</h2></div>
  <p v-if="day.plan.value.also" class="row" data-testid="also">
    {{ day.plan.value.also.birds }} {{ nameOf(day.plan.value.also.species) }} after these, half an hour of
    washing between.
    <Button text size="small" label="Not these" @click="day.change({ also: null })" />
  </p>
  <form v-else class="fields" novalidate aria-label="Others on the same day" @submit.prevent="keep">
    <PickField id="also-species" v-model="fresh.species" label="What" :options="options" />
    <TextField
      id="also-birds"
      v-model="fresh.birds"
      class="short"
      label="How many"
      inputmode="numeric"
      :issues="issues"
    />
    <Button type="submit" outlined label="After these" />
  </form>
</template>
