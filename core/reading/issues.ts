import { issues, type Interval, type Kg, type Names, type TypedMass } from '#core/measure'

/** What is refused or doubted here: its code, the figures behind it, its sentence. */
export const ISSUES = issues({
  'tub-too-small': ({ most }: { most: Kg }, says) =>
    `No one weighing of this tub holds so much: the heaviest is ${says.mass(most)}.`,
  'part-above-carcass': ({ part, typed, most }: { part: Names; typed: Kg; most: Kg }, says) =>
    `${says.mass(typed)} of ${says.small(part)} is more than the ${says.mass(most)} the rest of the carcass leaves for it. Check the figure, its side and its unit.`,
  'cut-away-above-part': ({ part, typed, most }: { part: Names; typed: Kg; most: Kg }, says) =>
    `${says.mass(typed)} cannot be cut away: there are ${says.mass(most)} of ${says.small(part)}. Check the figure and its unit.`,
  'packed-above-carcass': ({ carcass, packed }: { packed: Kg; carcass: Kg }, says) =>
    `With this entry ${says.mass(packed)} would have come off a carcass of ${says.mass(carcass)}. Check the figure and its unit, or correct an earlier entry.`,
  'packed-above-species': (
    { packed, most, what, count }: { packed: Kg; most: Kg; what: Names; count: number },
    says,
  ) =>
    `With this entry ${says.mass(packed)} would have come off ${count} × ${says.small(what)}, and none gives more than ${says.mass(most)}. Check the figure and its unit.`,
  'packs-unlikely': ({ cut, expected, packed }: { cut: Names; expected: Interval; packed: Kg }, says) =>
    `Expected ${says.massRange(expected)} of ${says.small(cut)}; with this you have ${says.mass(packed)}. Keep it if the scale said so.`,
  'packs-too-light': ({ shown, packs, eachGrams }: { shown: TypedMass; packs: number; eachGrams: number }) =>
    `${shown.value} ${shown.unit} in ${packs} packs would be ${eachGrams.toFixed(1)} g a pack. Check the weight and the number of packs.`,
  /** A group that weighs more than the whole lot leaves for it, or a lot that weighs less than its groups. */
  'group-above-lot': ({ group, left, of }: { group: Kg; left: Kg; of: 'group' | 'lot' }, says) =>
    of === 'group'
      ? `This group at ${says.mass(group)} would leave the others less than they can weigh: of the whole lot there are ${says.mass(left)} for it. Check which of the two weights is wrong.`
      : `The groups weighed already come to ${says.mass(group)}: a lot of ${says.mass(left)} leaves the others less than they can weigh. Check which of the two weights is wrong.`,
})

declare module '../measure/issue.ts' {
  interface IssueRooms {
    reading: typeof ISSUES
  }
}
