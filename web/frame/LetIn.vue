<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { CODE_DIGITS } from '#contracts/wire'
import FieldIssues from '../pieces/FieldIssues.vue'
import { barred, fieldIssue } from '../state/api.ts'
import { useIssues } from '../state/issues.ts'
import { comeIn } from '../state/devices.ts'
import { useFarm } from '../state/farm.ts'

/** The door of the farm, for a device that is not let in, or no longer: a code, a name, and what waits here meanwhile. */
const store = useFarm()
/** A scanned link brings its code behind the #. */
const scanned = /^#(\d+)$/.exec(location.hash)?.[1]
const code = ref(scanned ?? '')
/** One that was in before keeps its name unless another is typed. */
const name = ref(store.you && !store.you.machine ? store.you.name : '')
const { issues, at } = useIssues()
const busy = ref(false)
const form = useTemplateRef<HTMLFormElement>('form')
onMounted(() => form.value?.querySelector<HTMLInputElement>(scanned ? '#door-name' : '#door-code')?.focus())
const waiting = computed(() => store.queue.pending.value.length)

async function enter() {
  const digits = code.value.replace(/\D/g, '')
  issues.value = [
    ...(digits.length === CODE_DIGITS
      ? []
      : [
          fieldIssue(
            'code',
            `A code is ${CODE_DIGITS} digits; there are ${digits.length} here. Look at it again.`,
          ),
        ]),
    ...(name.value.trim()
      ? []
      : [fieldIssue('name', 'This device has no name yet. Type one others will know it by.')]),
  ]
  if (issues.value.length > 0) return
  busy.value = true
  issues.value = await comeIn(digits, name.value)
  busy.value = false
  if (issues.value.length === 0) history.replaceState(history.state, '', location.pathname + location.search)
}
</script>

<template>
  <main class="door" aria-labelledby="door-title">
    <div class="beam" aria-hidden="true" />
    <form ref="form" class="stack" novalidate @submit.prevent="enter">
      <h1 id="door-title">{{ barred!.title }}</h1>
      <p v-if="waiting > 0" role="status">
        <b>{{ waiting === 1 ? 'One change waits' : `${waiting} changes wait` }} on this device</b> and
        {{ waiting === 1 ? 'is' : 'are' }} sent once it is in again. Nothing is lost.
      </p>
      <p>
        On the machine that holds the records, or a device that is in: <b>Farm</b>, then
        <b>Let a device in</b>. Type the code shown there.
      </p>
      <div class="field">
        <label for="door-code">Code</label>
        <InputText
          id="door-code"
          v-model="code"
          class="digits"
          inputmode="numeric"
          autocomplete="one-time-code"
          :maxlength="9"
          :invalid="at('code').length > 0"
        />
        <FieldIssues :issues="at('code')" />
      </div>
      <div class="field">
        <label for="door-name">Name of this device</label>
        <InputText
          id="door-name"
          v-model="name"
          autocomplete="off"
          :maxlength="40"
          :invalid="at('name').length > 0"
          aria-describedby="door-name-why"
        />
        <small id="door-name-why" class="muted"
          >Where it hangs or who carries it, such as Barn tablet. It stands beside what is decided
          here.</small
        >
        <FieldIssues :issues="at('name')" />
      </div>
      <FieldIssues :issues="issues.filter((i) => !['code', 'name'].includes(i.field))" />
      <Button type="submit" label="Come in" icon="pi pi-sign-in" :loading="busy" />
    </form>
  </main>
</template>

<style scoped>
.door {
  position: fixed;
  inset: 0;
  z-index: 30;
  overflow: auto;
  background: var(--paper);
  display: grid;
  justify-items: center;
  align-content: start;
}
.beam {
  width: 100%;
  height: 16px;
  background: var(--ink);
}
form {
  position: relative;
  width: min(27rem, calc(100% - 2rem));
  margin: 4.2rem 0 2rem;
  padding: 1.4rem 1.6rem 1.6rem;
  gap: 0.9rem;
  grid-template-columns: minmax(0, 1fr);
  background: var(--sheet);
  border: 1.5px solid var(--ink);
}
form::before {
  content: '';
  position: absolute;
  left: calc(50% - 1.5px);
  top: -4.3rem;
  width: 3px;
  height: 4.3rem;
  background: var(--ink);
}
.field :deep(input) {
  width: 100%;
}
.digits {
  font: 700 2.2rem var(--head);
  letter-spacing: 0.35em;
  text-align: center;
  padding: 0.4rem 0;
}
</style>
