import { useEventListener, useLocalStorage } from '@vueuse/core'
import { unlessScanned } from './scanner.ts'

/** Single-key shortcuts can be switched off; the choice stays on this device. */
export const singleKeys = () => useLocalStorage('ekko-single-keys', true)

const inField = (target: EventTarget | null) => {
  if (target instanceof HTMLInputElement) return !/^(?:radio|checkbox|button)$/.test(target.type)
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(?:TEXTAREA|SELECT)$/.test(target.tagName))
  )
}

/** Shortcuts by key: 'u', 'Shift+U', 'Ctrl+z'. Off in fields and open dialogs; plain keys also when switched off. */
export function useKeys(keys: () => Record<string, (() => void) | undefined>) {
  const enabled = singleKeys()
  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.altKey || inField(event.target) || document.querySelector('[role=dialog]')) return
    const command = event.ctrlKey || event.metaKey
    if (!command && !enabled.value) return
    const act =
      keys()[
        `${command ? 'Ctrl+' : ''}${event.shiftKey && /^[a-zA-Z]$/.test(event.key) ? 'Shift+' : ''}${event.key}`
      ]
    if (!act) return
    event.preventDefault()
    // A command is no scanner’s; a single key may be the first of a code.
    if (command || event.key.length > 1) act()
    else unlessScanned(act)
  })
}
