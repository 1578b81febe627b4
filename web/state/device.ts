import { NIL, v7 as uuid, validate } from 'uuid'
import type { Author } from '#core/records'

const PLACE = 'ekko-device'

/** The id this browser minted for itself, the same in all its windows and after a reload. */
function deviceId(): string {
  try {
    const held = localStorage.getItem(PLACE)
    if (held && validate(held)) return held
    const minted = uuid()
    localStorage.setItem(PLACE, minted)
    return minted
  } catch {
    return uuid()
  }
}

/** Who writes from here: this device, and nobody by name yet. */
export const ME: Author = { device: deviceId(), person: NIL }

/** Let in, a device is who the server says. */
export function becomes(device: string): void {
  if (ME.device === device) return
  ME.device = device
  try {
    localStorage.setItem(PLACE, device)
  } catch {
    return
  }
}
