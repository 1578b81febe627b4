import { describe, expect, it } from 'vitest'
import { fallowmere, figure, problem } from '#kit'

const page = fallowmere()
const put = (kg: number) =>
  fetch('/api/instruments/scale/load', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ kg }),
  })
const face = page.getByTestId('scale')
/** The scale stands still at what was put on it. */
const still = (lb: string) => expect.poll(() => face.innerText()).toMatch(new RegExp(`${lb}[^]*stands still`))
const row = (cut: string) => page.locator(`tr[data-cut=${cut}]`)
const packsOf = async (cut: string) =>
  Number(/(\d+) of \d+ packs?/.exec(await row(cut).innerText())?.[1] ?? 0)
/** What a scanner types: key by key into what has the focus, faster than any hand, with Enter behind it. */
async function scan(code: string) {
  const at = document.activeElement ?? document.body
  for (const key of [...code, 'Enter']) {
    const isTaken = !at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
    if (isTaken || key === 'Enter' || !(at instanceof HTMLInputElement)) continue
    at.value += key
    at.dispatchEvent(new Event('input', { bubbles: true }))
  }
}

describe('the scale', () => {
  it('simulated ones are switched on from the page, and stand again after a reload', async () => {
    await page.open('tools', 'Clover')
    await page.getByText('None: weights are typed').waitFor()
    await page.locator('#scale-kind').click()
    await page.getByRole('option', { name: 'simulated, to try' }).click()
    await page.getByRole('button', { name: 'Use this scale' }).click()
    await face.getByText('simulated').waitFor()
    await page.getByRole('button', { name: 'Use the simulated printer' }).click()
    await page.getByText('labels on its roll').waitFor()
    await page.getByLabel('Put on the simulated scale').fill('1.5 lb')
    await page.getByRole('button', { name: 'Put it on' }).click()
    await still('1.50')
    await page.getByLabel('Put on the simulated scale').fill('much')
    await page.getByRole('button', { name: 'Put it on' }).click()
    await page.getByText(/“much” is not a weight/).waitFor()
    await page.reload()
    await face.getByText('simulated').waitFor()
    await page.getByText('500').first().waitFor()
  })

  it('one key weighs, labels and waits for the next pack; what is kept is not kept twice', async () => {
    await page.open('pack', 'Clover')
    await row('bacon').getByRole('button', { name: 'Weigh Smoked bacon' }).click()
    await put(0.6804)
    await still('1.50')
    await page.locator('header').first().click()
    await page.press('w')
    await page.getByText(/^1\.5 lb of smoked bacon kept, pack \d+\.$/).waitFor()
    expect(await packsOf('bacon')).toBe(1)
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('This one is kept already').waitFor()
    await put(0)
    await still('0.00')
    await put(0.635)
    await still('1.40')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText(/^1\.4 lb of smoked bacon kept/).waitFor()
    expect(await packsOf('bacon')).toBe(2)
    await page.open('tools', 'Clover')
    await page.getByText('498').waitFor()
  })

  it('what is shown when the key is pressed is what is kept, however long the printer takes', async () => {
    await page.open('pack', 'Clover')
    await row('picnic-roast').getByRole('button', { name: 'Weigh Picnic roast' }).click()
    const planned = Number(/of (\d+) packs?/.exec(await row('picnic-roast').innerText())![1])
    await page.getByLabel('Packs', { exact: true }).fill(`${planned - 1 - (await packsOf('picnic-roast'))}`)
    await page.getByLabel('Weight on the scale').fill(`${(planned - 1) * 3.5} lb`)
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await expect.poll(() => packsOf('picnic-roast')).toBe(planned - 1)
    let answer: (res: Response) => void = () => undefined
    const printer = new Promise<Response>((resolve) => (answer = resolve))
    page.answer((_, path) => (path.endsWith('/papers') ? printer : undefined))
    await put(0)
    await still('0.00')
    await put(1.5876)
    await still('3.50')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText(/of picnic roast kept, pack \d+\. Next: /).waitFor()
    await row('bacon').getByRole('button', { name: 'Weigh Smoked bacon' }).click()
    answer(problem(409, 'The printer is away.'))
    await page.getByText(/^Label of pack \d+, picnic roast: The printer is away/).waitFor()
    page.answer()
    await page.getByLabel('Weight on the scale').fill('1.6 lb')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText(/^1\.6 lb of smoked bacon kept/).waitFor()
    await put(0)
  })

  it('in floor mode cut and what is left of it stand beside the scale, and go down as it is weighed', async () => {
    await page.open('pack', 'Clover')
    await page.getByRole('button', { name: 'Floor mode' }).click()
    await row('hock').getByRole('button', { name: 'Weigh Hocks' }).click()
    const hand = page.getByTestId('at-hand')
    await hand.getByText('Hocks').waitFor()
    const left = async () => Number(/^(\d+) packs?/m.exec(await hand.locator('.left').innerText())?.[1] ?? 0)
    const before = await left()
    expect(before).toBeGreaterThan(1)
    await page.getByLabel('Weight on the scale').fill('1.4 lb')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await expect.poll(left).toBe(before - 1)
    await page.getByRole('button', { name: 'Leave floor mode' }).click()
    await hand.waitFor({ state: 'detached' })
  })

  it('moving, empty or overloaded it is not kept, and says why at the field', async () => {
    await page.open('pack', 'Clover')
    await put(0)
    await still('0.00')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('Nothing lies on the scale').waitFor()
    await put(60)
    await face.getByText('Too much for this scale').waitFor()
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('That is too much for this scale').waitFor()
    await put(0)
  })
})

describe('packs', () => {
  it('halved: the old one is opened, the halves have labels of their own', async () => {
    await page.open('packs', 'Clover')
    const first = page.locator('tr', { hasText: 'Boston butt roast' }).first()
    const number = Number(await first.getAttribute('data-pack'))
    await first.getByRole('button', { name: `Open pack ${number}` }).click()
    await page.getByText(`Opened for it: pack ${number}`).waitFor()
    await page.getByLabel('Weight on the scale').fill('3.8 lb')
    await page.getByLabel('Packs', { exact: true }).fill('2')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText(/3\.8 lb of boston butt roast kept, packs \d+–\d+/).waitFor()
    await page.open('packs', 'Clover')
    expect(await page.locator(`tr[data-pack="${number}"]`).innerText()).toContain('opened')
  })

  it('voided only with a reason, and brought back', async () => {
    const pack = page.locator('tr', { hasText: 'Ground pork' }).first()
    const number = await pack.getAttribute('data-pack')
    const of = page.locator(`tr[data-pack="${number}"]`)
    await of.getByRole('button', { name: `Void pack ${number}` }).click()
    await of.getByRole('button', { name: 'Void it' }).click()
    await of.getByText('Say why it is no pack').waitFor()
    await of.getByLabel(`Why pack ${number} is void`).fill('the bag was open')
    await of.getByRole('button', { name: 'Void it' }).click()
    await of.getByText('void').first().waitFor()
    await of.getByRole('button', { name: 'It is there after all' }).click()
    await of.getByRole('button', { name: `Void pack ${number}` }).waitFor()
    await page.saved()
  })

  it('a scanner finds a pack wherever the focus is: in a field, and where single keys mean something', async () => {
    await page.open('block', 'Clover')
    await page.press('r')
    await scan('P00000007')
    await page.getByRole('heading', { name: 'Pack 7' }).waitFor()
    const section = page.getByTestId('trace')
    await section.getByText('FM 0409').waitFor()
    for (const text of ['178 lb by plant', '4.6 °C deep', 'Swept by hand: AF', '2 pieces'])
      await section.getByText(text).first().waitFor()
    await page.open('store')
    await page.getByLabel('Number on the label').focus()
    await scan('P00000120')
    await page.getByRole('heading', { name: 'Pack 120' }).waitFor()
    await page.open('store')
    await page.getByLabel('Number on the label').waitFor()
    await page.getByLabel('Number on the label').fill('keep ')
    await page.getByLabel('Number on the label').focus()
    await scan('01962910415002163103001250132611022100000008\u001d10Bramble')
    await page.getByRole('heading', { name: 'Pack 8' }).waitFor()
    await page.open('block', 'Clover')
    expect(await page.getByRole('button', { name: 'Undo' }).isEnabled()).toBe(false)
  })

  it('a code that says a cut and no pack shows all of it; one that is not ours is said', async () => {
    const id = crypto.randomUUID()
    const body = {
      ...{ format: 'ekko-labels', version: 1, name: 'Labels', size: 'roll-100x75', blocks: [], claims: [] },
      code: { kind: 'ean13', prefix: 21, says: 'weight' },
      items: [{ species: 'hog', cut: 'bacon', item: 12 }],
    }
    const keep = async (base: number, withdrawn: boolean) => {
      await page.ask('PUT', `/sheets/${id}`, { base, body, withdrawn })
    }
    await keep(0, false)
    await page.open('rail')
    await page.locator('header').first().click()
    await scan('2100012001502')
    await page.getByRole('link', { name: /^Not only/ }).waitFor()
    expect((await page.here()).query.cut).toBe('bacon')
    await page.locator('header').first().click()
    await scan('5901234123457')
    await page.getByText('5901234123457 is no label of this farm').waitFor()
    await keep(1, true)
  })

  it('is put somewhere else, and found there; a number that is none is said at its field', async () => {
    await page.visit('/packs/7')
    await page.getByLabel('Put it in').fill('Chest 9')
    await page.getByRole('button', { name: 'It lies there now' }).click()
    await page.getByText('It lies in Chest 9').waitFor()
    await page.getByRole('link', { name: 'All packs' }).click()
    await page.getByRole('link', { name: /Chest 9/ }).click()
    await expect.poll(() => page.getByTestId('store').locator('[data-number]').count()).toBe(1)
    await page.getByLabel('Number on the label').fill('bacon')
    await page.getByLabel('Number on the label').press('Enter')
    await page.getByText('“bacon” is no pack’s number').waitFor()
    await page.getByLabel('Number on the label').fill('4444')
    await page.getByLabel('Number on the label').press('Enter')
    await page.getByText('There is no pack 4444').waitFor()
  })
})

describe('an outage', () => {
  it('is bridged: what is weighed stays on the device and is sent once, when the server is back', async () => {
    await page.open('pack', 'Clover')
    await row('rib-tips').getByRole('button', { name: /Weigh/ }).click()
    page.answer((method, path) => (method === 'POST' && path.endsWith('/packs') ? 'away' : undefined))
    await page.getByLabel('Weight on the scale').fill('1.1 lb')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('kept on this device, and sent when the server answers').waitFor()
    await expect.poll(() => row('rib-tips').innerText()).toContain('1.1 lb')
    page.answer()
    await page.saved()
    const lot = await page.ask<{ packs: { cut: string }[] }>('GET', `/lots/${await page.idOf('Clover')}`)
    expect(lot.packs.filter((p) => p.cut === 'rib-tips')).toHaveLength(1)
  })
})

describe('labels', () => {
  it('are set once for the farm, looked at in true size, and printed so', async () => {
    await page.open('labels', 'Clover')
    const label = page.getByTestId('label')
    await label.getByText('lot Clover', { exact: false }).waitFor()
    expect(await label.locator('[data-says=kitchen]').count()).toBe(0)
    await page.getByLabel('How to cook it', { exact: true }).click()
    await label.locator('[data-says=kitchen]').waitFor()
    expect(await label.getAttribute('style')).toContain('100mm')
    await page.locator('#label-code').click()
    await page.getByRole('option', { name: 'GS1-128' }).click()
    await page.getByLabel('The farm’s GTIN').fill('6291041500214')
    await page.getByRole('button', { name: 'Keep these labels' }).click()
    await page.getByText('is no GTIN').waitFor()
    await page.getByLabel('The farm’s GTIN').fill('6291041500213')
    await page.getByRole('button', { name: 'Keep these labels' }).click()
    await page.getByText('Kept: every label looks like this').waitFor()
    await page.open('labels', 'Flock 2')
    await label.locator('[data-says=exemption]').waitFor()
    expect(await page.locator('#label-exemption').isDisabled()).toBe(true)
    expect(await page.getByLabel('How to cook it', { exact: true }).isChecked()).toBe(true)
  })

  it('run out: nothing is printed in part, and it says what to do', async () => {
    await page.open('tools', 'Clover')
    await page.getByLabel('Labels on the roll put in').fill('1')
    await page.getByRole('button', { name: 'A new roll' }).click()
    await page
      .getByText(/: 1 labels|Simulated: 1/)
      .first()
      .waitFor()
    await page.open('packs', 'Clover')
    await page.getByRole('button', { name: 'Labels of all' }).click()
    await page.getByText('The printer has not enough labels').waitFor()
  })
})

describe('why less', () => {
  it('says what is in no record and what to ask; what was packed is set against what was likely', async () => {
    await page.open('pack', 'Flock 2')
    expect(await page.getByTestId('missing').innerText()).toMatch(/packed of about .* expected \(z [+−]\d/)
    await page.getByRole('link', { name: 'Why less?' }).first().click()
    await page
      .getByTestId('why')
      .getByText(/packed of .* expected/)
      .waitFor()
    expect(await page.locator('[data-cause]').count()).toBeGreaterThan(2)
  })
})

describe('in the cold', () => {
  it('temperatures are judged by the rules, none before its hour; warm meat is not frozen', async () => {
    await page.open('cold', 'Bramble')
    const rule = (id: string) => page.locator(`[data-rule=${id}]`)
    await page.getByLabel('Hung at').fill('2026-11-20T08:00')
    await page.getByLabel('Left side, hot').fill('93 lb')
    await page.getByLabel('Right side, hot').fill('92 lb')
    await page.getByRole('button', { name: 'Accept it' }).click()
    await page.getByText('Both sides: 185.0 lb').waitFor()
    expect(await rule('deep').innerText()).toContain('not known yet')
    const read = async (c: string, at: string) => {
      await page.getByLabel('Temperature', { exact: true }).fill(c)
      await page.getByLabel('When', { exact: true }).fill(at)
      await page.getByRole('button', { name: 'Write it down' }).click()
    }
    await read('warm', '2026-11-20T20:00')
    await page.getByText('“warm” is no temperature').waitFor()
    await read('20', '2026-11-20T20:00')
    await page.getByText('too warm to freeze').waitFor()
    expect(await rule('deep').innerText()).toContain('not known yet')
    await read('41 F', '2026-11-22T07:00')
    await expect.poll(() => rule('deep').innerText()).toContain('kept, 5 °C after 47 h')
    expect(await page.getByText('too warm to freeze').count()).toBe(0)
    await page.getByTestId('another').waitFor()
    expect(figure(await page.getByTestId('another').locator('b').first().innerText())).toBeGreaterThan(0)
    await page.saved()
  })
})

describe('no cooler', () => {
  it('ice that is filled up is written down each time, and judged; withdrawn, it is gone', async () => {
    await page.open('cold', 'Bramble')
    await page.locator('#accept-chilled').click()
    await page.getByRole('option', { name: 'iced chests' }).click()
    await page.getByRole('button', { name: 'Put it right' }).click()
    const rule = (id: string) => page.getByTestId('chest').locator(`[data-rule=${id}]`)
    await rule('ice').waitFor()
    const fill = async (at: string, mass = '') => {
      await page.getByLabel('Filled up at').fill(at)
      await page.getByLabel('Ice, if weighed').fill(mass)
      await page.getByRole('button', { name: 'Ice filled up' }).click()
    }
    await fill('2026-11-20T19:00', 'a heap')
    await page.getByText(/“a heap” is not a weight/).waitFor()
    await fill('2026-11-20T19:00', '40 lb')
    await page.getByTestId('icings').getByText('40 lb').waitFor()
    await expect.poll(() => rule('ice').innerText()).toContain('not kept')
    await expect.poll(() => rule('drained').innerText()).toContain(': kept')
    await page.getByText('water let off', { exact: true }).first().click()
    await fill('2026-11-21T08:00')
    await expect.poll(() => rule('drained').innerText()).toContain('not kept')
    await page.saved()
    await page.getByRole('button', { name: 'Withdraw the ice of 2026-11-21 08:00' }).click()
    await expect.poll(() => rule('drained').innerText()).toContain(': kept')
  })

  it('a day more on the rail is set against its places', async () => {
    await page.open('cold', 'Alder')
    const places = page.getByTestId('rail-places')
    await places.waitFor()
    expect(await places.innerText()).toMatch(/\d+ of the 8 places on the rail are taken/)
  })
})

describe('bags', () => {
  it('a cut goes into its own wrapping, the shelf goes down with each pack, and the cost is booked', async () => {
    await page.open('bags', 'Bramble')
    const own = page.locator('[data-wrap-of=ground-pork]')
    await own.getByRole('combobox').click()
    await page.getByRole('option', { name: 'freezer paper' }).click()
    const paper = page.locator('tr', { hasText: 'freezer paper to' }).first()
    await paper.waitFor()
    const to = /to ([\d.]+ lb)/.exec(await paper.innerText())![1]!
    const shelf = () => page.getByLabel(`freezer paper to ${to}: counted on the shelf`)
    await shelf().fill('many')
    await shelf().press('Enter')
    await page.getByText('“many” is not a number from 0 to 1,000,000').waitFor()
    await shelf().fill('20')
    await shelf().press('Enter')
    await page.getByLabel(`What 100 of freezer paper to ${to} cost`).fill('9.50')
    await page.getByLabel(`What 100 of freezer paper to ${to} cost`).press('Enter')
    await expect.poll(() => page.getByTestId('supply-cost').innerText()).toMatch(/costs about \$[\d.]+/)
    await page.getByRole('button', { name: 'Put it among its costs' }).click()
    await page.getByText(/stand among its costs/).waitFor()
    await page.saved()
    await page.open('pack', 'Bramble')
    await row('ground-pork').getByRole('button', { name: /Weigh/ }).click()
    await expect.poll(() => page.locator('#pack-wrap').innerText()).toBe('freezer paper')
    await page.getByLabel('Weight on the scale').fill('2 lb')
    await page.getByLabel('Packs', { exact: true }).fill('2')
    await page.getByRole('button', { name: 'Keep weight' }).click()
    await page.getByText('2 lb of ground pork kept').waitFor()
    await page.reload()
    await page.open('bags', 'Bramble')
    await expect.poll(() => shelf().inputValue()).toBe('18')
    await page.open('costs', 'Bramble')
    await page.getByText('Bags, labels and twine').first().waitFor()
  })
})

describe('the packs of the farm', () => {
  it('are narrowed to an animal and a cut, and moved together', async () => {
    await page.open('store')
    const rows = page.getByTestId('store').locator('[data-number]')
    await rows.first().waitFor()
    const tag = (await rows.first().getByRole('cell').nth(4).innerText()).trim()
    await rows
      .first()
      .getByRole('link', { name: `Only ${tag}` })
      .click()
    await page.getByRole('link', { name: `Not only ${tag}` }).waitFor()
    const cut = (await rows.first().getByRole('cell').nth(2).innerText()).trim()
    await rows
      .first()
      .getByRole('link', { name: `Only ${cut}` })
      .click()
    await page.getByRole('link', { name: `Not only ${cut}` }).waitFor()
    const { lot, cut: of } = (await page.here()).query
    const all = await page.ask<{ packs: unknown[] }>('GET', `/packs?state=here&lot=${lot}&cut=${of}`)
    const n = all.packs.length
    expect(n).toBeGreaterThan(0)
    await expect.poll(() => rows.count()).toBe(n)
    await page.getByText(`all ${n} that are shown`).click()
    await page.getByRole('button', { name: 'Put them there' }).click()
    await page.getByText('Where do they go? Type the place.').waitFor()
    await page.getByLabel(`Put ${n} to`).fill('Stall freezer')
    await page.getByRole('button', { name: 'Put them there' }).click()
    await page.getByText(new RegExp(`^${n} packs? put to Stall freezer\\.$`)).waitFor()
    await page.getByRole('link', { name: `Not only ${tag}` }).click()
    await page.getByRole('link', { name: /^Stall freezer/ }).click()
    await expect.poll(() => rows.count()).toBe(n)
  })
})

describe('tubs', () => {
  it('have a running weight; what fell into the wrong one is moved, and the sums follow', async () => {
    await page.open('pack', 'Bramble')
    const weigh = async (cut: string, mass: string) => {
      await row(cut).getByRole('button', { name: /Weigh/ }).click()
      await page.getByLabel('Weight on the scale').fill(mass)
      await page.getByLabel('Packs', { exact: true }).fill('0')
      await page.getByRole('button', { name: 'Keep weight' }).click()
      await page.getByText(`${mass} of`).first().waitFor()
    }
    const [bones, fat] = await page
      .locator('tr[data-cut]')
      .evaluateAll((rows) => rows.map((r) => (r as HTMLElement).dataset.cut!).slice(-2))
    await weigh(bones!, '2 lb')
    await weigh(bones!, '1 lb')
    await weigh(fat!, '1 lb')
    const tub = (cut: string) => page.locator(`[data-tub=${cut}] b`)
    await expect.poll(() => tub(bones!).innerText()).toBe('3.0 lb')
    const sum = await page.locator('[data-sum=weighed]').innerText()
    await page.getByRole('button', { name: 'Move it' }).click()
    await page.getByText('Out of which tub?').waitFor()
    const pick = async (id: string, cut: string) => {
      await page.locator(`#${id}`).click()
      const name = await page.locator(`tr[data-cut=${cut}] .weigh`).getAttribute('aria-label')
      await page.getByRole('option', { name: name!.replace('Weigh ', ''), exact: true }).click()
    }
    await pick('tub-from', bones!)
    await pick('tub-to', fat!)
    await page.getByLabel('How much').fill('9 lb')
    await page.getByRole('button', { name: 'Move it' }).click()
    await page.getByText('the heaviest is 2.0 lb').waitFor()
    await page.getByLabel('How much').fill('0.5 lb')
    await page.getByRole('button', { name: 'Move it' }).click()
    await page.getByText('0.5 lb moved to').waitFor()
    await expect.poll(() => tub(bones!).innerText()).toBe('2.5 lb')
    await expect.poll(() => tub(fat!).innerText()).toBe('1.5 lb')
    expect(await page.locator('[data-sum=weighed]').innerText()).toBe(sum)
  })
})

describe('a processor’s list', () => {
  it('is read column by column; what is not sure is chosen, what is wrong is said by row, and the rest taken', async () => {
    await page.open('packs', 'Thistle')
    await page.getByText('From the processor’s list').click()
    const name = 'back.csv'
    const csv =
      'Product,Net lb,Pkgs,Serial\nSpare ribs,3.1,2,K-7\nMystery slab,4,1,K-8\nTenderloin whole,heavy,1,K-9\n'
    await page.locator('#list-file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(csv) })
    const table = page.getByTestId('listed')
    await table.getByText('“heavy” is not a weight', { exact: false }).waitFor()
    await table.getByText('No cut of ours is called “Mystery slab”', { exact: false }).waitFor()
    await page.getByRole('button', { name: 'Take 1 of 3 rows' }).click()
    await page.getByText('1 of 3 rows are packs now.').waitFor()
    const lot = await page.ask<{ packs: { packs: number; said: string }[] }>(
      'GET',
      `/lots/${await page.idOf('Thistle')}`,
    )
    expect(lot.packs.map((p) => [p.packs, p.said])).toEqual([[2, 'K-7']])
    await page
      .locator('#list-file')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from('hello') })
    await page.getByText('is no table with a heading').waitFor()
  })
})
