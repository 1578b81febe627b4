import { ref } from 'vue'
import type { Copies, Rehearsal } from '#contracts'
import { ask, askBytes, issuesOf, type FieldIssue } from './api.ts'

/** A bundle to be brought back: one that is kept here or at the second place, or a file from elsewhere. */
export type Source = { place: 'here' | 'second' | 'aside'; name: string } | { place: 'file'; file: File }

const inHeader = (text: string) => {
  const bytes = new TextEncoder().encode(text)
  return btoa(String.fromCodePoint(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
}

/** The copies of the records: what is kept where, and bringing one back. */
export function useCopies() {
  const copies = ref<Copies | null>(null)
  const failed = ref<string | null>(null)
  const doing = ref<'keep' | 'rehearse' | 'restore' | 'seal' | 'second' | 'clear' | null>(null)

  async function during<T>(what: NonNullable<typeof doing.value>, work: () => Promise<T>): Promise<T> {
    doing.value = what
    try {
      return await work()
    } finally {
      doing.value = null
    }
  }
  /** Asks, puts what is kept in place, and says what was wrong. */
  async function put(
    method: 'GET' | 'POST' | 'PUT' | 'DELETE',
    path: string,
    body?: unknown,
  ): Promise<FieldIssue[]> {
    const answer = await ask<Copies>(method, path, body)
    if (answer.kind !== 'ok') return issuesOf(answer)
    copies.value = answer.body
    return []
  }

  async function load() {
    const issues = await put('GET', '/copies')
    failed.value = issues[0]?.detail ?? null
  }
  const keepNow = () => during('keep', () => put('POST', '/copies'))
  const chooseSecond = (folder: string | null) =>
    during('second', () => put('PUT', '/copies/second', { folder }))

  const clearAside = (name: string) => during('clear', () => put('DELETE', `/copies/asides/${name}`))

  function rehearse(source: Source, passphrase: string | null): Promise<FieldIssue[]> {
    return during('rehearse', async () => {
      const answer =
        source.place === 'file'
          ? await askBytes<Rehearsal>(
              '/rehearsals/sent',
              source.file,
              passphrase ? { 'x-ekko-passphrase': inHeader(passphrase) } : {},
            )
          : await ask<Rehearsal>('POST', '/rehearsals', { ...source, passphrase })
      if (answer.kind !== 'ok') return issuesOf(answer)
      await load()
      return []
    })
  }
  function restore(rehearsal: Rehearsal): Promise<FieldIssue[]> {
    return during('restore', async () => {
      const answer = await ask('POST', `/rehearsals/${rehearsal.id}/restore`)
      await load()
      return answer.kind === 'ok' ? [] : issuesOf(answer)
    })
  }
  async function drop(rehearsal: Rehearsal) {
    await ask('DELETE', `/rehearsals/${rehearsal.id}`)
    await load()
  }
  /** The whole farm, sealed; handed to the browser as a file. */
  function seal(passphrase: string): Promise<FieldIssue[]> {
    return during('seal', async () => {
      const answer = await askBytes<Blob>('/bundle/sealed', JSON.stringify({ passphrase }), {
        'content-type': 'application/json',
      })
      if (answer.kind !== 'ok') return issuesOf(answer)
      const link = document.createElement('a')
      link.href = URL.createObjectURL(answer.body)
      link.download = `ekko-farm-${new Date().toISOString().slice(0, 10)}.age`
      link.click()
      URL.revokeObjectURL(link.href)
      return []
    })
  }
  return { copies, failed, doing, load, keepNow, chooseSecond, clearAside, rehearse, restore, drop, seal }
}
export type OpenCopies = ReturnType<typeof useCopies>
