import { v7 as uuid } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { FactBody } from '#core/records'
import { BUILD_HEADER } from '#contracts/wire'
import { fallowmere, problem } from '#kit'

/** Another window is another device that asks the same server. */
const page = fallowmere()
const noteElsewhere = async (tag: string, fact: FactBody, corrects: string | null = null) =>
  page.ask('POST', `/lots/${await page.idOf(tag)}/facts`, {
    facts: [{ id: uuid(), corrects, stands: true, fact }],
  })

describe('what another window did', () => {
  it('a lot it took off the rail says so where it is still open, and can be hung again there', async () => {
    await page.open('hang', 'Thistle')
    await noteElsewhere('Thistle', { kind: 'withdrawal', why: '' })
    await page.getByText('Thistle is taken off the rail').waitFor()
    expect(await page.getByText('Hung by mistake?').count()).toBe(0)
    await page.getByRole('button', { name: 'Hang it again: Thistle' }).press('Enter')
    await page.getByText('Thistle is taken off the rail').waitFor({ state: 'detached' })
  })
  it('a fact it said differently meanwhile is shown beside ours, and one is kept', async () => {
    await page.open('hang', 'Juniper')
    let isFirst = true
    page.answer((method, path) => {
      if (!isFirst || method !== 'POST' || !path.endsWith('/facts')) return undefined
      isFirst = false
      return 'away'
    })
    await page.getByText('State-inspected').click()
    await noteElsewhere('Juniper', { kind: 'observation', what: 'route', value: 'inspected' })
    page.answer()
    await page.getByText('Changed in two windows').waitFor()
    await page.getByRole('dialog').getByText('Federally inspected').waitFor()
    await page.getByRole('button', { name: 'Take what was decided here' }).click()
    await page.saved()
    expect(await page.locator('.route.taken').innerText()).toContain('State-inspected')
  })
  it('farm settings it changed since are shown, and nothing is overwritten unasked', async () => {
    await page.open('farm')
    const { farm } = await page.ask<{ farm: { revision: number } & Record<string, unknown> }>('GET', '/home')
    const { revision, ...settings } = farm
    // This window has not heard of it yet.
    page.answer((_, path) => (path === '/api/home' ? 'away' : undefined))
    await page.ask('PUT', '/farm', { ...settings, name: 'Upper Fallowmere', base: revision })
    await page.getByLabel('Farm’s name').fill('Lower Fallowmere')
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText(/stands as: Upper Fallowmere · pounds/).waitFor()
    expect(await page.getByLabel('Farm’s name').inputValue()).toBe('Lower Fallowmere')
    await page.getByRole('button', { name: 'Take the other window’s' }).click()
    expect(await page.getByLabel('Farm’s name').inputValue()).toBe('Upper Fallowmere')
    page.answer()
    await page.getByLabel('Farm’s name').fill('Fallowmere')
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText('Saved. Every page').waitFor()
  })
})

describe('what the server refuses', () => {
  it('lies aside with its reason, over a reload, until it is sent again; a fault is only held', async () => {
    await page.open('block', 'Bramble')
    const way = (id: string) => page.locator(`[data-path=${id}]`)
    const answers = [problem(500, 'The disk failed.'), problem(422, 'No such way here.')]
    page.answer((_, path) => (path.endsWith('/decisions') ? answers.shift() : undefined))
    const before = await page.locator('[data-path][aria-checked=true]').evaluateAll((all) => all[0])
    const wanted = before?.getAttribute('data-path') === 'loin-roasts' ? 'loin-rack' : 'loin-roasts'
    await way(wanted).click()
    const note = page.getByRole('alert', { name: 'Not taken' })
    await note.getByText('No such way here.').waitFor()
    await note.getByText(/Bramble: \d decisions?\./).waitFor()
    await expect.poll(() => way(wanted).getAttribute('aria-checked')).toBe('false')
    await page.reload()
    await note.getByText('No such way here.').waitFor()
    await note.getByRole('button', { name: 'Send again' }).press('Enter')
    await expect.poll(() => way(wanted).getAttribute('aria-checked')).toBe('true')
    await note.waitFor({ state: 'detached' })
  })
})

describe('a page of an older build', () => {
  it('that goes to a place whose script is gone says so, and goes on saying it', async () => {
    const { askAgainForStyles } = await import('../state/styles.ts')
    const { isOutdated } = await import('../state/api.ts')
    askAgainForStyles()
    await page.open('farm')
    const ofOneBuild = problem(422, 'Not so.')
    ofOneBuild.headers.set(BUILD_HEADER, 'one')
    page.answer((method, path) => {
      if (method === 'HEAD' && path.endsWith('/assets/gone.js')) return problem(404, 'Not here')
      return method === 'PUT' && path === '/api/farm' ? ofOneBuild : undefined
    })
    const gone = new Event('vite:preloadError')
    Object.assign(gone, {
      payload: new TypeError('Failed to fetch dynamically imported module: http://ekko/assets/gone.js'),
    })
    window.dispatchEvent(gone)
    const note = page.getByText('A newer Ekko runs on this server')
    await note.waitFor()
    // A later answer of a server that never said another build.
    await page.getByRole('button', { name: 'Save the farm' }).click()
    await page.getByText('Not so.').waitFor()
    expect(await note.count()).toBe(1)
    page.answer()
    isOutdated.value = false
  })
})
