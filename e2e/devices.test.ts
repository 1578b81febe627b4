import jsQR from 'jsqr'
import type { Page } from 'playwright-core'
import { afterAll, describe, expect, it } from 'vitest'
import type { Lot } from '#contracts'
import { openLot, running, saved, visit } from './testing.ts'

const run = running({ demo: true, flags: ['--lan', '--name', 'barn.test'] })
const barn = () => run.url.replace('127.0.0.1', 'barn.test')
const way = (page: Page, id: string) => page.locator(`[data-path=${id}]`)
const taken = (page: Page, id: string) =>
  expect.poll(() => way(page, id).getAttribute('aria-checked'), { timeout: 20_000 }).toBe('true')

/** Makes a code under Farm on the machine; for the floor only, or for everything. */
async function makeCode(floor = false): Promise<string> {
  const { page } = run
  await visit(run, '/farm')
  await page.getByRole('button', { name: floor ? 'Floor only' : 'Everything', exact: true }).press('Enter')
  const before = await page.getByTestId('code').or(page.getByText('Let a device in')).first().textContent()
  await page.getByRole('button', { name: /Let a device in|Make another code/ }).press('Enter')
  await expect.poll(() => page.getByTestId('code').textContent()).not.toBe(before)
  return (await page.getByTestId('code').textContent())!.replace(/\D/g, '')
}
/** A browser of its own, let in under a name. */
async function comeIn(name: string, floor = false, path = '/') {
  const code = await makeCode(floor)
  const device = await run.open()
  await device.page.goto(barn() + path)
  await device.page.getByLabel('Code').fill(code)
  await device.page.getByLabel('Name of this device').fill(name)
  await device.page.getByLabel('Name of this device').press('Enter')
  await device.page.getByRole('heading', { name: 'not been let in' }).waitFor({ state: 'detached' })
  return device
}
/** A lot as the server keeps it and as a device would have it fetched anew. */
const kept = async (id: string): Promise<Lot> =>
  (await fetch(`${run.url}/api/lots/${id}`)).json() as Promise<Lot>

describe('letting a device in', () => {
  it('shows the address and the code, and a picture that any reader reads as both', async () => {
    const code = await makeCode()
    const { page } = run
    await page.locator('b', { hasText: barn() }).waitFor()
    const picture = page.getByAltText('The address and the code, to scan')
    const read = await picture.evaluate(async (img: HTMLImageElement) => {
      await img.decode()
      const canvas = document.createElement('canvas')
      canvas.width = canvas.height = 400
      const at = canvas.getContext('2d')!
      at.drawImage(img, 0, 0, 400, 400)
      return [...at.getImageData(0, 0, 400, 400).data]
    })
    expect(jsQR(Uint8ClampedArray.from(read), 400, 400)!.data).toBe(`${barn()}/#${code}`)
  })
})

describe('two devices on one lot', () => {
  let a: Awaited<ReturnType<typeof comeIn>>
  afterAll(() => a.context.close())
  it('have the same whole, with the server killed between; what one decided meanwhile is kept and heard', async () => {
    a = await comeIn('Barn tablet')
    const b = await comeIn('House laptop')
    await openLot(run, 'Thistle', 'block')
    const id = run.ids.Thistle!
    for (const { page } of [a, b]) {
      await page.goto(`${barn()}/lots/${id}/block`)
      await page.locator('[data-station=block]').waitFor()
    }
    await way(a.page, 'loin-chops').press('Enter')
    await saved(a.page)
    await taken(b.page, 'loin-chops')
    run.server.child.kill('SIGKILL')
    await way(a.page, 'loin-boneless').press('Enter')
    await a.page.getByText('What you decide is held on').waitFor()
    await run.restart('SIGKILL')
    await saved(a.page)
    await taken(b.page, 'loin-boneless')
    const lot = await kept(id)
    const names = ((await (await fetch(`${run.url}/api/home`)).json()) as { devices: Record<string, string> })
      .devices
    expect(lot.commands.slice(-2).map((c) => names[c.device])).toEqual(['Barn tablet', 'Barn tablet'])
    await b.context.close()
  })

  it('do not undo one another: what another has decided since is shown beside it, and a person says which counts', async () => {
    await openLot(run, 'Juniper', 'block')
    await a.page.goto(`${barn()}/lots/${run.ids.Juniper!}/block`)
    await a.page.locator('[data-station=block]').waitFor()
    const here = run.page
    await way(here, 'loin-grind').press('Enter')
    await saved(here)
    await taken(a.page, 'loin-grind')
    await way(a.page, 'loin-roasts').press('Enter')
    await saved(a.page)
    await taken(here, 'loin-roasts')
    const dialog = here.getByRole('dialog')
    await here.getByRole('button', { name: 'Undo' }).press('Enter')
    await dialog.getByText('“Barn tablet” has decided since').waitFor()
    await dialog.getByRole('button', { name: 'Keep that of Barn tablet' }).press('Enter')
    await dialog.waitFor({ state: 'detached' })
    await taken(here, 'loin-roasts')
    expect(await here.getByRole('button', { name: 'Undo' }).isDisabled()).toBe(true)
    await a.page.getByRole('button', { name: 'Undo' }).press('Enter')
    await taken(here, 'loin-grind')
  })

  it('by a scanned link asks only for a name, a wrong code is said at its field; withdrawn, a device is told so on its open page; what it still held is sent when it is let in again', async () => {
    const code = await makeCode()
    const lent = await run.open()
    const { page } = lent
    await page.goto(`${barn()}/#${code === '000000' ? '000001' : '000000'}`)
    await page.getByLabel('Name of this device').fill('Lent phone')
    await page.getByRole('button', { name: 'Come in' }).press('Enter')
    await page.getByText('This code is not the one shown').waitFor()
    await page.getByLabel('Code').fill('12 3')
    await page.getByLabel('Code').press('Enter')
    await page.getByText('A code is 6 digits; there are 3 here.').waitFor()
    await page.getByLabel('Code').fill(`${code.slice(0, 3)} ${code.slice(3)}`)
    await page.getByLabel('Code').press('Enter')
    await page.getByRole('heading', { name: 'Fallowmere' }).waitFor()
    expect(await page.evaluate(() => [location.hash, isSecureContext])).toEqual(['', false])
    await run.page.getByRole('button', { name: /Lent phone/ }).waitFor()
    const id = run.ids.Thistle!
    await page.goto(`${barn()}/lots/${id}/block`)
    await page.locator('[data-station=block]').waitFor()
    const rev = (await kept(id)).rev
    await visit(run, '/farm')
    await run.page.getByRole('button', { name: /Lent phone/ }).press('Enter')
    await run.page.getByRole('button', { name: 'Withdraw', exact: true }).press('Enter')
    await page.route('**/api/events', (r) => r.abort())
    await run.page.getByRole('button', { name: 'Withdraw it now' }).press('Enter')
    await run.page.getByText('Withdrawn (1)').waitFor()
    await way(page, 'loin-chops').press('Enter')
    await page.getByRole('heading', { name: '“Lent phone” was withdrawn' }).waitFor()
    await page.getByText('One change waits').waitFor()
    expect((await kept(id)).rev).toBe(rev)
    await page.reload()
    await page.getByText('One change waits').waitFor()
    await page.getByLabel('Code').fill(await makeCode())
    await page.getByLabel('Name of this device').fill('Lent phone')
    await page.getByRole('button', { name: 'Come in' }).press('Enter')
    await expect.poll(async () => (await kept(id)).rev, { timeout: 20_000 }).toBeGreaterThan(rev)
    await lent.context.close()
  })
})

describe('a device of the floor', () => {
  it('opens the card and the scale, weighs a pack, and is led away from plans and prices', async () => {
    await openLot(run, 'Thistle', 'block')
    const id = run.ids.Thistle!
    const { page, context } = await comeIn('Cutting floor', true, `/lots/${id}/price`)
    await page.waitForURL(/\/card$/)
    const stations = page.getByRole('navigation', { name: 'Stations', exact: true })
    await stations.getByRole('link', { name: 'Pack', exact: true }).click()
    await page.locator('[data-station=pack]').waitFor()
    expect(await stations.getByRole('link').allTextContents()).toEqual(['Block', 'Pack'])
    const packs = (await kept(id)).packs.length
    await page
      .getByRole('button', { name: /^Weigh / })
      .first()
      .press('Enter')
    await page.getByLabel('Weight on the scale').fill('2.5')
    await page.getByLabel('Weight on the scale').press('Enter')
    await expect.poll(async () => (await kept(id)).packs.length).toBe(packs + 1)
    // The day of a flock is the floor’s: begun, and birds ticked off.
    await openLot(run, 'Flock 1', 'block')
    const flock = run.ids['Flock 1']!
    await page.goto(`${barn()}/lots/${flock}/card`)
    await page.getByRole('link', { name: 'The day of the flock' }).click()
    await page.getByRole('button', { name: 'We begin now' }).click()
    await page.getByRole('button', { name: '+2 in the ice' }).click()
    const ticked = async () => (await kept(flock)).facts.filter((f) => f.fact.kind === 'passed').length
    await expect.poll(ticked).toBe(2)
    await page.goto(`${barn()}/farm`)
    await page.getByRole('heading', { name: 'Fallowmere' }).waitFor()
    expect(await page.getByRole('link', { name: 'Farm' }).count()).toBe(0)
    await context.close()
  })
})
