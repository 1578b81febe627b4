<script setup lang="ts">
import Select from 'primevue/select'
import { computed } from 'vue'
import { SCHOOL_WORDS, schoolOf, schoolsFor } from '#core/plan'
import { SCHOOLS, type SchoolId } from '#core/records'
import { useReading } from '../../state/lot.ts'

/** Ways of working that steps, tools, order and minutes follow. */
const { central: read, body, decide } = useReading()
const rows = computed(() =>
  schoolsFor(body.value.anatomy.species).map((id) => ({
    id,
    school: SCHOOL_WORDS[id],
    way: schoolOf(read.value.plan.schools, id),
    options: SCHOOLS[id].map((v) => ({ v: v as string, w: SCHOOL_WORDS[id].ways[v]!.word })),
  })),
)
const choose = (id: SchoolId, way: string) =>
  decide({ field: 'school', target: id, side: 'animal', value: way === SCHOOLS[id][0] ? null : way })
</script>

<template>
  <section class="stack">
    <div class="pane-head"><h2>Ways of working</h2></div>
    <div v-for="r in rows" :key="r.id" class="school" :data-school="r.id">
      <b :id="`school-${r.id}`">{{ r.school.word }}</b>
      <Select
        :model-value="r.way"
        :options="r.options"
        option-label="w"
        option-value="v"
        size="small"
        :aria-labelledby="`school-${r.id}`"
        @update:model-value="choose(r.id, $event)"
      />
      <small class="muted">{{ r.school.ways[r.way]!.says }}</small>
    </div>
  </section>
</template>

<style scoped>
.school {
  display: grid;
  grid-template-columns: 8.5rem minmax(0, 1fr);
  gap: 0.1rem 0.6rem;
  align-items: center;
}
small {
  grid-column: 2;
}
</style>
