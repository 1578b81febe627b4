import { describe, expect, it } from 'vitest'
import { figure, openLot, running, saved } from './testing.ts'

const run = running({ demo: true })
/** Per animal: the window, parts that are pressed, and the way taken of each. */
const PLANS = [
  ['Alder', 820, 1180, ['round', 'brisket'], ['round-bone-in', 'brisket-split']],
  ['Juniper', 1280, 800, ['leg', 'spare-ribs'], ['leg-rolled', 'ribs-squared']],
] as const

describe('planned', () => {
  it.each(PLANS)(
    '%s by mouse at %i × %i, its shoulder or loin line dragged while the figures follow',
    async (tag, width, height, parts, ways) => {
      const { page } = run
      await page.setViewportSize({ width, height })
      await openLot(run, tag, 'block')
      await page.getByRole('button', { name: 'Both sides' }).click()
      for (const [i, part] of parts.entries()) {
        const box = (await page.locator(`[data-part=${part}]`).first().boundingBox())!
        // Near its top edge, away from parts drawn over it.
        await page.mouse.click(
          box.x + box.width * 0.42,
          box.y + box.height * (part === 'spare-ribs' ? 0.6 : 0.22),
        )
        if ((await page.locator(`[data-path=${ways[i]}]`).count()) === 0)
          await page.locator(`[data-part=${part}]`).first().dispatchEvent('click')
        await page.locator(`[data-path=${ways[i]}]`).click()
        await expect
          .poll(() => page.locator(`[data-path=${ways[i]}]`).getAttribute('aria-checked'))
          .toBe('true')
      }
      const line = tag === 'Alder' ? 'loin-split' : 'shoulder-line'
      const handle = page.locator(`[data-line="${line}:left"]`)
      await handle.scrollIntoViewIfNeeded()
      const at = (await handle.boundingBox())!
      const cut = () => page.locator('[data-stage=cut] .weight').innerText()
      const before = await cut()
      const setting = await handle.getAttribute('aria-valuenow')
      await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
      await page.mouse.down()
      await page.mouse.move(at.x + at.width / 2, at.y + (tag === 'Alder' ? at.height + 30 : -60), {
        steps: 8,
      })
      await expect.poll(cut).not.toBe(before)
      await page.mouse.up()
      await expect.poll(() => handle.getAttribute('aria-valuenow')).not.toBe(setting)
      await saved(page)
    },
  )
})

describe('pulled', () => {
  it('a bar of the skyline up, and its price with it; a locked one stays', async () => {
    const { page } = run
    const price = page.getByLabel('Price of Feet', { exact: true })
    await openLot(run, 'Juniper', 'price')
    const grip = page.locator('[data-grip=trotter]')
    await grip.waitFor()
    const before = figure(await price.inputValue())
    const pull = async () => {
      const box = (await grip.boundingBox())!
      await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
      await page.mouse.down()
      await page.mouse.move(box.x + box.width / 2, box.y - 60, { steps: 4 })
      await page.mouse.up()
    }
    await pull()
    await expect.poll(async () => figure(await price.inputValue())).toBeGreaterThan(before + 1)
    const high = await price.inputValue()
    await page.getByLabel('Lock the price of Feet').click()
    await expect.poll(() => grip.getAttribute('aria-disabled')).toBe('true')
    await pull()
    expect(await price.inputValue()).toBe(high)
  })

  it('a step of the order of work, above the one ahead of it', async () => {
    const { page } = run
    const task = (id: string) => page.locator(`[data-task="${id}"]`)
    const ids = () =>
      page.locator('[data-task]').evaluateAll((all) => all.map((l) => (l as HTMLElement).dataset.task!))
    await openLot(run, 'Bramble', 'order')
    await task('belly').waitFor()
    const before = await ids()
    const at = before.indexOf('belly')
    const [from, to] = await Promise.all([
      task('belly').locator('.grip').boundingBox(),
      task(before[at - 2]!)
        .locator('.grip')
        .boundingBox(),
    ])
    await task('belly').scrollIntoViewIfNeeded()
    const grip = (await task('belly').locator('.grip').boundingBox())!
    const lift = from!.y - to!.y
    await page.mouse.move(grip.x + 12, grip.y + 12)
    await page.mouse.down()
    for (let i = 1; i <= 8; i++)
      await page.mouse.move(grip.x + 12, grip.y + 12 - (lift * i) / 8, { steps: 3 })
    await page.mouse.up()
    await expect.poll(async () => (await ids()).indexOf('belly')).toBeLessThan(at)
  })
})
