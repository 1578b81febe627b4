<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import Password from 'primevue/password'
import { computed, onMounted, ref } from 'vue'
import FieldIssues from '../../pieces/FieldIssues.vue'
import type { FieldIssue } from '../../state/api.ts'
import { useCopies } from '../../state/copies.ts'
import { sayBytes, useWords } from '../../state/words.ts'
import { passphraseInput } from './passphrase.ts'
import BringBack from './BringBack.vue'
import { sayLast } from './copyWords.ts'
import KeptBeam from './KeptBeam.vue'

/** Copies of the records a person can trust: when the last was proven, where they lie, and bringing one back. */
const words = useWords()
const open = useCopies()
const { copies, failed, doing } = open
onMounted(open.load)
const last = computed(() => (copies.value ? sayLast(copies.value, new Date()) : null))
const issues = ref<FieldIssue[]>([])
const picked = ref<string | null>(null)

const second = ref('')
const secondIssues = ref<FieldIssue[]>([])
const SECOND_WORD = {
  none: 'None yet. A disk dies whole: name a folder on a stick or another disk.',
  away: 'It is out just now. Bundles go there again once it is back.',
  there: 'It is there.',
  failed: 'The last copy there did not succeed.',
}
async function choose(folder: string | null) {
  secondIssues.value = await open.chooseSecond(folder)
  if (secondIssues.value.length === 0) second.value = ''
}

const passphrase = ref('')
const sealIssues = ref<FieldIssue[]>([])
async function seal() {
  sealIssues.value = await open.seal(passphrase.value)
  if (sealIssues.value.length === 0) passphrase.value = ''
}
</script>

<template>
  <section class="stack copies">
    <div class="pane-head"><h2>Copies of the records</h2></div>
    <p v-if="failed" class="field-issue" role="alert">{{ failed }}</p>
    <p v-else-if="!copies" class="muted" role="status">Looking at the copies…</p>
    <template v-else>
      <p v-if="copies.warning" class="caution" role="alert">
        <i class="pi pi-exclamation-triangle" aria-hidden="true" /><span>{{ copies.warning }}</span>
      </p>
      <p v-if="copies.recovered" class="recovered">
        <i class="pi pi-history" aria-hidden="true" /> Ekko was cut off once. The records were brought back as
        they stood on <b>{{ words.instant(copies.recovered.to) }}</b>: everything acknowledged until then.
      </p>
      <div class="verdict">
        <p class="last" :class="last!.isGood ? 'good' : 'due'">
          <i class="pi" :class="last!.isGood ? 'pi-verified' : 'pi-clock'" aria-hidden="true" />
          {{ last!.sentence }}
        </p>
        <Button
          label="Keep and prove a copy now"
          icon="pi pi-shield"
          :loading="doing === 'keep'"
          @click="open.keepNow().then((i) => (issues = i))"
        />
      </div>
      <FieldIssues :issues="issues" />
      <p class="muted">
        A copy counts once it was restored elsewhere on this machine and gave back every record. One is kept
        each day something was written. {{ sayBytes(copies.freeBytes) }} are free on this disk; the records
        take {{ sayBytes(copies.dbBytes) }}.
      </p>
      <KeptBeam v-model="picked" :copies="copies" />
      <BringBack v-model:picked="picked" :open="open" :copies="copies" />

      <div class="ways">
        <form class="stack" novalidate @submit.prevent="choose(second.trim())">
          <h3>A second place</h3>
          <p v-if="copies.second.folder">
            <code>{{ copies.second.folder }}</code><br />
            <span :class="copies.second.state === 'failed' ? 'field-issue' : 'muted'"
              >{{ SECOND_WORD[copies.second.state]
              }}<template v-if="copies.second.state === 'there' && copies.second.bundles.length > 0">
                Newest bundle: {{ copies.second.bundles.at(-1) }}.</template
              ><template v-if="copies.second.why"> ({{ copies.second.why }})</template></span
            >
          </p>
          <p v-else class="muted">{{ SECOND_WORD.none }}</p>
          <div class="row">
            <InputText
              v-model="second"
              size="small"
              class="grow"
              placeholder="such as /media/stick/ekko"
              aria-label="Folder of the second place"
              :invalid="secondIssues.length > 0"
            />
            <Button
              type="submit"
              size="small"
              outlined
              label="Use this folder"
              :disabled="!second.trim()"
              :loading="doing === 'second'"
            />
            <Button
              v-if="copies.second.folder"
              text
              size="small"
              severity="secondary"
              label="Use none"
              @click="choose(null)"
            />
          </div>
          <FieldIssues :issues="secondIssues" />
        </form>
        <form class="stack" novalidate @submit.prevent="seal">
          <h3>Take the farm away in one file</h3>
          <div>
            <a href="/api/bundle" download
              ><Button
                size="small"
                outlined
                label="Take away the farm bundle"
                icon="pi pi-download"
                tabindex="-1"
            /></a>
          </div>
          <div class="row">
            <Password
              v-model="passphrase"
              size="small"
              :feedback="false"
              toggle-mask
              placeholder="Passphrase"
              :input-props="passphraseInput('Passphrase to seal the bundle with', 'new-password')"
            />
            <Button
              type="submit"
              size="small"
              outlined
              icon="pi pi-lock"
              label="Take it sealed"
              :disabled="!passphrase"
              :loading="doing === 'seal'"
            />
          </div>
          <FieldIssues :issues="sealIssues" />
          <p class="muted">
            Whoever has the plain file reads the farm’s books. A sealed one opens only with its passphrase:
            lose the passphrase and the file is lost, for us too.
          </p>
        </form>
      </div>
    </template>
  </section>
</template>

<style scoped>
.copies {
  min-width: 0;
}
.verdict {
  display: flex;
  gap: 1rem;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
}
.last {
  font: 700 1.15rem var(--head);
}
.last.due {
  color: var(--caution);
}
.recovered {
  padding: 0.45rem 0.6rem;
  background: var(--sheet);
  border-left: 3px solid var(--covered);
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(270px, 1fr));
  gap: 1.5rem;
  border-top: 1px solid var(--rule);
  padding-top: 0.75rem;
}
.ways .stack {
  gap: 0.5rem;
}
.grow {
  flex: 1;
  min-width: 9rem;
}
</style>
