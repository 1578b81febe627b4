import type { Page } from 'playwright-core'
import { v7 as uuid } from 'uuid'
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
/** Layouts that a choice may cost. */
const LAYOUTS = 2
const way = (page: Page, id: string) => page.locator(`[data-path=${id}]`)
const taken = (page: Page, id: string) =>
  expect.poll(() => way(page, id).getAttribute('aria-checked')).toBe('true')

/** How often the page worked a thing out, asked its thread for draws, and was laid out, from its start. */
async function counted(page: Page): Promise<() => Promise<Record<string, number>>> {
  await page.addInitScript(() => {
    const counts: Record<string, number> = { reading: 0, alternatives: 0, draw: 0 }
    Object.assign(window, { counts })
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => e.name in counts && counts[e.name]!++),
    ).observe({ entryTypes: ['mark'] })
    const Real = Worker
    window.Worker = class extends Real {
      override postMessage(message: unknown) {
        if ((message as { m?: string }).m === 'draw') counts.draw!++
        super.postMessage(message)
      }
    }
  })
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Performance.enable')
  return async () => {
    const { metrics } = await cdp.send('Performance.getMetrics')
    const layouts = metrics.find((m) => m.name === 'LayoutCount')!.value
    const counts = await page.evaluate(() => (window as unknown as { counts: Record<string, number> }).counts)
    return { ...counts, layouts }
  }
}

/** Bytes of all that opening an address brings, as they came over the wire, by what they are. */
async function weighed(
  page: Page,
  url: string,
): Promise<{ bytes: number; scripts: string[]; api: string[] }> {
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('Network.enable')
  await cdp.send('Network.setCacheDisabled', { cacheDisabled: true })
  const urls = new Map<string, string>()
  let bytes = 0
  cdp.on('Network.responseReceived', (e) => urls.set(e.requestId, new URL(e.response.url).pathname))
  cdp.on('Network.loadingFinished', (e) => (bytes += e.encodedDataLength))
  // The last thing it asks for, once it stands.
  const whole = page.waitForResponse('**/api/standing')
  await page.goto(url)
  await page.locator('#main').waitFor()
  await whole
  await page.evaluate(() => document.fonts.ready.then(() => undefined))
  await expect.poll(() => [...urls.values()]).toContain('/api/standing')
  const all = [...urls.values()]
  return {
    bytes,
    scripts: all.filter((x) => x.endsWith('.js')),
    api: all.filter((x) => x.startsWith('/api/')).sort(),
  }
}

describe('the first page', () => {
  it('is at most 250 kB on the wire, fonts and icons counted, and asks for no lot’s records', async () => {
    const { page, context } = await run.open()
    const first = await weighed(page, run.url)
    expect(first.bytes).toBeLessThan(250_000)
    expect(first.bytes).toBeGreaterThan(50_000)
    expect(first.api).toEqual(['/api/events', '/api/home', '/api/standing'])
    // A species says what it looks like when one of it hangs, and nothing of its figures.
    const [marks, scripts] = [true, false].map((is) =>
      first.scripts.filter((s) => s.includes('/about-') === is),
    )
    expect(scripts!.length).toBeLessThan(12)
    expect(marks!.length).toBeLessThanOrEqual(9)
    const text = await Promise.all(first.scripts.map(async (s) => (await fetch(run.url + s)).text()))
    // What only a lot, a form or a chart needs: anatomies, the checks of records, the chart library.
    for (const heavy of ['spare-ribs', 'ZodError', 'zrender'])
      expect(text.filter((t) => t.includes(heavy)).length, heavy).toBe(0)
    await context.close()
  })
})

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
  it('a choice is one reading, one set of alternatives, one set of draws in a thread, and at most two layouts', async () => {
    const { page, context } = await run.open()
    const counts = await counted(page)
    await openLot(run, 'Bramble', 'block', page)
    const isDrawn = () => page.locator('.paths .mass').innerText()
    await expect.poll(isDrawn).toContain('likely')
    await saved(page)
    const choose = async (id: string) => {
      await way(page, id).hover()
      const before = await counts()
      await way(page, id).click()
      await taken(page, id)
      await saved(page)
      await expect.poll(isDrawn).toContain('likely')
      const after = await counts()
      return Object.fromEntries(Object.entries(after).map(([k, n]) => [k, n - before[k]!]))
    }
    const { layouts, ...once } = await choose('loin-roasts')
    expect(once).toEqual({ reading: 1, alternatives: 1, draw: 1 })
    expect(layouts).toBeLessThanOrEqual(LAYOUTS)
    await context.close()
  })
  it('a price is one reading of its own and no new draws; of the skyline only its bar moves', async () => {
    const { page, context } = await run.open()
    const counts = await counted(page)
    await openLot(run, 'Bramble', 'price', page)
    const price = page.getByLabel('Price of Ground pork', { exact: true })
    await page.getByTestId('skyline').locator('text').first().waitFor()
    await saved(page)
    const before = await counts()
    const moved = await page.getByTestId('skyline').evaluateHandle((el) => {
      const all = { of: el.querySelectorAll('path, text').length, nodes: new Set<Node>() }
      new MutationObserver((list) => list.forEach((m) => all.nodes.add(m.target))).observe(el, {
        subtree: true,
        attributes: true,
        childList: true,
        characterData: true,
      })
      return all
    })
    await price.fill('6.60')
    await price.press('Enter')
    await saved(page)
    const after = await counts()
    expect(after.reading! - before.reading!).toBe(1)
    const { nodes, of } = await moved.evaluate((m) => ({ nodes: m.nodes.size, of: m.of }))
    expect(of).toBeGreaterThan(60)
    expect(nodes).toBeLessThanOrEqual(8)
    await context.close()
  })
  it('what the server refuses lies aside with its reason, over a reload, until it is sent again; a fault is only held', async () => {
    const { page, context } = await run.open()
    const answer = (status: number, title: string) => ({
      status,
      contentType: 'application/problem+json',
      body: JSON.stringify({ type: '/problems/test', title, status }),
    })
    await openLot(run, 'Bramble', 'block', page)
    await page.route('**/decisions', (route) => route.fulfill(answer(422, 'No such way here.')), { times: 1 })
    await page.route('**/decisions', (route) => route.fulfill(answer(500, 'The disk failed.')), { times: 1 })
    await way(page, 'loin-rack').waitFor()
    const checked = page.locator('[data-path][aria-checked=true]')
    const before = (await checked.count()) > 0 ? await checked.first().getAttribute('data-path') : null
    const wanted = before === 'loin-roasts' ? 'loin-rack' : 'loin-roasts'
    await way(page, wanted).click()
    const note = page.getByRole('alert', { name: 'Not taken' })
    await note.getByText('No such way here.').waitFor()
    await note.getByText('Bramble: 2 decisions.').waitFor()
    await expect.poll(() => way(page, wanted).getAttribute('aria-checked')).toBe('false')
    await page.unrouteAll()
    // The fault was held and went through once it was over.
    await page.reload()
    await note.getByText('No such way here.').waitFor()
    await note.getByRole('button', { name: 'Send again' }).press('Enter')
    await taken(page, wanted)
    await saved(page)
    await note.waitFor({ state: 'detached' })
    await context.close()
  })
  it('a page of another build than the server’s says so, and loses nothing it holds', async () => {
    const { page, context } = await run.open()
    await openLot(run, 'Thistle', 'block', page)
    const note = page.getByText('A newer Ekko runs on this server')
    expect(await note.count()).toBe(0)
    await page.route('**/decisions', async (route) => {
      const answer = await route.fetch()
      await route.fulfill({ response: answer, headers: { ...answer.headers(), 'x-ekko-build': 'another' } })
    })
    await way(page, 'loin-saddle').waitFor()
    await way(page, 'loin-boneless').click()
    await note.waitFor()
    await saved(page)
    await page.unrouteAll()
    await page.getByRole('button', { name: 'Reload' }).press('Enter')
    await note.waitFor({ state: 'detached' })
    await taken(page, 'loin-boneless')
    await context.close()
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

describe('a connection that breaks', () => {
  it('while a stylesheet comes: what it dresses stands, and it is asked for once more', async () => {
    const { page, context } = await run.open()
    let times = 0
    await page.route('**/SkylineChart-*.css', (route) => (++times === 1 ? route.abort() : route.continue()))
    await openLot(run, 'Bramble', 'price', page)
    await page.getByTestId('skyline').waitFor()
    await expect.poll(() => times).toBe(2)
    await context.close()
  })
})

describe('a farm of many lots', () => {
  it('shows the newest, older ones at a press, and finds any by its name', async () => {
    const { page, context } = await run.open()
    for (let n = 1; n <= 50; n++) {
      const res = await fetch(`${run.url}/api/lots`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id: uuid(), tag: `Pen ${n}`, species: 'hog', count: 1 }),
      })
      expect(res.status).toBe(201)
    }
    await page.goto(run.url)
    const named = (tag: string) => page.getByRole('row').getByRole('link', { name: tag, exact: true })
    await named('Pen 50').waitFor()
    await page.getByText('23 more came before these').waitFor()
    expect(await named('Juniper').count()).toBe(0)
    await page.getByRole('button', { name: /^5\d on the hoof$/ }).waitFor()
    await page.getByLabel('Find a lot or a station').fill('junip')
    await named('Juniper').waitFor()
    expect(await page.getByRole('row').count()).toBe(2)
    await page.getByLabel('Find a lot or a station').fill('')
    await page.getByRole('button', { name: 'Show older lots' }).press('Enter')
    await named('Clover').waitFor()
    expect(await page.getByRole('button', { name: 'Show older lots' }).count()).toBe(0)
    expect(await page.getByRole('row').count()).toBe(72)
    await context.close()
  })
})
