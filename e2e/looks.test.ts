import { describe, expect, it } from 'vitest'
import { running } from './testing.ts'
import { everyViewStandsAt } from './views.ts'

const run = running({ demo: true })
everyViewStandsAt(run, [
  [1280, 800],
  [390, 844],
])

describe('the rail', () => {
  it('shows every lot at its stage with its next step, and bundles when there are many', async () => {
    const { page } = run
    await page.setViewportSize({ width: 1280, height: 800 })
    await page.goto(run.url)
    for (const word of ['on the hoof', 'hanging', 'being packed', 'packed'])
      await page.getByRole('button', { name: new RegExp(`^\\d+ ${word}$`) }).waitFor()
    await page.getByRole('link', { name: 'Go on weighing packs' }).waitFor()
    // The demo is a farm a farmer would believe: every animal pays for itself, more or less, labour counted.
    const covers = (await page.locator('.next tbody').innerText()).matchAll(/(\d+) %/g)
    const percents = [...covers].map((m) => Number(m[1]))
    expect(percents).toHaveLength(19)
    expect(percents.filter((p) => p < 85 || p > 140)).toEqual([])
    for (let i = 0; i < 9; i++) {
      const id = `01890a5d-ac96-774b-bcce-b302099a80${String(10 + i)}`
      await fetch(`${run.url}/api/lots`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ id, tag: `Row ${i}`, species: 'hog', count: 2 }),
      })
    }
    await page.getByRole('button', { name: '14 on the hoof' }).waitFor()
    await page.getByLabel('Find a lot or a station').fill('row 7')
    await expect.poll(() => page.locator('.next tbody tr').count()).toBe(1)
  })
  it('an unknown lot or address says so and leads back', async () => {
    const { page } = run
    await page.goto(`${run.url}/lots/01890a5d-ac96-774b-bcce-b302099a8057/block`)
    await page.getByText('This farm has no lot with that number').waitFor()
    await page.goto(`${run.url}/nowhere`)
    await page.getByText('There is nothing at this address').waitFor()
  })
  it('when the server is away at the start, says what to do', async () => {
    const { page } = run
    await page.route('**/api/home', (route) => route.abort())
    await page.goto(run.url)
    await page.getByRole('heading', { name: 'The farm’s records do not open' }).waitFor()
    await page.unroute('**/api/home')
    await page.getByRole('button', { name: 'Try again' }).click()
    await page.getByRole('heading', { name: 'Fallowmere' }).waitFor()
  })
})
