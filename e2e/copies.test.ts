import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { newFolder, openLot, running, savedAs } from './testing.ts'

const run = running({ demo: true })
const hang = (tag: string, n: number) =>
  fetch(`${run.url}/api/lots`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ id: `01890a5d-ac96-774b-bcce-b302099a90${n}`, tag, species: 'hog', count: 1 }),
  })
const rehearsed = () => run.page.getByRole('row').allInnerTexts()
const rehearse = () => run.page.getByRole('button', { name: 'Rehearse bringing it back' }).click()

describe('copies of the records', () => {
  it('are kept and proven by a press, and say how old they are and whether they hold everything', async () => {
    const { page } = run
    await page.goto(`${run.url}/farm`)
    await page.getByText('No copy has been proven yet').waitFor()
    await page.getByRole('button', { name: 'Keep and prove a copy now' }).click()
    await page.getByText('old and holds everything').waitFor()
    await page.getByRole('button', { name: /\d+ lots, 17 packs/ }).waitFor()
  })
  it('bring back what was rehearsed, in every open window, and what stood before hangs beside', async () => {
    const { page } = run
    const other = (await run.open()).page
    await hang('Mistake', 11)
    await other.goto(run.url)
    await other.getByRole('cell', { name: 'Mistake' }).waitFor()
    await page.reload()
    await page.getByText('what was written since is not in it').waitFor()
    await page.getByRole('button', { name: /\d+ lots, 17 packs/ }).press('Enter')
    await rehearse()
    await page.getByText('Rehearsed: Fallowmere').waitFor()
    expect(await rehearsed()).toContainEqual(expect.stringMatching(/Lots\s+21\s+22\s+−1/))
    await other.getByRole('cell', { name: 'Mistake' }).waitFor()
    await page.getByRole('button', { name: 'Put it in the place of the present records' }).click()
    await page.getByText('The records stand as in the copy').waitFor()
    await other.getByRole('cell', { name: 'Mistake' }).waitFor({ state: 'detached' })
    await page.getByRole('button', { name: /22 lots.*before a restore/s }).click()
    await rehearse()
    await page.getByText('Rehearsed: Fallowmere').waitFor()
    expect(await rehearsed()).toContainEqual(expect.stringMatching(/Lots\s+22\s+21\s+\+1/))
    await page.getByRole('button', { name: 'Leave everything as it is' }).click()
    await page.getByText('Rehearsed: Fallowmere').waitFor({ state: 'detached' })
    await run.restart('SIGKILL')
    await page.goto(run.url)
    await page.getByRole('cell', { name: 'Clover' }).waitFor()
    expect(await page.getByRole('cell', { name: 'Mistake' }).count()).toBe(0)
  })
  it('go to a second place, which may be out; a folder inside the records is refused at its field', async () => {
    const { page } = run
    const stick = newFolder()
    await page.goto(`${run.url}/farm`)
    const use = async (folder: string) => {
      await page.getByLabel('Folder of the second place').fill(folder)
      await page.getByRole('button', { name: 'Use this folder' }).click()
    }
    await use(run.folder)
    await page.getByText('lies inside the records’ own folder').waitFor()
    expect(await page.getByLabel('Folder of the second place').inputValue()).toBe(run.folder)
    await use(stick)
    await page.getByText('It is there.').waitFor()
    await hang('To the stick', 12)
    await page.getByRole('button', { name: 'Keep and prove a copy now' }).click()
    await page.getByText(/Newest bundle: ekko-day-/).waitFor()
    rmSync(stick, { recursive: true })
    await page.reload()
    await page.getByText('It is out just now').waitFor()
  })
  it('may be sealed; with a wrong passphrase nothing opens, with the right one everything', async () => {
    const { page } = run
    await page.getByLabel('Passphrase to seal the bundle with').fill('six hens of Fallowmere')
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Take it sealed' }).click()
    const file = await savedAs(download)
    expect(file).toMatch(/\.age$/)
    expect(readFileSync(file, 'latin1')).not.toContain('Fallowmere')
    await page.getByLabel('Bundle file').setInputFiles(file)
    await page.getByLabel('Passphrase of the bundle').fill('six hens')
    await rehearse()
    await page.getByText('This passphrase does not open the bundle').waitFor()
    await page.getByLabel('Passphrase of the bundle').fill('six hens of Fallowmere')
    await rehearse()
    await page.getByText('Rehearsed: Fallowmere').waitFor()
    await page.getByRole('button', { name: 'Leave everything as it is' }).click()
    await page
      .getByLabel('Bundle file')
      .setInputFiles({ name: 'x.json', mimeType: 'text/plain', buffer: Buffer.from('{') })
    await rehearse()
    await page.getByText('it is not whole JSON').waitFor()
  })
})

describe('the farm’s own settings', () => {
  it('changed in two windows are shown both, and nothing is overwritten unasked', async () => {
    const { page } = run
    const other = (await run.open()).page
    for (const p of [page, other]) {
      await p.goto(`${run.url}/farm`)
      await p.getByLabel('Farm’s name').waitFor()
    }
    await other.getByLabel('Farm’s name').fill('Upper Fallowmere')
    await other.getByRole('button', { name: 'Save the farm' }).click()
    await other.getByText('Saved. Every page').waitFor()
    await page.getByLabel('Farm’s name').fill('Lower Fallowmere')
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText(/stands as: Upper Fallowmere · pounds/).waitFor()
    expect(await page.getByLabel('Farm’s name').inputValue()).toBe('Lower Fallowmere')
    await page.getByRole('button', { name: 'Take the other window’s' }).click()
    await expect.poll(() => page.getByLabel('Farm’s name').inputValue()).toBe('Upper Fallowmere')
    await page.getByLabel('Farm’s name').fill('Fallowmere')
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText('Saved. Every page').waitFor()
  })
})

describe('when records are no longer taken', () => {
  it('the page says why and holds what was decided; after a new start it is kept', async () => {
    const { page } = run
    await openLot(run, 'Bramble', 'price')
    const lock = join(run.folder, 'ekko.lock')
    writeFileSync(lock, readFileSync(lock, 'utf8').replace(/"token":"[^"]+"/, '"token":"of another"'))
    await page.getByLabel('Price of Ground pork', { exact: true }).fill('7.77')
    await page.getByLabel('Price of Ground pork', { exact: true }).press('Enter')
    await page
      .getByText(/Ekko has stopped|The server does not answer/)
      .first()
      .waitFor()
    await page.getByText('Held here').waitFor()
    await expect.poll(() => run.server.child.exitCode).toBe(10)
    expect(run.server.said.text).toContain('Another Ekko has taken the folder')
    expect(run.server.said.text).not.toMatch(/\n\s+at /)
    rmSync(lock)
    await run.restart('SIGTERM')
    await openLot(run, 'Bramble', 'price')
    await expect
      .poll(() => page.getByLabel('Price of Ground pork', { exact: true }).inputValue())
      .toBe('7.77')
    await page.getByText('All saved').waitFor()
  })
})
