<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { v7 as uuid } from 'uuid'
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { parseMass, sayIssue } from '#core/measure'
import FieldIssues from '../pieces/FieldIssues.vue'
import type { FieldIssue } from '../state/api.ts'
import { useFarm } from '../state/farm.ts'
import { useWords } from '../state/words.ts'

const store = useFarm()
const router = useRouter()
const { unit } = useWords()
const form = reactive({ tag: '', count: '1', live: '' })
const issues = ref<FieldIssue[]>([])
const id = uuid()
const at = (field: string) => issues.value.filter((i) => i.field === field)
const issue = (field: string, detail: string): FieldIssue => ({ field, detail, confirmable: false })

async function hang() {
  const count = Number(form.count)
  const live = form.live.trim() ? parseMass(form.live, unit.value, 'live') : null
  issues.value = [
    ...(form.tag.trim()
      ? []
      : [issue('tag', 'The lot has no name or number yet. Type what stands on its ear tag.')]),
    ...(Number.isInteger(count) && count >= 1 && count <= 200
      ? []
      : [issue('count', `“${form.count}” is not a number of animals from 1 to 200.`)]),
    ...(live && !live.ok ? live.issues.map((i) => issue('live', sayIssue(i))) : []),
  ]
  if (issues.value.length > 0) return
  const refusals = await store.hangLot({ id, tag: form.tag, species: 'hog', count })
  if (refusals.length > 0) return void (issues.value = refusals)
  if (live?.ok) {
    const weighed = await store.weigh(id, {
      id: uuid(),
      stage: 'live',
      basis: null,
      source: 'scale',
      shown: live.value,
      corrects: null,
      stands: true,
      confirmed: false,
    })
    if (weighed.length > 0) return void (issues.value = weighed.map((w) => ({ ...w, field: 'live' })))
  }
  await router.push({ name: 'hang', params: { id } })
}
</script>

<template>
  <form class="stack" novalidate @submit.prevent="hang">
    <div class="field">
      <label for="lot-tag">Name or lot number</label>
      <InputText id="lot-tag" v-model="form.tag" :invalid="at('tag').length > 0" autocomplete="off" />
      <FieldIssues :issues="at('tag')" />
    </div>
    <div class="pair">
      <div class="field">
        <label for="lot-count">How many hogs</label>
        <InputText
          id="lot-count"
          v-model="form.count"
          inputmode="numeric"
          :invalid="at('count').length > 0"
        />
        <FieldIssues :issues="at('count')" />
      </div>
      <div class="field">
        <label for="lot-live">Live weight, if weighed</label>
        <InputText
          id="lot-live"
          v-model="form.live"
          :placeholder="`260 lb, 118 kg…`"
          :invalid="at('live').length > 0"
          autocomplete="off"
        />
      </div>
    </div>
    <small class="muted"
      >Several animals: the weight of all of them together. A tape or a guess can be entered on the next
      page.</small
    >
    <FieldIssues :issues="issues.filter((i) => !['tag', 'count'].includes(i.field))" />
    <div><Button type="submit" label="Hang the lot" /></div>
  </form>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
  align-items: start;
}
</style>
