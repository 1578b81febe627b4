<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Select from 'primevue/select'
import { computed, ref } from 'vue'
import { faultLoss, judgeFault, lessonsAt, madeAt, type FaultRow } from '#core/hand'
import { toKg } from '#core/measure'
import type { CardStep } from '#core/papers'
import { FACTS, type Fault } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useAttachments } from '../../state/attachments.ts'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'

/** What went wrong at a step: what it cost and where the meat went, why, what to do next time; and what was learnt before. */
const { step, rows } = defineProps<{ step: CardStep; rows: readonly FaultRow[] }>()
const { lot, central: read, body, note, withdraw, factOf } = useReading()
const words = useWords()
const { issues: fileIssues, busy, attach, addressOf } = useAttachments(() => lot.value!.id)
const mark = computed(() => step.marks[0]!)
const species = computed(() => body.value.anatomy.species)
const made = computed(() => madeAt(read.value, mark.value.target, mark.value.side))
const cuts = computed(() =>
  made.value.filter((m) => m.isCut).map((m) => ({ v: m.id, w: words.name(m.names) })),
)
const uses = computed(() => [
  { v: null, w: 'waste' },
  ...made.value
    .filter((m) => m.id !== draft.cut)
    .map((m) => ({ v: m.id, w: words.name(m.names).toLowerCase() })),
])
const here = computed(() =>
  read.value.plan.faults.filter(
    (f) => f.of === mark.value.target && step.marks.some((m) => m.side === f.side),
  ),
)
/** What other lots taught; this one's own stand below. */
const lessons = computed(() =>
  lessonsAt(
    rows.filter((r) => r.lot !== lot.value!.id),
    species.value,
    mark.value.target,
  ),
)
const nameOf = (id: string | null) => {
  if (id === null) return 'waste'
  const { cuts: all, parts } = body.value.anatomy
  return words.name([...all, ...parts].find((x) => x.id === id)!.names).toLowerCase()
}
const {
  typed: draft,
  at,
  keep,
} = useForm(`fault ${step.marks[0]!.target}`, FACTS.fault.fields, () => ({
  ...{ what: '', shown: '', cause: '', lesson: '' },
  ...{ cut: null as string | null, to: null as string | null },
}))
const photo = ref<string | null>(null)
async function pick(event: Event) {
  const [file] = [...((event.target as HTMLInputElement).files ?? [])]
  if (file) photo.value = await attach(file)
}
const save = keep(({ what, shown, cause, lesson }) => {
  const { target: of, side } = mark.value
  const { cut } = draft
  const to = cut === null ? null : draft.to
  const lost = cut !== null && shown ? faultLoss(read.value, cut, to, toKg(shown.value, shown.unit)) : 0
  const fault: Fault = {
    ...{ kind: 'fault', of, side, what, cut, to, shown, cause, lesson, lost },
    ...(photo.value !== null && { photo: photo.value }),
  }
  const odd = judgeFault(read.value, fault)
  if (odd) return [odd]
  note(fault)
  photo.value = null
})
const takeBack = (id: string) => withdraw(...factOf((f) => f.kind === 'fault').filter((f) => f.id === id))
const photoOf = (hash: string) => read.value.plan.attachments.find((a) => a.hash === hash)
</script>

<template>
  <div class="faults" :data-faults="mark.target">
    <p v-for="l in lessons" :key="l" class="lesson"><b>Learnt here:</b> {{ l }}</p>
    <p v-for="f in here" :key="f.id" class="fault">
      <b>{{ f.what }}</b>: {{ f.cause
      }}<template v-if="f.shown && f.cut !== null"
        >; {{ f.shown.value }} {{ f.shown.unit }} of {{ nameOf(f.cut) }} to {{ nameOf(f.to) }}</template
      ><template v-if="f.lost > 0">, {{ words.money(f.lost) }}</template>.<template v-if="f.lesson">
        Next time: {{ f.lesson }}</template
      >
      <a
        v-if="f.photo && photoOf(f.photo)"
        :href="addressOf(photoOf(f.photo)!)"
        target="_blank"
        rel="noopener"
        >Picture</a
      >
      <Button size="small" text severity="secondary" label="Was not so" @click="takeBack(f.id)" />
    </p>
    <details>
      <summary>Something went wrong here</summary>
      <form class="fields" novalidate @submit.prevent="save">
        <div class="field wide">
          <label :for="`f-what-${mark.target}`">What</label>
          <InputText
            :id="`f-what-${mark.target}`"
            v-model="draft.what"
            size="small"
            maxlength="120"
            placeholder="Cut a finger too short"
            :invalid="at('what').length > 0"
          />
          <FieldIssues :issues="at('what')" />
        </div>
        <template v-if="cuts.length > 0">
          <div class="field wide">
            <label :for="`f-cut-${mark.target}`">Of which cut</label>
            <Select
              v-model="draft.cut"
              :label-id="`f-cut-${mark.target}`"
              :options="cuts"
              option-label="w"
              option-value="v"
              show-clear
              size="small"
              placeholder="nothing lost"
              aria-label="Of which cut"
            />
            <FieldIssues :issues="at('cut')" />
          </div>
          <div class="field short">
            <label :for="`f-kg-${mark.target}`">Weight, {{ words.unit.value }}</label>
            <InputText
              :id="`f-kg-${mark.target}`"
              v-model="draft.shown"
              size="small"
              inputmode="decimal"
              :invalid="at('shown').length > 0"
            />
          </div>
          <div class="field wide">
            <label :for="`f-to-${mark.target}`">Became</label>
            <Select
              v-model="draft.to"
              :options="uses"
              option-label="w"
              option-value="v"
              size="small"
              placeholder="waste"
              aria-label="Became"
            />
            <FieldIssues :issues="at('to')" />
          </div>
        </template>
        <div class="field wide">
          <label :for="`f-why-${mark.target}`">Why</label>
          <InputText
            :id="`f-why-${mark.target}`"
            v-model="draft.cause"
            size="small"
            maxlength="160"
            :invalid="at('cause').length > 0"
          />
          <FieldIssues :issues="at('cause')" />
        </div>
        <div class="field wide">
          <label :for="`f-next-${mark.target}`">Next time</label>
          <InputText :id="`f-next-${mark.target}`" v-model="draft.lesson" size="small" maxlength="200" />
        </div>
        <FieldIssues :issues="at('shown')" />
        <div class="last">
          <label class="row"
            >Picture <input type="file" accept="image/*" :disabled="busy" @change="pick"
          /></label>
          <span v-if="photo" class="good">attached</span>
          <FieldIssues :issues="fileIssues" />
          <Button type="submit" size="small" label="Write it down" />
        </div>
      </form>
    </details>
  </div>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--muted);
  min-height: 32px;
  display: inline-flex;
  align-items: center;
}
.lesson {
  border-left: 3px solid var(--covered);
  padding-left: 0.5rem;
}
.fault {
  border-left: 3px solid var(--accent);
  padding-left: 0.5rem;
}
</style>
