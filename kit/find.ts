import { queryAllByLabelText, queryAllByRole, type ByRoleMatcher } from '@testing-library/dom'
import { flushPromises } from '@vue/test-utils'
import { anyAnswer, isBusy } from './window.ts'

export type Words = string | RegExp
interface Named {
  name?: Words
  exact?: boolean
}

/** As long as something may take to come: far more than anything does. */
const PATIENCE_MS = 25_000
const LOOK_EVERY_MS = 4
/** So much of a page is shown where something is not on it, letters. */
const PAGE_SAID = 1500

const plain = (text: string) => text.replaceAll(/\s+/g, ' ').trim()
const says = (text: string, words: Words, exact = false): boolean => {
  if (words instanceof RegExp) return words.test(plain(text))
  return exact ? plain(text) === plain(words) : plain(text).toLowerCase().includes(plain(words).toLowerCase())
}

const LINES = new Set(
  'ADDRESS ARTICLE ASIDE BLOCKQUOTE DD DETAILS DIV DL DT FIELDSET FIGURE FOOTER FORM H1 H2 H3 H4 HEADER HR LI MAIN NAV OL P PRE SECTION SUMMARY TABLE TBODY TFOOT THEAD TR UL BUTTON OPTION LEGEND'.split(
    ' ',
  ),
)
const MUTE = new Set(['SCRIPT', 'STYLE', 'TEMPLATE', 'TITLE'])
const isHidden = (el: Element): boolean =>
  (el as HTMLElement).hidden === true || (el as HTMLElement).style?.display === 'none'
/** Whether a person could see it: nothing around it is hidden or folded away. */
export function isSeen(el: Element): boolean {
  for (let at: Element | null = el; at; at = at.parentElement) {
    if (isHidden(at)) return false
    const around: Element | null = at.parentElement
    if (around instanceof HTMLDetailsElement && !around.open && at.tagName !== 'SUMMARY') return false
  }
  return el.isConnected
}

/** The words of an element as they stand on the screen: a line a block, cells apart. */
export function textOf(el: Element): string {
  let text = ''
  const walk = (node: Node) => {
    if (node.nodeType === 3) text += (node.textContent ?? '').replaceAll(/\s+/g, ' ')
    if (node.nodeType !== 1) return
    const at = node as Element
    if (MUTE.has(at.tagName) || isHidden(at)) return
    if (at.tagName === 'BR') text += '\n'
    const isFolded = at instanceof HTMLDetailsElement && !at.open
    const isLine = LINES.has(at.tagName)
    if (isLine) text += '\n'
    for (const child of at.childNodes) {
      if (isFolded && (child as Element).tagName !== 'SUMMARY') continue
      // What is laid out side by side is apart, though no space stands between.
      if (child.nodeType === 1 && child.previousSibling?.nodeType === 1) text += ' '
      walk(child)
    }
    if (isLine) text += '\n'
    if (at.tagName === 'TD' || at.tagName === 'TH') text += '\t'
  }
  walk(el)
  return text
    .split('\n')
    .map((line) =>
      line
        .replaceAll(/ *\t */g, '\t')
        .replaceAll(/ +/g, ' ')
        .trim(),
    )
    .filter(Boolean)
    .join('\n')
}

/** Waits until nothing is on its way any more: no answer of the server, no thread, no change of the page. */
export async function settled(): Promise<void> {
  for (let quiet = 0; quiet < 2; quiet++) {
    await flushPromises()
    await new Promise((done) => setImmediate(done))
    if (!isBusy()) continue
    await anyAnswer()
    quiet = -1
  }
}

const inform = (el: Element, ...events: string[]) => {
  for (const name of events) el.dispatchEvent(new Event(name, { bubbles: true }))
}
type Field = HTMLInputElement | HTMLTextAreaElement
const isField = (el: Element): el is Field =>
  el instanceof HTMLInputElement || el instanceof HTMLTextAreaElement
/** What was typed since the field told last: a browser tells when it is left, or at Enter. */
const typed = new WeakSet<Element>()
const tellChange = (el: Element) => typed.delete(el) && inform(el, 'change')

const mouse = (el: Element, name: string) =>
  el.dispatchEvent(new MouseEvent(name, { bubbles: true, cancelable: true, button: 0, detail: 1 }))

function focus(el: Element) {
  const before = document.activeElement
  if (before === el) return
  if (before) tellChange(before)
  if (el instanceof HTMLElement || el instanceof SVGElement) el.focus()
}

function click(el: Element) {
  mouse(el, 'pointerdown')
  mouse(el, 'mousedown')
  const onto = el.closest('button, input, select, textarea, a, [tabindex]')
  if (onto) focus(onto)
  else if (document.activeElement instanceof HTMLElement) {
    tellChange(document.activeElement)
    document.activeElement.blur()
  }
  mouse(el, 'pointerup')
  mouse(el, 'mouseup')
  const isOpen = el.closest('details')?.open
  mouse(el, 'click')
  const fold = el.closest('summary')?.parentElement
  if (fold instanceof HTMLDetailsElement && fold.open === isOpen) {
    fold.open = !fold.open
    fold.dispatchEvent(new Event('toggle'))
  }
}

/** What a key does of itself where nothing on the page has taken it. */
function keyDoes(el: Element, key: string) {
  const isButton = el.matches('button, summary, [role=button]')
  if (el.matches('a[href]') && key === 'Enter') return click(el)
  if (isButton && (key === 'Enter' || key === ' ')) return click(el)
  if (el.matches('input[type=checkbox], input[type=radio]')) {
    if (key === ' ') click(el)
    return
  }
  if (!isField(el) || key !== 'Enter' || el instanceof HTMLTextAreaElement) return
  tellChange(el)
  const { form } = el
  if (!form) return
  const submit = form.querySelector<HTMLButtonElement>('button[type=submit], button:not([type])')
  if (submit) click(submit)
  else form.requestSubmit()
}

export function pressKey(el: Element, said: string) {
  const names = said.split('+')
  const last = names.pop()!
  const key = last === 'Space' ? ' ' : last
  const options = {
    ...{ key, code: key === ' ' ? 'Space' : key, bubbles: true, cancelable: true },
    ...{ ctrlKey: names.includes('Control'), shiftKey: names.includes('Shift') },
  }
  const isTaken = !el.dispatchEvent(new KeyboardEvent('keydown', options))
  if (!isTaken) keyDoes(el, key)
  if (key === 'Tab' && isField(el)) {
    tellChange(el)
    el.blur()
  }
  el.dispatchEvent(new KeyboardEvent('keyup', options))
}

/** Presses a key where the focus is. */
export async function press(key: string): Promise<void> {
  pressKey(document.activeElement ?? document.body, key)
  await settled()
}

type Look = (within: Element) => Element[]

/** Elements of a page found as a person finds them: by role, label and words. Looked for anew whenever they are asked for. */
export class Found {
  readonly #all: () => Element[]
  readonly #said: string
  constructor(all: () => Element[], said: string) {
    this.#all = all
    this.#said = said
  }
  #within(look: Look, said: string): Found {
    return new Found(() => [...new Set(this.#all().flatMap(look))], `${this.#said} ${said}`)
  }
  getByRole(role: string, { name, exact }: Named = {}): Found {
    const options = {
      hidden: true,
      ...(name !== undefined && { name: (said: string) => says(said, name, exact) }),
    }
    return this.#within(
      (el) => queryAllByRole(el as HTMLElement, role as ByRoleMatcher, options).filter(isSeen),
      `${role} ${String(name ?? '')}`,
    )
  }
  getByLabel(label: Words, { exact }: Named = {}): Found {
    const is = (said: string) => says(said, label, exact)
    return this.#within((el) => queryAllByLabelText(el as HTMLElement, is), `label ${String(label)}`)
  }
  /** The smallest elements that say it. */
  getByText(words: Words, { exact }: Named = {}): Found {
    const is = (el: Element) => !MUTE.has(el.tagName) && says(el.textContent ?? '', words, exact)
    // What holds words holds them whole: where an element does not say them, nothing in it does.
    const isPart = typeof words === 'string' && !exact
    const look: Look = (el) => {
      if (isPart && !is(el)) return []
      const inner = [...el.children].flatMap(look)
      return inner.length > 0 ? inner : is(el) ? [el] : []
    }
    return this.#within(look, `“${String(words)}”`)
  }
  getByTestId(id: string): Found {
    return this.locator(`[data-testid="${id}"]`)
  }
  locator(css: string, filter: { hasText?: Words; has?: Found } = {}): Found {
    return this.#within((el) => [...el.querySelectorAll(css)], css).filter(filter)
  }
  filter({ hasText, has }: { hasText?: Words; has?: Found }): Found {
    if (hasText === undefined && !has) return this
    const holds = (el: Element) =>
      (hasText === undefined || says(textOf(el), hasText)) &&
      (!has || has.#all().some((inner) => el !== inner && el.contains(inner)))
    const what = String(hasText ?? (has ? has.#said : ''))
    return new Found(() => this.#all().filter(holds), `${this.#said} with ${what}`)
  }
  nth(n: number): Found {
    return new Found(() => this.#all().slice(n).slice(0, 1), `${this.#said} no. ${n}`)
  }
  first(): Found {
    return this.nth(0)
  }
  last(): Found {
    return new Found(() => this.#all().slice(-1), `${this.#said} last`)
  }
  /** The one that is seen (or is there at all), once it is. */
  async #one(is = isSeen): Promise<Element> {
    const until = performance.now() + PATIENCE_MS
    for (;;) {
      await settled()
      const seen = this.#all().filter(is)
      if (seen.length === 1) return seen[0]!
      if (seen.length > 1)
        throw new Error(
          `${seen.length} are seen of ${this.#said}: ${seen.map((s) => textOf(s).slice(0, 60)).join(' | ')}`,
        )
      if (performance.now() > until)
        throw new Error(
          `There is no ${this.#said}. The page says:\n${textOf(document.body).slice(0, PAGE_SAID)}`,
        )
      await new Promise((done) => setTimeout(done, LOOK_EVERY_MS))
    }
  }
  /** Waits until one is seen, or none any more. */
  async waitFor({ state = 'visible' }: { state?: 'visible' | 'detached' } = {}): Promise<void> {
    const until = performance.now() + PATIENCE_MS
    for (;;) {
      await settled()
      if (this.#all().some(isSeen) === (state === 'visible')) return
      if (performance.now() > until)
        throw new Error(
          `${this.#said} is ${state === 'visible' ? 'not' : 'still'} there. The page says:\n${textOf(document.body).slice(0, PAGE_SAID)}`,
        )
      await new Promise((done) => setTimeout(done, LOOK_EVERY_MS))
    }
  }
  async #do(deed: (el: Element) => void, is = isSeen): Promise<void> {
    deed(await this.#one(is))
    await settled()
  }
  click(): Promise<void> {
    return this.#do((el) => {
      if (el.closest('[disabled]')) throw new Error(`${this.#said} is disabled`)
      click(el)
    })
  }
  focus(): Promise<void> {
    return this.#do(focus)
  }
  press(key: string): Promise<void> {
    return this.#do((el) => {
      focus(el)
      pressKey(el, key)
    })
  }
  async fill(text: string): Promise<void> {
    await this.focus()
    await this.#do((el) => {
      if (!isField(el)) throw new Error(`Nothing can be typed into ${this.#said}`)
      el.value = text
      typed.add(el)
      inform(el, 'input')
    })
  }
  setInputFiles(file: { name: string; mimeType: string; buffer: Uint8Array<ArrayBuffer> }): Promise<void> {
    return this.#do(
      (el) => {
        const files = [new File([file.buffer], file.name, { type: file.mimeType })]
        Object.defineProperty(el, 'files', { configurable: true, value: files })
        inform(el, 'change')
        // The field itself is seldom seen: a button of ours stands for it.
      },
      (el) => el.isConnected,
    )
  }
  async innerText(): Promise<string> {
    return textOf(await this.#one())
  }
  async inputValue(): Promise<string> {
    return ((await this.#one()) as HTMLInputElement).value
  }
  async getAttribute(name: string): Promise<string | null> {
    return (await this.#one()).getAttribute(name)
  }
  async isEnabled(): Promise<boolean> {
    return !(await this.isDisabled())
  }
  async isDisabled(): Promise<boolean> {
    return !!(await this.#one()).closest('[disabled], [aria-disabled=true]')
  }
  async isChecked(): Promise<boolean> {
    return ((await this.#one()) as HTMLInputElement).checked
  }
  async evaluate<T>(work: (el: Element) => T): Promise<T> {
    return work(await this.#one())
  }
  async evaluateAll<T>(work: (all: Element[]) => T): Promise<T> {
    await settled()
    return work(this.#all())
  }
  async count(): Promise<number> {
    await settled()
    return this.#all().length
  }
  async allInnerTexts(): Promise<string[]> {
    await settled()
    return this.#all().map(textOf)
  }
  async allTextContents(): Promise<string[]> {
    await settled()
    return this.#all().map((el) => el.textContent ?? '')
  }
}
