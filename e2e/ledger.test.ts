import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { figure, openLot, running, saved, savedAs } from './testing.ts'

const run = running({ demo: true })
const go = (name: string) => run.page.getByRole('link', { name, exact: true }).click()
async function choose(label: string, option: string) {
  await run.page.getByLabel(label, { exact: true }).click()
  await run.page.getByRole('option', { name: option, exact: true }).click()
}
const priceOf = (cut: string) => run.page.getByLabel(`Price of ${cut}`, { exact: true })

describe('what the animal cost, and what the cuts must bring', () => {
  it('shares the cost over the cuts in four ways; each adds up to all of it, and none is called a cost price', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'price')
    await go('Cost of each cut')
    const table = page.getByTestId('joint')
    await page.getByText('None of these is what a cut cost.').waitFor()
    const foot = await table.locator('tfoot td').allInnerTexts()
    const total = figure(/of \$([\d,.]+)/.exec(await page.locator('.pane-head').innerText())![1]!)
    for (const sum of foot.slice(-4)) expect(figure(sum.replace('$', ''))).toBeCloseTo(total, 2)
    const row = await table.locator('tr[data-cut=trotter] td').allInnerTexts()
    // By weight the feet bear more than they bring, by what is left of their price they do not.
    expect(row.at(-4)).toMatch(/−\$/)
  })

  it('says what could be made of the cheap end, and takes it in one step that is undone', async () => {
    const { page } = run
    await go('The cheap end')
    const lift = page.locator('[data-lift]').first()
    await lift.waitFor()
    const many = await page.locator('[data-lift]').count()
    const part = await lift.getAttribute('data-lift')
    expect(await lift.innerText()).toMatch(/\+\$\d/)
    await lift.getByRole('button', { name: /^Take it/ }).click()
    await expect.poll(() => page.locator(`[data-lift="${part}"]`).count()).toBe(0)
    await page.keyboard.press('u')
    await expect.poll(() => page.locator('[data-lift]').count()).toBe(many)
  })

  it('aims at a margin or at pay for an hour, and the prices that are solved meet it', async () => {
    const { page } = run
    await go('Prices')
    await choose('Aim at', 'a margin')
    await page.getByLabel('Margin in per cent of what is brought').fill('95')
    await page.keyboard.press('Enter')
    await page.getByText('is not a number from 0 to 90').waitFor()
    await page.getByLabel('Margin in per cent of what is brought').fill('20')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'Solve prices' }).click()
    await page.getByRole('button', { name: 'Take these prices' }).click()
    await expect.poll(() => page.getByTestId('earned').innerText()).toMatch(/margin is 20 %/)
    await choose('Aim at', 'pay for an hour')
    await page.getByLabel('Pay for an hour at the bench').fill('30')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'Solve prices' }).click()
    await page.getByRole('button', { name: 'Take these prices' }).click()
    await expect.poll(() => page.getByTestId('earned').innerText()).toMatch(/earns \$30\.\d\d/)
    await page.getByText('What one more is worth').click()
    await expect
      .poll(() => page.getByTestId('one-more').innerText())
      .toMatch(/One day of hanging longer\s+−\$/)
  })

  it('prices a bar by pulling it, and by keys; a locked one stays', async () => {
    const { page } = run
    const grip = page.locator('[data-grip=trotter]')
    const before = figure(await priceOf('Feet').inputValue())
    await grip.focus()
    await page.keyboard.press('ArrowUp')
    await expect.poll(async () => figure(await priceOf('Feet').inputValue())).toBeCloseTo(before + 0.05, 2)
    await saved(page)
    const box = (await grip.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 4 })
    await page.mouse.up()
    await expect.poll(async () => figure(await priceOf('Feet').inputValue())).toBeGreaterThan(before + 1)
    const high = figure(await priceOf('Feet').inputValue())
    await page.getByLabel('Lock the price of Feet').click()
    await expect.poll(() => grip.getAttribute('aria-disabled')).toBe('true')
    await grip.focus()
    await page.keyboard.press('ArrowDown')
    await page.keyboard.press('PageDown')
    expect(figure(await priceOf('Feet').inputValue())).toBe(high)
  })
})

describe('the ledger of a lot', () => {
  it('takes a line as so many at so much each, sums by kind, and says what a pound of gain took', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'price')
    await go('Costs')
    await expect
      .poll(() => page.getByTestId('growth').innerText())
      .toMatch(/Feed for one of gain[^]*\d\.\d\d/)
    const total = async () =>
      figure((await page.getByText('with fees and labour').innerText()).replace('$', ''))
    const before = await total()
    await page.getByLabel('How much', { exact: true }).fill('lots')
    await page.getByLabel('at, each').fill('12.50')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await page.getByText('“lots” is no number above nothing').waitFor()
    await page.getByLabel('How much', { exact: true }).fill('6')
    await page.getByLabel('What', { exact: true }).fill('Straw')
    await choose('Kind', 'bedding and minerals')
    await choose('in', 'piece')
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await page.getByTestId('costs').getByText('Straw', { exact: true }).waitFor()
    await expect.poll(total).toBeCloseTo(before + 75, 2)
    await page.reload()
    await page.getByTestId('costs').getByText('Straw', { exact: true }).waitFor()
    await page.getByRole('button', { name: 'Take Straw off' }).click()
    await expect.poll(total).toBeCloseTo(before, 2)
  })

  it('leaves the family’s own work out, and takes it in again', async () => {
    const { page } = run
    const total = async () =>
      figure((await page.getByText('with fees and labour').innerText()).replace('$', ''))
    const before = await total()
    await page.getByText('own work counts as a cost').click()
    await expect.poll(total).toBeCloseTo(before - 120, 2)
    await page.keyboard.press('u')
    await expect.poll(total).toBeCloseTo(before, 2)
  })

  it('brings rows in from a spreadsheet: bad ones are said by row and column, the good ones kept', async () => {
    const { page } = run
    await page.getByText('As a table').click()
    const file = { name: 'costs.csv', mimeType: 'text/csv' }
    const text = 'what,amount,kind,day\nSalt lick,12.40,feed,2026-08-01\nFence,ten,other,\n'
    await page.getByLabel('Bring costs in').setInputFiles({ ...file, buffer: Buffer.from(text) })
    await page.getByTestId('csv').getByRole('row').filter({ hasText: '“ten” is not an amount' }).waitFor()
    await page.getByRole('button', { name: 'Keep the one good row' }).click()
    await page.getByTestId('costs').getByText('Salt lick').waitFor()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Take the costs away' }).click()
    expect(readFileSync(await savedAs(download), 'utf8')).toMatch(/2026-08-01,feed,Salt lick,,,12\.40/)
  })

  it('shares one cost over lots by head: each bears its own to the cent, and says of what', async () => {
    const { page } = run
    await page.getByText('Share a cost over several lots').click()
    const form = page.getByRole('form', { name: 'Share a cost' })
    await form.getByLabel('What was paid for').fill('Rent of the field')
    await form.getByLabel('All of it').fill('100')
    await form.getByRole('button', { name: 'Write each its share' }).click()
    await page.getByText('Choose two lots at least').waitFor()
    await form
      .getByRole('row', { name: /^Juniper/ })
      .getByRole('checkbox')
      .click()
    await form
      .getByRole('row', { name: /^Clover/ })
      .getByRole('checkbox')
      .click()
    await expect.poll(() => form.getByRole('row', { name: /^Juniper/ }).innerText()).toMatch(/\$33\.3\d/)
    await form.getByRole('button', { name: 'Write each its share' }).click()
    await page.getByText('Written to 3 lots.').waitFor()
    await page.getByTestId('costs').getByText('share of $100.00 by head').waitFor()
    await saved(page)
    await openLot(run, 'Clover', 'price')
    await go('Costs')
    await page.getByTestId('costs').getByText('share of $100.00 by head').waitFor()
  })

  it('keeps what the farm pays all year, and says what of it no lot bears yet', async () => {
    const { page } = run
    await page.getByText('Share a cost over several lots').click()
    const form = page.getByRole('form', { name: 'Share a cost' })
    await form.getByLabel('What was paid for').fill('Tractor')
    await form.getByLabel('All of it').fill('900')
    await form.getByRole('button', { name: 'Keep as a cost of the farm' }).click()
    await page.getByText('From when until when is it for?').waitFor()
    await form.getByLabel('for the time from').fill('2026-01-01')
    await form.getByLabel('until', { exact: true }).fill('2026-12-31')
    await form.getByRole('button', { name: 'Keep as a cost of the farm' }).click()
    const row = page.getByTestId('farm-costs').getByRole('row').filter({ hasText: 'Tractor' })
    await row.getByRole('button', { name: 'Share Tractor' }).click()
    expect(await form.getByLabel('All of it').inputValue()).toBe('900.00')
    await form.getByLabel('All of it').fill('300')
    await form.getByRole('button', { name: 'Write each its share' }).click()
    await expect.poll(() => row.innerText()).toMatch(/\$900\.00[^]*\$300\.00[^]*\$600\.00/)
    await page.getByTestId('costs').getByText('share of $300.00 by head').waitFor()
    await saved(page)
    await page.reload()
    await page.getByText('Share a cost over several lots').click()
    await expect.poll(() => row.innerText()).toMatch(/\$900\.00[^]*\$300\.00[^]*\$600\.00/)
  })

  it('takes a cost that comes again: all its times by its last day, corrected by what it is each time', async () => {
    const { page } = run
    await page.getByLabel('What', { exact: true }).fill('Milk')
    await page.getByLabel('Amount', { exact: true }).fill('4.50')
    await choose('Paid', 'every week')
    await page.getByRole('button', { name: 'Write it down' }).click()
    await page.getByText('From which day is it paid?').waitFor()
    await page.getByLabel('Day', { exact: true }).fill('2026-06-01')
    await page.locator('#cost-until').fill('2026-08-23')
    expect(await page.getByTestId('times').innerText()).toMatch(/12 times: \$54\.00/)
    await page.getByRole('button', { name: 'Write it down' }).click()
    const line = page.getByTestId('costs').getByRole('row').filter({ hasText: 'Milk' })
    expect(await line.innerText()).toMatch(/each week until 2026-08-23:\s+12 times, \$54\.00/)
    const each = page.getByLabel('Amount of Milk, each week')
    await each.fill('5')
    await each.press('Enter')
    await expect.poll(() => line.innerText()).toMatch(/12 times, \$60\.00/)
  })

  it('lets the living bear what a casualty cost: here it comes to nothing, and is counted once', async () => {
    const { page } = run
    await openLot(run, 'Fern', 'costs')
    await page.getByText('Let the living bear it').click()
    const form = page.getByRole('form', { name: 'Let other lots bear it' })
    await form.getByRole('button', { name: 'Write each its share' }).click()
    await page.getByText('Choose who bears it').waitFor()
    await form
      .getByRole('row', { name: /^Thistle/ })
      .getByRole('checkbox')
      .click()
    await form.getByRole('button', { name: 'Write each its share' }).click()
    await page.getByTestId('costs').getByText('Borne by other lots').waitFor()
    await expect.poll(() => page.getByText('with fees and labour').innerText()).toMatch(/^\$0\.00/)
    await saved(page)
    await openLot(run, 'Thistle', 'costs')
    await page.getByTestId('costs').getByText('Fern, lost').waitFor()
    expect(await page.getByTestId('costs').innerText()).toContain('share of $108.50')
  })
})

describe('what the processor bills', () => {
  it('a fee of a way is billed where the way is taken, and the Block shows it before it is', async () => {
    const { page } = run
    const way = page.getByRole('row').filter({ has: page.locator('[data-path=loin-boneless-chops]') })
    const change = async () => figure((await way.locator('td.nowrap small').innerText()).replace('$', ''))
    await openLot(run, 'Juniper', 'block')
    await way.waitFor()
    const before = await change()
    await go('Price')
    await go('Fees')
    await page.getByLabel('Fee', { exact: true }).fill('Boning the loin')
    await page.getByLabel('Rate', { exact: true }).fill('18')
    await choose('billed', 'only for a way')
    await page.getByLabel('Way', { exact: true }).click()
    await page
      .getByRole('option', { name: /^Loin: Boneless chops/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Write the fee down' }).click()
    const row = page.locator('[data-fee=boning-the-loin]')
    await expect.poll(() => row.innerText()).toMatch(/\$0\.00/)
    await go('Block')
    await expect.poll(change).toBeCloseTo(before + 18, 2)
    await page.locator('[data-path=loin-boneless-chops]').click()
    await saved(page)
    await go('Price')
    await go('Fees')
    await expect.poll(() => row.innerText()).toMatch(/\$18\.00/)
  })

  it('fees are kept as a sheet, billed on another lot’s plan beside its own, and taken over', async () => {
    const { page } = run
    await page.getByLabel('Keep these fees as those of').fill('')
    await page.getByRole('button', { name: 'Keep the sheet' }).click()
    await page.getByText('Whose fees are these?').waitFor()
    await page.getByLabel('Keep these fees as those of').fill('the plant at Mere Bridge')
    await page.getByRole('button', { name: 'Keep the sheet' }).click()
    await page.getByTestId('sheets').getByText('the plant at Mere Bridge').waitFor()
    await openLot(run, 'Bramble', 'price')
    await go('Fees')
    const sheet = page.getByTestId('sheets').getByRole('row').first()
    await sheet.getByText(/[+−]\$/).waitFor()
    await sheet.getByRole('button', { name: /^Take the fees of/ }).click()
    const total = async () => figure((await page.getByText('under this plan').innerText()).replace('$', ''))
    await expect.poll(total).toBeGreaterThan(100)
    await saved(page)
    await page.reload()
    await page.getByTestId('fees').getByText('Kill fee').waitFor()
  })

  it('one price is set beside every weight it may mean', async () => {
    const { page } = run
    await page.getByText('Which weight is a price on?').click()
    await page.getByLabel(/^Price, a/).fill('2.50')
    await page.getByTestId('deal').getByRole('row').filter({ hasText: 'live weight' }).waitFor()
    const hot = await page
      .getByTestId('deal')
      .getByRole('row')
      .filter({ hasText: 'hot weight' })
      .first()
      .innerText()
    // 189 lb hot, as the plant weighed it.
    expect(hot).toMatch(/189\.0 lb[^]*\$472\.50/)
  })
})

describe('price lists', () => {
  it('of a place are kept from a day on, set beside one another, and taken over by another lot', async () => {
    const { page } = run
    await openLot(run, 'Teasel', 'price')
    await page.getByText('Price lists', { exact: true }).click()
    await page.getByLabel('Raise or drop every price by, %').fill('much')
    await page.keyboard.press('Enter')
    await page.getByText('“much” is no number').waitFor()
    const net = async () =>
      figure((await page.locator('tfoot').last().innerText()).split('Expected net')[1]!.replace('$', ''))
    const before = await net()
    await page.getByLabel('Raise or drop every price by, %').fill('10')
    await page.keyboard.press('Enter')
    await expect.poll(net).toBeGreaterThan(before * 1.08)
    await page.getByLabel('Keep these prices as those of').fill('Market')
    await page.getByRole('button', { name: 'Keep the list' }).click()
    await page.getByTestId('lists').getByText('Market', { exact: true }).waitFor()
    await page.getByRole('button', { name: 'Keep the list' }).click()
    await page.getByText('There is a list of Market from that day already.').waitFor()
    await openLot(run, 'Thistle', 'price')
    const was = await net()
    await page.getByText('Price lists', { exact: true }).click()
    const row = page.getByTestId('lists').getByRole('row').filter({ hasText: 'Market' })
    const told = figure((await row.getByRole('cell').nth(1).innerText()).replace('$', ''))
    await row.getByRole('button', { name: /^Take the prices of Market/ }).click()
    await expect.poll(net).toBeCloseTo(told, 2)
    await page.keyboard.press('u')
    await expect.poll(net).toBeCloseTo(was, 2)
  })
})

describe('another’s prices', () => {
  it('are typed cut by cut and stand beside ours, a plate too', async () => {
    const { page } = run
    await page.getByLabel('Keep these prices as those of').fill('Shop')
    await choose('they are', 'another’s')
    await page.getByRole('button', { name: 'Keep the list' }).click()
    const row = page.getByTestId('pairs').locator('tbody tr').first()
    const theirs = row.getByRole('textbox')
    await theirs.fill('dear')
    await theirs.press('Enter')
    await page.getByText('“dear” is not an amount of money').waitFor()
    await theirs.fill('30')
    await theirs.press('Enter')
    await expect.poll(() => row.innerText()).toMatch(/\+\$[\d.]+\s+\$[\d.]+\s+\$1\d\.\d\d/)
    await saved(page)
    await page.reload()
    await page.getByText('Price lists', { exact: true }).click()
    await page.getByRole('button', { name: /^Shop from .*, cut by cut$/ }).click()
    expect(await row.getByRole('textbox').inputValue()).toBe('30.00')
    await page.getByRole('button', { name: /^Shop from .*, cut by cut$/ }).click()
    await expect.poll(() => page.getByTestId('pairs').count()).toBe(0)
  })
})

describe('what does not sell', () => {
  const row = () => run.page.getByTestId('markdowns').locator('tbody tr').first()
  const netOf = async () =>
    figure((await run.page.locator('tfoot').last().innerText()).split('Expected net')[1]!.replace('$', ''))

  it('is marked down by the farm’s own share, cut by cut', async () => {
    const { page } = run
    await page.getByText('What does not sell').click()
    const sells = page
      .locator('table.prices tbody tr')
      .first()
      .getByLabel(/^Share of .* sold at full price/)
    await sells.fill('120')
    await sells.press('Enter')
    await page.getByText('is not a number from 0 to 100').waitFor()
    await sells.fill('50')
    await sells.press('Enter')
    const less = async () => figure((await row().getByRole('cell').nth(3).innerText()).replace('$', ''))
    await expect.poll(less).toBeLessThan(0)
    const half = await less()
    const brings = row().getByLabel(/^What the rest of/)
    await brings.fill('0')
    await brings.press('Enter')
    await expect.poll(async () => (await less()) / half).toBeCloseTo(2, 1)
  })

  it('or is kept for the own table, at its price, its cost or as nothing, or given for help: never more than all of it', async () => {
    const { page } = run
    const none = await netOf()
    const own = row().getByLabel(/for the own table$/)
    await own.fill('40')
    await own.press('Enter')
    // At its price what is kept counts in full, where only half of it sold and the rest brought nothing.
    await expect.poll(netOf).toBeGreaterThan(none)
    const atPrice = await netOf()
    await row()
      .getByLabel(/^What kept .* counts as$/)
      .click()
    await page.getByRole('option', { name: /^at its cost, \$/ }).click()
    await expect.poll(netOf).not.toBe(atPrice)
    const atCost = await netOf()
    await row()
      .getByLabel(/^What kept .* counts as$/)
      .click()
    await page.getByRole('option', { name: 'as nothing' }).click()
    await expect.poll(netOf).toBeLessThan(atCost)
    const given = row().getByLabel(/given for help$/)
    await given.fill('70')
    await given.press('Enter')
    await page.getByText(/40 % of .* kept and 70 % given are more than all of it/).waitFor()
    await given.fill('10')
    await given.press('Enter')
    await page.getByRole('row', { name: /^Help paid in meat/ }).waitFor()
    await saved(page)
    await page.reload()
    await page.getByRole('row', { name: /^Help paid in meat/ }).waitFor()
  })
})

describe('finishes', () => {
  const cut = (name: string) =>
    run.page.getByRole('navigation', { name: 'Cuts' }).getByRole('button', { name: new RegExp(`^${name}`) })
  const finish = (id: string) => run.page.locator(`tr[data-finish=${id}]`)
  const leaves = async (id: string) =>
    figure((await finish(id).locator('.leaves span').innerText()).replace('$', ''))

  it('say before they are taken what they leave, and lift the price of the cut by their extra', async () => {
    const { page } = run
    await openLot(run, 'Clover', 'price')
    const set = figure(await priceOf('Picnic roast').inputValue())
    await go('Finishes')
    await cut('Picnic roast').click()
    await expect.poll(() => leaves('tied')).toBeGreaterThan(0)
    const before = await leaves('tied')
    // Dearer twine leaves less, before it is taken.
    const goods = page.getByLabel('What goes on, tied')
    await goods.fill('a lot')
    await goods.press('Enter')
    await page.getByText('“a lot” is not an amount of money').waitFor()
    await goods.fill('0.30')
    await goods.press('Enter')
    await expect.poll(() => leaves('tied')).toBeLessThan(before)
    const told = await leaves('tied')
    const extra = figure(await page.getByLabel('Extra price, tied').inputValue())
    await finish('tied').getByRole('checkbox').press('Space')
    await cut('Picnic roast').getByText('tied').waitFor()
    await expect.poll(() => leaves('tied')).toBeCloseTo(told, 2)
    await go('Prices')
    expect(figure(await priceOf('Picnic roast').inputValue())).toBeCloseTo(set + extra, 2)
    await page.getByRole('row', { name: /^What goes on and round cuts/ }).waitFor()
    await page.keyboard.press('u')
    await expect.poll(async () => figure(await priceOf('Picnic roast').inputValue())).toBeCloseTo(set, 2)
    await expect.poll(() => page.getByRole('row', { name: /^What goes on and round cuts/ }).count()).toBe(0)
  })

  it('are a step of the card that is ticked, and then stay; what people react to stands on the price list', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'price')
    await go('Finishes')
    await cut('Spare ribs').click()
    await page.getByText('Name everything that goes in on the label').first().waitFor()
    await finish('rind-off').getByText('this cut has no rind').waitFor()
    expect(await finish('rind-off').getByRole('checkbox').isDisabled()).toBe(true)
    await openLot(run, 'Bramble', 'card')
    const step = page.locator('[data-step=finish-spare-ribs]')
    expect(await step.innerText()).toContain('Contains mustard')
    await step.getByRole('checkbox').click()
    await saved(page)
    await openLot(run, 'Bramble', 'finishes')
    await cut('Spare ribs').click()
    await finish('spiced').getByRole('checkbox').press('Space')
    await page.getByText(/spare ribs, full is ticked off/).waitFor()
  })
})

describe('whole or parts', () => {
  it('says what share of a way must sell to leave what the whole bird does, with a fee more; taken, it is undone', async () => {
    const { page } = run
    await openLot(run, 'Flock 1', 'price')
    await go('Whole or parts')
    const row = (way: string) => page.locator(`[data-way=${way}]`)
    await row('bird-eight').waitFor()
    const cells = () => row('bird-eight').locator('td').allInnerTexts()
    const share = (text: string) => (text === 'none' ? 0 : text === 'not even all' ? 101 : figure(text))
    const plain = share((await cells())[6]!)
    const asked = page.getByLabel('Asked for cutting each up')
    await asked.fill('two')
    await asked.press('Enter')
    await page.getByText('“two” is not an amount').waitFor()
    await asked.fill('0.80')
    await asked.press('Enter')
    await page.getByRole('columnheader', { name: 'With the fee' }).waitFor()
    const [, , , , , , first, second] = await cells()
    expect(share(first!)).toBe(plain)
    expect(share(second!)).toBeGreaterThanOrEqual(plain)
    await row('bird-halves').getByRole('button', { name: 'Halves', exact: true }).click()
    await page.getByRole('heading', { name: 'Halves' }).waitFor()
    await page.getByTestId('whole-chart').locator('svg').waitFor()
    await row('bird-eight')
      .getByRole('button', { name: /^Take it/ })
      .click()
    await expect.poll(() => row('bird-eight').innerText()).toContain('as planned')
    await page.keyboard.press('u')
    await expect.poll(() => row('bird-eight').innerText()).not.toContain('as planned')
    await openLot(run, 'Juniper', 'price')
    expect(await page.getByRole('link', { name: 'Whole or parts' }).count()).toBe(0)
  })
})
