import { mount, type VueWrapper } from '@vue/test-utils'
import { afterAll, beforeAll, inject } from 'vitest'
import { openFarm, type Farm } from './farm.ts'
import { Found, press, settled, type Words } from './find.ts'
import * as idb from './idb.ts'
import { closeStreams, connect, files, papers, wishFor, type Wish } from './window.ts'

export type { Found } from './find.ts'
export { problem } from './window.ts'

declare module 'vitest' {
  export interface ProvidedContext {
    demoFolder: string
  }
}

/** The farm and the window of this process: opened once, before anything of the page is read. */
const held = globalThis as { ekkoFarm?: Promise<Farm> }
const farmHere = () =>
  (held.ekkoFarm ??= openFarm(inject('demoFolder')).then((farm) => {
    connect(farm.url)
    return farm
  }))

interface LotTag {
  id: string
  tag: string
}

/** A page of the demo farm in memory: the real pages, core and records, without a browser. */
export class Page extends Found {
  #app: VueWrapper | null = null
  #farm: Farm | null = null
  #ids: Record<string, string> = {}
  constructor() {
    super(() => [document.body], '')
  }

  async begin(isEmpty: boolean): Promise<void> {
    this.#farm = await farmHere()
    if (isEmpty) await this.#farm.empty()
  }
  async end(): Promise<void> {
    this.#close()
    idb.forgetAll()
    localStorage.clear()
    sessionStorage.clear()
    papers.length = 0
    files.length = 0
    wishFor()
    this.#ids = {}
    await this.#farm!.reset()
  }
  #close() {
    this.#app?.unmount()
    this.#app = null
    closeStreams()
    document.body.innerHTML = ''
  }
  async #mount() {
    const [{ default: App }, { ekko }] = await Promise.all([
      import('../web/App.vue'),
      import('../web/ekko.ts'),
    ])
    const root = document.createElement('div')
    document.body.append(root)
    this.#app = mount(App, { attachTo: root, global: { plugins: [[ekko, 'none']] } })
    await settled()
  }
  async #go(to: object) {
    const { router } = await import('../web/router.ts')
    await router.push(to)
    if (!this.#app) await this.#mount()
    await settled()
  }

  /** Opens a room by its id: of a lot by its name, or of the farm. */
  async open(room: string, tag?: string, query: Record<string, string> = {}): Promise<this> {
    await this.#go({ name: room, query, ...(tag !== undefined && { params: { id: await this.idOf(tag) } }) })
    const id = tag === undefined ? '#main' : `[data-station=${room}]`
    await this.locator(id).waitFor()
    return this
  }
  /** Goes to an address as it might be typed. */
  async visit(path: string): Promise<void> {
    await this.#go({ path })
  }
  /** Where the page is. */
  async here(): Promise<{ room: string; query: Record<string, string> }> {
    const { router } = await import('../web/router.ts')
    const { name, query } = router.currentRoute.value
    return { room: String(name), query: query as Record<string, string> }
  }
  /** Loads the page anew: what it held in memory is gone. */
  async reload(): Promise<void> {
    this.#close()
    await this.#mount()
  }
  /** Presses a key where the focus is. */
  override press(key: string): Promise<void> {
    return press(key)
  }
  /** The link of this name. */
  go(name: string): Promise<void> {
    return this.getByRole('link', { name, exact: true }).click()
  }
  /** Chooses of a list by its label. */
  async choose(label: Words, option: Words): Promise<void> {
    await this.getByLabel(label, { exact: true }).click()
    await this.getByRole('option', { name: option, exact: true }).click()
  }
  /** What the newest paper says that the page asked the browser for. */
  async paper(): Promise<string> {
    await settled()
    return (await fetch(papers.at(-1)!)).text()
  }
  /** The newest file the page handed over. */
  async file(): Promise<{ name: string; text: string }> {
    await settled()
    const { name, blob } = files.at(-1)!
    return { name, text: await blob.text() }
  }
  /** Of what the page asks from now on: some is answered otherwise, or not at all; without a wish all by the server. */
  answer(wish?: Wish): void {
    wishFor(wish)
  }

  /** Asks the server as another device would. */
  async ask<T>(method: string, path: string, body?: unknown): Promise<T> {
    const res = await fetch(`/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    })
    if (!res.ok) throw new Error(`${method} ${path} answered ${res.status}: ${await res.text()}`)
    return (await res.json()) as T
  }
  async idOf(tag: string): Promise<string> {
    if (!this.#ids[tag]) {
      const { lots } = await this.ask<{ lots: LotTag[] }>('GET', '/home')
      this.#ids = Object.fromEntries(lots.map((l) => [l.tag, l.id]))
    }
    const id = this.#ids[tag]
    if (!id) throw new Error(`No lot is called ${tag}.`)
    return id
  }
  /** A step of the stair: what a person reads there. */
  stage(id: string): Found {
    return this.locator(`[data-stage=${id}]`)
  }
  /** What a step of the stair weighs, in the farm’s unit. */
  async weight(id: string): Promise<number> {
    return figure(await this.stage(id).locator('.weight').innerText())
  }
  /** Nothing is on its way to the server any more. */
  saved(): Promise<void> {
    return this.locator('[role=status] .saved.now').waitFor()
  }
}

/** A page of the demo farm (or of one never opened) for the tests of a suite; at its end all that they wrote is forgotten. */
export function fallowmere({ empty = false } = {}): Page {
  const page = new Page()
  beforeAll(() => page.begin(empty))
  afterAll(() => page.end())
  return page
}

/** First number in a text. */
export const figure = (text: string | null): number =>
  Number(/-?[\d,]*\.?\d+/.exec((text ?? '').replace('−', '-'))?.[0].replaceAll(',', ''))
