import type { Page } from 'playwright-core'
import { v7 as uuid } from 'uuid'
import { beforeAll, describe, expect, it } from 'vitest'
import type { FactBody } from '#core/records'
import { countPresses, figure, openLot, running } from './testing.ts'

const run = running({ demo: true })
const progress = (page: Page) => page.getByTestId('progress').innerText()
/** A lot of its own, hung and weighed as a page would. */
async function hung(tag: string, species: string, kg: number, ...facts: FactBody[]) {
  const send = async (path: string, body: object) => {
    const res = await fetch(`${run.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!res.ok) throw new Error(await res.text())
  }
  const id = uuid()
  await send('/lots', { id, tag, species, count: 1 })
  const row = { corrects: null, stands: true }
  if (facts.length > 0)
    await send(`/lots/${id}/facts`, { facts: facts.map((fact) => ({ id: uuid(), ...row, fact })) })
  await send(`/lots/${id}/weighings`, {
    ...{ id: uuid(), stage: 'hanging', basis: 'cold', source: 'scale', shown: { value: kg, unit: 'kg' } },
    ...{ ...row, confirmed: true },
  })
  run.ids[tag] = id
}

/** Signs every check point of a step that is open by touch; the probe where it is asked for. */
async function sign(page: Page, within: ReturnType<Page['locator']>) {
  const open = within.locator('[data-check] button[aria-pressed=false]')
  for (let n = await open.count(); n > 0; n--) {
    const row = within.locator('[data-check]', { has: page.locator('button[aria-pressed=false]') }).first()
    const probe = row.getByLabel('What the probe reads, °C')
    if ((await probe.count()) > 0) {
      await probe.fill('3.5')
      await row.getByLabel('Minutes out of the cold').fill('25')
    }
    await open.first().tap()
    await expect.poll(() => open.count()).toBe(n - 1)
  }
}

describe('by touch on a tablet', () => {
  let tablet: Awaited<ReturnType<typeof run.open>>
  beforeAll(async () => {
    tablet = await run.open({ viewport: { width: 820, height: 1180 }, hasTouch: true, isMobile: true })
  })
  it('a hog side, by touch in floor mode on a tablet; the saw fails half way, what is left is planned again, and cut on', async () => {
    await hung('Sedge', 'hog', 42, {
      kind: 'observation',
      what: 'hangs',
      value: { as: 'side', side: 'left' },
    })
    const { page } = tablet
    await openLot(run, 'Sedge', 'card', page)
    await page.getByLabel('Signed as').fill('MK')
    await page.getByRole('button', { name: 'Floor mode' }).tap()
    const done = page.getByRole('button', { name: 'Done', exact: true })
    const count = async () => figure(await progress(page))
    const now = page.getByRole('region', { name: 'Next step' })
    const next = async () => {
      await sign(page, now)
      const before = await count()
      await done.tap()
      await expect.poll(count).toBe(before + 1)
    }
    for (let i = 0; i < 6; i++) await next()
    const size = await now
      .locator('.big')
      .first()
      .evaluate((e) => Number.parseFloat(getComputedStyle(e).fontSize))
    expect(size).toBeGreaterThanOrEqual(24)
    const huge = await now.locator('.huge').evaluate((e) => Number.parseFloat(getComputedStyle(e).fontSize))
    expect(huge).toBeGreaterThanOrEqual(56)
    expect((await done.boundingBox())!.height).toBeGreaterThanOrEqual(56)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(820)
    const cut = await count()
    // It fails: the rest is planned again where one stands, and what was cut stays.
    await page.getByRole('button', { name: 'The saw is down' }).tap()
    await page.getByTestId('replan').getByText('Best of what is left').waitFor()
    await page.getByRole('button', { name: 'Take this' }).tap()
    await page.getByRole('button', { name: 'The saw runs again' }).waitFor()
    expect(await count()).toBe(cut)
    for (let i = 0; i < 2; i++) await next()
    await page.getByRole('button', { name: 'Leave floor mode' }).tap()
    await page.getByRole('button', { name: 'Floor mode', exact: true }).waitFor()
  })

  it('birds are ticked off at a tap and the finish is told anew; a machine stands still, one came dead', async () => {
    const { page } = tablet
    const id = (await (await fetch(`${run.url}/api/home`)).json()) as { lots: { id: string; tag: string }[] }
    const flock = id.lots.find((l) => l.tag === 'Flock 1')!.id
    await page.goto(`${run.url}/lots/${flock}/line`)
    await page.getByTestId('iced').waitFor()
    await page.getByRole('button', { name: 'Floor mode' }).tap()
    // Planned for another day (all days but one of the demo's): begun now, its day is today.
    await page.getByText(/planned for \d\d:\d\d( on [\d-]+: it becomes today)?/).waitFor()
    await page.getByRole('button', { name: 'We begin now' }).tap()
    await page.getByTestId('counted').waitFor()
    const size = await page.getByTestId('counted').evaluate((e) => parseFloat(getComputedStyle(e).fontSize))
    expect(size).toBeGreaterThanOrEqual(80)
    const box = (await page.getByRole('button', { name: '+5 in the ice' }).boundingBox())!
    expect(box.height).toBeGreaterThanOrEqual(56)
    await page.getByRole('button', { name: '+5 in the ice' }).tap()
    await page.getByRole('button', { name: '+2 in the ice' }).tap()
    await expect.poll(() => page.getByTestId('counted').innerText()).toBe('7')
    await page.getByTestId('told-anew').waitFor()
    await expect.poll(() => page.getByTestId('told-anew').innerText()).toMatch(/last about \d\d:\d\d, likely/)
    await page.getByRole('button', { name: 'Take the last back' }).tap()
    await expect.poll(() => page.getByTestId('counted').innerText()).toBe('5')
    const stands = page.getByRole('button', { name: 'It stands still' })
    // Words above it that are told anew may move it from under a finger.
    for (
      let tries = 0;
      tries < 3 && (await page.getByText('What is wrong with it?').count()) === 0;
      tries++
    ) {
      await stands.tap()
      await page.waitForTimeout(500)
    }
    await page.getByText('What is wrong with it?').waitFor()
    await page.getByLabel('Why', { exact: true }).fill('belt')
    await page.getByRole('button', { name: 'It stands still' }).tap()
    await page.getByText('Pluck stands still').waitFor()
    await page.getByRole('button', { name: 'Runs again' }).tap()
    await page.getByText('Pluck stands still').waitFor({ state: 'detached' })
    await page.getByRole('button', { name: 'One came dead' }).tap()
    await expect.poll(() => page.getByTestId('live').innerText()).toMatch(/5 of 59 in the ice/)
    await page.getByRole('button', { name: 'Leave floor mode' }).tap()
  })

  it('a pack is its figures and two presses: the cut it is of, and Keep', async () => {
    const { page } = tablet
    await openLot(run, 'Clover', 'pack', page)
    const pad = page.getByRole('group', { name: 'Keypad' })
    const box = (await pad.boundingBox())!
    expect(box.y + box.height).toBeLessThan(1180)
    for (const key of await pad.getByRole('button').all())
      expect((await key.boundingBox())!.height).toBeGreaterThanOrEqual(56)
    const presses = await countPresses(page)
    const type = async (figures: string) => {
      for (const f of figures)
        await pad.getByRole('button', { name: f === '.' ? 'point' : f, exact: true }).click()
    }
    let figures = 0
    for (const [cut, lb] of [
      ['picnic-roast', '7.8'],
      ['bacon', '1.1'],
      ['picnic-roast', '7.6'],
    ] as const) {
      await page.locator(`[data-next=${cut}], tr[data-cut=${cut}] .weigh`).first().click()
      await type(lb)
      figures += lb.length
      await page.getByRole('button', { name: 'Keep weight' }).click()
      await page.getByText(new RegExp(`^${lb} lb of .* kept`)).waitFor()
    }
    expect(await presses()).toBe(figures + 3 * 2)
    await expect.poll(() => page.locator('tr[data-cut=picnic-roast]').innerText()).toContain('15.4 lb')
  })

  it('what a finger presses at the bench is 44 px high and wide, on the floor 56', async () => {
    const { page } = tablet
    await openLot(run, 'Clover', 'pack', page)
    await page.getByRole('group', { name: 'Keypad' }).waitFor()
    const small = (least: number, within: string) =>
      page.locator(`${within} button:visible`).evaluateAll(
        (all, px) =>
          all
            .map((b) => ({
              r: b.getBoundingClientRect(),
              name: b.getAttribute('aria-label') ?? b.textContent,
            }))
            .filter(({ r }) => r.height < px - 0.5 || r.width < px - 0.5)
            .map(({ r, name }) => `${name} ${r.width.toFixed(0)} × ${r.height.toFixed(0)}`),
        least,
      )
    expect(await small(44, '#main')).toEqual([])
    await openLot(run, 'Clover', 'card', page)
    await page.getByRole('button', { name: 'Floor mode' }).click()
    await page.locator('.floor .steps').waitFor()
    expect(await small(56, '.floor .steps')).toEqual([])
  })

  it('what is left of a cut stands large beside the scale in floor mode', async () => {
    const { page } = run
    await openLot(run, 'Clover', 'pack')
    await page.getByRole('button', { name: 'Floor mode' }).click()
    const hand = page.getByTestId('at-hand')
    const size = await hand
      .locator('.huge')
      .evaluate((el) => Number.parseFloat(getComputedStyle(el).fontSize))
    expect(size).toBeGreaterThanOrEqual(80)
    const { height } = (await page.getByRole('button', { name: 'Keep weight' }).boundingBox())!
    expect(height).toBeGreaterThanOrEqual(56)
    await openLot(run, 'Bramble', 'card')
    const next = await page
      .locator('.now .huge')
      .evaluate((e) => Number.parseFloat(getComputedStyle(e).fontSize))
    expect(next).toBeGreaterThanOrEqual(80)
    await page.getByRole('button', { name: 'Leave floor mode' }).click()
  })
})
