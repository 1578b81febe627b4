<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { typeOf, UNSURE } from '#core/anatomy'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** What animal it is: what it is made of at its weight, and how it dresses, follow from it. */
const { read, body, note } = useReading()
const words = useWords()
const anatomy = computed(() => body.value.anatomy)
const chosen = computed(() => read.value.plan.type)
const type = computed(() => typeOf(anatomy.value, chosen.value))
const options = computed(() => [
  ...anatomy.value.types.map((t) => ({ id: t.id, name: words.name(t.names) })),
  { id: UNSURE, name: 'Not sure' },
])
const says = computed(
  () => type.value?.says ?? 'The common types mixed: the estimate is wider until you say which it is.',
)
const made = computed(() => {
  const { lean, fat, bone, skin } = read.value.animal.made
  const share = (name: string, x: number) => (x > 0 ? [`${name} ${(x * 100).toFixed(0)} %`] : [])
  return [...share('lean', lean), ...share('fat', fat), ...share('bone', bone), ...share('skin', skin)].join(
    ', ',
  )
})
const take = (value: string) => {
  if (value !== chosen.value) note({ kind: 'observation', what: 'type', value })
}
</script>

<template>
  <template v-if="options.length > 1">
    <div class="field">
      <label id="type-head" for="animal-type">What animal it is</label>
      <Select
        input-id="animal-type"
        :model-value="chosen ?? anatomy.types[0]!.id"
        :options="options"
        option-label="name"
        option-value="id"
        aria-labelledby="type-head"
        data-testid="type"
        @update:model-value="take"
      />
      <small class="muted"
        ><template v-if="chosen === null">Assumed until you say. </template>{{ says }}</small
      >
    </div>
    <p v-if="read.plan.hangs.as !== 'part'" class="muted" data-testid="made">
      Whole carcass<template v-if="read.weights"> at this weight</template>: {{ made }}.
    </p>
    <div v-if="read.animal.beyond" class="caution" role="status">
      <i class="pi pi-exclamation-triangle" aria-hidden="true" />
      <span>
        <b>The weight does not fit the type.</b> This is {{ read.animal.beyond }} than any
        {{ type ? words.name(type.names).toLowerCase() : 'animal' }} we have figures for; what it is made of
        is read at the nearest. Look at the weight, or choose another type.
      </span>
    </div>
  </template>
</template>
