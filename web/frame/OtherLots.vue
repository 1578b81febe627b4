<script setup lang="ts">
import Button from 'primevue/button'
import Popover from 'primevue/popover'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useFarm } from '../state/farm.ts'
import { STANDING_WORDS } from './lotSummary.ts'

/** The other lots on the rail, behind the name of this one: a press goes to the same station of another. */
const { tag, count, id } = defineProps<{ tag: string; count: number; id: string }>()
const MOST = 12
const route = useRoute()
const store = useFarm()
const others = computed(() =>
  [...store.cards.values()].filter((l) => !l.withdrawn && l.id !== id).slice(0, MOST),
)
const popover = ref<InstanceType<typeof Popover> | null>(null)
</script>

<template>
  <h1>{{ tag }}<small v-if="count > 1"> × {{ count }}</small></h1>
  <template v-if="others.length > 0">
    <Button
      text
      size="small"
      icon="pi pi-angle-down"
      class="more"
      aria-label="Other lots"
      aria-haspopup="true"
      @click="popover?.toggle($event)"
    />
    <Popover ref="popover">
      <nav class="others" aria-label="Other lots">
        <RouterLink
          v-for="o in others"
          :key="o.id"
          :to="{ name: route.name!, params: { id: o.id } }"
          @click="popover?.hide()"
          ><b>{{ o.tag }}</b>
          <span class="muted">{{ STANDING_WORDS[o.progress.standing].toLowerCase() }}</span></RouterLink
        >
      </nav>
    </Popover>
  </template>
</template>

<style scoped>
h1 {
  font-size: 1.2rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  flex: none;
  max-width: 45vw;
}
small {
  font: 400 0.9rem var(--body);
  color: var(--muted);
}
.more {
  margin-left: -0.7rem;
}
.others {
  display: grid;
  min-width: 15rem;
}
.others a {
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  min-height: 44px;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 1px solid var(--rule);
}
.others a:hover b {
  color: var(--accent);
}
</style>
