import type { Page } from 'playwright-core'
import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const SIZES = [
  ['a desk', { width: 1280, height: 800 }],
  ['a tablet', { width: 820, height: 1180 }],
] as const
/** Per animal: parts to walk to, in any order, and the way taken by its number. */
const PLANS = [
  [
    'Alder',
    ['round', 'sirloin', 'rib', 'brisket'],
    ['round-bone-in', 'sirloin-roast', 'rib-half', 'brisket-split'],
  ],
  ['Thistle', ['leg', 'rack', 'shoulder'], ['leg-butterflied', 'rack-crown', 'shoulder-rolled']],
  ['Juniper', ['leg', 'belly', 'spare-ribs'], ['leg-rolled', 'belly-slices', 'ribs-squared']],
] as const
const heading = (page: Page) => page.locator('.paths h2').innerText()
const shownPart = (page: Page) => page.locator('[data-path]').first().getAttribute('data-path')

/** Arrow keys walk the parts; stops when the way wanted is among those offered. */
async function walkTo(page: Page, way: string) {
  for (let i = 0; i < 60 && (await page.locator(`[data-path=${way}]`).count()) === 0; i++) {
    const before = `${await heading(page)} ${await shownPart(page)}`
    await page.press('ArrowRight')
    await expect
      .poll(async () => `${await heading(page)} ${await shownPart(page)}`, { interval: 15 })
      .not.toBe(before)
  }
}

describe.each(SIZES)('planning on %s', (size, viewport) => {
  const run = running({ demo: true, viewport })
  // A tablet seldom has keys: there one animal shows that they work.
  const byKeys = size === 'a desk' ? PLANS : PLANS.slice(1, 2)
  it.each(byKeys)('%s by keyboard only', async (tag, _parts, all) => {
    const ways = all.slice(0, 2)
    await page.open('block', tag)
    await page.press('b')
    for (const way of ways) {
      await walkTo(page, way)
      const shown = await page
        .locator('[data-path]')
        .evaluateAll((x) => x.map((e) => e.getAttribute('data-path')))
      await page.press(String(shown.indexOf(way) + 1))
      await expect.poll(() => page.locator(`[data-path=${way}]`).getAttribute('aria-checked')).toBe('true')
    }
    await page.press('u')
    await expect
      .poll(() => page.locator(`[data-path=${ways.at(-1)}]`).getAttribute('aria-checked'))
      .toBe('false')
    await page.press('Shift+U')
    await page.saved()
    await page.reload()
    await walkTo(page, ways[0]!)
    await expect.poll(() => page.locator(`[data-path=${ways[0]!}]`).getAttribute('aria-checked')).toBe('true')
  })
  it.each(PLANS)(
    '%s by mouse, its shoulder or loin line dragged while the figures follow',
    async (tag, parts, ways) => {
      await page.open('block', tag)
      await page.getByRole('button', { name: 'Both sides' }).click()
      for (const [i, part] of parts.entries()) {
        const box = (await page.locator(`[data-part=${part}]`).first().boundingBox())!
        // Near its top edge, away from parts drawn over it.
        await page.mouse.click(
          box.x + box.width * 0.42,
          box.y + box.height * (part === 'spare-ribs' ? 0.6 : 0.22),
        )
        if ((await page.locator(`[data-path=${ways[i]}]`).count()) === 0)
          await page.locator(`[data-part=${part}]`).first().dispatchEvent('click')
        await page.locator(`[data-path=${ways[i]}]`).click()
        await expect
          .poll(() => page.locator(`[data-path=${ways[i]}]`).getAttribute('aria-checked'))
          .toBe('true')
      }
      const line = tag === 'Alder' ? 'loin-split' : 'shoulder-line'
      const handle = page.locator(`[data-line="${line}:left"]`)
      await handle.scrollIntoViewIfNeeded()
      const at = (await handle.boundingBox())!
      const cut = () => page.locator('[data-stage=cut] .weight').innerText()
      const before = await cut()
      const setting = await handle.getAttribute('aria-valuenow')
      await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
      await page.mouse.down()
      await page.mouse.move(at.x + at.width / 2, at.y + (tag === 'Alder' ? at.height + 30 : -60), {
        steps: 8,
      })
      await expect.poll(cut).not.toBe(before)
      await page.mouse.up()
      await expect.poll(() => handle.getAttribute('aria-valuenow')).not.toBe(setting)
      await page.saved()
    },
  )
})
