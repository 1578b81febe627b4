<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { computed, ref } from 'vue'
import { NEXT, type Standing } from '#core/clock'
import { sayMinutes } from '#core/measure'
import type { Work } from '#core/records'
import { initials } from '../../state/bench.ts'
import { useReading } from '../../state/lot.ts'

/** A step's stopwatch: started, paused, handed over, resumed, skipped with a reason. It teaches the farm its own minutes. */
const { of, name, standing, usual } = defineProps<{
  of: string
  name: string
  standing: Standing
  usual: number
}>()
const { note } = useReading()
const by = initials()
const asking = ref<Work['did'] | null>(null)
const text = ref('')
const issue = ref('')
const WORDS: Record<Work['did'], string> = {
  started: 'Start',
  paused: 'Pause',
  resumed: 'Go on',
  handed: 'Hand over',
  skipped: 'Skip',
  done: 'Done',
}
const ASKS: Partial<Record<Work['did'], string>> = { skipped: 'Why is it skipped?', handed: 'To whom?' }
/** The tick beside it says when it is done. */
const possible = computed(() => NEXT[standing.state].filter((did) => did !== 'done'))
const who = () => by.value.trim() || 'somebody'
function write(did: Work['did'], by: string, why?: string) {
  note({
    ...{ kind: 'work', of, did, when: new Date().toISOString(), by, usual: Math.round(usual * 100) / 100 },
    ...(why === undefined ? {} : { why }),
  })
  asking.value = null
  text.value = ''
}
function press(did: Work['did']) {
  issue.value = ''
  if (!ASKS[did]) return write(did, who())
  asking.value = asking.value === did ? null : did
}
function answer() {
  const typed = text.value.trim()
  if (typed === '') {
    issue.value = asking.value === 'skipped' ? 'No reason was typed. Say why.' : 'Nobody was named. Type who.'
    return
  }
  if (asking.value === 'skipped') write('skipped', who(), typed)
  else write('handed', typed)
}
const says = computed(() => {
  const { state, minutes, by: hand, why } = standing
  const took = `${sayMinutes(minutes)} of about ${sayMinutes(usual)}`
  switch (state) {
    case 'waiting':
      return `about ${sayMinutes(usual)}`
    case 'running':
      return `${took}, ${hand}`
    case 'paused':
      return `paused at ${took}`
    case 'skipped':
      return `skipped: ${why ?? ''}`
    case 'done':
      return minutes > 0 ? `took ${sayMinutes(minutes)}` : 'done'
  }
})
</script>

<template>
  <div class="clock" :data-clock="of" :class="standing.state">
    <span class="says"><i class="pi pi-stopwatch" aria-hidden="true" /> {{ says }}</span>
    <button
      v-for="did in possible"
      :key="did"
      type="button"
      :aria-label="`${WORDS[did]}: ${name}`"
      :aria-expanded="ASKS[did] ? asking === did : undefined"
      @click="press(did)"
    >
      {{ WORDS[did] }}
    </button>
    <form v-if="asking" class="row" novalidate @submit.prevent="answer">
      <label class="row"
        >{{ ASKS[asking] }}
        <InputText v-model="text" size="small" maxlength="40" autocomplete="off" :invalid="issue !== ''" />
      </label>
      <button type="submit">{{ WORDS[asking] }}</button>
      <span v-if="issue" class="field-issue" role="alert">{{ issue }}</span>
    </form>
  </div>
</template>

<style scoped>
.clock {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
  align-items: center;
}
.running .says {
  font-weight: 700;
  color: var(--covered);
}
.skipped .says {
  color: var(--caution);
}
button {
  min-height: 40px;
  padding: 0 0.7rem;
  border: 1px solid var(--ink);
  background: var(--sheet);
  font: inherit;
  cursor: pointer;
  color: var(--ink);
}
</style>
