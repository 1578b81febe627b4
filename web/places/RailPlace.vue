<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { watchDebounced } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watchEffect } from 'vue'
import { NEXT_WORDS, STANDING_WORDS, STANDINGS } from '../frame/lotSummary.ts'
import RailTag from '../frame/RailTag.vue'
import SaveState from '../frame/SaveState.vue'
import { useFarm } from '../state/farm.ts'
import SpeciesMark from '../pieces/SpeciesMark.vue'
import { UNCOVERED_WORDS, useWords } from '../state/words.ts'

const FirstSteps = defineAsyncComponent(() => import('./FirstSteps.vue'))
const MOST_TAGS = 8
const store = useFarm()
const words = useWords()
// Cards are as true as they are looked at.
watchEffect(() => store.stale.size > 0 && void store.freshen())
const all = computed(() => [...store.cards.values()])
const hung = computed(() => all.value.filter((c) => !c.withdrawn))
const withdrawn = computed(() => all.value.filter((c) => c.withdrawn))
async function hangAgain(id: string) {
  const { useLots } = await import('../state/lots.ts')
  await useLots().hangAgain(id)
}
const wanted = ref('')
const groups = computed(() =>
  STANDINGS.map((id) => ({
    id,
    word: STANDING_WORDS[id],
    count: store.standings[id],
    lots: hung.value.filter((c) => c.progress.standing === id),
  })).filter((g) => g.count > 0),
)
const bundled = computed(() => hung.value.length > MOST_TAGS)
watchDebounced(
  wanted,
  (text) => {
    const said = text.trim().toLowerCase()
    void store.search(
      text,
      STANDINGS.filter((s) => said && STANDING_WORDS[s].toLowerCase().includes(said)),
    )
  },
  { debounce: 200 },
)
const listed = computed(() => {
  const text = wanted.value.trim().toLowerCase()
  return hung.value.filter(
    (c) =>
      !text ||
      c.tag.toLowerCase().includes(text) ||
      STANDING_WORDS[c.progress.standing].toLowerCase().includes(text),
  )
})
</script>

<template>
  <main id="main" class="place">
    <header class="row head">
      <h1>{{ store.farm?.name ?? 'Your farm' }}</h1>
      <SaveState />
      <span style="flex: 1" />
      <RouterLink v-if="store.farm && !store.isFloor" :to="{ name: 'new' }"
        ><Button label="Hang a new lot" icon="pi pi-plus" tabindex="-1"
      /></RouterLink>
      <RouterLink v-if="store.farm && !store.isFloor" :to="{ name: 'cuts' }" class="place-link"
        ><i class="pi pi-book" aria-hidden="true" /> Cuts</RouterLink
      >
      <RouterLink v-if="store.farm && !store.isFloor" :to="{ name: 'store' }" class="place-link"
        ><i class="pi pi-box" aria-hidden="true" /> Packs</RouterLink
      >
      <RouterLink v-if="store.farm && !store.isFloor" :to="{ name: 'practice' }" class="place-link"
        ><i class="pi pi-bullseye" aria-hidden="true" /> Practice</RouterLink
      >
      <RouterLink v-if="store.farm && !store.isFloor" :to="{ name: 'farm' }" class="place-link"
        ><i class="pi pi-home" aria-hidden="true" /> Farm</RouterLink
      >
    </header>

    <section class="rail" aria-label="The rail">
      <div class="bar" aria-hidden="true"><span v-for="n in 24" :key="n" class="bolt" /></div>
      <div v-if="hung.length === 0" class="hooks">
        <div class="group bundle">
          <div class="hook" />
          <p class="empty">An empty hook.</p>
        </div>
      </div>
      <div v-else-if="!bundled" class="hooks">
        <div v-for="g in groups" :key="g.id" class="group">
          <h2>{{ g.word }}</h2>
          <div class="tags">
            <div v-for="c in g.lots" :key="c.id" class="hang">
              <div class="hook" />
              <RailTag :card="c" />
            </div>
          </div>
        </div>
      </div>
      <div v-else class="hooks">
        <div v-for="g in groups" :key="g.id" class="group bundle">
          <div class="hook" />
          <button type="button" class="count" @click="wanted = g.word">
            <b>{{ g.count }}</b> {{ g.word.toLowerCase() }}
          </button>
        </div>
      </div>
    </section>

    <FirstSteps v-if="hung.length === 0" />
    <section v-else class="next">
      <div class="pane-head">
        <h2>What comes next</h2>
        <InputText
          v-if="bundled"
          v-model="wanted"
          placeholder="Find a lot or a station"
          aria-label="Find a lot or a station"
          size="small"
        />
      </div>
      <p v-if="store.older > 0 && !wanted.trim()" class="row">
        <Button
          size="small"
          outlined
          label="Show older lots"
          icon="pi pi-angle-up"
          @click="store.fetchOlder()"
        />
        <span class="muted">{{ store.older }} more came before these</span>
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>Lot</th>
            <th>Where</th>
            <th class="right">Key weight</th>
            <th class="right">Cover</th>
            <th>Next</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ progress: s, ...lot } in listed" :key="lot.id">
            <td>
              <span class="lot"
                ><SpeciesMark :of="lot.species" :height="18" /><span
                  ><RouterLink :to="{ name: 'hang', params: { id: lot.id } }"><b>{{ lot.tag }}</b></RouterLink
                  ><span v-if="lot.count > 1" class="muted"> × {{ lot.count }}</span
                  ><span v-if="s.hung" class="muted">{{ ` ${words.name(s.hung)}` }}</span></span
                ></span
              >
            </td>
            <td>{{ STANDING_WORDS[s.standing] }}</td>
            <td class="right">
              <template v-if="s.key"
                ><span :class="{ estimate: !s.key.weighed }">{{
                  s.key.weighed ? words.mass(s.key.kg) : words.about(s.key.kg)
                }}</span>
                {{ s.key.is }}</template
              ><span v-else class="muted">none yet</span>
            </td>
            <td class="right">
              <span v-if="s.cover !== null" :class="{ good: s.cover >= 1 }"
                ><i v-if="s.cover >= 1" class="pi pi-check" aria-hidden="true" />
                {{ words.percent(s.cover) }}</span
              ><span v-else class="muted">{{ s.uncovered ? UNCOVERED_WORDS[s.uncovered] : '' }}</span>
            </td>
            <td>
              <RouterLink :to="{ name: NEXT_WORDS[s.next].station, params: { id: lot.id } }"
                >{{ NEXT_WORDS[s.next].say }} <i class="pi pi-arrow-right" aria-hidden="true"
              /></RouterLink>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="listed.length === 0" class="muted">No lot or station is called “{{ wanted }}”.</p>
    </section>
    <details v-if="withdrawn.length > 0 && !store.isFloor" class="off">
      <summary>Taken off the rail ({{ withdrawn.length }})</summary>
      <ul>
        <li v-for="l in withdrawn" :key="l.id" class="row">
          <b>{{ l.tag }}</b>
          <Button
            size="small"
            outlined
            label="Hang it again"
            :aria-label="`Hang it again: ${l.tag}`"
            @click="hangAgain(l.id)"
          />
        </li>
      </ul>
    </details>
  </main>
</template>

<style scoped>
.place {
  padding: 1rem 1.5rem 2rem;
  max-width: 1500px;
  margin: 0 auto;
}
.head {
  gap: 1rem;
  padding-bottom: 0.9rem;
}
.place-link {
  padding: 0.45rem 0.4rem;
  font-weight: 600;
  text-decoration: none;
}
.rail {
  margin: 0 -1.5rem;
  padding-bottom: 1rem;
}
.bar {
  height: 16px;
  background: var(--ink);
  display: flex;
  justify-content: space-around;
  align-items: center;
}
.bolt {
  width: 4px;
  height: 4px;
  border-radius: 50%;
  background: #8a7c68;
}
.hooks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 2.2rem;
  padding: 0 1.5rem;
}
.group h2 {
  font: 600 0.95rem var(--body);
  color: var(--muted);
  padding: 0.35rem 0 0;
}
.group {
  display: flex;
  flex-direction: column-reverse;
  justify-content: flex-end;
  align-items: flex-start;
}
.bundle {
  flex-direction: column;
  justify-content: flex-start;
  align-items: center;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 0 1rem;
}
.hang {
  display: grid;
  justify-items: center;
}
.hook {
  width: 3px;
  height: 38px;
  background: var(--ink);
  margin-bottom: -15px;
  z-index: 1;
  position: relative;
}
.hook::after {
  content: '';
  position: absolute;
  right: 0;
  bottom: -9px;
  width: 13px;
  height: 9px;
  border: 3px solid var(--ink);
  border-top: 0;
  border-left-color: transparent;
  border-radius: 0 0 9px 9px;
}
.empty {
  margin: 1.4rem 0 0;
  color: var(--muted);
  font-size: 1.05rem;
}
.bundle .count {
  font: 400 1rem var(--body);
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  padding: 1.1rem 1rem 0.6rem;
  cursor: pointer;
  display: grid;
  justify-items: center;
  color: var(--ink);
}
.count b {
  font: 700 1.8rem var(--head);
}
.next {
  padding-top: 1rem;
}
.off {
  padding-top: 1rem;
}
.off ul {
  padding: 0.4rem 0 0;
  margin: 0;
  list-style: none;
  display: grid;
  gap: 0.4rem;
}
.next table td {
  padding: 0.5rem 0.4rem;
}
.lot {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}
.lot :deep(.mark) {
  flex: none;
  color: #6d5f4b;
}
@media (max-width: 560px) {
  .lot :deep(.mark) {
    display: none;
  }
}
</style>
