import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const page = fallowmere()
/** Per animal: ways that are taken by their number, of parts to be walked to. */
const PLANS = [
  ['Alder', ['round-bone-in', 'sirloin-roast']],
  ['Thistle', ['leg-butterflied', 'rack-crown']],
] as const
const way = (id: string) => page.locator(`[data-path=${id}]`)

/** Arrow keys walk the parts; stops when the way wanted is among those offered. */
async function walkTo(id: string) {
  for (let i = 0; i < 60 && (await way(id).count()) === 0; i++) await page.press('ArrowRight')
}

describe('planned by keyboard only', () => {
  it.each(PLANS)('%s', async (tag, ways) => {
    await page.open('block', tag)
    await page.press('b')
    for (const id of ways) {
      await walkTo(id)
      const shown = await page
        .locator('[data-path]')
        .evaluateAll((x) => x.map((e) => e.getAttribute('data-path')))
      await page.press(String(shown.indexOf(id) + 1))
      await expect.poll(() => way(id).getAttribute('aria-checked')).toBe('true')
    }
    await page.press('u')
    await expect.poll(() => way(ways[1]).getAttribute('aria-checked')).toBe('false')
    await page.press('Shift+U')
    await page.saved()
    await page.reload()
    await walkTo(ways[0])
    await expect.poll(() => way(ways[0]).getAttribute('aria-checked')).toBe('true')
  })
})
