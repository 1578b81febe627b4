import { issues, minor, type Minor, type Names } from '#core/measure'

const MOST_NAMED = 6

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'price-impossible': (
    { need, most, ceilings, locks }: { need: Minor; most: Minor; ceilings: Names[]; locks: Names[] },
    says,
  ) => {
    const bounds = [
      ...ceilings.map((n) => `the ceiling on ${says.name(n)}`),
      ...locks.map((n) => `the lock on ${says.name(n)}`),
    ]
    const more = bounds.length - MOST_NAMED
    const named = bounds.slice(0, MOST_NAMED).join(', ') + (more > 0 ? ` and ${more} more` : '')
    return `These bounds cannot bring in ${says.money(need)}: with every price at its highest the cuts bring ${says.money(most)}, ${says.money(minor(Math.max(0, need - most)))} short. ${named ? `Held down by ${named}. ` : ''}Lift a ceiling, free a lock or lower the target.`
  },
  'price-nothing-to-sell': () =>
    'No unlocked cut with an expected weight and a price index is left to price. Free a lock or give a cut an index.',
  'price-floor-above-ceiling': (
    { cut, floor, ceiling }: { cut: Names; floor: Minor; ceiling: Minor },
    says,
  ) =>
    `The floor ${says.money(floor)} for ${says.name(cut)} is above its ceiling ${says.money(ceiling)}. Lower the floor or lift the ceiling.`,
  /** A joint cost that a way of sharing finds nothing to share over. */
  'joint-nothing': ({ method }: { method: 'weight' | 'split-off' | 'realisable' | 'margin' }) =>
    method === 'weight'
      ? 'There is nothing to share the cost over: nothing has a weight yet. Enter one at Hang.'
      : 'There is nothing to share the cost over: nothing is sold for more than it costs by itself. Set prices, or share by weight.',
  /** More animals than there are left. */
  'more-than-alive': ({ alive, asked }: { asked: number; alive: number }) =>
    `${asked} are more than the ${alive} that are alive. Check the number, or the losses.`,
  /** More are said to be lost of those nobody knows of than there are. */
  'more-than-missing': ({ asked, missing }: { asked: number; missing: number }) =>
    `${asked} are more than the ${missing} that came and are not accounted for. Check the number.`,
  'fewer-came': ({ least }: { least: number }) =>
    `At least the ${least} that are here or were lost came. Type how many came, lost ones too.`,
  'before-they-came': ({ came }: { came: string }) => `That is before they came, on ${came}. Check the day.`,
  'none-left': ({ alive }: { alive: number }) =>
    `That would leave none of the ${alive}. If all are gone, say at Hang how it ended: died.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    ledger: typeof ISSUES
  }
}
