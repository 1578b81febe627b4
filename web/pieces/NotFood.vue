<script setup lang="ts">
import { computed } from 'vue'
import { useReading } from '../state/lot.ts'

/** Stands where a plan would be, of an animal that is not food. */
const { read, lot } = useReading()
const reason = computed(() => read.value.plan.verdict.reasons[0]!)
</script>

<template>
  <div class="caution" role="note" data-testid="not-food">
    <i class="pi pi-ban" aria-hidden="true" />
    <span
      ><b>Nothing of {{ lot!.tag }} is planned as food.</b> {{ reason.rule }} {{ reason.fact }}
      <RouterLink :to="{ name: 'hang' }">The casualty record is on Hang</RouterLink>; its costs are
      kept.</span
    >
  </div>
</template>
