import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { pagesOf } from '../paper/testing.ts'
import { figure, openLot, running, saved, savedAs, stage } from './testing.ts'

const run = running({ demo: true })
const way = (path: string) => run.page.locator(`[data-path=${path}]`)
const row = (path: string) => run.page.getByRole('row').filter({ has: way(path) })
const tab = (name: string | RegExp) =>
  run.page.getByRole('group', { name: 'Groups of the lot' }).getByRole('button', { name })
const go = (name: string) => run.page.getByRole('link', { name, exact: true }).click()
const cell = async (row: string, column: number) => {
  const line = run.page
    .getByTestId('groups')
    .getByRole('row')
    .filter({ has: run.page.getByRole('rowheader', { name: row, exact: true }) })
  return figure(await line.getByRole('cell').nth(column).innerText())
}

describe('a flock that is cut in two ways', () => {
  it('is split by count; each group has its own ways, and the two add up to the lot', async () => {
    const { page } = run
    await openLot(run, 'Bronze', 'block')
    await go('Groups')
    await page.getByLabel('How many of the 14').fill('20')
    await page.getByLabel('Called', { exact: true }).fill('Parted')
    await page.getByRole('button', { name: 'Split', exact: true }).click()
    await page.getByText('20 cannot be split off 14. Type a number from 1 to 13.').waitFor()
    await page.getByLabel('How many of the 14').fill('5')
    await page.getByLabel('Called', { exact: true }).fill('The rest')
    await page.keyboard.press('Enter')
    await page.getByText('Another group is called “The rest”.').waitFor()
    await page.getByLabel('Called', { exact: true }).fill('Parted')
    await page.keyboard.press('Enter')
    await page.getByTestId('groups').waitFor()
    await page.getByRole('button', { name: 'Its plan: Parted' }).click()
    await tab(/^Parted 5/).waitFor()
    await way('bird-parts').click()
    await page.locator('[data-cut=breast-boneless]').waitFor()
    await saved(page)
    await tab(/^The rest 9/).click()
    await page.locator('[data-cut=whole-bird]').waitFor()
    expect(await page.locator('[data-cut=breast-boneless]').count()).toBe(0)
    await go('Groups')
    for (const column of [1, 2]) {
      const sum = (await cell('Parted', column)) + (await cell('The rest', column))
      expect(sum).toBeCloseTo(await cell('All', column), 0)
    }
  })

  it('sells all of it from one price list, and a page that is loaded anew finds the groups as they were', async () => {
    const { page } = run
    await go('Price')
    await page.getByRole('row').filter({ hasText: 'Whole bird' }).first().waitFor()
    await page.getByRole('row').filter({ hasText: 'Thighs' }).first().waitFor()
    expect(await tab(/./).count()).toBe(0)
    await go('Block')
    await tab(/^Parted/).click()
    await page.reload()
    await page.locator('[data-cut=breast-boneless]').waitFor()
    await tab(/^All 14/).click()
    await page.getByRole('heading', { name: 'Groups that are cut apart' }).waitFor()
  })

  it('takes back what was decided of a group there, and of no other', async () => {
    const { page } = run
    await tab(/^The rest/).click()
    await way('bird-halves').click()
    await page.locator('[data-cut=half-bird]').waitFor()
    await tab(/^Parted/).click()
    await page.locator('[data-cut=breast-boneless]').waitFor()
    await page.keyboard.press('u')
    await page.locator('[data-cut=whole-bird]').waitFor()
    await page.keyboard.press('Shift+U')
    await page.locator('[data-cut=breast-boneless]').waitFor()
    await tab(/^The rest/).click()
    await page.locator('[data-cut=half-bird]').waitFor()
  })

  it('is weighed group by group: a weight that leaves nothing for the others is refused at the field', async () => {
    const { page } = run
    await go('Hang')
    await tab(/^Parted/).click()
    const entry = page.locator('[data-entry=live]')
    await page.getByLabel('Live weight', { exact: true }).fill('230')
    await entry.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('would leave the others less than they can weigh').waitFor()
    await page.getByLabel('Live weight', { exact: true }).fill('96')
    await entry.getByRole('button', { name: 'Keep weight' }).click()
    await expect.poll(() => stage(page, 'live').innerText()).toMatch(/96\.0 lb[^]*weighed/)
    await tab(/^The rest/).click()
    await expect.poll(() => stage(page, 'live').innerText()).toMatch(/166\.0 lb/)
    await tab(/^All/).click()
    await expect.poll(() => stage(page, 'live').innerText()).toMatch(/262\.0 lb[^]*weighed/)
  })

  it('is packed and carded group by group', async () => {
    const { page } = run
    await tab(/^Parted/).click()
    await go('Block')
    await go('Block card')
    const pdf = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Block card' }).click()
    await page.getByRole('button', { name: 'Print', exact: true }).click()
    const text = (await pagesOf(readFileSync(await savedAs(pdf)))).join(' ')
    expect(text).toMatch(/Bronze, Parted/)
    expect(text).toMatch(/5 turkeys/)
    await tab(/^All/).click()
    await page.getByRole('heading', { name: 'Groups that are cut apart' }).waitFor()
  })

  it('is put together again, cut as one of the groups was', async () => {
    const { page } = run
    await go('Groups')
    await page.getByLabel('Put', { exact: true }).click()
    await page.getByRole('option', { name: 'The rest' }).click()
    await page.getByLabel('with, and cut all as').click()
    await page.getByRole('option', { name: 'Parted' }).click()
    await page.getByRole('button', { name: 'Put together', exact: true }).click()
    await page.getByText('All 14 are cut alike').waitFor()
    await go('Ways')
    await page.locator('[data-cut=breast-boneless]').waitFor()
    await expect.poll(() => stage(page, 'live').innerText()).toMatch(/262\.0 lb[^]*weighed/)
  })
})

describe('the two sides of a bird', () => {
  it('are planned apart: what would leave it whole says why not', async () => {
    const { page } = run
    await openLot(run, 'Flock 1', 'groups')
    await page.getByRole('button', { name: 'The two sides of each apart' }).click()
    await page.getByRole('button', { name: 'Its plan: Left side' }).click()
    await tab(/^Left side one side of each of 60/).waitFor()
    await page.getByText('this group is one side of each', { exact: false }).first().waitFor()
    await way('bird-parts').click()
    await row('bird-parts').getByText('in force').waitFor()
    await tab(/^Right side/).click()
    await way('bird-first-bone').click()
    await row('bird-first-bone').getByText('in force').waitFor()
    await go('Groups')
    expect(await cell('Left side', 1)).toBeCloseTo(await cell('Right side', 1), 1)
  })
})
