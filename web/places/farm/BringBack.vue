<script setup lang="ts">
import Button from 'primevue/button'
import Password from 'primevue/password'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Copies } from '#contracts'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import type { OpenCopies, Source } from '../../state/copies.ts'
import { sayBytes, useWords } from '../../state/words.ts'
import { passphraseInput } from './passphrase.ts'
import { heldBeside } from './copyWords.ts'

/** Bringing a copy back, in two acts: a rehearsal beside the present records, which changes nothing, and the taking. */
const { open, copies } = defineProps<{ open: OpenCopies; copies: Copies }>()
const picked = defineModel<string | null>('picked', { required: true })
const { doing } = open
const words = useWords()
const file = ref<File | null>(null)
const passphrase = ref('')
const issues = ref<FieldIssue[]>([])
const done = ref('')
const input = useTemplateRef<HTMLInputElement>('input')

watch(picked, (name) => {
  issues.value = []
  if (name) file.value = null
})
const source = computed<Source | null>(() => {
  if (file.value) return { place: 'file', file: file.value }
  if (!picked.value) return null
  const [, place, name] = /^(second|aside):(.*)/.exec(picked.value) ?? []
  return place && name ? { place: place as 'second' | 'aside', name } : { place: 'here', name: picked.value }
})
const aside = computed(() => (source.value?.place === 'aside' ? source.value.name : null))
const asked = ref<string | null>(null)
/** Taking a database that was moved aside off the disk is for good: it is asked twice. */
async function clear() {
  if (asked.value !== aside.value) return void (asked.value = aside.value)
  issues.value = await open.clearAside(aside.value!)
  if (issues.value.length === 0) picked.value = null
}
const kept = computed(() => copies.bundles.find((b) => b.name === picked.value))
const isSealed = computed(
  () => file.value?.name.endsWith('.age') || issues.value.some((i) => i.field === 'passphrase'),
)
const rehearsal = computed(() => copies.rehearsal)
const rows = computed(() =>
  rehearsal.value ? heldBeside(rehearsal.value.held, rehearsal.value.present) : [],
)
const loses = computed(() => rows.value.some((r) => r.change < 0))

function chosen(event: Event) {
  file.value = (event.target as HTMLInputElement).files?.[0] ?? null
  picked.value = null
  issues.value = []
  done.value = ''
}
async function rehearse() {
  done.value = ''
  issues.value = await open.rehearse(source.value!, passphrase.value || null)
  if (issues.value.length === 0) passphrase.value = ''
}
async function take() {
  issues.value = await open.restore(rehearsal.value!)
  if (issues.value.length > 0) return
  picked.value = null
  file.value = null
  done.value =
    'The records stand as in the copy. What stood before is kept: it hangs on the beam as “before a restore”, and its database lies beside this one.'
}
const signed = (n: number) => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : 'same')
</script>

<template>
  <div class="stack bring">
    <div class="row">
      <template v-if="kept">
        <span>Picked: <b>{{ words.instant(kept.at) }}</b>, {{ sayBytes(kept.bytes) }}</span>
        <a :href="`/api/bundles/${kept.name}`" download class="muted">take this file away</a>
      </template>
      <span v-else-if="file">Picked: <b>{{ file.name }}</b>, {{ sayBytes(file.size) }}</span>
      <span v-else-if="picked">Picked: <b>{{ picked.replace(/^\w+:/, '') }}</b></span>
      <span v-else class="muted">Pick a copy to bring back, or</span>
      <Button
        size="small"
        text
        icon="pi pi-file"
        :label="picked || file ? 'Choose a file instead' : 'choose a file'"
        @click="input?.click()"
      />
      <input
        ref="input"
        type="file"
        hidden
        accept=".json,.gz,.age"
        aria-label="Bundle file"
        @change="chosen"
      />
    </div>
    <form v-if="source && !rehearsal" class="row" novalidate @submit.prevent="rehearse">
      <Password
        v-if="isSealed"
        v-model="passphrase"
        size="small"
        :feedback="false"
        toggle-mask
        placeholder="Passphrase"
        :input-props="passphraseInput('Passphrase of the bundle', 'off')"
      />
      <Button
        type="submit"
        size="small"
        outlined
        icon="pi pi-eye"
        label="Rehearse bringing it back"
        :loading="doing === 'rehearse'"
      />
      <Button
        v-if="aside"
        size="small"
        text
        severity="danger"
        icon="pi pi-trash"
        :label="asked === aside ? 'Clear it for good' : 'Clear it from the disk'"
        :loading="doing === 'clear'"
        @click="clear"
      />
      <span class="muted">{{
        asked !== null && asked === aside
          ? 'What it holds and no bundle holds would be gone. Rehearse it first where you are not sure.'
          : 'Restored beside the present records; nothing is changed yet.'
      }}</span>
    </form>
    <FieldIssues :issues="issues" />
    <div v-if="rehearsal" class="rehearsed" role="status">
      <h3>
        Rehearsed: {{ rehearsal.held.farm ?? 'a farm without a name'
        }}<template v-if="rehearsal.held.newest"
          >, newest record {{ words.instant(rehearsal.held.newest) }}</template
        >
      </h3>
      <table class="plain">
        <thead>
          <tr>
            <th>Records</th>
            <th class="right">In the copy</th>
            <th class="right">Now</th>
            <th class="right">Would change by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.word">
            <td>{{ r.word }}</td>
            <td class="right">{{ r.held }}</td>
            <td class="right">{{ r.present }}</td>
            <td class="right" :class="{ bad: r.change < 0 }">{{ signed(r.change) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="loses" class="caution">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /><span
          >What was written since would no longer be in force. It is not deleted: it is kept beside, and can
          be brought back the same way.</span
        >
      </p>
      <div class="row">
        <Button
          label="Put it in the place of the present records"
          icon="pi pi-history"
          :loading="doing === 'restore'"
          @click="take"
        />
        <Button
          label="Leave everything as it is"
          severity="secondary"
          outlined
          :disabled="doing === 'restore'"
          @click="open.drop(rehearsal)"
        />
      </div>
    </div>
    <p v-if="done" class="good" role="status"><i class="pi pi-check" aria-hidden="true" /> {{ done }}</p>
  </div>
</template>

<style scoped>
.bring {
  gap: 0.5rem;
}
.rehearsed {
  display: grid;
  gap: 0.6rem;
  padding: 0.75rem;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
</style>
