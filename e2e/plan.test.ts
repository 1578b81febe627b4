import { describe, expect, it } from 'vitest'
import { figure, openLot, running, saved, stage } from './testing.ts'

const run = running({ demo: true })
const way = (path: string) => run.page.locator(`[data-path=${path}]`)

describe('the Block', () => {
  it('says what every way changes before it is taken, and afterwards that is what changed', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'block')
    const take = async () =>
      figure((await stage(page, 'cut').innerText()).split('\n').find((l) => l.includes('lb'))!)
    const before = await take()
    const row = page.locator('tr', { has: way('loin-roasts') })
    const change = figure(await row.locator('td').nth(3).locator('small').innerText())
    expect(change).toBeLessThan(0)
    await way('loin-roasts').click()
    // The stair shows an estimate to what is known of it: whole pounds here.
    await expect.poll(async () => Math.abs((await take()) - before - change)).toBeLessThanOrEqual(1)
    await saved(page)
    expect(await way('loin-roasts').getAttribute('aria-checked')).toBe('true')
  })

  it('names what a choice shuts out, and keeps the impossible visible with its reason', async () => {
    const { page } = run
    await page
      .locator('tbody', { has: way('loin-chops') })
      .getByText('it is sawn into the back chops')
      .waitFor()
    await page.locator('[data-part=spare-ribs]').first().click({ force: true })
    await page.getByText('Ribs stay on only under a fresh belly slab').waitFor()
    await way('ribs-on-belly').click({ force: true })
    expect(await way('ribs-on-belly').getAttribute('aria-checked')).toBe('false')
    await page.locator('[data-part=belly]').first().click()
    await way('belly-slab').click()
    await page.locator('[data-part=spare-ribs]').first().click({ force: true })
    await way('ribs-on-belly').click()
    await expect.poll(() => way('ribs-on-belly').getAttribute('aria-checked')).toBe('true')
    await page.locator('[data-part=belly]').first().click()
    expect(await page.locator('tr', { has: way('belly-bacon') }).innerText()).toContain(
      'bacon, slices and sausage need them lifted',
    )
  })

  it('undoes and redoes, also after a reload; the part stays chosen', async () => {
    const { page } = run
    await saved(page)
    await page.reload()
    await page.locator('.paths h2', { hasText: 'Belly' }).waitFor()
    await page.locator('[data-part=loin]').first().click()
    for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => way('loin-roasts').getAttribute('aria-checked')).toBe('false')
    await page.locator('body').press('Control+Shift+Z')
    await expect.poll(() => way('loin-roasts').getAttribute('aria-checked')).toBe('true')
    await page.locator('body').press('u')
    await expect.poll(() => way('loin-roasts').getAttribute('aria-checked')).toBe('false')
    await page.locator('body').press('Shift+U')
    await expect.poll(() => way('loin-roasts').getAttribute('aria-checked')).toBe('true')
    await saved(page)
  })

  it('moves the shoulder line between ribs, by hand and by arrow, on one side or both', async () => {
    const { page } = run
    const handle = (side: string) => page.locator(`[data-line="shoulder-line:${side}"]`)
    const chops = () => page.locator('[data-part=shoulder]').first().getAttribute('aria-label')
    const before = figure((await chops())!.split(',')[2]!)
    await handle('left').focus()
    await page.keyboard.press('ArrowUp')
    await expect.poll(() => handle('right').getAttribute('aria-valuenow')).toBe('1')
    expect(figure((await chops())!.split(',')[2]!)).toBeGreaterThan(before)
    await page.getByRole('button', { name: 'Right', exact: true }).click()
    const box = (await handle('right').boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2, box.y - 120, { steps: 6 })
    await page.mouse.up()
    await expect.poll(() => handle('right').getAttribute('aria-valuetext')).toContain('5 and 6')
    expect(await handle('left').getAttribute('aria-valuenow')).toBe('1')
    await saved(page)
  })

  it('adds up: carcass + added = products + by-products + losses, as shown', async () => {
    const text = await run.page.getByTestId('balance').innerText()
    const [carcass, added, ...out] = [...text.matchAll(/([\d.]+) lb/g)].map((m) => Number(m[1]))
    expect(out.length).toBeGreaterThanOrEqual(3)
    expect(carcass! + added!).toBeCloseTo(
      out.reduce((a, b) => a + b, 0),
      6,
    )
    const hanging = figure(
      (await stage(run.page, 'hanging').innerText()).split('\n').find((l) => l.includes('lb'))!,
    )
    // The stair shows an estimate to what is known of it, whole pounds here.
    expect(Math.abs(carcass! - hanging)).toBeLessThanOrEqual(0.5)
    const products = await run.page.locator('.product li .kg').allInnerTexts()
    expect(products.map(figure).reduce((a, b) => a + b, 0)).toBeCloseTo(out[0]!, 6)
  })

  it('is walked by keyboard: arrows for parts, numbers for ways, L R B for sides', async () => {
    const { page } = run
    await openLot(run, 'Juniper', 'block')
    await page.locator('[data-part=loin]').first().click()
    const heading = page.locator('.paths h2')
    const first = await heading.innerText()
    await page.locator('body').press('ArrowRight')
    await expect.poll(() => heading.innerText()).not.toBe(first)
    await page.locator('body').press('ArrowLeft')
    await expect.poll(() => heading.innerText()).toBe(first)
    await page.locator('body').press('l')
    await page.getByText('left side: what each way').waitFor()
    await page.locator('body').press('1')
    await expect.poll(() => way('loin-chops').getAttribute('aria-checked')).toBe('true')
    await page.locator('body').press('b')
    await page.getByText('The two sides are cut differently').waitFor()
    await page.locator('body').press('/')
    await page.getByLabel('Find a lot, part or cut').fill('gammon')
    await page
      .getByRole('button', { name: /Smoked ham|Cured and smoked ham/ })
      .first()
      .waitFor()
    await page.keyboard.press('Escape')
    await saved(page)
  })
})

describe('by the Tab key', () => {
  it('the first way is fewer than 15 stops from the top of the page; arrows stay in the list of ways', async () => {
    const { page } = run
    await page.goto(`${run.url}/lots/${run.ids.Juniper}/block`)
    await page.locator('[data-path]').first().waitFor()
    await page.locator('[data-line]').first().waitFor()
    const now = () => page.evaluate(() => document.activeElement?.getAttribute('data-path') ?? null)
    let stops = 0
    while ((await now()) === null && stops < 40) {
      await page.keyboard.press('Tab')
      stops++
    }
    expect(stops).toBeLessThan(15)
    const heading = await page.locator('.paths h2').innerText()
    const ways = await page.locator('[data-path]').count()
    for (const key of ['ArrowDown', 'ArrowRight', 'ArrowUp', 'ArrowLeft'])
      for (let i = 0; i <= ways; i++) {
        await page.keyboard.press(key)
        expect(await now()).not.toBeNull()
      }
    expect(await page.locator('.paths h2').innerText()).toBe(heading)
  })
  it('a press on a line’s tag opens its places, said as a farmer says them, with what each gives; Enter does the same', async () => {
    const { page } = run
    await page.getByRole('button', { name: 'Both sides' }).click()
    const tag = page.locator('[data-line="sirloin-line:left"]')
    await tag.click()
    const places = page.getByTestId('places')
    await places.getByText('The sirloin end is cut with the loin, or with the leg').waitFor()
    await places.getByText('as it lies now').waitFor()
    await places
      .getByRole('button', { name: /piece of its own/ })
      .getByText('to take home')
      .waitFor()
    await page.keyboard.press('Escape')
    await places.waitFor({ state: 'detached' })
    await tag.focus()
    await page.keyboard.press('Enter')
    await page.locator('[data-place=off]').press('Enter')
    await expect.poll(() => tag.getAttribute('aria-valuetext')).toContain('piece of its own')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => tag.getAttribute('aria-valuetext')).not.toContain('piece of its own')
    await saved(page)
  })
  it('the face of the loin is drawn, and changes along it', async () => {
    const { page } = run
    const face = page.getByTestId('face')
    await page.locator('[data-part=loin]').first().click()
    const at = face.getByRole('slider')
    await at.fill('5')
    await expect.poll(() => face.innerText()).toContain('at rib')
    const fillet = async () =>
      (await face
        .locator('[data-piece=tenderloin]')
        .getAttribute('d', { timeout: 1000 })
        .catch(() => '')) ?? ''
    const ahead = await fillet()
    await at.fill('95')
    await expect.poll(() => face.innerText()).toMatch(/lumbar|sacrum/)
    expect(await fillet()).not.toBe(ahead)
    expect(await face.innerText()).toContain('tenderloin')
  })
})

describe('two windows', () => {
  it('a change in one is seen in the other; on the same field both are shown and one is kept', async () => {
    const other = await run.open()
    await openLot(run, 'Juniper', 'block')
    await openLot(run, 'Juniper', 'block', other.page)
    for (const p of [run.page, other.page]) await p.locator('[data-part=loin]').first().click()
    const theirs = (path: string) => other.page.locator(`[data-path=${path}]`)
    await way('loin-boneless-chops').click()
    await expect.poll(() => theirs('loin-boneless-chops').getAttribute('aria-checked')).toBe('true')

    await other.context.setOffline(true)
    await theirs('loin-grind').click()
    await other.page.getByText('Held here').waitFor()
    await way('loin-roasts').click()
    await saved(run.page)
    await other.context.setOffline(false)
    const dialog = other.page.getByRole('dialog')
    await dialog.getByText('Changed in two windows').waitFor()
    expect(await dialog.innerText()).toMatch(/Tenderloin and back ribs kept[\s\S]*Boneless roasts/)
    await dialog.getByRole('button', { name: 'Take what was decided here' }).click()
    await expect.poll(() => way('loin-grind').getAttribute('aria-checked')).toBe('true')
    await other.context.close()
  })
})

describe('portions and ranks', () => {
  it('chops are cut to a thickness or a count, packs follow, and the end piece is said', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'block')
    await page.getByRole('button', { name: 'Left', exact: true }).click()
    const pane = page.locator('[data-portion=bone-in-chop]')
    await pane.getByLabel('Thickness of Bone-in loin chops, mm').fill('38')
    await page.keyboard.press('Enter')
    await expect.poll(() => pane.innerText()).toContain('go in with the last pack')
    await pane.getByRole('button', { name: 'ends to the trim' }).press('Enter')
    await expect.poll(() => pane.innerText()).toContain('go to the trim')
    const pieces = pane.getByLabel('Pieces of Bone-in loin chops a side')
    const thick = Number(await pieces.inputValue())
    await pieces.fill(String(thick + 3))
    await page.keyboard.press('Enter')
    await expect.poll(() => pieces.inputValue()).toBe(String(thick + 3))
    await pane.getByLabel('Thickness of Bone-in loin chops, mm').fill('900')
    await page.keyboard.press('Enter')
    await page.getByText('“900” is not a number from 3 to 400').waitFor()
    await pane.getByLabel('Thickness of Bone-in loin chops, mm').fill('25')
    await page.keyboard.press('Enter')
    await pane.getByRole('button', { name: 'come out even' }).click()
    await pane.getByRole('button', { name: /comes out even at \d+\.\d mm/ }).waitFor()
    await pane.getByRole('button', { name: 'as usual' }).click()
    await expect.poll(() => pane.getByRole('button', { name: 'as usual' }).count()).toBe(0)
    await page.locator('[data-part=shoulder]').first().focus()
    await page.keyboard.press('Enter')
    await page.locator('button[data-part=butt]').click()
    const butt = page.locator('[data-portion=butt-roast]')
    await butt.getByLabel('Pieces of Boston butt roast').fill('3')
    await page.keyboard.press('Enter')
    await expect.poll(() => butt.innerText()).toMatch(/[36] in [36] packs/)
    await saved(page)
  })
  it('a loin is cut two ways along its length: the rest a roast, also after a reload, and taken back', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'block')
    await page.locator('[data-part=loin]').first().focus()
    await page.keyboard.press('Enter')
    await page.keyboard.press('b')
    const rest = page.getByTestId('rear-way')
    const place = page.getByLabel('Where the other way begins')
    await place.fill('120')
    await page.keyboard.press('Enter')
    await page.getByText('A split at 120 % lies beyond the loin').waitFor()
    await place.fill('40')
    await page.keyboard.press('Enter')
    await rest.click()
    await page.getByRole('option', { name: /Boneless roasts and back ribs/ }).click()
    await page.locator('[data-portion=loin-roast]').waitFor()
    await page.locator('[data-portion=bone-in-chop]').waitFor()
    await saved(page)
    await page.reload()
    await rest.getByText('Boneless roasts and back ribs').waitFor()
    await expect.poll(() => place.inputValue()).toBe('40')
    const pieces = page.getByLabel(/^Pieces of Bone-in loin chops/)
    await pieces.fill('400')
    await page.keyboard.press('Enter')
    await page.getByText(/400 pieces are more than \d+ mm can give/).waitFor()
    await openLot(run, 'Bramble', 'card')
    await page.getByText('to 40 % of its length, then').first().waitFor()
    await openLot(run, 'Bramble', 'block')
    await page.getByRole('button', { name: 'Undo' }).click()
    await rest.getByText('the same way along all of it').waitFor()
    await saved(page)
  })
  it('a part goes on the scale and what is bruised is cut away: more than there is is refused at the field', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'block')
    const away = page.getByLabel('Loin, left side: bruised or condemned, cut away')
    await away.fill('90')
    await page.keyboard.press('Enter')
    await page.getByText(/90.0 lb cannot be cut away: there are/).waitFor()
    await away.fill('1.5')
    await page.keyboard.press('Enter')
    await saved(page)
    await page.getByLabel('Loin, left side: weighed').fill('19')
    await page.keyboard.press('Enter')
    await saved(page)
    await page.reload()
    await expect.poll(() => away.inputValue()).toBe('1.5')
    await expect.poll(() => page.getByLabel('Loin, left side: weighed').inputValue()).toBe('19.0')
    for (const field of [away, page.getByLabel('Loin, left side: weighed')]) {
      await field.fill('')
      await page.keyboard.press('Enter')
      await saved(page)
    }
    await page.reload()
    await expect.poll(() => away.inputValue()).toBe('')
  })
  it('puts the ways in order by money or time, and a refused one is one press away', async () => {
    const { page } = run
    await page.getByRole('combobox', { name: 'Order of the ways' }).click()
    await page.getByRole('option', { name: 'least time at the bench first' }).click()
    const minutes = await page.locator('tbody tr:first-child td:nth-child(7)').allInnerTexts()
    expect(minutes.length).toBeGreaterThan(5)
    await page.locator('[data-part=spare-ribs]').first().focus()
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: /Take it and cut the belly as “Fresh slabs/ }).click()
    await expect.poll(() => way('ribs-on-belly').getAttribute('aria-checked')).toBe('true')
    await saved(page)
  })
})
