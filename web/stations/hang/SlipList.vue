<script setup lang="ts">
import Button from 'primevue/button'
import { computed } from 'vue'
import { ATTACHMENT_TYPES } from '#core/records'
import FieldIssues from '../../pieces/FieldIssues.vue'
import { useAttachments } from '../../state/attachments.ts'
import { useReading } from '../../state/lot.ts'
import { sayBytes, useWords } from '../../state/words.ts'

/** Slips, tags and photos that belong to the lot; taken off, one stays on record and in the bundle. */
const { lot, read, withdraw, factOf } = useReading()
const words = useWords()
const { issues, busy, attach, addressOf } = useAttachments(() => lot.value!.id)
const slips = computed(() => read.value.plan.attachments)
async function chosen(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  for (const file of files) await attach(file)
}
</script>

<template>
  <section class="stack" aria-label="Slips and photos">
    <p class="muted">Kept with the lot, and in every bundle.</p>
    <ul v-if="slips.length > 0" class="slips">
      <li v-for="s in slips" :key="s.id" class="row">
        <a :href="addressOf(s)" target="_blank" rel="noopener">
          <img v-if="s.type !== 'application/pdf'" :src="addressOf(s)" alt="" />
          <i v-else class="pi pi-file-pdf" aria-hidden="true" />
          {{ s.name }}
        </a>
        <small class="muted"
          >{{ sayBytes(s.bytes) }}<template v-if="s.at">, {{ words.instant(s.at) }}</template></small
        >
        <Button
          text
          size="small"
          severity="secondary"
          icon="pi pi-times"
          :aria-label="`Take ${s.name} off`"
          @click="withdraw(...factOf((f) => f.kind === 'attachment').filter((f) => f.id === s.id))"
        />
      </li>
    </ul>
    <label class="bring"
      ><i class="pi pi-paperclip" aria-hidden="true" />
      {{ busy ? 'Attaching…' : 'Attach the slip or a photo' }}
      <input
        type="file"
        multiple
        :accept="ATTACHMENT_TYPES.join()"
        aria-label="Slip or photo"
        @change="chosen"
    /></label>
    <FieldIssues :issues="issues" />
  </section>
</template>

<style scoped>
.slips {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.3rem;
}
.slips a {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 24px;
}
.slips img {
  width: 44px;
  height: 33px;
  object-fit: cover;
  border: 1px solid var(--ink);
}
.bring {
  cursor: pointer;
  font-weight: 600;
}
.bring:focus-within {
  outline: 2px solid var(--accent);
  outline-offset: 2px;
}
.bring input {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
