import { describe, expect, it } from 'vitest'
import { running } from '../e2e/testing.ts'
import { faultsOf, overflowOf, standAt, VIEWS } from '../e2e/views.ts'

const run = running({ demo: true })

/** The widths the tests leave out: a tablet on end, a phone on its side, and a page at 200 %. */
describe.each([
  [820, 1180],
  [640, 400],
])('at %i × %i', (width, height) => {
  it.each(VIEWS)('%s %s has no accessibility fault and nothing runs off the side', async (tag, view) => {
    await run.page.setViewportSize({ width, height })
    await standAt(run, tag, view)
    expect(await overflowOf(run.page)).toBeLessThanOrEqual(0)
    expect(await faultsOf(run.page)).toEqual([])
  })
})
