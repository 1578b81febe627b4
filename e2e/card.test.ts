import { describe, expect, it } from 'vitest'
import { openLot, running, saved } from './testing.ts'

const run = running({ demo: true })
const step = (target: string) => run.page.locator(`[data-step=${target}]`)

describe('the block card', () => {
  it('is ticked off step by step, survives a reload, and freezes what was cut', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'block')
    await page.getByRole('link', { name: 'Block card' }).click()
    await page.getByText('Make ready', { exact: true }).first().waitFor()
    await step('line-shoulder-line').getByRole('checkbox').click()
    await step('jowl').getByRole('checkbox').click()
    await expect.poll(() => page.getByTestId('progress').innerText()).toMatch(/^2 of /)
    await saved(page)
    await page.reload()
    await expect.poll(() => page.getByTestId('progress').innerText()).toMatch(/^2 of /)
    await page.getByRole('link', { name: 'Ways' }).click()
    await page.locator('[data-part=jowl]').first().focus()
    await page.keyboard.press('Enter')
    await page.getByText('is ticked off as cut').first().waitFor()
  })
  it('in floor mode shows the next step large, and one press does it', async () => {
    const { page } = run
    await page.getByRole('link', { name: 'Block card' }).click()
    await page.getByRole('button', { name: 'Floor mode' }).click()
    const size = await page
      .locator('.now .huge')
      .evaluate((e) => Number.parseFloat(getComputedStyle(e).fontSize))
    expect(size).toBeGreaterThanOrEqual(80)
    const box = (await page.getByRole('button', { name: 'Done', exact: true }).boundingBox())!
    expect(box.height).toBeGreaterThanOrEqual(56)
    await page.getByRole('button', { name: 'Done', exact: true }).click()
    await expect.poll(() => page.getByTestId('progress').innerText()).toMatch(/^3 of /)
    await page.getByRole('button', { name: 'is not done yet' }).click()
    await expect.poll(() => page.getByTestId('progress').innerText()).toMatch(/^2 of /)
    await page.getByRole('button', { name: 'Leave floor mode' }).click()
  })
  it('says how each step is done: where, with what, how it looks when it is right, each caution once', async () => {
    const how = step('loin').first().locator('details.hand')
    await how.locator('summary').press('Enter')
    const steps = how.locator('li')
    expect(await steps.first().innerText()).toMatch(/Lay it\s*hands\s*chine towards you/)
    await how.locator('[data-action=sawAcross]').getByText('25 mm').waitFor()
    expect(await how.locator('[data-action=sawAcross]').innerText()).toMatch(/Right: .*Goes wrong: /s)
    const cautions = await how.locator('.care').allInnerTexts()
    expect(new Set(cautions).size).toBe(cautions.length)
    expect(await steps.last().innerText()).toContain('Back into the cold')
  })
  it('hands over block card and letter as PDF', async () => {
    const { page } = run
    for (const name of ['Block card', 'Letter to its buyer']) {
      await page.getByRole('button', { name, exact: true }).click()
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('dialog').getByRole('button', { name: 'Print' }).click(),
      ])
      expect(download.suggestedFilename()).toMatch(/\.pdf$/)
    }
  })
  it('a press on a figure says where it comes from', async () => {
    const { page } = run
    await page.getByRole('link', { name: 'Ways', exact: true }).click()
    await page.locator('[data-cut=bone-in-chop], [data-cut=tbone]').first().getByRole('button').click()
    await page
      .getByTestId('origin')
      .getByText(/of [\d.]+ lb/)
      .first()
      .waitFor()
    await page.keyboard.press('Escape')
    await page.getByRole('link', { name: 'Hang', exact: true }).click()
    await page.getByText('Where the weights above come from').click()
    await page
      .locator('[data-origin=hanging]')
      .getByText(/Worked out from|Weighed/)
      .waitFor()
    await page.getByRole('link', { name: 'Block', exact: true }).click()
  })
  it('the trim and the flow picture say where everything goes', async () => {
    const { page } = run
    await page.getByRole('link', { name: 'Trim and where it goes' }).click()
    await page.getByTestId('flow').locator('svg').waitFor()
    await page.locator('[data-block=live]').getByText('268.0 lb', { exact: true }).waitFor()
    const leg = page.locator('[data-block="p leg"]')
    await leg.press('Enter')
    expect(await leg.getAttribute('aria-pressed')).toBe('true')
    await page.getByText(/^Leg [\d.]+ lb: .*roast/).waitFor()
    await page.getByTestId('trim-total').waitFor()
    const asked = page.locator('[data-lean="0.7"]')
    await asked.click()
    await page.getByTestId('blended').getByText('goes in, which makes it 70 % lean').waitFor()
    await saved(page)
    await page.reload()
    await expect.poll(() => asked.getAttribute('aria-pressed')).toBe('true')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => page.locator('[data-lean=falls]').getAttribute('aria-pressed')).toBe('true')
    await saved(page)
  })
})

describe('the kit', () => {
  it('stands ready shelf by shelf before the first cut, from the plan, by keyboard, and over a reload', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'block')
    await page.getByRole('link', { name: 'Kit', exact: true }).click()
    const shelf = (id: string) => page.locator(`[data-kit=${id}]`)
    expect(await shelf('saw').innerText()).toMatch(/for .*loin/)
    expect(await shelf('goes').innerText()).toMatch(/brine \d/)
    expect(await shelf('tubs').innerText()).toMatch(/Roast\s+\d tubs?/)
    await shelf('knife').getByRole('checkbox').press('Space')
    await shelf('tubs').getByRole('checkbox').press('Space')
    await expect.poll(() => page.getByTestId('kit-ready').innerText()).toMatch(/^2 of /)
    await saved(page)
    await page.reload()
    await expect.poll(() => page.getByTestId('kit-ready').innerText()).toMatch(/^2 of /)
    await shelf('tubs').getByRole('checkbox').press('Space')
    await expect.poll(() => page.getByTestId('kit-ready').innerText()).toMatch(/^1 of /)
    // A plan that takes less asks for less.
    const bags = await shelf('bags').innerText()
    await openLot(run, 'Flock 1', 'kit')
    await shelf('ice').getByText('cools the birds').waitFor()
    expect(await shelf('saw').count()).toBe(0)
    expect(await shelf('bags').innerText()).not.toBe(bags)
  })
})

describe('when something goes wrong', () => {
  it('plans again from what is left: saw down, what it costs, and taking it', async () => {
    const { page } = run
    await openLot(run, 'Alder', 'card')
    await step('chuck').first().getByRole('checkbox').click()
    await page.getByRole('button', { name: 'The saw is down' }).click()
    await page.getByTestId('replan').getByText('Best of what is left').waitFor()
    await page.getByRole('button', { name: 'Take this' }).click()
    await page.getByRole('button', { name: 'The saw runs again' }).waitFor()
    await saved(page)
    await page.getByRole('link', { name: 'Ways' }).click()
    await page.getByText('The saw is down.').first().waitFor()
    await page.locator('[data-cut=tbone]').waitFor({ state: 'detached' })
    await page.getByRole('button', { name: 'Undo' }).click()
    await page.locator('[data-cut=tbone]').waitFor()
  })
})
