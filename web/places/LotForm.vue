<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import SelectButton from 'primevue/selectbutton'
import { v7 as uuid } from 'uuid'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { Species } from '#core/anatomy'
import { parseMass, sayIssue } from '#core/measure'
import FieldIssues from '../pieces/FieldIssues.vue'
import SpeciesMark from '../pieces/SpeciesMark.vue'
import type { FieldIssue } from '../state/api.ts'
import { useFarm } from '../state/farm.ts'
import { useLots } from '../state/lots.ts'
import { useWords } from '../state/words.ts'

const store = useFarm()
const router = useRouter()
const { unit } = useWords()
const KINDS: Record<Species, { one: string; many: string; example: string }> = {
  hog: { one: 'Hog', many: 'hogs', example: '260 lb, 118 kg…' },
  lamb: { one: 'Lamb', many: 'lambs', example: '110 lb, 50 kg…' },
  steer: { one: 'Steer', many: 'steers', example: '1,150 lb, 520 kg…' },
  broiler: { one: 'Birds', many: 'birds', example: '140 lb, 64 kg…' },
}
const kinds = (Object.keys(KINDS) as Species[]).map((v) => ({ v, w: KINDS[v].one }))
const form = reactive<{ species: Species; tag: string; count: string; live: string }>({
  species: 'hog',
  tag: '',
  count: '1',
  live: '',
})
const kind = computed(() => KINDS[form.species])
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
    ...(Number.isInteger(count) && count >= 1 && count <= 2000
      ? []
      : [issue('count', `“${form.count}” is not a number of animals from 1 to 2000.`)]),
    ...(live && !live.ok ? live.issues.map((i) => issue('live', sayIssue(i))) : []),
  ]
  if (issues.value.length > 0) return
  const refusals = await store.hangLot({ id, tag: form.tag, species: form.species, count })
  if (refusals.length > 0) return void (issues.value = refusals)
  if (live?.ok) {
    const weighed = await useLots().weigh(id, {
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
    <SelectButton
      v-model="form.species"
      :options="kinds"
      option-value="v"
      option-label="w"
      :allow-empty="false"
      aria-label="What kind of animal"
    >
      <template #option="{ option }"
        ><span class="kind"><SpeciesMark :of="option.v" />{{ option.w }}</span></template
      >
    </SelectButton>
    <div class="field">
      <label for="lot-tag">Name or lot number</label>
      <InputText id="lot-tag" v-model="form.tag" :invalid="at('tag').length > 0" autocomplete="off" />
      <FieldIssues :issues="at('tag')" />
    </div>
    <div class="pair">
      <div class="field">
        <label for="lot-count">How many {{ kind.many }}</label>
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
          :placeholder="kind.example"
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
.kind {
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
  align-items: start;
}
</style>
