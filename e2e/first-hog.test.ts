import { describe, expect, it } from 'vitest'
import { figure, running, saved, stage } from './testing.ts'

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

  it('types what is known in any order; figures move forward and back; bad figures keep what was typed', async () => {
    const { page } = run
    await page.locator('body').press(',')
    await page.locator('body').press(',')
    const hot = page.locator('[data-entry=hot]')
    await hot.getByRole('textbox', { name: 'Hot carcass weight' }).fill('275 lb')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText('is above live weight').waitFor()
    expect(await hot.getByRole('textbox').inputValue()).toBe('275 lb')
    await hot.getByRole('textbox').fill('heavy')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText('is not a weight Ekko can read').waitFor()
    await hot.getByRole('textbox').fill('160 lb')
    await hot.getByRole('button', { name: 'Keep weight' }).click()
    await hot.getByText(/dresses at 63\.\d %/).waitFor()
    await hot.getByRole('button', { name: 'Keep it all the same' }).click()
    await hot.getByText('160 lb').waitFor()
    await page.getByText('The weighings disagree').waitFor()

    await hot.getByRole('button', { name: 'Correct' }).click()
    await hot.getByRole('textbox').fill('12lb 6oz')
    await hot.getByRole('button', { name: 'Put right' }).click()
    await hot.getByText('is outside').waitFor()
    await hot.getByRole('textbox').fill('82.6 kg')
    await hot.getByRole('button', { name: 'Put right' }).click()
    await hot.getByText('82.6 kg', { exact: true }).waitFor()
    expect(await page.getByText('The weighings disagree').count()).toBe(0)
    await page.getByText('Every weighing on record').click()
    expect(await page.getByText('corrected').count()).toBe(1)
    expect(await stage(page, 'hot').innerText()).toContain('182.1 lb')

    const live = page.locator('[data-entry=live]')
    await live.getByRole('button', { name: 'Withdraw' }).click()
    await live.getByRole('button', { name: 'Write it down: live weight' }).click()
    await expect.poll(() => stage(page, 'live').getAttribute('title')).toMatch(/estimate, likely/)
    expect(
      figure(
        await stage(page, 'live')
          .innerText()
          .then((t) => t.split('\n')[1]!),
      ),
    ).toBeGreaterThan(182)
    await live.getByRole('combobox').click()
    await page.getByRole('option', { name: 'tape' }).click()
    await live.getByLabel('Heart girth').fill('46')
    await live.getByLabel('Body length').fill('49')
    expect(await live.getByLabel('Live weight', { exact: true }).inputValue()).toBe('259 lb')
    await live.getByRole('button', { name: 'Keep weight' }).click()
    await live.getByText('259 lb').waitFor()
    expect(await stage(page, 'live').getAttribute('title')).toMatch(/estimate/)
  })

  it('hanging weight is always entered with its basis', async () => {
    const { page } = run
    const hanging = page.locator('[data-entry=hanging]')
    await hanging.getByLabel('Hanging weight', { exact: true }).fill('178.4')
    await hanging.getByLabel('Basis of the hanging weight').click()
    await page.getByRole('option', { name: 'cold, after chilling' }).click()
    await hanging.getByRole('button', { name: 'Keep weight' }).click()
    await hanging.getByText('cold, after chilling').waitFor()
    expect(
      figure((await stage(page, 'hanging').innerText()).split('\n').find((l) => l.includes('lb'))!),
    ).toBeCloseTo(178.4 * 0.995, 0)
  })
})
