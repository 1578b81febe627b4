import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { SHORT_LIVED, startServer } from '../scripts/browser.mjs'
import { fallowmere, figure } from '#kit'

const page = fallowmere()
const cover = () => page.getByTestId('cover').innerText()
const coverFigure = async () => figure((await cover()).split('\n').find((l) => l.includes('%'))!)

describe('Price', () => {
  it('solves prices that pay for the animal and its target, keeps a lock, and can be undone', async () => {
    await page.open('price', 'Bramble')
    await page.getByTestId('skyline').waitFor()
    const before = await coverFigure()
    expect(before).toBeLessThan(100)
    await page.getByLabel('Lock the price of Smoked bacon').click()
    await page.locator('#ending').click()
    await page.getByRole('option', { name: 'a 9' }).click()
    await page.getByRole('button', { name: 'Solve prices' }).click()
    await page.getByRole('button', { name: 'Take these prices' }).click()
    await page.saved()
    const target = figure((await cover()).split('target')[1]!)
    expect(await coverFigure()).toBeGreaterThanOrEqual(target)
    const price = (name: string) => page.getByLabel(`Price of ${name}`, { exact: true }).inputValue()
    expect(await price('Smoked bacon')).toBe('9.52')
    expect(await price('Ground pork')).toMatch(/9$/)
    const lines = await page.locator('[data-cut] td:last-child').allInnerTexts()
    const net = figure(await page.locator('.prices tfoot tr:last-child td:last-child').innerText())
    expect(lines.map(figure).reduce((a, b) => a + b, 0)).toBeCloseTo(net, 2)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(coverFigure).toBe(before)
    await page.getByRole('button', { name: 'Redo' }).click()
    await expect.poll(coverFigure).toBeGreaterThanOrEqual(target)
  })

  it('says which bound makes a target impossible, and what is not money, at the field', async () => {
    const target = page.getByLabel('Target profit')
    await target.fill('plenty')
    await target.press('Enter')
    await page.getByText('“plenty” is not an amount of money').waitFor()
    expect(await target.inputValue()).toBe('plenty')
    await target.fill('150')
    await target.press('Enter')
    for (const name of ['Ground pork', 'Boston butt roast']) {
      await page.getByLabel(`Ceiling price of ${name}`).fill('1')
      await page.getByLabel(`Ceiling price of ${name}`).press('Enter')
    }
    await page.getByLabel('Floor price of Ground pork').fill('2')
    await page.getByLabel('Floor price of Ground pork').press('Enter')
    await page.getByRole('button', { name: 'Solve prices' }).click()
    await page.getByText(/The floor \$2\.00 for Ground pork is above its ceiling \$1\.00/).waitFor()
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click()
    await page.saved()
  })

  it('custom-exempt offers shares of the live animal only, and says why', async () => {
    await page.open('hang', 'Juniper')
    await page.getByText('Custom-exempt').click()
    await page.press(']')
    await page.press(']')
    await page.getByText('no price list by the cut').waitFor()
    expect(await page.getByTestId('skyline').count()).toBe(0)
    await page.getByRole('button', { name: 'Take the price that pays' }).click()
    await expect.poll(coverFigure).toBeGreaterThanOrEqual(100)
    await page.getByText(/share of the live animal before slaughter, so Ekko/).waitFor()
    expect(await page.getByRole('button', { name: /Price list/ }).count()).toBe(0)
    for (const view of ['block', 'plans', 'trim']) {
      await page.open(view, 'Juniper')
      await page.locator('#main h2').first().waitFor()
      expect(await page.locator('#main').innerText(), view).not.toMatch(/Brings|Money|A plate/)
    }
    await page.open('price', 'Juniper')
  })
})

describe('Pack', () => {
  it('packed = weighed so far + remaining; expected beside actual; Cover moves; a wrong entry is corrected', async () => {
    await page.open('pack', 'Clover')
    const row = page.locator('tr[data-cut=bacon]')
    const still = async () => figure(await page.locator('[data-sum=to-come]').innerText())
    const before = await still()
    await row.getByRole('button', { name: 'Weigh Smoked bacon' }).click()
    await page.getByLabel('Weight on the scale').fill('91 lb')
    await page.getByLabel('Weight on the scale').press('Enter')
    await page.getByText(/^Expected .* of smoked bacon; with this you have 91\.0 lb/).waitFor()
    expect(await page.getByText('91 lb of smoked bacon kept').count()).toBe(0)
    await page.getByRole('button', { name: 'Keep it all the same' }).click()
    await page.getByText('91 lb of smoked bacon kept').waitFor()
    await page.getByText(/[\d.]+ lb more than likely: smoked bacon/).waitFor()
    await page.getByRole('button', { name: 'Correct Smoked bacon 91 lb' }).click()
    await page.getByLabel('Weight on the scale').fill('9lb 1.6oz')
    await page.getByLabel('Packs', { exact: true }).fill('9')
    await page.getByRole('button', { name: 'Put right' }).click()
    await expect.poll(() => row.innerText()).toContain('9.1 lb')
    expect(await still()).toBeCloseTo(before - 9.1, 1)
    expect(await page.getByText('corrected', { exact: true }).count()).toBe(1)
    const coverBefore = await cover()
    await row.getByRole('checkbox').click()
    await expect.poll(cover).not.toBe(coverBefore)
    await page.saved()
    await page.getByLabel('Weight on the scale').fill('900 lb')
    await page.getByLabel('Weight on the scale').press('Enter')
    await page.getByText(/would have come off a carcass of/).waitFor()
    expect(await page.getByLabel('Weight on the scale').inputValue()).toBe('900 lb')
  })
})

describe('take away, stop, start, restore', () => {
  it('price list in PDF and CSV and a cut sheet are downloaded', async () => {
    await page.open('price', 'Bramble')
    for (const [button, ending] of [
      ['Price list, PDF', 'pdf'],
      ['Price list, CSV', 'csv'],
      ['Cut sheet, PDF', 'pdf'],
    ] as const) {
      const download = page.waitForEvent('download')
      await page.getByRole('button', { name: button }).click()
      if (ending === 'pdf') {
        await page.getByRole('dialog').getByRole('button', { name: 'Print' }).click()
      }
      const path = await savedAs(download)
      expect(path).toMatch(new RegExp(`Bramble.*\\.${ending}$`))
      const bytes = readFileSync(path)
      expect(bytes.subarray(0, 4).toString()).toBe(ending === 'pdf' ? '%PDF' : 'cut,')
    }
  })

  it('everything is there after a stop and after a kill', async () => {
    const seen = await cover()
    await run.restart('SIGTERM')
    await page.open('price', 'Bramble')
    await expect.poll(cover).toBe(seen)
    await page.getByLabel('Price of Ground pork', { exact: true }).fill('8.88')
    await page.getByLabel('Price of Ground pork', { exact: true }).press('Enter')
    await page.saved()
    await run.restart('SIGKILL')
    await page.open('price', 'Bramble')
    await expect
      .poll(() => page.getByLabel('Price of Ground pork', { exact: true }).inputValue())
      .toBe('8.88')
  })

  it('a second process on the folder is refused with a reason', async () => {
    const second = startServer(['--data', run.folder], SHORT_LIVED)
    const ended = new Promise((resolve) => second.child.on('exit', resolve))
    await expect(second.url).rejects.toThrow(/Another Ekko has the folder/)
    expect(await ended).toBe(3)
  })

  it('the bundle restores the whole farm into an empty folder by one command; a damaged one changes nothing', async () => {
    await page.open('farm')
    const download = page.waitForEvent('download')
    await page.getByText('Take away the farm bundle').click()
    const file = await savedAs(download)
    const folder = newFolder()
    execFileSync('npm', ['run', '-s', 'restore', '--', file, join(folder, 'farm')])
    const second = startServer(['--data', join(folder, 'farm')], SHORT_LIVED)
    const url = await second.url
    const bundle = async (from: string) => JSON.parse(await (await fetch(`${from}/api/bundle`)).text())
    expect(await bundle(url)).toEqual(await bundle(run.url))
    await second.stop()

    const bad = join(folder, 'bad.json')
    writeFileSync(bad, readFileSync(file, 'utf8').replace('Fallowmere', 'Fallowmare'))
    const out = spawnSync('npm', ['run', '-s', 'restore', '--', bad, join(folder, 'other')])
    expect(out.status).not.toBe(0)
    expect(out.stderr.toString()).toContain('This bundle is damaged')
    expect(existsSync(join(folder, 'other'))).toBe(false)
    const full = spawnSync('npm', ['run', '-s', 'restore', '--', file, join(folder, 'farm')])
    expect(full.stderr.toString()).toContain('is not empty')
  })
})

describe('one setting', () => {
  it('shows the farm in kilograms, pounds sterling and Commonwealth names', async () => {
    await page.open('farm')
    const pick = async (id: string, name: string) => {
      await page.locator(`#${id}`).click()
      await page.getByRole('option', { name }).click()
    }
    await pick('farm-unit', 'kilograms')
    await pick('farm-currency', 'GBP')
    await pick('farm-names', 'Commonwealth')
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText('Saved. Every page').waitFor()
    await page.open('price', 'Bramble')
    await page.getByText('Streaky bacon').first().waitFor()
    expect(await page.stage('live').innerText()).toContain('121.56 kg')
    expect(await cover()).not.toContain('NaN')
    expect(await page.locator('.prices tfoot').innerText()).toContain('£')
  })
})
