import type { TypedMass } from '#core/measure'
import { restrictedEan } from './ean.ts'
import { gs1Elements, gs1Text } from './gs1.ts'

/** Which code stands on a label: the restricted number with weight or price, or a code of the farm's own GTIN, or the pack's number alone. */
export interface PackCode {
  kind: 'ean13' | 'gs1-128' | 'code128'
  text: string
}

const NUMBER = /^P0*(\d{1,8})$/
/** The serial number of our GS1-128, behind the day it was packed; a scanner may leave out the sign between elements. */
const SERIAL = /^(?:\]C1)?01\d{14}3[12]0\d\d{6}13\d{6}21(\d{8})/
/** The pack's number as a code of its own: "P00001234". */
const numberCode = (number: number): PackCode => ({
  kind: 'code128',
  text: `P${String(number).padStart(8, '0')}`,
})

/** The code of a pack. One with too large a weight, or without what its kind needs, bears its number. */
export function codeOf(pack: {
  number: number
  shown: TypedMass
  packed: string
  lot: string
  /** Number of its cut among the farm's; prefix of the restricted range; what is coded. */
  as:
    | { kind: 'ean13'; prefix: number; item: number; value: number }
    | { kind: 'gs1-128'; gtin: string }
    | { kind: 'number' }
}): PackCode {
  const { as } = pack
  if (as.kind === 'ean13') {
    const text = restrictedEan(as.prefix, as.item, as.value)
    return text === null ? numberCode(pack.number) : { kind: 'ean13', text }
  }
  const elements = as.kind === 'gs1-128' ? gs1Elements({ ...pack, gtin: as.gtin }) : null
  return elements ? { kind: 'gs1-128', text: gs1Text(elements) } : numberCode(pack.number)
}

/** The pack a scanned or typed text means: its number, written plainly or as its code; null where it is no pack's. */
export function readCode(text: string): number | null {
  const plain = /^\s*#?(\d{1,8})\s*$/.exec(text)
  const found = plain ?? NUMBER.exec(text.trim()) ?? SERIAL.exec(text.trim())
  const number = found ? Number(found[1]) : 0
  return number > 0 ? number : null
}
