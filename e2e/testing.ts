import { rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { chromium, type Browser, type BrowserContext, type Download, type Page } from 'playwright-core'
import { afterAll, beforeAll, expect, inject } from 'vitest'
import { SHORT_LIVED, startServer } from '../scripts/browser.mjs'
import { copyPrepared, scratchFolder } from '../scripts/prepared.mjs'

/** The built application on a folder of its own, and a headless browser that fails the test on any page error. */
export const newFolder = () => scratchFolder('ekko-e2e-')

export interface Running {
  url: string
  folder: string
  page: Page
  browser: Browser
  server: ReturnType<typeof startServer>
  errors: string[]
  /** Ids of lots by their names, once asked for. */
  ids: Record<string, string>
  open: (options?: Parameters<Browser['newContext']>[0]) => Promise<{ page: Page; context: BrowserContext }>
  /** Stops the server as asked and starts it again on the same folder. */
  restart: (how: 'SIGTERM' | 'SIGKILL') => Promise<void>
}

export function running(
  options: { demo?: boolean; viewport?: { width: number; height: number }; flags?: string[] } = {},
): Running {
  const state = { folder: newFolder(), errors: [] as string[], ids: {} } as unknown as Running
  const viewport = options.viewport ?? { width: 1280, height: 800 }
  state.open = async (more = {}) => {
    const context = await state.browser.newContext({
      viewport,
      acceptDownloads: true,
      reducedMotion: 'reduce',
      ...more,
    })
    context.setDefaultTimeout(60_000)
    const page = await context.newPage()
    page.on('pageerror', (e) => state.errors.push(e.message))
    page.on(
      'console',
      (m) =>
        m.type() === 'error' &&
        !/Failed to load resource|net::ERR/.test(m.text()) &&
        state.errors.push(m.text()),
    )
    return { page, context }
  }
  const start = async () => {
    // Started again it has the address it had: an open page goes on, with what it holds.
    const port = state.url ? ['--port', new URL(state.url).port] : []
    state.server = startServer(['--data', state.folder, ...port, ...(options.flags ?? [])], SHORT_LIVED)
    state.url = await state.server.url
  }
  state.restart = async (how) => {
    const gone = new Promise((resolve) => state.server.child.on('exit', resolve))
    if (state.server.child.exitCode === null && state.server.child.signalCode === null) {
      state.server.child.kill(how)
      await gone
    }
    await start()
  }
  beforeAll(async () => {
    if (options.demo) await copyPrepared('demo', join(state.folder, 'farm'))
    state.folder = join(state.folder, 'farm')
    await start()
    state.browser = await chromium.connect(inject('browserAddress'))
    state.page = (await state.open()).page
  })
  afterAll(async () => {
    await state.browser?.close()
    await state.server?.stop()
    rmSync(dirname(state.folder), { recursive: true, force: true })
    expect(state.errors).toEqual([])
  })
  return state
}

/**
 * Goes to an address as a link of the page does, without loading the whole application anew: that costs a second of
 * processor time, and a test that means a reload says so. A page that shows nothing yet is loaded.
 */
export async function visit(run: Running, path: string, page = run.page): Promise<void> {
  const isOpen = page.url().startsWith(`${run.url}/`) && (await page.locator('#main').count()) > 0
  if (isOpen)
    await page.evaluate((to) => {
      history.pushState(null, '', to)
      window.dispatchEvent(new PopStateEvent('popstate', { state: null }))
    }, path)
  else await page.goto(run.url + path)
  await page.locator('#main').waitFor()
}

/** Opens a station of a demo lot by its name. */
export async function openLot(run: Running, tag: string, station: string, page = run.page): Promise<void> {
  run.ids[tag] ??= await idOf(run, tag)
  await visit(run, `/lots/${run.ids[tag]}/${station}`, page)
  await page.locator(`[data-station=${station}]`).waitFor()
}
async function idOf(run: Running, tag: string): Promise<string> {
  const { lots } = (await (await fetch(`${run.url}/api/home`)).json()) as {
    lots: { id: string; tag: string }[]
  }
  return lots.find((l) => l.tag === tag)!.id
}

/** Text of a step of the stair, once it says what is wanted. */
export const stage = (page: Page, id: string) => page.locator(`[data-stage=${id}]`)

export const saved = (page: Page) => page.getByText('All saved').waitFor()

/** First number in a text. */
export const figure = (text: string | null): number =>
  Number(/-?[\d,]*\.?\d+/.exec((text ?? '').replace('−', '-'))?.[0].replaceAll(',', ''))

/** A download as a file under its own name: the browser may be another process’s, so it is saved first. */
export async function savedAs(download: Promise<Download>): Promise<string> {
  const file = await download
  const path = join(newFolder(), file.suggestedFilename())
  await file.saveAs(path)
  return path
}

declare global {
  interface Window {
    presses: string[]
  }
}

/** Every press of a finger or a mouse, as a person would count them. */
export async function countPresses(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    window.presses = []
    document.addEventListener(
      'click',
      (e) => e.isTrusted && e.detail > 0 && window.presses.push('click'),
      true,
    )
  })
  return () => page.evaluate(() => window.presses.length)
}
