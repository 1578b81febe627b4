import { describe, expect, it } from 'vitest'
import { fallowmere, figure } from '#kit'

describe('what the animal cost, and what the cuts must bring', () => {
  const page = fallowmere()
  it('shares the cost over the cuts in four ways; each adds up to all of it, and none is called a cost price', async () => {
    let t = performance.now()
    const lap = (what: string) => { console.log(what, Math.round(performance.now() - t)); t = performance.now() }
    await page.open('price', 'Juniper')
    lap('open')
    await page.go('Cost of each cut')
    lap('go')
    const table = page.getByTestId('joint')
    await page.getByText('None of these is what a cut cost.').waitFor()
    const foot = await table.locator('tfoot td').allInnerTexts()
    lap('read')
    const total = figure(/of \$([\d,.]+)/.exec(await page.locator('.pane-head').innerText())![1]!)
    for (const sum of foot.slice(-4)) expect(figure(sum.replace('$', ''))).toBeCloseTo(total, 2)
    const row = await table.locator('tr[data-cut=trotter] td').allInnerTexts()
    // By weight the feet bear more than they bring, by what is left of their price they do not.
    expect(row.at(-4)).toMatch(/−\$/)
    lap('end')
    await page.open('block', 'Juniper')
    lap('block')
    await page.open('block', 'Bramble')
    lap('block')
    await page.getByRole('button', { name: 'Left', exact: true }).click()
    lap('role')
    await page.getByLabel('Loin, left side: weighed').fill('3')
    lap('label')
  })
})
