import { describe, expect, it } from 'vitest'
import { figure, openLot, running, saved, visit } from './testing.ts'

const run = running({ demo: true })
const press = (name: string | RegExp) =>
  run.page.getByRole('button', { name, exact: typeof name === 'string' }).click()
const pick = async (id: string, option: string | RegExp) => {
  await run.page.locator(`#${id}`).click()
  await run.page.getByRole('option', { name: option }).click()
}
const text = (id: string) => run.page.getByTestId(id).innerText()
const minutesIn = (said: string) => {
  const [, h, m] = /(\d\d):(\d\d)/.exec(said)!
  return Number(h) * 60 + Number(m)
}

describe('a flock, from placing chicks to packs', () => {
  it('chicks are placed; a loss, a sample and feed are written down; what is wrong is said at its field', async () => {
    const { page } = run
    await visit(run, '/new')
    await page.getByRole('radio', { name: 'Chickens' }).click()
    await page.getByLabel('Name or lot number').fill('Flock 9')
    await page.getByLabel(/^How many/).fill('50')
    await press('Hang the lot')
    await page.getByRole('link', { name: 'Raise', exact: true }).click()
    await page.getByLabel(/^Weighed when they came/).fill('4.6')
    await press('Keep it')
    await page.getByText('On which day did they come').waitFor()
    await page.locator('#start-day').fill('2026-09-28')
    await press('Keep it')
    await page
      .getByTestId('ready')
      .getByText(/Ready about/)
      .waitFor()
    const before = await text('ready')

    await page.getByLabel('How many', { exact: true }).fill('50')
    await press('Lost')
    await page.getByText('That would leave none of the 50').waitFor()
    await page.getByLabel('How many', { exact: true }).fill('60')
    await press('Lost')
    await page.getByText('60 are more than the 50 that are alive').waitFor()
    await page.getByLabel('How many', { exact: true }).fill('2')
    await pick('loss-cause', 'a predator')
    await press('Lost')
    await expect.poll(() => text('lost')).toMatch(/2 so far: 2 a predator/)
    await page.getByText('48 alive of 50 that came').waitFor()

    const weights = page.getByLabel(/^Weights, lb/)
    await weights.fill('5.1')
    await press('Keep the sample')
    await page.getByText('One says nothing of how far they lie apart').waitFor()
    await weights.fill('4.2 4.6 3.9 4.4 4.8 4.1 4.5 4.0 4.3 4.4')
    await press('Keep the sample')
    await page.getByTestId('samples').getByText('4.3 lb').waitFor()
    // Lighter than its type at that age: ready later.
    await expect.poll(() => text('ready')).not.toBe(before)

    await page.getByLabel('Fed, lb').fill('220')
    await page.getByLabel('Cost', { exact: true }).fill('121')
    await press('Fed')
    await page.getByTestId('fed').getByText('$121.00').waitFor()
    await saved(page)
  })

  it('what is wanted can be undone; types stand beside one another', async () => {
    const { page } = run
    const first = await text('ready')
    await page.getByLabel('Wanted alive').fill('7.5')
    await press('Raise to this')
    await expect.poll(() => text('ready')).not.toBe(first)
    await page.keyboard.press('Escape')
    await page.locator('h2').first().click()
    await page.keyboard.press('u')
    await expect.poll(() => text('ready')).toBe(first)
    await openLot(run, 'Flock 1', 'raise')
    const days = (type: string) => page.locator(`[data-type=${type}] td`).nth(2).innerText()
    await page.locator('[data-type=slow]').waitFor()
    expect(Number(await days('slow'))).toBeGreaterThan(Number(await days('fast')))
    await openLot(run, 'Flock 9', 'raise')
  })

  it('the day says when the last is in the ice, and what would help; a bad figure is told', async () => {
    const { page } = run
    await openLot(run, 'Flock 9', 'line')
    await page.getByTestId('iced').waitFor()
    await page.getByTestId('line-picture').waitFor()
    const alone = minutesIn(await text('iced'))
    await press('Another hand')
    await expect.poll(async () => minutesIn(await text('iced')), { timeout: 30_000 }).toBeLessThan(alone - 20)
    await page.getByTestId('helps').getByText('one more pair of practised hands').waitFor()
    await page.getByLabel('How many', { exact: true }).first().fill('49')
    await press('Plan it so')
    await page.getByText('49 are more than the 48 that are alive').waitFor()
    await page.getByLabel('How many', { exact: true }).first().fill('')
    await page.getByLabel('First bird at').fill('25:00')
    await press('Plan it so')
    await page.getByText('It is no time of a day').waitFor()
    await page.getByLabel('First bird at').fill('22:30')
    await press('Plan it so')
    await page.locator('[data-issue=past-midnight]').waitFor()
    await page.getByLabel('First bird at').fill('07:00')
    await press('Plan it so')
    await page.locator('[data-issue=past-midnight]').waitFor({ state: 'detached' })
    await page.getByLabel('Ice at hand').fill('5 lb')
    await press('Chill so')
    await page.locator('[data-issue=ice-short]').waitFor()
    await page.locator('h2').first().click()
    await page.keyboard.press('u')
    await page.locator('[data-issue=ice-short]').waitFor({ state: 'detached' })
    // The heat of birds and water and the reserve come to what is ordered.
    const rows = (await page.getByTestId('ice').locator('td.right').allInnerTexts()).map(figure)
    expect(rows[0]! + rows[1]! + rows[2]!).toBeCloseTo(rows[3]!, 0)
  })

  it('somebody fetches before theirs are bagged, and is told a better hour; others go after these', async () => {
    const { page } = run
    await page.getByLabel('At', { exact: true }).fill('07:30')
    await page.getByLabel('Who', { exact: true }).fill('Hollin House')
    await page.getByLabel('Birds', { exact: true }).fill('10')
    await press('Fetches')
    await expect.poll(() => text('pickups'), { timeout: 30_000 }).toMatch(/0 % ready\s+say \d\d:\d\d/)
    const before = minutesIn(await text('iced'))
    await pick('also-species', 'rabbit')
    await page.locator('#also-birds').fill('12')
    await press('After these')
    await page.getByTestId('also').waitFor()
    await expect
      .poll(async () => minutesIn(await text('iced')), { timeout: 30_000 })
      .toBeGreaterThan(before + 20)
    await press('Not these')
    await expect
      .poll(async () => minutesIn(await text('iced')), { timeout: 30_000 })
      .toBeLessThan(before + 10)
    const sheet = page.waitForEvent('download')
    await press('Run sheet')
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^(Make|Print|Download)|PDF/ })
      .first()
      .click()
    expect((await sheet).suggestedFilename()).toMatch(/\.pdf$/)
    await page.keyboard.press('Escape')
  })

  it('loads are scalded and birds worth less; a condemned one is counted no more, and the next flock is told', async () => {
    const { page } = run
    await openLot(run, 'Flock 9', 'scald')
    await page.getByTestId('taught').getByText('Read the thermometer before the first load').waitFor()
    await page.getByLabel('Water was').fill('warm')
    await press('Write the load down')
    await page.getByText(/“warm” is/).waitFor()
    await page.getByLabel('Water was').fill('64')
    await page.getByLabel('Seconds').fill('80')
    await press('Write the load down')
    await page.getByText('hotter than its school').waitFor()
    await pick('down-what', 'condemned')
    await page.getByLabel('Next time').fill('Look at each before the cone.')
    await press('Worth less')
    await page.getByTestId('downgrades').getByText('condemned').waitFor()
    await page.getByTestId('scalded').getByText('2 of 47 scalded').waitFor()
    await saved(page)
  })

  it('is sorted into classes that become groups with ways of their own, weighed, packed and priced', async () => {
    const { page } = run
    await openLot(run, 'Flock 9', 'hang')
    for (const [stage, pounds] of [
      ['live', '292 lb'],
      ['hot', '205 lb'],
    ] as const) {
      const entry = page.locator(`[data-entry=${stage}]`)
      await entry.getByRole('textbox').fill(pounds)
      await entry.getByRole('button', { name: 'Keep weight' }).click()
    }
    await saved(page)
    await openLot(run, 'Flock 9', 'sort')
    await page.getByLabel(/^One class ends/).fill('many')
    await press('Part them so')
    await page.getByText(/“many” is not a weight/).waitFor()
    await page.getByLabel(/^One class ends/).fill('4.3')
    await press('Part them so')
    await expect.poll(() => page.getByTestId('classes').locator('tbody tr').count()).toBe(2)
    const counts = (await page.getByTestId('classes').locator('tbody td:nth-child(3) b').allInnerTexts()).map(
      Number,
    )
    expect(counts[0]! + counts[1]!).toBe(47)
    await pick('way-1', /^Parted: breast/)
    await press('Sort them so')
    await page.getByTestId('groups').getByText('Small').waitFor()
    await page.getByTestId('groups').getByText('Large').waitFor()
    await openLot(run, 'Flock 9', 'pack')
    await page.getByRole('button', { name: 'Large', exact: false }).first().click()
    await page.locator('tr[data-cut=thigh]').waitFor()
    await openLot(run, 'Flock 9', 'price')
    await page.getByText('Thighs').first().waitFor()
    await run.restart('SIGKILL')
    await openLot(run, 'Flock 9', 'raise')
    await page.getByText('47 alive of 50 that came').waitFor()
  })
})

describe('what is pooled', () => {
  it('wings of a flock go into a run of their own, weighed, with their share of the cost', async () => {
    const { page } = run
    await openLot(run, 'Pond ducks', 'sort')
    await page.getByTestId('households').waitFor()
    await press('Pack for 8')
    const pool = page.getByRole('form', { name: 'A run of their own' })
    await pick('pool-part', /^Wings/)
    await pool.getByRole('textbox').fill('some')
    await pool.getByRole('button', { name: 'A run of their own' }).click()
    await page.getByText('“some” is not a weight').waitFor()
    await pool.getByRole('textbox').fill('1250 lb')
    await pool.getByRole('button', { name: 'A run of their own' }).click()
    await page.getByText(/what such a piece of a duck can weigh/).waitFor()
    await pool.getByRole('textbox').fill('12.5 lb')
    await pool.getByRole('button', { name: 'A run of their own' }).click()
    await page
      .getByText(/Wings of Pond ducks/)
      .first()
      .waitFor()
    await page.getByRole('link', { name: 'Price', exact: true }).click()
    await page.getByRole('link', { name: 'Costs', exact: true }).click()
    await page.getByText('From Pond ducks').first().waitFor()
    await openLot(run, 'Pond ducks', 'costs')
    await page.getByText('Into Wings of Pond ducks').first().waitFor()
    await openLot(run, 'Pond ducks', 'sort')
    await page.locator('#pool-part').click()
    const left = await page.getByRole('option').allTextContents()
    expect(left.some((o) => o.startsWith('Backs') || o.startsWith('Back'))).toBe(true)
    expect(left.some((o) => o.startsWith('Wings'))).toBe(false)
    await page.keyboard.press('Escape')
  })
})

describe('a live day on a tablet', () => {
  it('birds are ticked off at a tap and the finish is told anew; a machine stands still, one came dead', async () => {
    const { page, context } = await run.open({ viewport: { width: 820, height: 1180 }, hasTouch: true })
    const id = (await (await fetch(`${run.url}/api/home`)).json()) as { lots: { id: string; tag: string }[] }
    const flock = id.lots.find((l) => l.tag === 'Flock 1')!.id
    await page.goto(`${run.url}/lots/${flock}/line`)
    await page.getByTestId('iced').waitFor()
    await page.getByRole('button', { name: 'Floor mode' }).tap()
    // It was planned for another day: begun now, its day is today.
    await page.getByText('it becomes today').waitFor()
    await page.getByRole('button', { name: 'We begin now' }).tap()
    await page.getByTestId('counted').waitFor()
    const size = await page.getByTestId('counted').evaluate((e) => parseFloat(getComputedStyle(e).fontSize))
    expect(size).toBeGreaterThanOrEqual(80)
    const box = (await page.getByRole('button', { name: '+5 in the ice' }).boundingBox())!
    expect(box.height).toBeGreaterThanOrEqual(56)
    await page.getByRole('button', { name: '+5 in the ice' }).tap()
    await page.getByRole('button', { name: '+2 in the ice' }).tap()
    await expect.poll(() => page.getByTestId('counted').innerText()).toBe('7')
    await page.getByTestId('told-anew').waitFor()
    await expect.poll(() => page.getByTestId('told-anew').innerText()).toMatch(/last about \d\d:\d\d, likely/)
    await page.getByRole('button', { name: 'Take the last back' }).tap()
    await expect.poll(() => page.getByTestId('counted').innerText()).toBe('5')
    await page.getByRole('button', { name: 'It stands still' }).tap()
    await page.getByText('What is wrong with it?').waitFor()
    await page.getByLabel('Why', { exact: true }).fill('belt')
    await page.getByRole('button', { name: 'It stands still' }).tap()
    await page.getByText('Pluck stands still').waitFor()
    await page.getByRole('button', { name: 'Runs again' }).tap()
    await page.getByText('Pluck stands still').waitFor({ state: 'detached' })
    await page.getByRole('button', { name: 'One came dead' }).tap()
    await expect.poll(() => page.getByTestId('live').innerText()).toMatch(/5 of 59 in the ice/)
    await context.close()
  })
})
