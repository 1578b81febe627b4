import { partsOf, type OfLot, type Pending } from '../state/queue.ts'

const some = (n: number, one: string, a = 'a') => (n === 1 ? `${a} ${one}` : `${n} ${one}s`)

function sayPart(item: OfLot): string {
  if ('pack' in item) return `a weighing of ${item.pack.shown.value} ${item.pack.shown.unit}`
  if ('weighing' in item) return `a weight of ${item.weighing.shown.value} ${item.weighing.shown.unit}`
  if ('facts' in item) return some(item.facts.length, 'note')
  if ('hung' in item) return `a new lot, ${some(item.hung.count, 'animal', 'one')}`
  if ('split' in item) return `split into ${item.split.into.map((g) => g.name).join(' and ')}`
  if ('joined' in item) return `groups put together to ${item.joined.name}`
  return some(item.append.commands.length, 'decision')
}

/** What lies in the queue, in the words of the screen; of which lot is said before it. */
export const sayPending = (item: Pending): string =>
  'settings' in item ? 'its settings' : partsOf(item).map(sayPart).join(', ')

/** Whose it is: a lot by its name, also one that lies in the queue itself, or the farm. */
export function whoseIs(
  item: Pending,
  cards: ReadonlyMap<string, { tag: string }>,
  all: readonly Pending[],
): string {
  if ('settings' in item) return 'The farm'
  const hung = all.flatMap(partsOf).find((p) => 'hung' in p && p.lot === item.lot)
  return cards.get(item.lot)?.tag ?? (hung && 'hung' in hung ? hung.hung.tag : 'A lot')
}
