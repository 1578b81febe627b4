import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from 'playwright-core'
import { CHROMIUM_FLAGS, ensureChromium, startServer } from './browser.mjs'

// Pictures of every main view from the demo farm: `node scripts/screenshots.mjs [folder] [width] [height]`.
const [out = 'docs/screenshots', width = '1280', height = '800'] = process.argv.slice(2)
const folder = mkdtempSync(join(tmpdir(), 'ekko-pictures-'))
const NAME = 'fallowmere.test'
const server = startServer(['--data', folder, '--demo', '--lan', '--name', NAME])
const url = await server.url
const browser = await chromium.launch({
  executablePath: ensureChromium(),
  args: [...CHROMIUM_FLAGS, `--host-resolver-rules=MAP ${NAME} 127.0.0.1`],
})
const page = await browser.newPage({
  viewport: { width: Number(width), height: Number(height) },
  timezoneId: 'America/New_York',
  reducedMotion: 'reduce',
})
page.on('console', (m) => ['error', 'warning'].includes(m.type()) && console.log(m.type(), m.text()))
page.on('pageerror', (e) => console.log('page error', e.message))
const { lots } = await (await fetch(`${url}/api/home`)).json()
const id = Object.fromEntries(lots.map((l) => [l.tag, l.id]))
const views = {
  rail: '/',
  hang: `/lots/${id.Alder}/hang`,
  cold: `/lots/${id.Alder}/cold`,
  raise: `/lots/${id['Flock 1']}/raise`,
  line: `/lots/${id['Flock 1']}/line`,
  block: `/lots/${id.Juniper}/block`,
  plans: `/lots/${id.Alder}/plans`,
  flow: `/lots/${id.Bramble}/trim`,
  card: `/lots/${id.Alder}/card`,
  floor: `/lots/${id.Clover}/card`,
  day: `/lots/${id.Alder}/day`,
  price: `/lots/${id.Bramble}/price`,
  whole: `/lots/${id['Flock 1']}/whole`,
  pack: `/lots/${id.Clover}/pack`,
  labels: `/lots/${id.Clover}/labels`,
  trace: '/packs/7',
  cuts: '/cuts',
  practice: '/practice',
  farm: '/farm',
}
// The Farm's picture has a proven copy on its beam.
await fetch(`${url}/api/copies`, { method: 'POST' })
/** Lets a device in as a person does. */
async function letIn(name, floor) {
  const asked = { method: 'POST', headers: { 'content-type': 'application/json' } }
  const res = await fetch(`${url}/api/devices/code`, { ...asked, body: JSON.stringify({ floor }) })
  const { code } = await res.json()
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 } })
  const device = await context.newPage()
  await device.goto(`${url.replace('127.0.0.1', NAME)}/#${code}`)
  await device.getByLabel('Name of this device').fill(name)
  await device.getByRole('button', { name: 'Come in' }).click()
  await device.getByText('What comes next').waitFor()
  await context.close()
}
await letIn('Kitchen phone', false)
await letIn('Cutting room', true)
await fetch(`${url}/api/devices/code`, {
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify({ floor: true }),
})
// The bench has a scale with a pack on it, and a printer.
const told = (method, path, body) =>
  fetch(`${url}/api/instruments/${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
await told('PUT', 'scale', { kind: 'stand-in' })
await told('PUT', 'printer', { kind: 'stand-in' })
await told('POST', 'scale/load', { kg: 1.74 })
/** What a person does before the picture is taken. */
const POSES = {
  farm: () => page.getByRole('group', { name: 'Kept copies' }).waitFor(),
  line: () => page.getByTestId('line-picture').waitFor(),
  whole: () => page.getByTestId('whole-chart').locator('svg').waitFor(),
  floor: async () => {
    await page.getByLabel('Signed as').fill('AF')
    await page.getByRole('button', { name: 'Floor mode' }).click()
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Done', exact: true }).click()
    await page.waitForTimeout(600)
    await page.evaluate(() => scrollTo(0, 170))
  },
  day: async () => {
    await page.evaluate(() => localStorage.setItem('ekko-floor', 'false'))
    await page.getByRole('button', { name: 'Another hand' }).click()
    await page.waitForTimeout(600)
  },
  practice: async () => {
    await page.getByRole('button', { name: 'Cut here' }).click()
    await page.waitForTimeout(600)
  },
}
for (const [name, path] of Object.entries(views)) {
  await page.goto(url + path)
  await page.waitForSelector('#main')
  await page.waitForTimeout(['price', 'cold', 'pack', 'labels'].includes(name) ? 1600 : 500)
  await POSES[name]?.()
  await page.screenshot({ path: join(out, `${name}.png`) })
}
await browser.close()
await server.stop()
rmSync(folder, { recursive: true, force: true })
