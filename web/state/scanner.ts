import { useEventListener } from '@vueuse/core'
import { readCode } from '#core/exchange'

/** Keys that come closer together than this come of no hand: a scanner types its code as a keyboard does. */
const TOGETHER_MS = 50
/** What a scanner reads off our labels is longer than any number a person types. */
const SHORTEST = 9
const OURS = /(?:P\d{8}|(?:\]C1)?01\d{14}3[12]0\d{7}13\d{6}21\d{8}.*)$/

let text = ''
let waiting: (() => void)[] = []
let timer: ReturnType<typeof setTimeout> | undefined

function settle() {
  const acts = waiting
  waiting = []
  text = ''
  for (const act of acts) act()
}
function again() {
  clearTimeout(timer)
  timer = setTimeout(settle, TOGETHER_MS)
}

/** Does what a single key means, unless it turns out to be part of a scanned code. */
export function unlessScanned(act: () => void): void {
  waiting.push(act)
  again()
}

/** Takes the code back out of a field that had the focus, as if it had not been typed. */
function takeOut(target: EventTarget | null, code: string) {
  if (!(target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement)) return
  if (!target.value.endsWith(code)) return
  target.value = target.value.slice(0, -code.length)
  target.dispatchEvent(new Event('input', { bubbles: true }))
}

const isField = (target: EventTarget | null) =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement

/** Hears a scanner wherever the focus is: `found` is told a pack’s number, `other` any other code that is meant for no field. */
export function useScanner(found: (number: number) => void, other: (code: string) => void): void {
  useEventListener(
    window,
    'keydown',
    (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key.length === 1) {
        text += event.key
        again()
        return
      }
      const code = event.key === 'Enter' ? OURS.exec(text)?.[0] : undefined
      const number = code && code.length >= SHORTEST ? readCode(code) : null
      if (number === null) {
        if (event.key !== 'Enter' || text.length < SHORTEST || isField(event.target)) return
        const strange = text
        event.preventDefault()
        event.stopPropagation()
        waiting = []
        settle()
        return other(strange)
      }
      event.preventDefault()
      event.stopPropagation()
      waiting = []
      takeOut(event.target, code!)
      settle()
      found(number)
    },
    { capture: true },
  )
}
