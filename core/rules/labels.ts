import type { Chill, Route } from '#core/records'

/** What raw meat and poultry must tell whoever handles it (United States: 9 CFR 317.2(l) and 381.125(b), in our words, from memory). */
export const HANDLING =
  'Safe handling: keep cold or frozen, thaw in the refrigerator or microwave. Keep raw meat apart; wash hands and everything it touched. Cook thoroughly. Keep hot food hot; chill what is left at once.'

/** What a route puts on every package, and may not be left off; null where it asks for nothing (United States, from memory). */
export function packageWords(route: Route | null): { id: 'not-for-sale' | 'exemption'; says: string } | null {
  switch (route) {
    case 'custom':
      return { id: 'not-for-sale', says: 'NOT FOR SALE' }
    case 'poultry-exempt':
      return { id: 'exemption', says: 'Exempt P.L. 90-492' }
    case 'household':
      return { id: 'not-for-sale', says: 'Own table, not for sale' }
    case 'inspected':
    case 'state':
    case null:
      return null
  }
}

/**
 * What a label says of water that a bird took up in the chill (United States: 9 CFR 441.10, retained water is declared, from
 * memory); null where it was chilled in air, or nobody weighed it before and after.
 */
export const retainedWords = (chill: { how: Chill; retained?: number | undefined } | null): string | null =>
  chill && chill.how !== 'air' && chill.retained !== undefined && chill.retained > 0
    ? `May contain up to ${Math.ceil(chill.retained * 100)} % retained water.`
    : null
