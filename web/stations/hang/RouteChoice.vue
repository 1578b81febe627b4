<script setup lang="ts">
import RadioButton from 'primevue/radiobutton'
import type { Route } from '#core/records'
import { routesFor } from '#core/rules'
import { useReading } from '../../state/lot.ts'

const { read, body, note } = useReading()
const take = (value: Route) => note({ kind: 'observation', what: 'route', value })
</script>

<template>
  <fieldset>
    <legend>
      <b>How is it slaughtered?</b> That decides what may be sold (usual United States rule; your own
      authority decides)
    </legend>
    <label
      v-for="r in routesFor(body.anatomy.species)"
      :key="r.id"
      class="route"
      :class="{ taken: read.plan.route === r.id }"
    >
      <RadioButton
        :model-value="read.plan.route"
        :value="r.id"
        name="route"
        @update:model-value="take(r.id)"
      />
      <span
        ><b>{{ r.label }}. </b> <span v-if="read.plan.route === r.id" class="muted">{{ r.says }}</span></span
      >
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.4rem;
}
legend {
  padding: 0 0 0.3rem;
}
.route {
  display: flex;
  gap: 0.5rem;
  align-items: flex-start;
  cursor: pointer;
}
</style>
