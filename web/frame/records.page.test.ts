import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const page = fallowmere()

describe('a lot hung by mistake', () => {
  it('is taken off the rail, and hung again with all its records, by keyboard', async () => {
    await page.open('hang', 'Teasel')
    await page.getByText('Hung by mistake?').click()
    await page.getByLabel('Why, if you like').fill('Entered twice')
    await page.getByLabel('Why, if you like').press('Enter')
    await page.getByText('Taken off the rail (1)').waitFor()
    await page.saved()
    expect(await page.getByRole('link', { name: 'Teasel' }).count()).toBe(0)
    await page.reload()
    await page.getByText('Taken off the rail (1)').press('Enter')
    await page.getByRole('button', { name: 'Hang it again: Teasel' }).press('Enter')
    await page.getByRole('link', { name: 'Teasel' }).first().waitFor()
    await page.open('price', 'Teasel')
    await page.getByText('Grazing and hay').waitFor()
  })
})

describe('slips and photos', () => {
  it('are attached, stay over a reload, and are taken off again; what is no picture is refused by name', async () => {
    await page.open('hang', 'Bramble')
    const file = (name: string, mimeType: string, text: string) => ({
      name,
      mimeType,
      buffer: Buffer.from(text),
    })
    await page.getByText('Slips and photos').click()
    const input = page.getByLabel('Slip or photo')
    await input.setInputFiles(file('notes.txt', 'text/plain', 'hung 189'))
    await page.getByText('“notes.txt” is no picture').waitFor()
    await input.setInputFiles(file('slip.pdf', 'application/pdf', '%PDF-1.4 hung 189 lb'))
    await page.getByRole('link', { name: 'slip.pdf' }).waitFor()
    await page.saved()
    await page.reload()
    await page.getByText('Slips and photos').click()
    const link = page.getByRole('link', { name: 'slip.pdf' })
    await link.waitFor()
    const res = await fetch((await link.getAttribute('href'))!)
    expect(await res.text()).toContain('hung 189 lb')
    await page.getByRole('button', { name: 'Take slip.pdf off' }).press('Enter')
    await link.waitFor({ state: 'detached' })
  })
})

describe('facts', () => {
  it('are corrected, never undone: undo leaves a cost and the route as they are', async () => {
    await page.open('price', 'Bramble')
    const cost = page.getByLabel('Cost: Haulage')
    await cost.fill('45.00')
    await cost.press('Enter')
    await page.saved()
    await page.getByRole('button', { name: 'Undo' }).waitFor()
    expect(await page.getByRole('button', { name: 'Undo' }).isDisabled()).toBe(true)
    await page.reload()
    await expect.poll(() => page.getByLabel('Cost: Haulage').inputValue()).toBe('45.00')
  })
})

describe('an hour at the bench', () => {
  it('priced at the farm, is counted by each plan’s own minutes', async () => {
    await page.open('farm')
    await page.getByLabel('What an hour at the bench costs you').fill('18')
    await page.getByRole('button', { name: 'Save' }).first().click()
    await page.open('price', 'Bramble')
    await page.getByText('Labour at the bench').waitFor()
    const said = page.getByText(/min at \$18\.00 an hour/)
    await said.waitFor()
    const minutes = async () => Number(/(\d+) min at/.exec(await said.innerText())![1])
    const skilled = await minutes()
    await page.getByTestId('hands').click()
    await page.getByRole('option', { name: 'cut for the first time' }).click()
    await expect.poll(minutes).toBeGreaterThan(skilled)
    await page.getByText('leaves 3 % of boned lean on the bones').waitFor()
    await page.saved()
    await page.reload()
    await expect.poll(minutes).toBeGreaterThan(skilled)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(minutes).toBe(skilled)
    await page.saved()
  })
})
