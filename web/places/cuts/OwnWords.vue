<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, ref, watch } from 'vue'
import type { Species } from '#core/anatomy'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { fieldIssue, type FieldIssue } from '../../state/api.ts'
import { useFarm } from '../../state/farm.ts'

/** What customers and suppliers of this farm call a cut: kept with the farm, found by the search. */
const { species, cut } = defineProps<{ species: Species; cut: string }>()
const store = useFarm()
const held = computed(() =>
  (store.farm?.aliases ?? []).filter((a) => a.species === species && a.id === cut).map((a) => a.word),
)
const text = ref('')
watch(held, (now) => (text.value = now.join(', ')), { immediate: true })
const issues = ref<FieldIssue[]>([])
const kept = ref(false)
async function save() {
  if (!store.farm) return
  const { revision, ...farm } = store.farm
  const words = [
    ...new Set(
      text.value
        .split(',')
        .map((w) => w.trim())
        .filter((w) => w !== ''),
    ),
  ]
  const others = (farm.aliases ?? []).filter((a) => a.species !== species || a.id !== cut)
  const out = await store.saveFarm(
    { ...farm, aliases: [...others, ...words.map((word) => ({ species, id: cut, word }))] },
    revision,
  )
  // Another window saved meanwhile: what it saved is shown, and the words are asked for once more.
  if (out.theirs) store.farm = out.theirs
  issues.value = out.theirs
    ? [
        fieldIssue(
          'aliases',
          'The farm was changed in another window. Look at the words and keep them again.',
        ),
      ]
    : out.issues
  kept.value = issues.value.length === 0
}
</script>

<template>
  <form v-if="store.farm" class="field" novalidate @submit.prevent="save">
    <label for="own-words">Also called here</label>
    <span class="row words">
      <InputText
        id="own-words"
        v-model="text"
        maxlength="200"
        autocomplete="off"
        aria-describedby="own-words-how"
        @input="kept = false"
      />
      <Button type="submit" size="small" outlined label="Keep words" />
    </span>
    <small id="own-words-how" class="muted"
      >{{ kept ? 'Kept: the search finds it by these. ' : '' }}A customer’s or supplier’s word, in any
      language; several with commas.</small
    >
    <FieldIssues :issues="issues" />
  </form>
</template>

<style scoped>
.words {
  flex-wrap: nowrap;
}
.words :deep(input) {
  width: 100%;
  min-width: 0;
}
.words :deep(button) {
  flex: none;
}
</style>
