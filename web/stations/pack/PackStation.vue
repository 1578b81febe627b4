<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { lookup } from '#core/anatomy'
import { emptyingOf, sayMissing, sayVerdict, verdictOf } from '#core/reading'
import Button from 'primevue/button'
import { cautionAt } from '#core/rules'
import CautionNote from '../../pieces/CautionNote.vue'
import { useFarm } from '../../state/farm.ts'
import { useFloorMode } from '../../state/floorMode.ts'
import { useReading } from '../../state/lot.ts'
import { useWords } from '../../state/words.ts'
import PackEntries from './PackEntries.vue'
import PackTable from './PackTable.vue'
import PackTabs from './PackTabs.vue'
import TubsPane from './TubsPane.vue'
import WeighPack from './WeighPack.vue'

const { read, body } = useReading()
const farm = useFarm()
const { chosen, floor } = useFloorMode()
const words = useWords()
const cut = ref<string | null>(null)
const correcting = ref<string | null>(null)
/** Packs that are opened for the next weighing, as an address says. */
const route = useRoute()
const opened = String(route.query.open ?? '')
const outOf = ref(
  opened
    .split(',')
    .map(Number)
    .filter((n) => n > 0),
)
/** What is all weighed against what was likely given the hanging weight: one sentence with its z. */
const missing = computed(() =>
  sayMissing(
    read.value.missing,
    (id) => words.name(lookup(body.value.anatomy).part(id)!.names),
    words.says.value,
  ),
)
const verdict = computed(() => verdictOf(read.value))
const emptying = computed(() => emptyingOf(read.value, words.unit.value))
/** Where everything that hung is, as one sum a person can add. */
const sum = computed(() => {
  const { hung, beside, into, weighed, toCome, lost, missing } = emptying.value
  return {
    into,
    from: beside > 0 ? `${words.figure(hung)} hung and ${words.figure(beside)} of offal and cure` : null,
    parts: [
      { id: 'weighed', kg: weighed, says: 'weighed' },
      { id: 'to-come', kg: toCome, says: 'to come' },
      { id: 'lost', kg: lost, says: 'saw dust, drip, smoke' },
      { id: 'missing', kg: missing, says: missing < 0 ? 'more than came in' : 'in no pack or bin: missing' },
    ].filter((p) => p.kg !== 0 || p.id === 'weighed' || p.id === 'to-come'),
  }
})
</script>

<template>
  <div :class="{ floor }">
    <PackTabs v-if="!floor || farm.isFloor" />
    <div v-if="!farm.isFloor" class="mode">
      <Button
        size="small"
        :outlined="!floor"
        icon="pi pi-expand"
        :label="floor ? 'Leave floor mode' : 'Floor mode'"
        :aria-pressed="floor"
        @click="chosen = !chosen"
      />
    </div>
    <p v-if="!read.weights" class="none">
      Nothing can be expected before there is a weight.
      <RouterLink :to="{ name: 'hang' }">Enter one at Hang</RouterLink>.
    </p>
    <template v-else>
      <p
        class="verdict"
        :class="{ off: verdict.short.length > 0 || verdict.over.length > 0 }"
        role="status"
        data-testid="verdict"
      >
        <i
          class="pi"
          :class="
            verdict.short.length + verdict.over.length > 0 ? 'pi-exclamation-triangle' : 'pi-check-circle'
          "
          aria-hidden="true"
        />
        {{ sayVerdict(verdict, words.says.value) }}
      </p>
      <p v-if="missing && !floor" class="missing" data-testid="missing">
        {{ missing }} <RouterLink :to="{ name: 'why' }">Why less?</RouterLink>
      </p>
      <div class="two">
        <section class="stack now">
          <WeighPack
            v-model:cut="cut"
            v-model:correcting="correcting"
            v-model:out-of="outOf"
            :floor="floor"
          />
          <CautionNote>{{ cautionAt('pack', body.anatomy.species) }}</CautionNote>
        </section>
        <section class="stack list">
          <p class="sum" data-testid="sum">
            <template v-if="sum.from">{{ sum.from }}: </template><b>{{ words.figure(sum.into) }}</b> came in:
            <span v-for="(p, i) in sum.parts" :key="p.id" :data-sum="p.id"
              ><b :class="{ estimate: p.id !== 'weighed' }">{{ words.figure(p.kg) }}</b> {{ p.says
              }}{{ i < sum.parts.length - 1 ? ', ' : '' }}</span
            >
          </p>
          <PackTable :to-come="emptying.rows" @weigh="cut = $event" />
          <TubsPane />
          <PackEntries @correct="correcting = $event" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.none {
  padding: 2rem;
  border: 1.5px dashed var(--rule-strong);
  max-width: 40rem;
}
.verdict {
  font: 700 1.3rem var(--head);
  padding-bottom: 0.7rem;
}
.verdict .pi {
  color: var(--covered);
  margin-right: 0.3rem;
}
.verdict.off .pi {
  color: var(--caution);
}
.missing {
  margin: -0.4rem 0 0.7rem;
}
.sum {
  padding: 0.35rem 0;
}
.two {
  display: grid;
  grid-template-columns: minmax(340px, 400px) minmax(0, 1fr);
  gap: 1.75rem;
  align-items: start;
}
.now {
  position: sticky;
  top: 0.5rem;
}
.mode {
  float: right;
  margin-top: -2.7rem;
}
.floor .mode {
  margin: 0;
}
.floor {
  background: #fff;
  color: #000;
  padding: 0.5rem;
}
.floor .two {
  grid-template-columns: minmax(0, 1fr);
}
.floor .now {
  position: static;
}
.floor .list :deep(td) {
  border-bottom: 2px solid #000;
  font-size: 1.15rem;
}
.floor .list :deep(button),
.floor .list :deep(.p-button) {
  min-height: 56px;
}
@media (max-width: 900px) {
  .mode {
    float: none;
    margin: 0 0 0.5rem;
  }
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .now {
    position: static;
  }
}
</style>
