import { describe, expect, it } from 'vitest'
import { running, saved, stage } from './testing.ts'

const run = running()
describe('a new farm, by keyboard only', () => {
  it('is led from an empty hook to a first hog with a Cover', async () => {
    const { page } = run
    const keys = page.keyboard
    const tabTo = async (label: string, key = 'Tab') => {
      for (let i = 0; i < 200; i++) {
        const name = await page.evaluate(() => {
          const el = document.activeElement as HTMLElement | null
          const own =
            el?.getAttribute('aria-label') ??
            (el as HTMLInputElement | null)?.labels?.[0]?.textContent ??
            el?.textContent ??
            ''
          return own.trim()
        })
        if (name.startsWith(label)) return
        await keys.press(key)
      }
      throw new Error(`never reached ${label}`)
    }
    await page.goto(run.url)
    await page.getByText('An empty hook').waitFor()
    await tabTo('Open the farm')
    await keys.press('Enter')
    await page.getByText('The farm has no name yet').waitFor()
    await tabTo('Farm’s name', 'Shift+Tab')
    await keys.type('Fallowmere')
    await keys.press('Enter')
    await page.getByText('Fallowmere, lb, USD').waitFor()

    await tabTo('Name or lot number')
    await keys.type('Thistle')
    await tabTo('Live weight')
    await keys.type('1,150 lb')
    await keys.press('Enter')
    await page.getByText('Type it without the comma').waitFor()
    expect(await page.locator('#lot-live').inputValue()).toBe('1,150 lb')
    await keys.press('Control+a')
    await keys.type('118 kg')
    await keys.press('Enter')
    await page.getByRole('heading', { name: 'Thistle' }).waitFor()
    expect(await stage(page, 'live').getAttribute('title')).toBe('Live: 260.1 lb, weighed')
    await expect
      .poll(() => stage(page, 'hot').getAttribute('title'))
      .toMatch(/estimate, likely \d+(\.\d)?–\d+(\.\d)? lb/)
    await page.getByText('no costs yet').waitFor()

    await keys.press(']')
    await keys.press(']')
    await page.getByRole('heading', { name: 'What it costs' }).waitFor()
    await keys.press('c')
    await tabTo('What was paid for')
    await keys.type('Weaner and feed')
    await keys.press('Tab')
    await keys.type('480')
    await keys.press('Enter')
    await saved(page)
    await expect.poll(() => page.getByTestId('cover').innerText()).toMatch(/\d+ %\s*\n\s*\d+ %–\d+ %/)
    await tabTo('Cover', 'Shift+Tab')
    await keys.press('Enter')
    await page.getByText('four times in five').waitFor()
    const sum = await page.getByRole('dialog').innerText()
    expect(sum).toContain('Weaner and feed')
    await keys.press('Escape')
  })
})
