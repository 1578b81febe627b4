import { describe, expect, it } from 'vitest'
import { figure, openLot, running, saved, stage } from './testing.ts'

const run = running({ demo: true })
const way = (path: string) => run.page.locator(`[data-path=${path}]`)
const part = (id: string) => run.page.locator(`[data-part=${id}]`).first()
/** Drawn parts overlap, so they are picked as a keyboard picks them. */
const pick = async (id: string) => {
  await part(id).focus()
  await run.page.keyboard.press('Enter')
}
const cutKg = async () =>
  figure((await stage(run.page, 'cut').innerText()).split('\n').find((l) => l.includes('lb'))!)
const partLb = async (id: string) =>
  figure(/, ([\d.]+) lb/.exec((await part(id).getAttribute('aria-label'))!)![1]!)

describe('a lamb', () => {
  it('is hung, left whole, and cut into a saddle; split again it says what can no longer be had', async () => {
    const { page } = run
    await page.goto(`${run.url}/new`)
    await page.getByRole('radio', { name: 'Lamb' }).click()
    await page.getByLabel('Name or lot number').fill('Sorrel')
    await page.getByLabel('Live weight, if weighed').fill('110 lb')
    await page.getByRole('button', { name: 'Hang the lot' }).click()
    await page.getByText('How is it slaughtered?').waitFor()
    await page.getByRole('link', { name: 'Block', exact: true }).click()
    await way('loin-saddle').waitFor()
    await page.getByText('This needs the carcass left whole; this one is split into sides.').first().waitFor()
    await page.getByRole('link', { name: 'Hang', exact: true }).click()
    await page.getByText('How it was dressed').click()
    await page.getByRole('button', { name: 'left whole' }).click()
    await page.getByRole('link', { name: 'Block', exact: true }).click()
    await way('loin-saddle').click()
    await page.locator('[data-cut=saddle]').getByText('1 pack').waitFor()
    await page.getByRole('button', { name: 'Left', exact: true }).click()
    await page.getByText('This takes both sides at once').first().waitFor()
    await page.getByRole('link', { name: 'Hang', exact: true }).click()
    await page.getByText('How it was dressed').click()
    await page.getByRole('button', { name: 'split into sides' }).click()
    await page.getByText('“Saddle roast” can no longer be had').first().waitFor()
    await saved(page)
  })
  it('refuses ribs no lamb has, and keeps what was typed', async () => {
    const { page } = run
    await page.getByLabel('Ribs counted').fill('17')
    await page.keyboard.press('Tab')
    await page.getByText('“17” is not a number from 12 to 14').waitFor()
    expect(await page.getByLabel('Ribs counted').inputValue()).toBe('17')
    await page.getByLabel('Ribs counted').fill('14')
    await page.keyboard.press('Tab')
    await saved(page)
    await page.getByRole('link', { name: 'Block', exact: true }).click()
    await expect.poll(() => page.locator('.bones text').allTextContents()).toContain('14')
  })
})

describe('a steer', () => {
  it('has its loin split between ways by keyboard, and its long lines moved in mm', async () => {
    const { page } = run
    await openLot(run, 'Alder', 'block')
    expect(await page.locator('[data-part=short-loin-rear]').count()).toBe(0)
    const split = page.locator('[data-line="loin-split:left"]')
    await split.focus()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('ArrowDown')
    await expect.poll(() => split.getAttribute('aria-valuetext')).toContain('split behind 4 vertebrae')
    expect(await page.locator('[data-part=short-loin-rear]').count()).toBe(2)
    const plate = page.locator('[data-line="plate-line:left"]')
    const before = await partLb('plate')
    await plate.focus()
    await page.keyboard.press('ArrowUp')
    await expect.poll(() => plate.getAttribute('aria-valuetext')).toBe('90 mm from the eye')
    expect(await partLb('plate')).toBeLessThan(before)
    await saved(page)
  })
  it('opens part by part: the chuck into clod and roll, the clod into flat iron', async () => {
    const { page } = run
    await pick('chuck')
    await page.getByRole('button', { name: 'Right', exact: true }).click()
    await page.getByRole('button', { name: 'Shoulder clod', exact: true }).click()
    await way('clod-parted').click()
    await page.locator('[data-cut=flat-iron]').waitFor()
    await page.getByText('comes out of').waitFor()
  })
  it('trimmed strictly takes less home, and the whole still adds up', async () => {
    const { page } = run
    const before = await cutKg()
    await page.getByRole('combobox', { name: 'How closely all of it is trimmed' }).click()
    await page.getByRole('option', { name: /^strictly/ }).click()
    await expect.poll(cutKg).toBeLessThan(before - 10)
    const text = await page.getByTestId('balance').innerText()
    const [carcass, kept, added, ...out] = [...text.matchAll(/([\d.]+) lb/g)].map((m) => Number(m[1]))
    expect(text).toContain('offal kept')
    expect(carcass! + kept! + added!).toBeCloseTo(
      out.reduce((a, b) => a + b, 0),
      6,
    )
  })
  it('measured fat shifts the estimate, by how much is said; a figure out of bounds is kept and explained', async () => {
    const { page } = run
    await page.getByRole('link', { name: 'Hang', exact: true }).click()
    await page.getByText('Measured on the carcass').click()
    const fat = page.locator('[data-measure=fat-depth]')
    await fat.fill('19')
    await page.keyboard.press('Tab')
    await expect
      .poll(() => page.getByTestId('shift').innerText())
      .toMatch(/lean −\d\.\d points, fat \+\d\.\d points/)
    await fat.fill('190')
    await page.keyboard.press('Tab')
    await page.getByText('190 mm is outside 1 to 50 mm').waitFor()
    expect(await fat.inputValue()).toBe('190')
  })
  it('is made of what its type makes it, chosen by keyboard; a weight no such animal has is said, and it stays over a reload', async () => {
    const { page } = run
    const made = () => page.getByTestId('made').innerText()
    const type = page.getByRole('combobox', { name: 'What animal it is' })
    const choose = async (name: string) => {
      await type.focus()
      await page.keyboard.press('Enter')
      await page.getByRole('option', { name, exact: true }).waitFor()
      await page.keyboard.type(name.slice(0, 4))
      await page.keyboard.press('Enter')
    }
    const grain = await made()
    await choose('Grass-finished steer')
    await page.getByText('dresses at 57.0 ± 2.2 %').waitFor()
    await expect.poll(made).not.toBe(grain)
    expect(await made()).toMatch(/lean \d+ %, fat \d+ %, bone \d+ %/)
    await choose('Calf')
    await page.getByText('The weight does not fit the type.').waitFor()
    await choose('Not sure')
    await page.getByText('The common types mixed').waitFor()
    await saved(page)
    await page.reload()
    await page.getByText('The common types mixed').waitFor()
    await choose('Grain-finished steer')
    await expect.poll(made).toBe(grain)
  })
  it('from 30 months has no T-bones: they go from the plan, and stay visible with the reason', async () => {
    const { page } = run
    await page.getByText('How it was dressed').click()
    await page.getByRole('button', { name: '30 months or older' }).click()
    await page.getByText('can no longer be had').first().waitFor()
    await page.getByRole('link', { name: 'Block', exact: true }).click()
    await page.getByRole('button', { name: 'Both sides' }).click()
    await pick('short-loin')
    await page.getByText('This needs the carcass under 30 months').first().waitFor()
    expect(await page.locator('[data-cut=tbone]').count()).toBe(0)
    await saved(page)
  })
})

describe('a flock', () => {
  it('is parted, counted by the bird, and its giblets kept apart', async () => {
    const { page } = run
    await openLot(run, 'Flock 1', 'block')
    await page.locator('[data-cut=whole-bird]').getByText('60 packs').waitFor()
    await way('bird-parts').click()
    await page.locator('[data-cut=drumstick]').getByText('120 pieces').waitFor()
    await pick('breast')
    await way('breast-boneless').waitFor()
    await page.getByRole('link', { name: 'Hang', exact: true }).click()
    await page.getByTestId('exempt').getByText('of 1,000 birds this year').waitFor()
    await saved(page)
  })
})

describe('another lot in the strip', () => {
  it('opens as itself, whatever was picked in the one before', async () => {
    const { page } = run
    await openLot(run, 'Alder', 'block')
    await pick('chuck')
    await page.getByRole('button', { name: 'Other lots' }).click()
    await page.getByRole('navigation', { name: 'Other lots' }).getByRole('link', { name: 'Thistle' }).click()
    await page.getByRole('heading', { name: 'Thistle' }).waitFor()
    await part('rack').waitFor()
    await page.getByTestId('cover').getByText('%').first().waitFor()
  })
})
