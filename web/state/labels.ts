import { v7 as uuid } from 'uuid'
import type { IssuedPaper } from '#contracts'
import { ask, issuesOf, type FieldIssue } from './api.ts'
import { useInstruments } from './instruments.ts'

/** Labels of packs: on the bench's printer where there is one, else as a file. Each is kept as it was printed, and the packs remember it. */
export function useLabels() {
  const { hasPrinter, print } = useInstruments()
  async function labelsOf(lot: string, numbers: readonly number[]): Promise<FieldIssue[]> {
    const asked = { id: uuid(), kind: 'labels', words: { packs: numbers } }
    const answer = await ask<IssuedPaper>('POST', `/lots/${lot}/papers`, asked)
    if (answer.kind !== 'ok') return issuesOf(answer)
    if (hasPrinter.value) {
      const issues = await print(answer.body.id)
      if (issues.length > 0) return issues
    } else window.location.assign(`/api/papers/${answer.body.id}.pdf`)
    const events = numbers.map((number) => ({ id: uuid(), number, what: 'label', place: null }))
    const said = await ask('POST', '/packs/events', { events })
    return said.kind === 'ok' ? [] : issuesOf(said)
  }
  return { labelsOf }
}
