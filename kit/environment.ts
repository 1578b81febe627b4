import { Window } from 'happy-dom'
import { populateGlobal, type Environment } from 'vitest/runtime'

// Pages as they ship: what warns a developer costs half of the time a page takes.
process.env.NODE_ENV = 'production'

/** How large a thing is said to be where nothing is laid out: lists that draw only what is in sight draw their rows. */
const WIDTH = 1280
const HEIGHT = 800

/** One window for all test files of a process: what the pages are made of is read once, and holds on to it. */
const held = globalThis as { ekkoWindow?: Window }

/** A length that nobody gave is none. */
function styled(style: object, name: string | symbol): unknown {
  const said: unknown = Reflect.get(style, name, style)
  if (typeof said === 'function') return said.bind(style) as unknown
  return said === '' && /^(?:padding|margin|border)/.test(String(name)) ? '0px' : said
}

export default {
  name: 'ekko-window',
  viteEnvironment: 'ssr',
  setup(global) {
    if (!held.ekkoWindow) {
      const window = new Window({ url: 'http://127.0.0.1', width: WIDTH, height: HEIGHT })
      held.ekkoWindow = window
      // No stylesheet is read here: what an element says of itself is all there is, and is not worked out anew each time.
      Object.assign(window, {
        getComputedStyle: (el: { style: object }) => new Proxy(el.style, { get: styled }),
      })
      // Files are handed to requests and read back: they stay those of the process.
      const { Blob, File } = globalThis
      populateGlobal(global, window, { bindFunctions: true })
      Object.assign(global, { Blob, File })
      const size = (name: string, value: number) =>
        Object.defineProperty(window.HTMLElement.prototype, name, { configurable: true, get: () => value })
      for (const name of ['clientWidth', 'offsetWidth']) size(name, WIDTH)
      Object.defineProperty(window.HTMLElement.prototype, 'offsetParent', {
        configurable: true,
        get(this: { parentElement: unknown }) {
          return this.parentElement
        },
      })
      for (const name of ['clientHeight', 'offsetHeight']) size(name, HEIGHT)
    }
    return { teardown: () => undefined }
  },
} satisfies Environment
