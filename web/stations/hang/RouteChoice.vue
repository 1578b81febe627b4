<script setup lang="ts">
import RadioButton from 'primevue/radiobutton'
import { CLASS_OF, type Route } from '#core/records'
import { routesFor } from '#core/rules'
import { useExemptBirds } from '../../state/exemptBirds.ts'
import { useReading } from '../../state/lot.ts'

const { read, body, lot, note } = useReading()
const ALLOWS = [
  { id: 'cuts', word: 'Cuts' },
  { id: 'shares', word: 'Shares' },
  { id: 'label', word: 'Label' },
  { id: 'place', word: 'Where' },
] as const
const exempt = useExemptBirds(() => (read.value.plan.killed ?? lot.value!.createdAt).slice(0, 4))
const take = (value: Route) => note({ kind: 'observation', what: 'route', value })
</script>

<template>
  <div v-if="read.plan.verdict.food && read.plan.end !== 'hunted'">
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
          ><b>{{ r.label }}. </b>
          <template v-if="read.plan.route === r.id">
            <span class="muted">{{ r.says }}</span>
            <dl class="allows">
              <template v-for="w in ALLOWS" :key="w.id">
                <dt>{{ w.word }}</dt>
                <dd>{{ r.allows[w.id] }}</dd>
              </template>
            </dl>
            <span v-if="r.id === 'poultry-exempt'" data-testid="exempt">{{ exempt }}</span>
          </template></span
        >
      </label>
      <p v-if="CLASS_OF[body.anatomy.species] === 'rabbits'" class="muted">
        Rabbits, like quail and other game birds, are under no federal poultry law: ask your state what a
        small producer may sell, before the kill.
      </p>
    </fieldset>
  </div>
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
.allows {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 0.6rem;
  margin: 0.3rem 0 0;
}
.allows dt {
  font-weight: 600;
}
.allows dd {
  margin: 0;
}
</style>
