import { describe, expect, it } from 'vitest'
import { fallowmere, type Found } from '#kit'

const page = fallowmere({ empty: true })

describe('from nothing to a first hog with a Cover', () => {
  it('takes no more than 15 presses, and no manual', async () => {
    let presses = 0
    const touch = async (what: Found) => {
      presses++
      await what.click()
    }
    const fill = async (label: string, words: string) => {
      await touch(page.getByLabel(label))
      await page.getByLabel(label).fill(words)
    }
    await page.open('rail')
    await page.getByText('An empty hook').waitFor()
    await fill('Farm’s name', 'Hill End')
    await touch(page.getByRole('button', { name: 'Open the farm' }))
    await fill('Live weight, if weighed', '262 lb')
    await touch(page.getByRole('button', { name: 'Hang the lot' }))
    await page.getByRole('heading', { name: 'Hog 1', exact: true }).waitFor()
    await touch(page.getByText('Federally inspected.'))
    await touch(page.getByRole('link', { name: 'Price', exact: true }))
    await touch(page.getByRole('button', { name: 'Feeder pig', exact: true }))
    await fill('Amount paid', '95')
    await page.press('Enter')
    await fill('What was paid for', 'Feed')
    await fill('Amount paid', '430')
    await page.press('Enter')
    await expect.poll(() => page.getByTestId('cover').innerText()).toMatch(/\d+ %/)
    expect(presses).toBeLessThanOrEqual(15)
  })
})
