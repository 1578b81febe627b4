import { createBirpc } from 'birpc'
import type { Anatomy } from '#core/anatomy'
import { compile, type Flow } from '#core/carcass'
import { rangesOf, reckon, type FarmFigures, type LotState, type Ranges } from '#core/reading'

/** What a page may ask of this thread. Anatomies are learnt once, by their hash. */
export interface Drawing {
  learn(hash: string, anatomy: Anatomy): void
  /** Every interval of a lot as it stands; `asked` is JSON of `Asked`, so that nothing of the page's own comes along. */
  draw(hash: string, asked: string): Ranges
}

export interface Asked {
  state: LotState
  farm: FarmFigures
}

const flows = new Map<string, Flow>()
const drawing: Drawing = {
  learn: (hash, anatomy) => void flows.set(hash, compile(anatomy)),
  draw: (hash, asked) => {
    const { state, farm } = JSON.parse(asked) as Asked
    return rangesOf(reckon(flows.get(hash)!, state, farm))
  },
}

createBirpc<object, Drawing>(drawing, {
  post: (data) => postMessage(data),
  on: (hear) => addEventListener('message', (e) => hear(e.data)),
  timeout: 2 ** 31 - 1,
})
