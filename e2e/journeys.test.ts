import type { Page } from 'playwright-core'
import { describe, expect, it } from 'vitest'
import { openLot, running } from './testing.ts'

declare global {
  interface Window {
    presses: string[]
  }
}

/** Every press of a finger or a mouse, as a person would count them. */
async function countPresses(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    window.presses = []
    document.addEventListener(
      'click',
      (e) => e.isTrusted && e.detail > 0 && window.presses.push('click'),
      true,
    )
  })
  return () => page.evaluate(() => window.presses.length)
}

const fresh = running()
describe('from nothing to a first hog with a Cover', () => {
  it('takes no more than 15 presses, and no manual', async () => {
    const { page } = fresh
    await page.goto(fresh.url)
    await page.getByText('An empty hook').waitFor()
    const presses = await countPresses(page)
    await page.getByLabel('Farm’s name').click()
    await page.keyboard.type('Hill End')
    await page.getByRole('button', { name: 'Open the farm' }).click()
    await page.getByLabel('Live weight, if weighed').click()
    await page.keyboard.type('262 lb')
    await page.getByRole('button', { name: 'Hang the lot' }).click()
    await page.getByRole('heading', { name: 'Hog 1', exact: true }).waitFor()
    await page.getByText('Federally inspected.').click()
    await page.getByRole('link', { name: 'Price', exact: true }).click()
    for (const [what, amount] of [
      ['Feeder pig', '95'],
      ['Feed', '430'],
    ] as const) {
      if (what === 'Feeder pig') await page.getByRole('button', { name: what, exact: true }).click()
      else {
        await page.getByLabel('What was paid for').click()
        await page.keyboard.type(what)
      }
      await page.getByLabel('Amount paid').click()
      await page.keyboard.type(amount)
      await page.keyboard.press('Enter')
    }
    await expect.poll(() => page.getByTestId('cover').innerText()).toMatch(/\d+ %/)
    expect(await presses()).toBeLessThanOrEqual(15)
  })
})

const demo = running({ demo: true, viewport: { width: 820, height: 1180 } })
describe('a hog is weighed on a tablet', () => {
  it('a pack is its figures and two presses: the cut it is of, and Keep', async () => {
    const { page } = demo
    await openLot(demo, 'Clover', 'pack')
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
    const { page, context } = await demo.open({
      hasTouch: true,
      isMobile: true,
      viewport: { width: 820, height: 1180 },
    })
    await openLot(demo, 'Clover', 'pack', page)
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
    await openLot(demo, 'Clover', 'card', page)
    await page.getByRole('button', { name: 'Floor mode' }).click()
    await page.locator('.floor .steps').waitFor()
    expect(await small(56, '.floor .steps')).toEqual([])
    await context.close()
  })
  it('on a phone nothing is wider than the window, and the head leaves room for the work', async () => {
    const { page } = demo
    for (const [width, height] of [
      [390, 844],
      [640, 400],
      [780, 600],
    ] as const) {
      await page.setViewportSize({ width, height })
      for (const view of ['hang', 'block', 'plans', 'trim', 'card', 'price', 'pack']) {
        await openLot(demo, 'Clover', view)
        await page.locator('#main h2').first().waitFor()
        const over = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        )
        expect(over, `${view} at ${width}`).toBeLessThanOrEqual(0)
        if (width === 390) {
          const top = await page.locator('#main').boundingBox()
          expect(top!.y, view).toBeLessThan(120)
        }
      }
    }
  })
})
