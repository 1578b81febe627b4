<script setup lang="ts">
import Button from 'primevue/button'
import type { Kg } from '#core/measure'
import { raiseSchema, typed } from '#core/records'
import TextField from '../../pieces/TextField.vue'
import { useReading } from '../../state/lot.ts'
import { useForm } from '../../state/form.ts'
import { useWords } from '../../state/words.ts'

/** The weight that is wanted, and how many of a hundred are to have it. */
const { to } = defineProps<{ to: { kg: Kg; share: number } }>()
const { read, decide } = useReading()
const words = useWords()
const {
  typed: fresh,
  at,
  keep: kept,
} = useForm(
  'raise',
  { mass: typed.mass, share: typed.percent(raiseSchema.shape.share) },
  () => ({ mass: words.massFigure(to.kg), share: String(Math.round(to.share * 100)) }),
  { stays: ['mass', 'share'] },
)
const keep = kept(({ mass, share }) =>
  decide({ ...{ field: 'raise', target: 'lot', side: 'animal' }, value: { shown: mass, share } }),
)
</script>

<template>
  <form class="fields" novalidate aria-label="What is wanted" @submit.prevent="keep">
    <TextField id="raise-kg" v-model="fresh.mass" class="short" label="Wanted alive" :issues="at('mass')" />
    <TextField
      id="raise-share"
      v-model="fresh.share"
      class="short"
      label="% of them"
      inputmode="numeric"
      :issues="at('share')"
    />
    <Button type="submit" outlined label="Raise to this" />
    <small v-if="!read.plan.raise" class="muted last">The usual of the type until you say.</small>
  </form>
</template>
