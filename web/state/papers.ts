import { v7 as uuid } from 'uuid'
import { ref } from 'vue'
import type { IssuedPaper } from '#contracts'
import type { PaperWords, Share } from '#core/records'
import { ask, issuesOf, type FieldIssue } from './api.ts'

/** Issues papers of a lot, or of one group of it: each is stored as printed, then handed over in the form asked for. */
export function usePapers(lot: () => string, group: () => string | null) {
  const issues = ref<FieldIssue[]>([])
  const busy = ref<string | null>(null)
  async function take(
    kind: IssuedPaper['kind'],
    ending: 'pdf' | 'csv',
    share: Share = 1,
    words: PaperWords = {},
  ) {
    busy.value = kind + ending
    const of = group()
    const asked = { id: uuid(), kind, share, words, ...(of !== null && { group: of }) }
    const answer = await ask<IssuedPaper>('POST', `/lots/${lot()}/papers`, asked)
    busy.value = null
    issues.value = answer.kind === 'ok' ? [] : issuesOf(answer)
    if (answer.kind === 'ok') window.location.assign(`/api/papers/${answer.body.id}.${ending}`)
  }
  return { issues, busy, take }
}
