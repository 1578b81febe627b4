import axeSource from 'axe-core'
import type { Page } from 'playwright-core'
import { expect, it } from 'vitest'
import { openLot, visit, type Running } from './testing.ts'

/** Every main view of the demo farm: a lot and its station, or a place of the farm. */
const VIEWS = [
  ['Clover', 'hang'],
  ['Clover', 'block'],
  ['Clover', 'price'],
  ['Clover', 'pack'],
  ['Clover', 'packs'],
  ['Clover', 'labels'],
  ['Clover', 'bags'],
  ['Clover', 'tools'],
  ['Flock 2', 'why'],
  ['Alder', 'cold'],
  ['Alder', 'block'],
  ['Thistle', 'block'],
  ['Flock 2', 'block'],
  ['Flock 2', 'hang'],
  ['Alder', 'plans'],
  ['Clover', 'trim'],
  ['Clover', 'card'],
  ['Bramble', 'kit'],
  ['Bramble', 'order'],
  ['Alder', 'day'],
  ['Bramble', 'costs'],
  ['Bramble', 'fees'],
  ['Bramble', 'joint'],
  ['Bramble', 'finishes'],
  ['Bramble', 'cheap'],
  ['Flock 1', 'whole'],
  ['Flock 1', 'raise'],
  ['Flock 1', 'line'],
  ['Flock 2', 'scald'],
  ['Flock 1', 'sort'],
  ['Hutch 3', 'raise'],
  ['Fern', 'costs'],
  ['Flock 3', 'groups'],
  ['', ''],
  ['', 'new'],
  ['', 'packs'],
  ['', 'packs/7'],
  ['', 'practice'],
  ['', 'cuts'],
  ['', 'cuts/steer/rib-eye'],
  ['', 'cuts/ways'],
  ['', 'farm'],
] as const

/** Goes to a view and waits until it stands. */
async function standAt(run: Running, tag: string, view: string): Promise<void> {
  const { page } = run
  if (tag) await openLot(run, tag, view)
  else await visit(run, `/${view}`)
  if (view === 'farm') await page.getByRole('group', { name: 'Kept copies' }).waitFor()
  // What is folded away is looked at too.
  await page.evaluate(() =>
    document.querySelectorAll('main details').forEach((d) => ((d as HTMLDetailsElement).open = true)),
  )
  await expect.poll(() => page.locator('main h2, main h3, main h1, main svg').count()).toBeGreaterThan(0)
}

/** How far a page runs off the side of the window, px. */
const overflowOf = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

/**
 * What an accessibility checker finds wrong, at every level it knows, best practice too. Colours are the same at every size, and
 * they are most of its work: once is enough.
 */
export async function faultsOf(page: Page, colours = true): Promise<string[]> {
  const client = await page.context().newCDPSession(page)
  if (!(await page.evaluate(() => 'axe' in window)))
    await client.send('Runtime.evaluate', { expression: axeSource.source })
  const { violations } = await page.evaluate(async (enabled) => {
    const axe = (window as unknown as { axe: typeof axeSource }).axe
    return axe.run(document, {
      resultTypes: ['violations'],
      rules: { 'color-contrast': { enabled } },
    })
  }, colours)
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 140)).join(' | ')}`)
}

/** Heights a head may have on a phone: the work begins within reach. */
const MOST_HEAD_PX = 120

/**
 * Opens every view once and looks at it at each of these sizes, the first with an accessibility check of its colours: no
 * fault, nothing wider than the window, and on a phone no head that leaves no room. At the `narrow` ones only its width counts.
 */
export const everyViewStandsAt = (
  run: Running,
  sizes: readonly (readonly [number, number])[],
  narrow: readonly (readonly [number, number])[] = [],
) =>
  it.each(VIEWS)('%s %s has no accessibility fault and nothing runs off the side', async (tag, view) => {
    const { page } = run
    await page.setViewportSize({ width: sizes[0]![0], height: sizes[0]![1] })
    await standAt(run, tag, view)
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height })
      expect(await overflowOf(page), `at ${width}`).toBeLessThanOrEqual(0)
      expect(await faultsOf(page, width === sizes[0]![0]), `at ${width}`).toEqual([])
      if (tag === 'Clover' && width < 400)
        expect((await page.locator('#main').boundingBox())!.y).toBeLessThan(MOST_HEAD_PX)
    }
    for (const [width, height] of narrow) {
      await page.setViewportSize({ width, height })
      expect(await overflowOf(page), `at ${width}`).toBeLessThanOrEqual(0)
    }
  })
