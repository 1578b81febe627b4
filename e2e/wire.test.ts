import type { Page } from 'playwright-core'
import { describe, expect, it } from 'vitest'
import { openLot, running, saved } from './testing.ts'

const run = running({ demo: true })
/** What a page asks the server for from now on. */
function asked(page: Page): string[] {
  const all: string[] = []
  page.on('request', (r) => {
    const { pathname, search } = new URL(r.url())
    if (pathname.startsWith('/api/') && pathname !== '/api/events')
      all.push(`${r.method()} ${pathname.split('/').at(-1)}${search.replace(/\d+/, 'N')}`)
  })
  return all
}
const way = (page: Page, id: string) => page.locator(`[data-path=${id}]`)
const taken = (page: Page, id: string) =>
  expect.poll(() => way(page, id).getAttribute('aria-checked')).toBe('true')

describe('on the wire', () => {
  it('a decision is one request, and one to each other window that has the lot: what was added since', async () => {
    const { page } = run
    const other = await run.open()
    await openLot(run, 'Juniper', 'block')
    await openLot(run, 'Juniper', 'block', other.page)
    await way(other.page, 'loin-roasts').waitFor()
    const [mine, theirs] = [asked(page), asked(other.page)]
    await way(page, 'loin-roasts').click()
    await taken(other.page, 'loin-roasts')
    await saved(page)
    // A second one from the other window, so that an echo of the first would have come by now.
    await way(other.page, 'loin-rack').click()
    await taken(page, 'loin-rack')
    await saved(other.page)
    expect(mine).toEqual(['POST decisions', expect.stringMatching(/^GET [\w-]+\?since=N$/)])
    expect(theirs).toEqual([expect.stringMatching(/^GET [\w-]+\?since=N$/), 'POST decisions'])
    await other.context.close()
  })
  it('a window that heard nothing for a while catches up with what it missed, and misses none of it', async () => {
    const { page } = run
    const other = await run.open()
    await openLot(run, 'Juniper', 'block', other.page)
    await other.context.setOffline(true)
    await way(page, 'loin-roasts').click()
    await saved(page)
    await way(page, 'loin-chops').click()
    await saved(page)
    await other.context.setOffline(false)
    await taken(other.page, 'loin-chops')
    await other.context.close()
  })
})
