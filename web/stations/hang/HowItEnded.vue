<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { END_WORDS, END_IDS, type End } from '#core/records'
import { fleshOf, sayCooking } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useReading } from '../../state/lot.ts'

/** How the animal came to its end, and what follows: food or not, for whom; the rule, the fact, and where to change it. */
const { read, note } = useReading()
const ends = END_IDS.map((v) => ({ v, w: END_WORDS[v] }))
const cooked = computed(() => sayCooking(fleshOf(read.value.flow.anatomy.species, read.value.plan), 'whole'))
const reason = computed(() => (read.value.plan.end === 'hunted' ? read.value.plan.verdict.reasons[0] : null))
const take = (value: End) => note({ kind: 'observation', what: 'end', value })
</script>

<template>
  <div class="stack">
    <div class="field">
      <label id="end-head" for="animal-end">How it came to its end</label>
      <Select
        input-id="animal-end"
        :model-value="read.plan.end ?? 'slaughtered'"
        :options="ends"
        option-label="w"
        option-value="v"
        aria-labelledby="end-head"
        data-testid="end"
        @update:model-value="take"
      />
      <small v-if="read.plan.end === null" class="muted">Assumed until you say.</small>
    </div>
    <div v-if="reason" class="caution" role="note">
      <i class="pi pi-lock" aria-hidden="true" />
      <span><b>Not for sale.</b> {{ reason.rule }} {{ reason.fact }} {{ reason.change }}</span>
    </div>
    <CautionNote v-if="read.plan.end === 'hunted'"
      >Cut wide round a shot wound: lead and bone go far. Gloves: feral swine carry diseases that people
      catch. Cool it at once, quarter it where it fell if need be. {{ cooked }} Never cure it raw: its
      trichinae survive freezing. Ask your game authority about tags and tests.</CautionNote
    >
  </div>
</template>
