<script setup lang="ts">
import Button from 'primevue/button'
import InputText from 'primevue/inputtext'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useReading } from '../../state/lot.ts'

/** A lot hung by mistake leaves the rail; nothing of it is lost, and it can be hung again from there. */
const { lot, note } = useReading()
const router = useRouter()
const why = ref('')
async function withdraw() {
  note({ kind: 'withdrawal', why: why.value.trim() })
  await router.push({ name: 'rail' })
}
</script>

<template>
  <form class="row" novalidate @submit.prevent="withdraw">
    <label for="off-why">Why, if you like</label>
    <InputText id="off-why" v-model="why" size="small" maxlength="300" />
    <Button
      type="submit"
      size="small"
      outlined
      severity="secondary"
      :label="`Take ${lot!.tag} off the rail`"
    />
  </form>
  <small class="muted">Its records stay. It can be hung again from the rail.</small>
</template>
