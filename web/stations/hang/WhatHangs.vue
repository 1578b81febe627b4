<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed } from 'vue'
import type { Hangs } from '#core/records'
import HangsChoice from '../../pieces/HangsChoice.vue'
import { useFarm } from '../../state/farm.ts'
import { useReading } from '../../state/lot.ts'

/** What of an animal hangs, and of which lot or farm it is: said again where it was said wrong. */
const { read, body, lot, note, withdraw, factOf } = useReading()
const store = useFarm()
const hangs = computed<Hangs>({
  get: () => read.value.plan.hangs,
  set: (value) => note({ kind: 'observation', what: 'hangs', value }),
})
const mother = computed(() => [...store.cards.values()].find((c) => c.tag === read.value.plan.mother) ?? null)
const others = computed(() =>
  [...store.cards.values()].filter(
    (c) => c.id !== lot.value!.id && c.species === lot.value!.species && !c.withdrawn,
  ),
)
function take(event: Event) {
  const value = (event.target as HTMLInputElement).value.trim()
  if (value === (read.value.plan.mother ?? '')) return
  if (value === '') withdraw(...factOf((f) => f.kind === 'observation' && f.what === 'mother'))
  else note({ kind: 'observation', what: 'mother', value })
}
</script>

<template>
  <div class="row hung">
    <HangsChoice v-model="hangs" :anatomy="body.anatomy" />
    <div v-if="hangs.as !== 'whole'" class="field">
      <label for="fact-mother">Of which lot, or from whom</label>
      <InputText
        id="fact-mother"
        :model-value="read.plan.mother ?? ''"
        list="mothers"
        maxlength="80"
        autocomplete="off"
        @change="take"
      />
      <datalist id="mothers">
        <option v-for="c in others" :key="c.id" :value="c.tag" />
      </datalist>
      <small v-if="mother"
        ><RouterLink :to="{ name: 'hang', params: { id: mother.id } }"
          >Open {{ mother.tag }}</RouterLink
        ></small
      >
    </div>
  </div>
</template>

<style scoped>
.hung {
  gap: 1.2rem;
  align-items: flex-start;
  flex-wrap: wrap;
}
.field {
  min-width: 16rem;
}
</style>
