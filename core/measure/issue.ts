/**
 * What is wrong with a figure, as data: a code, the field it belongs to and the numbers behind it.
 * Words come last, in `sayIssue`, so that the interface, the API and the tests share them.
 * `confirmable` issues are unusual, not impossible: the user may keep the figure.
 */
export interface Issue {
  code: IssueCode
  field: string
  figures?: Record<string, string | number>
  confirmable?: boolean
}

export type IssueCode =
  | 'mass-empty'
  | 'mass-unreadable'
  | 'mass-ambiguous'
  | 'mass-not-positive'
  | 'mass-absurd'
  | 'money-unreadable'
  | 'money-too-fine'
  | 'number-unreadable'
  | 'later-above-earlier'
  | 'dressing-impossible'
  | 'dressing-unusual'
  | 'loss-unusual'
  | 'unknown-id'
  | 'shut-out'
  | 'door-closed'
  | 'both-sides'
  | 'other-half'
  | 'step-done'
  | 'tool-gone'
  | 'line-out-of-range'
  | 'ribs-impossible'
  | 'measure-impossible'
  | 'own-unsound'
  | 'plan-unreadable'
  | 'price-impossible'
  | 'price-nothing-to-sell'
  | 'price-floor-above-ceiling'
  | 'packed-above-carcass'
  | 'packed-above-species'
  | 'packs-too-light'
  | 'base-ahead'
  | 'nothing-to-undo'
  | 'undo-elsewhere'
  | 'not-for-sale-by-cut'
  | 'bundle-damaged'
  | 'bundle-version'
  | 'bundle-gone'
  | 'bundle-sealed'
  | 'bundle-wrong-passphrase'

export type Outcome<T> = { ok: true; value: T } | { ok: false; issues: Issue[] }

export function refuse(
  code: IssueCode,
  field: string,
  figures: Issue['figures'] = {},
): { ok: false; issues: Issue[] } {
  return { ok: false, issues: [{ code, field, figures }] }
}

/** The sentence for an issue: which figure, why, what to do. */
export function sayIssue(issue: Issue): string {
  const f = issue.figures ?? {}
  switch (issue.code) {
    case 'mass-empty':
      return 'No weight was typed. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.'
    case 'mass-unreadable':
      return `“${f.typed}” is not a weight Ekko can read. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.`
    case 'mass-ambiguous':
      return `“${f.typed}” could be ${f.large} or ${f.small}. Type it without the comma.`
    case 'mass-not-positive':
      return `${f.typed} is not above zero. A weight must be more than nothing.`
    case 'mass-absurd':
      return `${f.shown} ${f.each ? 'an animal ' : ''}is outside ${f.low} to ${f.high}, what ${f.what} can weigh. ${f.meant ? `Did you mean ${f.meant}?` : 'Check the figure and its unit.'}`
    case 'money-unreadable':
      return `“${f.typed}” is not an amount of money. Type a figure such as 12.50.`
    case 'money-too-fine':
      return `“${f.typed}” has more decimals than the currency (${f.digits}). Round it.`
    case 'number-unreadable':
      return `“${f.typed}” is not a number from ${f.low} to ${f.high}.`
    case 'later-above-earlier':
      return `${f.later} ${f.laterShown} is above ${f.earlier} ${f.earlierShown}. A carcass only loses weight here: check both figures, and whether one is in the other unit.`
    case 'dressing-impossible':
      return `${f.hot} hot from ${f.live} live would dress at ${f.percent} %. No ${f.what} dresses outside ${f.low}–${f.high} %: check both figures and their units.`
    case 'dressing-unusual':
      return `${f.hot} hot from ${f.live} live dresses at ${f.percent} %; ${f.low}–${f.high} % is usual for this dressing. Was it weighed with the skin and head on as stated? Keep it only if the slip says so.`
    case 'loss-unusual':
      return `${f.later} ${f.laterShown} is ${f.percent} % below ${f.earlier} ${f.earlierShown}; ${f.low}–${f.high} % is usual. Keep it only if the scale said so.`
    case 'unknown-id':
      return `There is no ${f.kind} “${f.id}” here. Reload the page and choose again.`
    case 'shut-out':
      return `${f.reason}`
    case 'door-closed':
      return `This needs the carcass ${f.wanted}; this one is ${f.is}.`
    case 'both-sides':
      return 'This takes both sides at once. Choose “Both sides” to take it.'
    case 'other-half':
      return `This is cut in one with the ${f.part}, which is planned otherwise.`
    case 'tool-gone':
      return `The ${f.tool} is down. Say on the block card when it runs again.`
    case 'step-done':
      return `The ${f.part} is ticked off as cut. Untick it on the block card first, if it is not.`
    case 'line-out-of-range':
      return `${f.line} at ${f.typed} mm is off the meat. It can lie ${f.low} to ${f.high} mm from the eye.`
    case 'ribs-impossible':
      return `A ${f.what} with ${f.typed} ribs was never hung: ${f.low} to ${f.high} occur. Count again from the first rib.`
    case 'measure-impossible':
      return `${f.what} ${f.typed} ${f.unit} is outside ${f.low} to ${f.high} ${f.unit}. Check the figure and its unit.`
    case 'plan-unreadable':
      return `This file cannot be used as a plan: ${f.reason}. Nothing was changed.`
    case 'own-unsound':
      return `${f.where}: ${f.what}.`
    case 'price-impossible':
      return `These bounds cannot bring in ${f.need}: with every price at its highest the cuts bring ${f.most}, ${f.short} short. ${f.binding ? `Held down by ${f.binding}. ` : ''}Lift a ceiling, free a lock or lower the target.`
    case 'price-nothing-to-sell':
      return 'No unlocked cut with an expected weight and a price index is left to price. Free a lock or give a cut an index.'
    case 'price-floor-above-ceiling':
      return `The floor ${f.floor} for ${f.cut} is above its ceiling ${f.ceiling}. Lower the floor or lift the ceiling.`
    case 'packed-above-carcass':
      return `With this entry ${f.packed} would have come off a carcass of ${f.carcass}. Check the figure and its unit, or correct an earlier entry.`
    case 'packed-above-species':
      return `With this entry ${f.packed} would have come off ${f.what}, and none gives more than ${f.most}. Check the figure and its unit.`
    case 'packs-too-light':
      return `${f.shown} in ${f.packs} packs would be ${f.each} g a pack. Check the weight and the number of packs.`
    case 'base-ahead':
      return 'This page knows decisions that are not in these records, which may have been brought back from a copy. Reload the page and decide again.'
    case 'nothing-to-undo':
      return 'What this would take back is not there, or is taken back already. Reload the page.'
    case 'undo-elsewhere':
      return 'This would take back something other than what was decided then. Reload the page and undo again.'
    case 'not-for-sale-by-cut':
      return `${f.reason}`
    case 'bundle-damaged':
      return `This bundle is damaged: ${f.where ? `${f.where}: ` : ''}${f.reason}. Nothing was changed. Use another copy.`
    case 'bundle-gone':
      return 'This bundle is no longer there. Look at the list again; a stick may have been pulled out.'
    case 'bundle-sealed':
      return 'This bundle is sealed. Type the passphrase it was sealed with.'
    case 'bundle-wrong-passphrase':
      return 'This passphrase does not open the bundle, or the file was changed since it was sealed. Check capitals and spaces. A lost passphrase cannot be found again.'
    case 'bundle-version':
      return `This bundle is of version ${f.version}; this Ekko reads version ${f.reads}. Nothing was changed.`
  }
}
