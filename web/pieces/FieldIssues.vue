<script setup lang="ts">
import type { FieldIssue } from '../state/api.ts'

/** What is wrong at a field, beside it. */
defineProps<{ issues: FieldIssue[]; id?: string }>()
</script>

<template>
  <div v-for="issue in issues" :id="id" :key="issue.detail" class="field-issue" role="alert">
    <i class="pi" :class="issue.confirmable ? 'pi-question-circle' : 'pi-times-circle'" aria-hidden="true" />
    <span>{{ issue.detail }}</span>
  </div>
</template>
