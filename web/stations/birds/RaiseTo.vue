<script setup lang="ts">
import Button from 'primevue/button'
import { reactive, ref } from 'vue'
import { parseMass, parseWhole, type Kg } from '#core/measure'
import TextField from '../../pieces/TextField.vue'
import { wrongIn, type FieldIssue } from '../../state/api.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'

/** The weight that is wanted, and how many of a hundred are to have it. */
const { to } = defineProps<{ to: { kg: Kg; share: number } }>()
const { read, decide } = useReading()
const words = useWords()
const fresh = reactive({ mass: words.massFigure(to.kg), share: String(Math.round(to.share * 100)) })
const issues = ref<FieldIssue[]>([])
const at = (field: string) => issues.value.filter((i) => i.field === field)
function keep() {
  const mass = parseMass(fresh.mass, words.unit.value, 'mass')
  const share = parseWhole(fresh.share.replace('%', ''), 'share', { low: 5, high: 99 })
  issues.value = wrongIn(words.says.value, mass, share)
  if (mass.ok && share.ok)
    decide({
      ...{ field: 'raise', target: 'lot', side: 'animal' },
      value: { shown: mass.value, share: share.value / 100 },
    })
}
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
