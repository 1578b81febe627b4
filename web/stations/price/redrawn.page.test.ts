import { describe, expect, it } from 'vitest'
import { fallowmere } from '#kit'

const page = fallowmere()

describe('a price', () => {
  it('is one reading of its own; of the skyline only its bar moves', async () => {
    await page.open('price', 'Bramble')
    const readings: string[] = []
    const observer = new PerformanceObserver((list) => readings.push(...list.getEntries().map((e) => e.name)))
    observer.observe({ entryTypes: ['mark'] })
    const [of, moved] = await page.getByTestId('skyline').evaluate((el) => {
      const nodes = new Set<Node>()
      const watch = new MutationObserver((list) => list.forEach((m) => nodes.add(m.target)))
      watch.observe(el, { subtree: true, attributes: true, childList: true, characterData: true })
      return [el.querySelectorAll('path, text').length, nodes] as const
    })
    const price = page.getByLabel('Price of Ground pork', { exact: true })
    await price.fill('6.60')
    await price.press('Enter')
    await page.saved()
    await expect.poll(() => readings.filter((name) => name === 'reading')).toHaveLength(1)
    observer.disconnect()
    expect(of).toBeGreaterThan(60)
    expect(moved.size).toBeLessThanOrEqual(8)
  })
})
