import { issues, type Kg, type Minor, type Mm, type Names } from '#core/measure'

const packsWord = (numbers: readonly number[]) =>
  numbers.length === 1 ? `Pack ${numbers[0]!} is` : `Packs ${numbers.join(', ')} are`

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'unknown-id': ({ id, kind }: { kind: string; id: string }) =>
    `There is no ${kind} “${id}” here. Reload the page and choose again.`,
  'shut-out': ({ reason }: { reason: string; part: string; path: string }) => reason,
  'door-closed': ({ age, is, wanted }: { wanted: string; is: string; age?: true }) =>
    `This needs the carcass ${wanted}; this one is ${is}.${age ? ' If that is wrong, correct its day of birth on Hang, by papers or teeth.' : ''}`,
  'both-sides': () => 'This takes both sides at once. Choose “Both sides” to take it.',
  /** Asked of a side, a quarter or a part of an animal: what is not there. */
  'not-in-job': ({ part }: { part: Names }, says) =>
    `The ${says.small(part)} is not here: only part of the animal hangs. What hangs is said on Hang.`,
  'side-missing': () => 'This takes both sides at once, and only one hangs here.',
  'not-hung': ({ as, what }: { what: Names; as: 'whole' | 'side' | 'quarter' | 'part' }, says) =>
    `A ${says.small(what)} does not hang as ${as === 'part' ? 'that part by itself' : `a ${as}`}. Choose what it can be: whole, or a part that comes off it.`,
  'withdrawal-before': ({ given, name, until }: { name: string; given: string; until: string }) =>
    `${name}: its withdrawal (${until}) ends before it was given (${given}). Look at both days.`,
  'hot-above-live': ({ mark, live, hot }: { mark: string; live: Kg; hot: Kg }, says) =>
    `${mark}: the carcass, ${says.mass(hot)}, is no lighter than the animal, ${says.mass(live)}. Look at both weights.`,
  'more-than-count': ({ named, count }: { named: number; count: number }) =>
    `This lot has ${count}, and ${named} would be told apart. Look at the tags, or take one off.`,
  'fewer-than-count': ({ came, count }: { came: number; count: number }) =>
    `${came} came and ${count} are here or lost: more came, or fewer hang. Check the number.`,
  'killed-before-born': ({ born, killed }: { born: string; killed: string }) =>
    `Killed ${killed}, before it was born (${born}). Look at both days.`,
  'age-contradicts': ({
    born,
    killed,
    months,
    is,
  }: {
    born: string
    killed: string
    months: number
    is: 'older' | 'younger'
  }) =>
    `Born ${born} and killed ${killed} it was ${months} months old, ${is} than the 30 months said under “How it was dressed”. Correct a day or the age.`,
  'not-sold': ({ change, fact, rule }: { rule: string; fact: string; change: string }) =>
    `This meat is not sold so. ${rule} ${fact} ${change}`,
  'not-food': ({ change, fact, rule }: { rule: string; fact: string; change: string }) =>
    `Nothing of this lot is food. ${rule} ${fact} ${change}`,
  /** A part is cut in one piece over both sides: what is decided of one is decided of both. */
  'in-one-piece': ({ part }: { part: Names }, says) =>
    `The ${says.small(part)} is cut in one piece over both sides. Choose “Both sides” to cut it another way.`,
  'line-in-one-piece': ({ line, part }: { part: Names; line: Names }, says) =>
    `${says.name(line)} lies at the ${says.small(part)}, which is cut in one piece over both sides: it cannot lie apart. Move it on both sides, or cut that part another way first.`,
  /** A way that the anatomy a lot is read by does not have (any more). */
  'way-gone': () => 'The figures this lot is read by have no such way.',
  'other-half': ({ part }: { part: Names }, says) =>
    `This is cut in one with the ${says.small(part)}, which is planned otherwise.`,
  'step-done': ({ part }: { part: Names }, says) =>
    `The ${says.small(part)} is ticked off as cut. Untick it on the block card first, if it is not.`,
  'part-packed': ({ part }: { part: Names }, says) =>
    `Packs of the ${says.small(part)} are weighed already: it stays as it was cut.`,
  'split-in-one': ({ part }: { part: Names }, says) =>
    `A way that takes the ${says.small(part)} whole, or in one with another part, cannot be taken along half of it.`,
  'split-alike': ({ part }: { part: Names }, says) =>
    `Both stretches of the ${says.small(part)} are cut the same way. Choose another way for one of them.`,
  'split-beyond': (
    { part, typed, low, high }: { part: Names; typed: number; low: number; high: number },
    says,
  ) =>
    `A split at ${typed} % lies beyond the ${says.small(part)}. It can lie at ${low} to ${high} % of its length, from the front.`,
  'pieces-too-many': (
    { cut, typed, most, length }: { cut: Names; typed: number; most: number; length: Mm },
    says,
  ) =>
    `${typed} pieces are more than ${Math.floor(length)} mm can give: ${most} of ${says.small(cut)} at the thinnest a saw cuts. Ask for fewer.`,
  'tool-gone': ({ tool }: { tool: string }) =>
    `The ${tool} is down. Say on the block card when it runs again.`,
  /** A part that would be freed whole, through which a line was cut already. */
  'cut-through': ({ part }: { part: Names }, says) =>
    `A line was cut through the ${says.small(part)} already: it cannot be freed whole any more. Choose a way that leaves it where it lies.`,
  /** A fault with a weight and no cut, or the other way round; with more than there was. */
  'fault-half': () =>
    'A weight needs the cut it is of, and a cut its weight. Give both, or neither where nothing was lost.',
  'line-out-of-range': ({ line, typed, low, high }: { line: Names; typed: Mm; low: Mm; high: Mm }, says) =>
    `${says.name(line)} at ${typed} mm is off the meat. It can lie ${low} to ${high} mm from the eye.`,
  'ribs-impossible': (
    { what, typed, low, high }: { what: Names; typed: number; low: number; high: number },
    says,
  ) =>
    `A ${says.small(what)} with ${typed} ribs was never hung: ${low} to ${high} occur. Count again from the first rib.`,
  'measure-impossible': (
    { what, typed, low, high, unit }: { what: Names; typed: number; low: number; high: number; unit: string },
    says,
  ) =>
    `${says.name(what)} ${typed} ${unit} is outside ${low} to ${high} ${unit}. Check the figure and its unit.`,
  'plan-unreadable': ({ reason }: { reason: string }) =>
    `This file cannot be used as a plan: ${reason}. Nothing was changed.`,
  'repeats-undated': () => 'A cost that comes again has a first day. Say from when it was paid.',
  'repeats-ended': ({ day, until }: { day: string; until: string }) =>
    `It ends on ${until}, before it begins on ${day}. Check both days.`,
  'repeats-amount': ({ amount, all }: { amount: Minor; all: Minor }, says) =>
    `${says.money(amount)} is not what all its times come to, ${says.money(all)}. Correct what it is each time.`,
  'past-whole': ({ cut, kept, given }: { cut: Names; kept: number; given: number }, says) =>
    `${(kept * 100).toFixed(0)} % of ${says.small(cut)} kept and ${(given * 100).toFixed(0)} % given are more than all of it. Keep or give less.`,
  /** Packs named by number that are not there: never made here, voided, corrected or opened already. */
  'packs-gone': ({ numbers }: { numbers: readonly number[] }) =>
    `${packsWord(numbers)} not there: opened, voided or corrected before, or of another animal. Look the number up under Packs.`,
  /** Packs of a weighing to correct that were put away or opened since. */
  'packs-moved': ({ numbers }: { numbers: readonly number[] }) =>
    `${packsWord(numbers)} put away or opened since this was weighed. Open it and weigh again: the new entry names the old pack.`,
  /** The middle of it, where it was read last. */
  'too-warm': ({ c }: { c: number }) =>
    `Its middle was at ${c} °C when it was last read: warm meat is not frozen, it would warm what lies beside it. Chill it to 7 °C (45 °F) or less, write that down at Hang, then freeze it.`,
  'nothing-to-undo': () =>
    'What this would take back is not there, or is taken back already. Reload the page.',
  'undo-elsewhere': () =>
    'This would take back something other than what was decided then. Reload the page and undo again.',
  'undo-not-yours': () => 'This was decided on another device. Undo it there, or decide it anew here.',
  /** How something is cut, asked of a lot that is more than one group. */
  'group-needed': () => 'This lot is split into groups. Choose the group this is for.',
  /** A way that leaves the animal in one piece, asked of one side of it. */
  'only-a-half': ({ part }: { part: Names }, says) =>
    `This leaves the ${says.small(part)} in one piece, and this group is one side of each. Choose a way that takes it apart.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    plan: typeof ISSUES
  }
}
