import { ref } from 'vue'
import type { FieldIssue } from './api.ts'

/** What is wrong, by field; an issue of no field stands at the end of its form. */
export function useIssues() {
  const issues = ref<FieldIssue[]>([])
  const at = (field: string) => issues.value.filter((i) => i.field === field)
  return { issues, at }
}
