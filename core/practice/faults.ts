import { ACTIONS, type ActionId } from '#core/hand'
import { shuffled } from './lines.ts'

/** A fault to be spotted: what is done, and what is seen of three such pieces; one of them went wrong. */
export interface FaultAsked {
  action: ActionId
  word: string
  seen: { text: string; wrong: boolean }[]
}

const IDS = Object.keys(ACTIONS) as ActionId[]

/** Of an action, its sign and its fault, and the sign of another: which one went wrong? */
export function faultAsked(action: ActionId, random: () => number): FaultAsked {
  const { word, sign, fault } = ACTIONS[action]
  const [other] = shuffled(
    IDS.filter((id) => id !== action && ACTIONS[id].sign !== sign),
    random,
  )
  return {
    action,
    word,
    seen: shuffled(
      [
        { text: sign, wrong: false },
        { text: fault, wrong: true },
        { text: ACTIONS[other!].sign, wrong: false },
      ],
      random,
    ),
  }
}

/** Actions of which a fault can be seen. */
export const faultItems = (): ActionId[] => IDS
