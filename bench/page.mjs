import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium } from 'playwright-core'
import { CHROMIUM_FLAGS, ensureChromium, startServer } from '../scripts/browser.mjs'
import { copyPrepared } from '../scripts/prepared.mjs'

// What a choice on the Block costs the page, beside repainting the same drawing; and how long a press waits for its
// answer on a slow tablet (4 × throttled). Then how much of our own code the first page never runs.
const CHOICES = 60
const folder = mkdtempSync(join(tmpdir(), 'ekko-bench-'))
await copyPrepared('demo', join(folder, 'farm'))
const server = startServer(['--data', join(folder, 'farm')])
const url = await server.url
const browser = await chromium.launch({ executablePath: ensureChromium(), args: CHROMIUM_FLAGS })
const middle = (xs, share = 0.5) => xs.toSorted((a, b) => a - b)[Math.floor(share * (xs.length - 1))]

const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
const cdp = await page.context().newCDPSession(page)
await cdp.send('Performance.enable')
const busy = async () => {
  const { metrics } = await cdp.send('Performance.getMetrics')
  return 1000 * metrics.find((m) => m.name === 'TaskDuration').value
}
const { lots } = await (await fetch(`${url}/api/home`)).json()
await page.goto(`${url}/lots/${lots.find((l) => l.tag === 'Bramble').id}/block`)
await page.locator('.paths .mass').getByText('likely').waitFor()

const WAYS = ['loin-roasts', 'loin-chops']
/** Long enough for a choice to be kept and its intervals to be there; nothing of the page is asked meanwhile. */
const SETTLED_MS = 700
/** One choice: milliseconds of the page's own thread. */
async function choice(i, settled = SETTLED_MS) {
  const before = await busy()
  await page.evaluate(
    ([id, ms]) => {
      document.querySelector(`[data-path=${id}]`).click()
      return new Promise((done) => setTimeout(done, ms))
    },
    [WAYS[i % 2], settled],
  )
  return (await busy()) - before
}
/** The drawing taken out, put back and painted: what showing anything new there costs at least. */
async function repaint() {
  const before = await busy()
  await page.evaluate(async () => {
    const frame = () => new Promise((done) => requestAnimationFrame(done))
    const drawing = document.querySelector('#main svg')
    const place = drawing.parentNode
    const next = drawing.nextSibling
    drawing.remove()
    await frame()
    place.insertBefore(drawing, next)
    await frame()
    await frame()
  })
  return (await busy()) - before
}
const pairs = []
for (let i = 0; i < 21; i++) pairs.push([await choice(i), await repaint()])
console.log('\npage | ms | × | of')
console.log(
  `a choice on the Block | ${middle(pairs.map(([a]) => a)).toFixed(0)} | ${middle(pairs.map(([a, b]) => a / b)).toFixed(1)} | repainting its drawing`,
)

await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 })
await page.evaluate(() => {
  window.waits = new Map()
  new PerformanceObserver((list) => {
    for (const e of list.getEntries())
      if (e.interactionId)
        window.waits.set(e.interactionId, Math.max(e.duration, window.waits.get(e.interactionId) ?? 0))
  }).observe({ type: 'event', durationThreshold: 16 })
})
for (let i = 0; i < CHOICES; i++) {
  await page.locator(`[data-path=${WAYS[i % 2]}]`).press('Enter')
  await page.waitForTimeout(1500)
}
const waits = await page.evaluate(() => [...window.waits.values()])
console.log(
  `a press until its answer is painted, 4 × throttled, ${waits.length} presses | ${middle(waits)} | ${middle(waits, 0.98)} | at the 98th of 100`,
)

await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 })
const fresh = await browser.newPage()
// What the first page is on the wire, and what of it is said of species: one small file for each that hangs, no figures.
const wire = await fresh.context().newCDPSession(fresh)
await wire.send('Network.enable')
const named = new Map()
let [bytes, ofSpecies] = [0, 0]
wire.on('Network.responseReceived', (e) => named.set(e.requestId, e.response.url))
wire.on('Network.loadingFinished', (e) => {
  bytes += e.encodedDataLength
  if (named.get(e.requestId)?.includes('/about-')) ofSpecies += e.encodedDataLength
})
await fresh.coverage.startJSCoverage()
await fresh.goto(url)
await fresh.locator('#main').waitFor()
await fresh.evaluate(() => document.fonts.ready.then(() => undefined))
console.log(
  `first page on the wire | ${(bytes / 1000).toFixed(1)} kB | of it ${(ofSpecies / 1000).toFixed(1)} kB say what animals look like`,
)
let whole = 0
let unused = 0
for (const { url: script, source, functions } of await fresh.coverage.stopJSCoverage()) {
  if (!script.startsWith(url) || !source) continue
  const used = new Uint8Array(source.length)
  // Inner ranges come after those they lie in, and say it more exactly.
  for (const { ranges } of functions)
    for (const { startOffset, endOffset, count } of ranges)
      used.fill(count > 0 ? 1 : 0, startOffset, endOffset)
  const never = used.reduce((n, x) => n + (x ? 0 : 1), 0)
  whole += source.length
  unused += never
  console.log(
    `${script.split('/').at(-1)} | ${(source.length / 1024).toFixed(0)} kB | ${Math.round((100 * never) / source.length)} % unused`,
  )
}
console.log(
  `of all code of the first page | ${(whole / 1024).toFixed(0)} kB | ${Math.round((100 * unused) / whole)} % unused`,
)
await browser.close()
await server.stop()
rmSync(folder, { recursive: true, force: true })
