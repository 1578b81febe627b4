<script lang="ts">
import type { MassUnit, NameSet } from '#core/measure'

/** A farm as it is being typed. */
export interface Draft {
  name: string
  address: string
  telephone: string
  massUnit: MassUnit
  currency: string
  nameSet: NameSet
  mince: string
}
</script>

<script setup lang="ts">
import { computed } from 'vue'
import { kg, parseMoney, priceOf, saysFor } from '#core/measure'
import { figuresOfSpecies } from '../../state/species.ts'

/** The head of the price list and a line of the block card, as they will stand on paper: what is typed beside is seen here. */
const { draft } = defineProps<{ draft: Draft }>()
const CUTS = ['bone-in-chop', 'ground-pork', 'butt-roast']
const says = computed(() => saysFor(draft))
const mince = computed(() => parseMoney(draft.mince, draft.currency))
const cuts = computed(() => figuresOfSpecies('hog')?.cuts ?? [])
const rows = computed(() =>
  cuts.value
    .filter((c) => CUTS.includes(c.id))
    .map((c) => ({
      name: says.value.name(c.names),
      price: mince.value.ok
        ? says.value.price(priceOf(Math.round(c.index * mince.value.value), draft.massUnit))
        : '',
    })),
)
const chop = computed(() => {
  const found = cuts.value.find((c) => c.id === 'bone-in-chop')
  return found ? says.value.name(found.names) : ''
})
</script>

<template>
  <figure class="paper" aria-label="How the farm stands on paper">
    <div class="head">
      <b class="title">Prices</b>
      <span class="farm"
        ><b>{{ draft.name || '…' }}</b>
        <span v-for="line in draft.address.split('\n').filter((l) => l.trim())" :key="line">{{ line }}</span>
        <span v-if="draft.telephone">{{ draft.telephone }}</span></span
      >
    </div>
    <div v-for="r in rows" :key="r.name" class="line">
      <span>{{ r.name }}</span> <span>{{ r.price }}</span>
    </div>
    <figcaption>
      On the block card: “{{ chop }}: {{ says.mass(kg(7.3)) }}”. A label: {{ says.mass(kg(0.74)) }},
      {{ draft.name || '…' }}.
    </figcaption>
  </figure>
</template>

<style scoped>
.paper {
  margin: 0;
  background: #fff;
  border: 1px solid var(--ink);
  padding: 0.8rem 1rem;
  box-shadow: 3px 3px 0 rgb(36 29 22 / 0.12);
}
.head {
  display: flex;
  justify-content: space-between;
  border-bottom: 2px solid #000;
  padding-bottom: 0.3rem;
  margin-bottom: 0.3rem;
}
.title {
  font: 700 1.4rem var(--body);
}
.farm {
  display: grid;
  justify-items: end;
  font-size: 0.88rem;
  line-height: 1.25;
}
.line {
  display: flex;
  justify-content: space-between;
  border-bottom: 1px solid #bbb;
  padding: 0.1rem 0;
}
figcaption {
  font-size: 0.88rem;
  color: var(--muted);
  padding-top: 0.4rem;
}
</style>
