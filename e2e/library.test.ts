import { describe, expect, it } from 'vitest'
import { running, saved } from './testing.ts'

const run = running({ demo: true })

describe('the cut library', () => {
  it('finds a cut by either name, and says what it comes of', async () => {
    const { page } = run
    await page.goto(run.url)
    await page.getByRole('link', { name: 'Cuts', exact: true }).click()
    const search = page.getByLabel('Find a cut, whatever you call it')
    for (const [typed, id] of [
      ['scotch fillet', 'rib-eye'],
      ['Ribeye', 'rib-eye'],
      ['new york', 'strip'],
      ['gigot', 'leg-whole'],
    ] as const) {
      await search.fill(typed)
      await page.locator(`[data-library-cut=${id}]`).first().waitFor()
    }
    await search.fill('zebra')
    await page.getByText('Nothing here is called “zebra”').waitFor()
    await search.fill('rib eye')
    await page.locator('[href="/cuts/steer/rib-eye"]').press('Enter')
    await page.getByRole('heading', { name: 'Rib-eye steaks' }).waitFor()
    await page.getByText('Boneless rib-eye and back ribs').first().waitFor()
    await page.getByRole('link', { name: 'Alder' }).waitFor()
    await page.getByTestId('starts-at').getByText('$18.07/lb').waitFor()
    await page.getByLabel('Also called here').fill('Lendensteak')
    await page.getByRole('button', { name: 'Keep words' }).click()
    await page.getByText('Kept: the search finds it by these.').waitFor()
    await page.getByRole('link', { name: 'All cuts' }).click()
    await search.fill('lendensteak')
    await page.locator('[href="/cuts/steer/rib-eye"]').waitFor()
    await search.fill('strip steaks')
    await page.locator('[href="/cuts/steer/strip"]').press('Enter')
    await page.getByText('a boneless strip steak in Commonwealth ones', { exact: false }).waitFor()
    await page.getByRole('link', { name: 'All cuts' }).click()
    await page.getByRole('link', { name: 'Parts, ways, and our own' }).click()
    await page.getByRole('heading', { name: 'Parts, ways, and our own' }).waitFor()
    await page.getByRole('button', { name: 'Steer' }).click()
    await page.locator('[data-library-part=knuckle]').getByText('out of Round').waitFor()
    // With a letter left out it is found all the same, and little else is.
    await page.getByLabel('Find a part or a way').fill('knukle')
    await expect.poll(() => page.locator('[data-library-part]').count()).toBe(2)
    await page.locator('[data-library-part=knuckle]').waitFor()
    await page.getByLabel('Find a part or a way').fill('')
  })
  it('keeps a way of the farm’s own once every tissue closes; new lots can be cut so, old plans are untouched', async () => {
    const { page } = run
    await page.getByRole('button', { name: 'Lamb' }).click()
    await page.getByRole('combobox', { name: 'Part to open' }).click()
    await page.getByRole('option', { name: 'Neck', exact: true }).click()
    await page.getByRole('button', { name: 'Check and keep' }).click()
    await page.getByText('The way has no name yet').waitFor()
    await page.getByLabel('Name of the way').fill('Neck skewers')
    await page.getByLabel('Name of the new cut').fill('Skewers')
    await page.getByLabel('Line 1, lean %').fill('90')
    await page.getByRole('button', { name: 'Check and keep' }).click()
    await page.getByText('lean does not close: 10 % is missing').waitFor()
    expect(await page.getByLabel('Line 1, lean %').inputValue()).toBe('90')
    await page.getByRole('button', { name: 'The rest to trim, fat and bones' }).click()
    await page.getByRole('button', { name: 'Check and keep' }).click()
    await page.getByText('version 1', { exact: true }).waitFor()
    await page.goto(`${run.url}/new`)
    await page.getByRole('radio', { name: 'Lamb' }).click()
    await page.getByLabel('Name or lot number').fill('Teal')
    await page.getByLabel('Live weight, if weighed').fill('108 lb')
    await page.getByRole('button', { name: 'Hang the lot' }).click()
    await page.getByText('How is it slaughtered?').waitFor()
    await page.getByRole('link', { name: 'Block', exact: true }).click()
    await page.locator('[data-part=neck]').first().focus()
    await page.keyboard.press('Enter')
    const way = page.locator('[data-path=own-neck-skewers]')
    await way.click()
    await page.locator('[data-cut=own-skewers]').waitFor()
    const { lots } = (await (await fetch(`${run.url}/api/home`)).json()) as {
      lots: { id: string; tag: string }[]
    }
    await page.goto(`${run.url}/lots/${lots.find((l) => l.tag === 'Thistle')!.id}/block`)
    await page.locator('[data-part=neck]').first().focus()
    await page.keyboard.press('Enter')
    await page.locator('[data-path=neck-rolled]').waitFor()
    expect(await way.count()).toBe(0)
  })
  it('an old lot is moved up when its farmer has seen what that changes, and back again by an undo', async () => {
    const { page } = run
    const way = page.locator('[data-path=own-neck-skewers]')
    const note = page.getByRole('note').filter({ hasText: 'there are newer ones' })
    await note.getByRole('button', { name: 'What would they change?' }).click()
    const told = page.getByTestId('move-up')
    await told.getByText('No cut weighs anything else').waitFor()
    await told.getByText('Neck skewers').waitFor()
    await page.getByRole('button', { name: 'Keep the figures it has' }).click()
    expect(await way.count()).toBe(0)
    await note.getByRole('button', { name: 'What would they change?' }).press('Enter')
    await page.getByRole('button', { name: 'Read it by the newer ones' }).press('Enter')
    await note.waitFor({ state: 'detached' })
    await way.click()
    await expect.poll(() => way.getAttribute('aria-checked')).toBe('true')
    await saved(page)
    await page.reload()
    await page.locator('[data-part=neck]').first().focus()
    await page.keyboard.press('Enter')
    await expect.poll(() => way.getAttribute('aria-checked')).toBe('true')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(() => way.getAttribute('aria-checked')).toBe('false')
    await page.getByRole('button', { name: 'Undo' }).click()
    await note.waitFor()
    await page.locator('[data-path=neck-rolled]').waitFor()
    expect(await way.count()).toBe(0)
  })
})
