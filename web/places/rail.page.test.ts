import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const page = fallowmere()
const hang = (tag: string, count = 1) => page.ask('POST', '/lots', { id: uuid(), tag, species: 'hog', count })
const rows = () => page.locator('.next tbody tr').count()

describe('the rail', () => {
  it('shows every lot at its stage with its next step; the demo is a farm a farmer would believe', async () => {
    await page.open('rail')
    for (const word of ['on the hoof', 'hanging', 'being packed', 'packed'])
      await page.getByRole('button', { name: new RegExp(`^\\d+ ${word}$`) }).waitFor()
    await page.getByRole('link', { name: 'Go on weighing packs' }).waitFor()
    // Every animal pays for itself, more or less, labour counted.
    const covers = (await page.locator('.next tbody').innerText()).matchAll(/(\d+) %/g)
    const percents = [...covers].map((m) => Number(m[1]))
    expect(percents).toHaveLength(19)
    expect(percents.filter((p) => p < 85 || p > 140)).toEqual([])
  })
  it('hears of lots that another window hangs, and finds one by a part of its name', async () => {
    for (let i = 0; i < 9; i++) await hang(`Row ${i}`, 2)
    await page.getByRole('button', { name: '14 on the hoof' }).waitFor()
    await page.getByLabel('Find a lot or a station').fill('row 7')
    await expect.poll(rows).toBe(1)
    await page.getByLabel('Find a lot or a station').fill('')
  })
  it('of many shows the newest, older ones at a press, and finds any by its name', async () => {
    for (let n = 1; n <= 50; n++) await hang(`Pen ${n}`)
    await page.reload()
    const named = (tag: string) => page.getByRole('row').getByRole('link', { name: tag, exact: true })
    await named('Pen 50').waitFor()
    await page.getByText('32 more came before these').waitFor()
    expect(await named('Juniper').count()).toBe(0)
    await page.getByLabel('Find a lot or a station').fill('junip')
    await named('Juniper').waitFor()
    await expect.poll(rows).toBe(1)
    await page.getByLabel('Find a lot or a station').fill('')
    await page.getByRole('button', { name: 'Show older lots' }).press('Enter')
    await named('Clover').waitFor()
    expect(await page.getByRole('button', { name: 'Show older lots' }).count()).toBe(0)
  })
  it('an unknown lot or address says so and leads back', async () => {
    await page.visit('/lots/01890a5d-ac96-774b-bcce-b302099a8057/block')
    await page.getByText('This farm has no lot with that number').waitFor()
    await page.visit('/nowhere')
    await page.getByText('There is nothing at this address').waitFor()
  })
  it('when the server is away at the start, says what to do', async () => {
    page.answer((_, path) => (path === '/api/home' ? 'away' : undefined))
    await page.reload()
    await page.getByRole('heading', { name: 'The farm’s records do not open' }).waitFor()
    page.answer()
    await page.getByRole('button', { name: 'Try again' }).click()
    await page.visit('/')
    await page.getByRole('heading', { name: 'Fallowmere' }).waitFor()
  })
})
