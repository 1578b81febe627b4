import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { newFolder, openLot, running, saved, visit } from './testing.ts'

const run = running({ demo: true })

describe('a lot hung by mistake', () => {
  it('is taken off the rail, and hung again with all its records, by keyboard', async () => {
    const { page } = run
    await openLot(run, 'Teasel', 'hang')
    await page.getByText('Hung by mistake?').click()
    await page.getByLabel('Why, if you like').fill('Entered twice')
    await page.getByLabel('Why, if you like').press('Enter')
    await page.getByText('Taken off the rail (1)').waitFor()
    await saved(page)
    expect(await page.getByRole('link', { name: 'Teasel' }).count()).toBe(0)
    await page.reload()
    await page.getByText('Taken off the rail (1)').press('Enter')
    await page.getByRole('button', { name: 'Hang it again: Teasel' }).press('Enter')
    await page.getByRole('link', { name: 'Teasel' }).first().waitFor()
    await openLot(run, 'Teasel', 'price')
    await page.getByText('Grazing and hay').waitFor()
  })
  it('says so where it is still open, and can be hung again there', async () => {
    const { page } = run
    const other = await run.open()
    await openLot(run, 'Thistle', 'hang', other.page)
    await openLot(run, 'Thistle', 'hang')
    await page.getByText('Hung by mistake?').click()
    await page.getByRole('button', { name: 'Take Thistle off the rail' }).press('Enter')
    await other.page.getByText('Thistle is taken off the rail').waitFor()
    expect(await other.page.getByText('Hung by mistake?').count()).toBe(0)
    await other.page.getByRole('button', { name: 'Hang it again: Thistle' }).press('Enter')
    await page.getByRole('link', { name: 'Thistle' }).first().waitFor()
    await other.context.close()
  })
})

describe('slips and photos', () => {
  it('are attached, stay over a restart, and are taken off again; what is no picture is refused by name', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'hang')
    const file = (name: string, text: string) => {
      const path = join(newFolder(), name)
      writeFileSync(path, text)
      return path
    }
    await page.getByText('Slips and photos').click()
    const input = page.getByLabel('Slip or photo')
    await input.setInputFiles(file('notes.txt', 'hung 189'))
    await page.getByText('“notes.txt” is no picture').waitFor()
    await input.setInputFiles(file('slip.pdf', '%PDF-1.4 hung 189 lb'))
    await page.getByRole('link', { name: 'slip.pdf' }).waitFor()
    await saved(page)
    await run.restart('SIGTERM')
    await page.reload()
    await page.getByText('Slips and photos').click()
    const link = page.getByRole('link', { name: 'slip.pdf' })
    await link.waitFor()
    const res = await fetch(run.url + (await link.getAttribute('href')))
    expect(await res.text()).toContain('hung 189 lb')
    await page.getByRole('button', { name: 'Take slip.pdf off' }).press('Enter')
    await link.waitFor({ state: 'detached' })
  })
})

describe('facts', () => {
  it('are corrected, never undone: undo leaves a cost and the route as they are', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'price')
    const cost = page.getByLabel('Cost: Haulage')
    await cost.fill('45.00')
    await cost.press('Enter')
    await saved(page)
    await page.getByRole('button', { name: 'Undo' }).waitFor()
    expect(await page.getByRole('button', { name: 'Undo' }).isDisabled()).toBe(true)
    await page.reload()
    await expect.poll(() => page.getByLabel('Cost: Haulage').inputValue()).toBe('45.00')
  })
  it('said differently in two windows are both shown, and one is kept', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'hang')
    const other = await run.open()
    await openLot(run, 'Juniper', 'hang', other.page)
    await page.route('**/facts', async (route) => {
      await new Promise((done) => setTimeout(done, 2500))
      await route.continue()
    })
    await page.getByText('State-inspected').click()
    await other.page.getByText('Federally inspected').click()
    await page.getByText('Changed in two windows').waitFor()
    const dialog = page.getByRole('dialog')
    await dialog.getByText('Federally inspected').waitFor()
    await page.unroute('**/facts')
    await page.getByRole('button', { name: 'Take what was decided here' }).click()
    await saved(page)
    await expect.poll(() => other.page.locator('.route.taken').innerText()).toContain('State-inspected')
    await other.context.close()
  })
})

describe('an hour at the bench', () => {
  it('priced at the farm, is counted by each plan’s own minutes', async () => {
    const { page } = run
    await visit(run, '/farm')
    await page.getByLabel('What an hour at the bench costs you').fill('18')
    await page.getByRole('button', { name: 'Save' }).first().click()
    await openLot(run, 'Bramble', 'price')
    await page.getByText('Labour at the bench').waitFor()
    const said = page.getByText(/min at \$18\.00 an hour/)
    await said.waitFor()
    const minutes = async () => Number(/(\d+) min at/.exec(await said.innerText())![1])
    const skilled = await minutes()
    await page.getByTestId('hands').click()
    await page.getByRole('option', { name: 'cut for the first time' }).click()
    await expect.poll(minutes).toBeGreaterThan(skilled)
    await page.getByText('leaves 3 % of boned lean on the bones').waitFor()
    await saved(page)
    await page.reload()
    await expect.poll(minutes).toBeGreaterThan(skilled)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(minutes).toBe(skilled)
    await saved(page)
  })
})
