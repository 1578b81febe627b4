import type { Directive } from 'vue'

/** What can be stopped at in a group, in its order. */
const ITEMS = 'a[href], button:not(:disabled), [role=slider], [role=radio], [role=button]'
const IS_NOW = '[aria-current=page], [aria-checked=true], [aria-pressed=true]'

const KEYS = {
  arrows: { next: ['ArrowRight', 'ArrowDown'], before: ['ArrowLeft', 'ArrowUp'] },
  /** Where the arrows are the item's own: they move a line. */
  pages: { next: ['PageDown'], before: ['PageUp'] },
  /** Another group like it has the stop. */
  none: { next: [], before: [] },
} as const

type Mode = keyof typeof KEYS
const itemsOf = (group: Element) => [...group.querySelectorAll<HTMLElement | SVGElement>(ITEMS)]

/** One stop for the whole group: the item in force, or the first. */
function settle(group: Element, mode: Mode = 'arrows') {
  const items = itemsOf(group)
  const held = items.find((i) => i === document.activeElement)
  const stop = held ?? items.find((i) => i.matches(IS_NOW)) ?? items[0]
  for (const i of items) i.setAttribute('tabindex', i === stop && mode !== 'none' ? '0' : '-1')
}

const listeners = new WeakMap<Element, (event: KeyboardEvent) => void>()

/**
 * `v-roving`: a group is one stop for the Tab key, and its keys go from item to item inside it, never out of it (the pattern of
 * radio groups and tool bars). `v-roving="'pages'"` leaves the arrows to the items, `'none'` is no stop at all.
 */
export const vRoving: Directive<Element, Mode | undefined> = {
  mounted(group, { value = 'arrows' }) {
    const keys = KEYS[value]
    const hear = (event: KeyboardEvent) => {
      const by = (keys.next as readonly string[]).includes(event.key)
        ? 1
        : (keys.before as readonly string[]).includes(event.key)
          ? -1
          : 0
      const items = itemsOf(group)
      const at = items.findIndex((i) => i === document.activeElement)
      if (by === 0 || at < 0) return
      event.preventDefault()
      event.stopPropagation()
      items[(at + by + items.length) % items.length]!.focus()
      settle(group, value)
    }
    group.addEventListener('keydown', hear as EventListener)
    listeners.set(group, hear)
    settle(group, value)
  },
  updated: (group, { value }) => settle(group, value),
  beforeUnmount(group) {
    group.removeEventListener('keydown', listeners.get(group) as EventListener)
  },
}
