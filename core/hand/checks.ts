import { CHECK_WORDS, CLASS_OF, type CheckId, type SideName } from '#core/records'
import type { Reckoning } from '#core/reading'
import { dressingOf } from './dressing.ts'
import type { Ordered, Task } from './order.ts'
import { stepsOf } from './steps.ts'
import type { ActionId } from './actions.ts'

/** What is looked at before a step is done: its word, what is right, and whether the probe's figure is written with it. */
export interface CheckPoint {
  word: string
  right: string
  probe?: boolean
}

/** What is put away is no warmer, °C (docs/sources.md: check-points). */
export const COLD_C = 4

/** docs/sources.md: check-points (common practice). */
export const CHECK_POINTS: { readonly [C in CheckId]: CheckPoint } = {
  route: {
    word: CHECK_WORDS.route,
    right: 'The mark of its route is on it (inspection stamp, or “not for sale”), and the tag is this lot’s.',
  },
  fouled: {
    word: CHECK_WORDS.fouled,
    right: 'No gut, bile or hair on the meat; what was touched is cut away.',
  },
  heart: { word: CHECK_WORDS.heart, right: 'Opened, no clot left in it.' },
  cavity: { word: CHECK_WORDS.cavity, right: 'Lungs, crop and windpipe out, rinsed.' },
  glands: { word: CHECK_WORDS.glands, right: 'Each found and lifted whole, none cut through.' },
  cord: { word: CHECK_WORDS.cord, right: 'The channel is empty from end to end.' },
  membrane: { word: CHECK_WORDS.membrane, right: 'In one sheet, none left.' },
  kneecap: { word: CHECK_WORDS.kneecap, right: 'Whole, no chips where it lay.' },
  tendon: { word: CHECK_WORDS.tendon, right: 'No white end left to draw the meat together.' },
  swept: { word: CHECK_WORDS.swept, right: 'No bone, no cartilage under bare fingertips.' },
  dust: { word: CHECK_WORDS.dust, right: 'No grey paste on any sawn face.' },
  even: { word: CHECK_WORDS.even, right: 'No thin end that burns, none that stays raw.' },
  sealed: { word: CHECK_WORDS.sealed, right: 'Sealed twice, no crease in the seal.' },
  cold: {
    word: CHECK_WORDS.cold,
    right:
      'At or below 4 °C (40 °F, the rule of the United States) in the middle; time out of the cold written.',
    probe: true,
  },
}

const BY_ACTION: Partial<Record<ActionId, CheckId>> = {
  gland: 'glands',
  cord: 'cord',
  membrane: 'membrane',
  tendon: 'tendon',
  sweep: 'swept',
  scrape: 'dust',
  open: 'even',
  blade: 'even',
}

/** The check points of a step of the work, on one of its sides, in the order they come up. */
export function checksOf(
  read: Reckoning,
  { tasks }: Pick<Ordered, 'tasks'>,
  task: Task,
  side: SideName,
): CheckId[] {
  switch (task.kind) {
    case 'ready':
      return ['route']
    case 'dress':
      return CLASS_OF[read.flow.anatomy.species] === 'poultry' ? ['fouled', 'cavity'] : ['fouled', 'heart']
    case 'cavity':
      return ['fouled']
    case 'glands':
      return ['glands']
    case 'line':
      // Scraped once, when all lines are cut.
      return tasks.findLast((t) => t.kind === 'line') === task && read.flow.anatomy.ribs ? ['dust'] : []
    case 'open': {
      const slot = read.cutting.slot(task.id, side)
      if (!slot) return []
      const ways = slot.rear ? [slot.path, slot.rear.path] : [slot.path]
      const found = new Set<CheckId>(task.id === 'heart' ? ['heart'] : [])
      for (const path of ways)
        for (const s of stepsOf(read.flow.anatomy, path, read.plan.portions)) {
          const check = BY_ACTION[s.action]
          if (check) found.add(check)
          if (s.action === 'boneOut' && s.at.includes('kneecap')) found.add('kneecap')
        }
      return [...found]
    }
    case 'pack':
      return ['sealed', 'cold']
    case 'off':
    case 'free':
    case 'finish':
    case 'wash':
      return []
  }
}

/** A check point of the card that nobody has signed. */
export interface OpenCheck {
  task: Task
  side: SideName
  check: CheckId
}

/** The sides a step's check points are signed on: one signature where its sides are cut alike, else one a side. */
export function signedSides(read: Reckoning, task: Task): SideName[] {
  const way = (side: SideName) => {
    const slot = read.cutting.slot(task.id, side)
    return `${slot?.path.id} ${slot?.rear?.path.id} ${slot?.rear?.at} ${read.plan.held.get(task.id, side)}`
  }
  return task.sides.filter((s, i) => task.sides.findIndex((x) => way(x) === way(s)) === i)
}

/** All check points of a card, and of them those that nobody has signed. */
export function openChecks(
  read: Reckoning,
  work: Pick<Ordered, 'tasks'>,
): { all: OpenCheck[]; open: OpenCheck[] } {
  const all = work.tasks.flatMap((task) =>
    signedSides(read, task).flatMap((side) =>
      checksOf(read, work, task, side).map((check) => ({ task, side, check })),
    ),
  )
  const signed = new Set(read.plan.checks.map((c) => `${c.check} ${c.of} ${c.side}`))
  return { all, open: all.filter((c) => !signed.has(`${c.check} ${c.task.id} ${c.side}`)) }
}

/** Who signed for what goes into the packs of a cut: at the steps it comes out of, and at the wrapping. */
export function signersOf(read: Reckoning, cut: string): string[] {
  const from = new Set(
    read.cutting.slots.flatMap((s) =>
      s.rows.some((r) => r.cut?.id === cut && r.green > 1e-9) ? [s.part] : [],
    ),
  )
  const signed = read.plan.checks.filter((c) => from.has(c.of) || c.of === 'pack')
  return [...new Set(signed.map((c) => c.by))]
}

/** The dressing that stands on the card as one step, said thing by thing. */
export const sayDressing = (read: Reckoning): string =>
  dressingOf(read)
    .map((d) => `${d.word}: ${d.how}`)
    .join(' ')
