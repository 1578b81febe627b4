import axeSource from 'axe-core'
import type { Page } from 'playwright-core'
import { expect } from 'vitest'
import { openLot, visit, type Running } from './testing.ts'

/** Every main view of the demo farm: a lot and its station, or a place of the farm. */
export const VIEWS = [
  ['Clover', 'hang'],
  ['Clover', 'block'],
  ['Clover', 'price'],
  ['Clover', 'pack'],
  ['Alder', 'block'],
  ['Thistle', 'block'],
  ['Flock 2', 'block'],
  ['Flock 2', 'hang'],
  ['Alder', 'plans'],
  ['Clover', 'trim'],
  ['Clover', 'card'],
  ['', ''],
  ['', 'new'],
  ['', 'cuts'],
  ['', 'cuts/steer/rib-eye'],
  ['', 'cuts/ways'],
  ['', 'farm'],
] as const

/** Goes to a view and waits until it stands. */
export async function standAt(run: Running, tag: string, view: string): Promise<void> {
  const { page } = run
  if (tag) await openLot(run, tag, view)
  else await visit(run, `/${view}`)
  if (view === 'farm') await page.getByRole('group', { name: 'Kept copies' }).waitFor()
  await expect.poll(() => page.locator('main h2, main h3, main h1, main svg').count()).toBeGreaterThan(0)
}

/** How far a page runs off the side of the window, px. */
export const overflowOf = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

/** What an accessibility checker finds wrong, at every level it knows, best practice too. */
export async function faultsOf(page: Page): Promise<string[]> {
  const client = await page.context().newCDPSession(page)
  if (!(await page.evaluate(() => 'axe' in window)))
    await client.send('Runtime.evaluate', { expression: axeSource.source })
  const { violations } = await page.evaluate(async () => {
    const axe = (window as unknown as { axe: typeof axeSource }).axe
    return axe.run(document, { resultTypes: ['violations'] })
  })
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 140)).join(' | ')}`)
}
