/** How is a pack said to other machines? Numbers and element strings of the bar codes on its label. */
export { checkDigit, isGtin, readRestricted, restrictedEan } from './ean.ts'
export { gs1Elements, gs1Text } from './gs1.ts'
export type { Gs1Pack } from './gs1.ts'
export { codeOf, readCode } from './packCode.ts'
export type { PackCode } from './packCode.ts'
