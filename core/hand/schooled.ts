import type { Says } from '#core/measure'
import { schoolOf, type Schools } from '#core/plan'
import type { SchoolId } from '#core/records'
import { ACTIONS, type Action, type ActionId, type HandTool } from './actions.ts'
import type { HandStep } from './handStep.ts'

/** What a way of working changes of an action: how it is done and with what, everywhere or at some landmarks. */
interface Swap {
  actions: readonly ActionId[]
  at?: RegExp
  how: string
  tool?: HandTool
}

/** Common practice. */
const SWAPS: Partial<Record<SchoolId, Readonly<Record<string, readonly Swap[]>>>> = {
  saw: {
    'band-saw': [
      {
        actions: ['sawAcross', 'sawOff', 'chine'],
        how: 'Fence set to the thickness, guard down to the piece, an even push with the pusher; nothing that can roll.',
      },
    ],
    'knife-then-saw': [
      {
        actions: ['sawAcross', 'sawOff', 'chine'],
        how: 'The knife all round to the bone first, meat drawn apart; the saw through bone only, the knife to finish.',
      },
    ],
  },
  aitch: {
    sawn: [
      {
        actions: ['boneOut'],
        at: /aitch/,
        how: 'Saw through it where the legs part; each half comes off with the knife afterwards, edges scraped.',
        tool: 'saw',
      },
    ],
  },
  blade: {
    tunnelled: [
      {
        actions: ['boneOut'],
        at: /blade/,
        how: 'From inside: short strokes on both flats of the bone towards the ball joint, turned and drawn out; the outside stays whole.',
      },
    ],
  },
  roll: {
    middle: [
      {
        actions: ['roll'],
        how: 'Thin flaps inward, rolled tight by hand, the first string in the middle before you let go.',
      },
    ],
  },
  membrane: {
    cloth: [
      {
        actions: ['membrane'],
        how: 'A blunt handle under it anywhere over a bone, lifted until it tears free; a dry cloth, and draw slowly.',
      },
    ],
  },
  grind: {
    once: [
      {
        actions: ['grind'],
        how: 'Once, through the coarse plate, fed by its own weight, and into the cold.',
      },
    ],
  },
}

/** Steps as a farm works: the way it does an action, and rind that is taken off when the pieces are cut. */
export function inSchool(steps: readonly HandStep[], schools: Schools): HandStep[] {
  if (schools.size === 0) return [...steps]
  const swapped = steps.map((s): HandStep => {
    for (const [id, way] of schools)
      for (const swap of SWAPS[id]?.[way] ?? [])
        if (swap.actions.includes(s.action) && (swap.at?.test(s.at) ?? true))
          return { ...s, how: swap.how, tool: swap.tool ?? s.tool }
    return s
  })
  return schoolOf(schools, 'rind') === 'after' ? rindLast(swapped) : swapped
}

const PIECES: ReadonlySet<ActionId> = new Set(['sawAcross', 'sliceAcross', 'snap', 'sawOff', 'roastOff'])
function rindLast(steps: readonly HandStep[]): HandStep[] {
  const rind = steps.filter((s) => s.action === 'rind')
  const rest = steps.filter((s) => s.action !== 'rind')
  const last = rest.findLastIndex((s) => PIECES.has(s.action))
  return last < 0 ? [...steps] : rest.toSpliced(last + 1, 0, ...rind)
}

/** "right" and "left" where a hand is named. */
export const handed = (text: string, schools: Schools): string => {
  const knife = schoolOf(schools, 'hand')
  return text.replaceAll('{knife}', knife).replaceAll('{off}', knife === 'right' ? 'left' : 'right')
}

/** A step in the farm's words. */
export interface SaidStep {
  /** "Free it first: tenderloin": what is made of it, where the landmark does not say so. */
  head: string
  tool: HandTool
  /** Where: a landmark, or what it is about, by the farm's own name of it. */
  at: string
  how: string
  sign: string
  fault: string
  caution: string
}
export function sayHandStep(s: HandStep, says: Pick<Says, 'name'>, schools: Schools): SaidStep {
  const action: Action = ACTIONS[s.action]
  const named = s.of && says.name(s.of).toLowerCase()
  const isNamed = s.of !== null && s.at.includes(s.of.american.toLowerCase())
  return {
    head: `${action.word}${named !== null && !isNamed ? `: ${named}` : ''}`,
    tool: s.tool,
    at: s.of ? s.at.replace(s.of.american.toLowerCase(), named!) : s.at,
    how: handed(s.how ?? action.how, schools),
    sign: action.sign,
    fault: action.fault,
    caution: handed(action.caution ?? '', schools),
  }
}
