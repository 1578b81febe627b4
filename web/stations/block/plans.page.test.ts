import { describe, expect, it } from 'vitest'
import { fallowmere, figure } from '#kit'

const page = fallowmere()
const cutLb = () => page.weight('cut')

describe('plans compared', () => {
  it('sets a plan beside the one in force, the biggest difference first, and using it brings what was shown', async () => {
    await page.open('block', 'Alder')
    await page.getByRole('link', { name: 'Plans compared' }).click()
    await page.getByRole('radio', { name: /^Roasts for winter/ }).click()
    await page.locator('[data-column="Roasts for winter"]').waitFor()
    await page
      .getByText(/Roasts for winter (brings|takes|costs|makes|leaves|trims|has) /)
      .first()
      .waitFor()
    const home = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: 'Taken home' }) })
    const shown = figure(await home.locator('td').nth(1).innerText())
    const apart = await page.locator('[data-pair] .middle b').allInnerTexts()
    const sizes = apart.map((t) => Math.abs(figure(t)))
    expect(sizes).toEqual(sizes.toSorted((a, b) => b - a))
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(0)
    await page.getByRole('button', { name: 'Use it: Roasts for winter' }).click()
    await expect.poll(cutLb).toBeCloseTo(shown, 0)
    await page.saved()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(cutLb).not.toBeCloseTo(shown, 0)
  })
  it('keeps a plan under a name, takes it away as a file and brings it in again', async () => {
    await page.getByRole('button', { name: 'Keep the plan in force' }).click()
    await page.getByText('The plan has no name yet').waitFor()
    await page.getByLabel('Name of the plan in force').fill('Hill steer')
    await page.getByRole('button', { name: 'Keep the plan in force' }).click()
    await page.locator('[data-plan="Hill steer"]').waitFor()
    await page.getByRole('button', { name: 'Take away Hill steer as a file' }).click()
    const { text } = await page.file()
    expect(JSON.parse(text)).toMatchObject({ format: 'ekko-plan', species: 'steer', name: 'Hill steer' })
    await page.getByRole('button', { name: 'Put away Hill steer' }).click()
    await expect.poll(() => page.locator('[data-plan="Hill steer"]').count()).toBe(0)
    await page.getByLabel('Plan file').setInputFiles({
      name: 'plan.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text),
    })
    await page.locator('[data-plan="Hill steer"]').waitFor()
    await page.getByLabel('Plan file').setInputFiles({
      name: 'plan.json',
      mimeType: 'application/json',
      buffer: Buffer.from(text.slice(0, 50)),
    })
    await page.getByText('This file cannot be used as a plan: it is not whole JSON').waitFor()
    await page.reload()
    await page.locator('[data-plan="Hill steer"]').waitFor()
  })
  it('is there for a plan of another species, and says so', async () => {
    await page.open('plans', 'Thistle')
    await page.locator('[data-plan="Seven-meal leg"]').waitFor()
    expect(await page.locator('[data-plan="Hill steer"]').count()).toBe(0)
  })
})
