import type { Issue } from './issue.ts'
import { PLAIN, saysFor, type Says } from './says.ts'

type Say = (figures: never, says: Says) => string
const said = new Map<string, Say>()

/** What a room refuses or doubts: each code with the figures behind it and its sentence, beside the rules of that room. */
export function issues<R extends Record<string, Say>>(rules: R): R {
  for (const [code, say] of Object.entries(rules)) said.set(code, say)
  return rules
}

/** The sentence for an issue, in a farm's units and names: which figure, why, what to do. */
export const sayIssue = ({ code, figures }: Issue, says: Says = saysFor(PLAIN)): string =>
  said.get(code)!(figures as never, says)
