import type { Page } from 'playwright-core'
import { beforeAll, describe, expect, it } from 'vitest'
import { openLot, running, saved, visit } from './testing.ts'

const run = running({ demo: true })
/** A second window, for all tests that need one. */
let other: Page
beforeAll(async () => {
  other = (await run.open()).page
})
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
    await openLot(run, 'Juniper', 'block')
    await openLot(run, 'Juniper', 'block', other)
    await way(other, 'loin-roasts').waitFor()
    const [mine, theirs] = [asked(page), asked(other)]
    await way(page, 'loin-roasts').click()
    await taken(other, 'loin-roasts')
    await saved(page)
    // A second one from the other window, so that an echo of the first would have come by now.
    await way(other, 'loin-rack').click()
    await taken(page, 'loin-rack')
    await saved(other)
    expect(mine).toEqual(['POST decisions', expect.stringMatching(/^GET [\w-]+\?since=N$/)])
    expect(theirs).toEqual([expect.stringMatching(/^GET [\w-]+\?since=N$/), 'POST decisions'])
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

  it('a page of another build than the server’s says so, and loses nothing it holds', async () => {
    const { page } = run
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
  })

  it('a window that heard nothing for a while catches up with what it missed, and misses none of it', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'block')
    await openLot(run, 'Juniper', 'block', other)
    await way(page, 'loin-roasts').waitFor()
    await other.context().setOffline(true)
    await way(page, 'loin-roasts').click()
    await saved(page)
    await way(page, 'loin-chops').click()
    await saved(page)
    await other.context().setOffline(false)
    await taken(other, 'loin-chops')
  })
})

describe('two windows', () => {
  it('a change in one is seen in the other; on the same field both are shown and one is kept', async () => {
    await openLot(run, 'Juniper', 'block')
    await openLot(run, 'Juniper', 'block', other)
    for (const p of [run.page, other]) await p.locator('[data-part=loin]').first().click()
    const theirs = (path: string) => other.locator(`[data-path=${path}]`)
    await way(run.page, 'loin-boneless-chops').click()
    await expect.poll(() => theirs('loin-boneless-chops').getAttribute('aria-checked')).toBe('true')

    await other.context().setOffline(true)
    await theirs('loin-grind').click()
    await other.getByText('Held here').waitFor()
    await way(run.page, 'loin-roasts').click()
    await saved(run.page)
    await other.context().setOffline(false)
    const dialog = other.getByRole('dialog')
    await dialog.getByText('Changed in two windows').waitFor()
    expect(await dialog.innerText()).toMatch(/Tenderloin and back ribs kept[\s\S]*Boneless roasts/)
    await dialog.getByRole('button', { name: 'Take what was decided here' }).click()
    await expect.poll(() => way(run.page, 'loin-grind').getAttribute('aria-checked')).toBe('true')
  })

  it('two tablets at once lose and double nothing', async () => {
    await other.setViewportSize({ width: 820, height: 1180 })
    await openLot(run, 'Clover', 'pack')
    await openLot(run, 'Clover', 'pack', other)
    const weigh = async (page: Page, lb: string) => {
      await page.locator('tr[data-cut=picnic-roast]').getByRole('button', { name: /Weigh/ }).click()
      await page.getByLabel('Weight on the scale').fill(lb)
      await page.getByRole('button', { name: 'Keep weight' }).click()
      await page.getByText(`${lb} of picnic roast kept`).waitFor()
    }
    for (const [a, b] of [
      ['2 lb', '2.1 lb'],
      ['2.2 lb', '2.3 lb'],
    ] as const)
      await Promise.all([weigh(run.page, a), weigh(other, b)])
    for (const page of [run.page, other])
      await expect.poll(() => page.locator('tr[data-cut=picnic-roast]').innerText()).toContain('8.6 lb')
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

describe('by the Tab key', () => {
  it('the first way is fewer than 15 stops from the top of the page; arrows stay in the list of ways', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'block')
    await page.reload()
    await page.locator('[data-path]').first().waitFor()
    await page.locator('[data-line]').first().waitFor()
    const now = () => page.evaluate(() => document.activeElement?.getAttribute('data-path') ?? null)
    let stops = 0
    while ((await now()) === null && stops < 40) {
      await page.keyboard.press('Tab')
      stops++
    }
    expect(stops).toBeLessThan(15)
    const heading = await page.locator('.paths h2').innerText()
    const ways = await page.locator('[data-path]').count()
    for (const key of ['ArrowDown', 'ArrowRight', 'ArrowUp', 'ArrowLeft'])
      for (let i = 0; i <= ways; i++) {
        await page.keyboard.press(key)
        expect(await now()).not.toBeNull()
      }
    expect(await page.locator('.paths h2').innerText()).toBe(heading)
  })
})

describe('a label', () => {
  it('is drawn in true size', async () => {
    const { page } = run
    await openLot(run, 'Clover', 'labels')
    const label = page.getByTestId('label')
    await label.getByText('lot Clover', { exact: false }).waitFor()
    const width = await label.evaluate((el) => el.getBoundingClientRect().width)
    expect((width / 96) * 25.4).toBeCloseTo(100, 0)
  })
})

describe('the packs of the farm', () => {
  it('of hundreds only those in sight are drawn, and the rest come as one scrolls', async () => {
    const { page } = run
    const { lots } = (await (await fetch(`${run.url}/api/home`)).json()) as {
      lots: { id: string; tag: string }[]
    }
    const { id } = lots.find((l) => l.tag === 'Long Acre half')!
    const many = {
      ...{ id: crypto.randomUUID(), cut: 'ground-beef', packs: 400, corrects: null, stands: true },
      ...{ shown: { value: 120, unit: 'lb' }, confirmed: true },
    }
    const answer = await fetch(`${run.url}/api/lots/${id}/packs`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(many),
    })
    expect(answer.status).toBe(200)
    const { packs } = (await answer.json()) as { packs: { number: number }[] }
    const first = packs.at(-1)!.number
    await visit(run, `/packs?lot=${id}`)
    const rows = page.getByTestId('store').locator('[data-number]')
    await page.locator(`[data-number="${first + 399}"]`).waitFor()
    const list = page.locator('.p-virtualscroller')
    await expect
      .poll(async () => {
        await list.evaluate((el) => (el.scrollTop = el.scrollHeight))
        return page.locator(`[data-number="${first}"]`).count()
      })
      .toBe(1)
    expect(await rows.count()).toBeLessThan(100)
  })
})
