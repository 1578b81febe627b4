import { v7 as uuid } from 'uuid'
import { idSchema, UNNAMED, type Author } from '#core/records'

const PLACE = 'ekko-device'

/** The id this browser minted for itself, the same in all its windows and after a reload. */
function deviceId(): string {
  try {
    const held = idSchema.safeParse(localStorage.getItem(PLACE))
    if (held.success) return held.data
    const minted = uuid()
    localStorage.setItem(PLACE, minted)
    return minted
  } catch {
    return uuid()
  }
}

/** Who writes from here: this device, and nobody by name yet. */
export const ME: Author = { device: deviceId(), person: UNNAMED }
