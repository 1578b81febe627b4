import type { Issue, WeightStage } from './issue.ts'
import type { Names } from './names.ts'
import { PLAIN, saysFor, type Says } from './says.ts'
import { minor } from './units.ts'

const packsWord = (numbers: readonly number[]) =>
  numbers.length === 1 ? `Pack ${numbers[0]!} is` : `Packs ${numbers.join(', ')} are`

const STAGE_WORD: Record<WeightStage, string> = {
  live: 'Live weight',
  shrunk: 'Fasted live weight',
  hot: 'Hot weight',
  cold: 'Cold weight',
  aged: 'Aged weight',
}
const percent = (ratio: number, digits: number) => (ratio * 100).toFixed(digits)
const MOST_NAMED = 6

/** The sentence for an issue: which figure, why, what to do. */
export function sayIssue(issue: Issue, says: Says = saysFor(PLAIN)): string {
  const small = (names: Names) => says.name(names).toLowerCase()
  switch (issue.code) {
    case 'mass-empty':
      return 'No weight was typed. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.'
    case 'mass-unreadable':
      return `“${issue.figures.typed}” is not a weight Ekko can read. Type a figure such as “260 lb”, “118 kg” or “12lb 6oz”.`
    case 'mass-ambiguous':
      return `“${issue.figures.typed}” could be ${issue.figures.large} or ${issue.figures.small}. Type it without the comma.`
    case 'mass-not-positive':
      return `${issue.figures.typed} is not above zero. A weight must be more than nothing.`
    case 'mass-absurd': {
      const { each, count, low, high, what, of, meant } = issue.figures
      const animal =
        of === 'live'
          ? `a live ${small(what)}`
          : of === 'carcass'
            ? `a ${small(what)} carcass`
            : `such a piece of a ${small(what)}`
      const hint = meant ? `Did you mean ${meant.value} ${meant.unit}?` : 'Check the figure and its unit.'
      return `${says.mass(each, 1)} ${count > 1 ? (of === 'piece' ? 'a piece ' : 'an animal ') : ''}is outside ${says.mass(low, 0)} to ${says.mass(high, 0)}, what ${animal} can weigh. ${hint}`
    }
    case 'money-unreadable':
      return `“${issue.figures.typed}” is not an amount of money. Type a figure such as 12.50.`
    case 'money-too-fine':
      return `“${issue.figures.typed}” has more decimals than the currency (${issue.figures.digits}). Round it.`
    case 'temperature-unreadable':
      return `“${issue.figures.typed}” is no temperature from ${String(issue.figures.low).replace('-', '−')} to ${issue.figures.high} °C. Type 4.5, or 40 F.`
    case 'number-unreadable':
      return `“${issue.figures.typed}” is not a number from ${issue.figures.low} to ${issue.figures.high}.`
    case 'later-above-earlier': {
      const { later, earlier } = issue.figures
      return `${STAGE_WORD[later.stage]} ${says.mass(later.kg, 1)} is above ${STAGE_WORD[earlier.stage].toLowerCase()} ${says.mass(earlier.kg, 1)}. A carcass only loses weight here: check both figures, and whether one is in the other unit.`
    }
    case 'dressing-impossible': {
      const { hot, live, what, ratio, low, high } = issue.figures
      return `${says.mass(hot, 1)} hot from ${says.mass(live, 1)} live would dress at ${percent(ratio, 1)} %. No ${small(what)} dresses outside ${percent(low, 0)}–${percent(high, 0)} %: check both figures and their units.`
    }
    case 'dressing-unusual': {
      const { hot, live, ratio, low, high } = issue.figures
      return `${says.mass(hot, 1)} hot from ${says.mass(live, 1)} live dresses at ${percent(ratio, 1)} %; ${percent(low, 1)}–${percent(high, 1)} % is usual for this dressing. Was it weighed with the skin and head on as stated? Keep it only if the slip says so.`
    }
    case 'loss-unusual': {
      const { later, earlier, ratio, low, high } = issue.figures
      return `${STAGE_WORD[later.stage]} ${says.mass(later.kg, 1)} is ${percent(ratio, 1)} % below ${STAGE_WORD[earlier.stage].toLowerCase()} ${says.mass(earlier.kg, 1)}; ${percent(low, 0)}–${percent(high, 1)} % is usual. Keep it only if the scale said so.`
    }
    case 'unknown-id':
      return `There is no ${issue.figures.kind} “${issue.figures.id}” here. Reload the page and choose again.`
    case 'shut-out':
      return issue.figures.reason
    case 'door-closed':
      return `This needs the carcass ${issue.figures.wanted}; this one is ${issue.figures.is}.${issue.figures.age ? ' If that is wrong, correct its day of birth on Hang, by papers or teeth.' : ''}`
    case 'way-gone':
      return 'The figures this lot is read by have no such way.'
    case 'anatomy-unknown':
      return 'These figures are not here. Load the page again and look once more.'
    case 'weighed-gone':
      return `${says.name(issue.figures.what)} was weighed or ticked off, and the newer figures have nothing of that name: this lot keeps the figures it has.`
    case 'both-sides':
      return 'This takes both sides at once. Choose “Both sides” to take it.'
    case 'not-in-job':
      return `The ${small(issue.figures.part)} is not here: only part of the animal hangs. What hangs is said on Hang.`
    case 'side-missing':
      return 'This takes both sides at once, and only one hangs here.'
    case 'not-hung':
      return `A ${small(issue.figures.what)} does not hang as ${issue.figures.as === 'part' ? 'that part by itself' : `a ${issue.figures.as}`}. Choose what it can be: whole, or a part that comes off it.`
    case 'no-live-weight':
      return 'Only part of an animal hangs here: it has no live weight. Write what it weighed on the hook or in its box.'
    case 'withdrawal-before':
      return `${issue.figures.name}: its withdrawal (${issue.figures.until}) ends before it was given (${issue.figures.given}). Look at both days.`
    case 'hot-above-live': {
      const { mark, live, hot } = issue.figures
      return `${mark}: the carcass, ${says.mass(hot)}, is no lighter than the animal, ${says.mass(live)}. Look at both weights.`
    }
    case 'more-than-count': {
      const { named, count } = issue.figures
      return `This lot has ${count}, and ${named} would be told apart. Look at the tags, or take one off.`
    }
    case 'killed-before-born':
      return `Killed ${issue.figures.killed}, before it was born (${issue.figures.born}). Look at both days.`
    case 'age-contradicts': {
      const { born, killed, months, is } = issue.figures
      return `Born ${born} and killed ${killed} it was ${months} months old, ${is} than the 30 months said under “How it was dressed”. Correct a day or the age.`
    }
    case 'not-sold':
      return `This meat is not sold so. ${issue.figures.rule} ${issue.figures.fact} ${issue.figures.change}`
    case 'not-food':
      return `Nothing of this lot is food. ${issue.figures.rule} ${issue.figures.fact} ${issue.figures.change}`
    case 'perhaps-side': {
      const { each, what, low } = issue.figures
      return `${says.mass(each, 1)} is light for a whole ${small(what)}: they start at about ${says.mass(low, 0)}. Is it one side? Then say so under “What hangs”. If it is a whole one, keep the figure.`
    }
    case 'in-one-piece':
      return `The ${small(issue.figures.part)} is cut in one piece over both sides. Choose “Both sides” to cut it another way.`
    case 'line-in-one-piece':
      return `${says.name(issue.figures.line)} lies at the ${small(issue.figures.part)}, which is cut in one piece over both sides: it cannot lie apart. Move it on both sides, or cut that part another way first.`
    case 'other-half':
      return `This is cut in one with the ${small(issue.figures.part)}, which is planned otherwise.`
    case 'cut-through':
      return `A line was cut through the ${small(issue.figures.part)} already: it cannot be freed whole any more. Choose a way that leaves it where it lies.`
    case 'fault-half':
      return 'A weight needs the cut it is of, and a cut its weight. Give both, or neither where nothing was lost.'
    case 'fault-too-much': {
      const { cut, typed, held } = issue.figures
      return `${says.mass(typed)} is more than the ${says.mass(held)} of ${small(cut)} that this step gives. Check the figure and its unit.`
    }
    case 'fault-nowhere':
      return `${says.name(issue.figures.cut)} does not come out of this step as it is planned. Choose one of its cuts.`
    case 'order-cannot': {
      const { step, other, why } = issue.figures
      return `${says.name(step)} cannot come before ${small(other)}: ${why}`
    }
    case 'tool-gone':
      return `The ${issue.figures.tool} is down. Say on the block card when it runs again.`
    case 'step-done':
      return `The ${small(issue.figures.part)} is ticked off as cut. Untick it on the block card first, if it is not.`
    case 'part-packed':
      return `Packs of the ${small(issue.figures.part)} are weighed already: it stays as it was cut.`
    case 'part-above-carcass': {
      const { part, typed, most } = issue.figures
      return `${says.mass(typed)} of ${small(part)} is more than the ${says.mass(most)} the rest of the carcass leaves for it. Check the figure, its side and its unit.`
    }
    case 'cut-away-above-part': {
      const { part, typed, most } = issue.figures
      return `${says.mass(typed)} cannot be cut away: there are ${says.mass(most)} of ${small(part)}. Check the figure and its unit.`
    }
    case 'split-in-one':
      return `A way that takes the ${small(issue.figures.part)} whole, or in one with another part, cannot be taken along half of it.`
    case 'split-alike':
      return `Both stretches of the ${small(issue.figures.part)} are cut the same way. Choose another way for one of them.`
    case 'split-beyond': {
      const { part, typed, low, high } = issue.figures
      return `A split at ${typed} % lies beyond the ${small(part)}. It can lie at ${low} to ${high} % of its length, from the front.`
    }
    case 'pieces-too-many': {
      const { cut, typed, most, length } = issue.figures
      return `${typed} pieces are more than ${Math.floor(length)} mm can give: ${most} of ${says.name(cut).toLowerCase()} at the thinnest a saw cuts. Ask for fewer.`
    }
    case 'line-out-of-range': {
      const { line, typed, low, high } = issue.figures
      return `${says.name(line)} at ${typed} mm is off the meat. It can lie ${low} to ${high} mm from the eye.`
    }
    case 'ribs-impossible': {
      const { what, typed, low, high } = issue.figures
      return `A ${small(what)} with ${typed} ribs was never hung: ${low} to ${high} occur. Count again from the first rib.`
    }
    case 'measure-impossible': {
      const { what, typed, low, high, unit } = issue.figures
      return `${says.name(what)} ${typed} ${unit} is outside ${low} to ${high} ${unit}. Check the figure and its unit.`
    }
    case 'plan-unreadable':
      return `This file cannot be used as a plan: ${issue.figures.reason}. Nothing was changed.`
    case 'own-unsound':
      return `${issue.figures.where}: ${issue.figures.what}.`
    case 'price-impossible': {
      const { need, most, ceilings, locks } = issue.figures
      const bounds = [
        ...ceilings.map((n) => `the ceiling on ${says.name(n)}`),
        ...locks.map((n) => `the lock on ${says.name(n)}`),
      ]
      const more = bounds.length - MOST_NAMED
      const named = bounds.slice(0, MOST_NAMED).join(', ') + (more > 0 ? ` and ${more} more` : '')
      return `These bounds cannot bring in ${says.money(need)}: with every price at its highest the cuts bring ${says.money(most)}, ${says.money(minor(Math.max(0, need - most)))} short. ${named ? `Held down by ${named}. ` : ''}Lift a ceiling, free a lock or lower the target.`
    }
    case 'price-nothing-to-sell':
      return 'No unlocked cut with an expected weight and a price index is left to price. Free a lock or give a cut an index.'
    case 'repeats-undated':
      return 'A cost that comes again has a first day. Say from when it was paid.'
    case 'repeats-ended':
      return `It ends on ${issue.figures.until}, before it begins on ${issue.figures.day}. Check both days.`
    case 'repeats-amount': {
      const { amount, all } = issue.figures
      return `${says.money(amount)} is not what all its times come to, ${says.money(all)}. Correct what it is each time.`
    }
    case 'past-whole': {
      const { cut, kept, given } = issue.figures
      return `${percent(kept, 0)} % of ${small(cut)} kept and ${percent(given, 0)} % given are more than all of it. Keep or give less.`
    }
    case 'price-floor-above-ceiling': {
      const { cut, floor, ceiling } = issue.figures
      return `The floor ${says.money(floor)} for ${says.name(cut)} is above its ceiling ${says.money(ceiling)}. Lower the floor or lift the ceiling.`
    }
    case 'packed-above-carcass':
      return `With this entry ${says.mass(issue.figures.packed)} would have come off a carcass of ${says.mass(issue.figures.carcass)}. Check the figure and its unit, or correct an earlier entry.`
    case 'packed-above-species': {
      const { packed, most, what, count } = issue.figures
      return `With this entry ${says.mass(packed)} would have come off ${count} × ${small(what)}, and none gives more than ${says.mass(most)}. Check the figure and its unit.`
    }
    case 'packs-unlikely': {
      const { cut, expected, packed } = issue.figures
      return `Expected ${says.massRange(expected)} of ${says.name(cut).toLowerCase()}; with this you have ${says.mass(packed)}. Keep it if the scale said so.`
    }
    case 'too-warm':
      return `Its middle was at ${issue.figures.c} °C when it was last read: warm meat is not frozen, it would warm what lies beside it. Chill it to 7 °C (45 °F) or less, write that down at Hang, then freeze it.`
    case 'packs-gone':
      return `${packsWord(issue.figures.numbers)} not there: opened, voided or corrected before, or of another animal. Look the number up under Packs.`
    case 'packs-moved':
      return `${packsWord(issue.figures.numbers)} put away or opened since this was weighed. Open it and weigh again: the new entry names the old pack.`
    case 'packs-too-light': {
      const { shown, packs, eachGrams } = issue.figures
      return `${shown.value} ${shown.unit} in ${packs} packs would be ${eachGrams.toFixed(1)} g a pack. Check the weight and the number of packs.`
    }
    case 'base-ahead':
      return 'This page knows decisions that are not in these records, which may have been brought back from a copy. Reload the page and decide again.'
    case 'nothing-to-undo':
      return 'What this would take back is not there, or is taken back already. Reload the page.'
    case 'undo-elsewhere':
      return 'This would take back something other than what was decided then. Reload the page and undo again.'
    case 'undo-not-yours':
      return 'This was decided on another device. Undo it there, or decide it anew here.'
    case 'corrected-before':
      return 'This was corrected already. Reload the page and correct the newest figure.'
    case 'groups-unequal':
      return `A group of ${issue.figures.parent} cannot be split into ${issue.figures.children}. The parts must come to the whole.`
    case 'fewer-than-count':
      return `${issue.figures.came} came and ${issue.figures.count} are here or lost: more came, or fewer hang. Check the number.`
    case 'more-than-alive':
      return `${issue.figures.asked} are more than the ${issue.figures.alive} that are alive. Check the number, or the losses.`
    case 'more-than-missing':
      return `${issue.figures.asked} are more than the ${issue.figures.missing} that came and are not accounted for. Check the number.`
    case 'none-left':
      return `That would leave none of the ${issue.figures.alive}. If all are gone, say at Hang how it ended: died.`
    case 'station-empty':
      return `Nobody works at “${issue.figures.station}”. Name somebody there, or leave it open to all.`
    case 'past-midnight':
      return `At this pace the last is done at ${issue.figures.clock} of the next day. Begin earlier, take fewer, or have more hands.`
    case 'ice-short':
      return `${says.mass(issue.figures.given)} of ice cannot take the heat: birds and water need ${says.mass(issue.figures.needed)} at the least. Have more, or less and colder water.`
    case 'chill-late':
      return `They would take about ${issue.figures.hours.toFixed(1)} h to 4 °C (40 °F) and have ${issue.figures.allowed} h. Keep the ice moving, or chill smaller lots.`
    case 'not-a-batch':
      return `No run sheet is made for this: ${small(issue.figures.what)} is not taken through a line of stations.`
    case 'joint-nothing':
      return issue.figures.method === 'weight'
        ? 'There is nothing to share the cost over: nothing has a weight yet. Enter one at Hang.'
        : 'There is nothing to share the cost over: nothing is sold for more than it costs by itself. Set prices, or share by weight.'
    case 'group-gone':
      return `“${issue.figures.name}” is no group any more: it was split, or put together with others. Choose one of those it became.`
    case 'group-needed':
      return 'This lot is split into groups. Choose the group this is for.'
    case 'groups-unlike':
      return 'Sides and whole animals cannot be one group. Put together two groups of whole animals, or the sides of the same ones.'
    case 'group-above-lot': {
      const { group, left, of } = issue.figures
      return of === 'group'
        ? `This group at ${says.mass(group)} would leave the others less than they can weigh: of the whole lot there are ${says.mass(left)} for it. Check which of the two weights is wrong.`
        : `The groups weighed already come to ${says.mass(group)}: a lot of ${says.mass(left)} leaves the others less than they can weigh. Check which of the two weights is wrong.`
    }
    case 'only-a-half':
      return `This leaves the ${small(issue.figures.part)} in one piece, and this group is one side of each. Choose a way that takes it apart.`
    case 'attachment-gone':
      return `The bytes of “${issue.figures.name}” did not arrive. Attach it again.`
    case 'not-for-sale-by-cut':
      return issue.figures.reason
    case 'bundle-damaged': {
      const { where, reason } = issue.figures
      return `This bundle is damaged: ${where ? `${where}: ` : ''}${reason}. Nothing was changed. Use another copy.`
    }
    case 'bundle-gone':
      return 'This bundle is no longer there. Look at the list again; a stick may have been pulled out.'
    case 'bundle-sealed':
      return 'This bundle is sealed. Type the passphrase it was sealed with.'
    case 'bundle-wrong-passphrase':
      return 'This passphrase does not open the bundle, or the file was changed since it was sealed. Check capitals and spaces. A lost passphrase cannot be found again.'
    case 'bundle-kind': {
      const { family, kind, form, reads } = issue.figures
      const here = reads === null ? 'this Ekko knows no such thing' : `this Ekko reads form ${reads} of it`
      return `This bundle holds a ${family} “${kind}” of form ${form}; ${here}: a newer one wrote it. Nothing was changed. Restore it with that one.`
    }
    case 'bundle-version':
      return `This bundle is of version ${issue.figures.version}; this Ekko reads version ${issue.figures.reads}. Nothing was changed.`
  }
}
