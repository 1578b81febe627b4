import { fromKg, kg, type Kg, type MassUnit } from '#core/measure'
import type { ScaleReading } from './lines.ts'

export interface ScaleModel {
  /** Puts a load on it, all of it. */
  put(load: Kg): void
  /** What it shows after so many seconds more. */
  after(seconds: number): ScaleReading & { shown: number }
}

export interface ScaleFigures {
  unit: MassUnit
  /** The step it shows, in its unit, and the decimals of that. */
  step: number
  digits: number
  capacity: Kg
  /** SD of its noise, and how far it wanders in a minute, kg. */
  noise: Kg
  drift: Kg
  /** Seconds in which it comes within a third of a load. */
  settles: number
}
export const BENCH_SCALE: ScaleFigures = {
  ...{ unit: 'lb', step: 0.02, digits: 2, settles: 0.35 },
  ...{ capacity: kg(30), noise: kg(0.0015), drift: kg(0.0004) },
}
/** Readings in a row that lie within a step of one another: then it says that it stands still. */
const IN_A_ROW = 5

/** A scale as it behaves: it comes to a load as a damped spring does, is never quite still, wanders, and has an end. `normal` draws a standard normal. */
export function scaleModel(normal: () => number, figures: ScaleFigures = BENCH_SCALE): ScaleModel {
  const { unit, step, digits, capacity, noise, drift, settles } = figures
  let load = 0
  let felt = 0
  let wandered = 0
  const last: number[] = []
  return {
    put: (now) => void (load = now),
    after(seconds) {
      felt += (load - felt) * (1 - Math.exp(-seconds / settles))
      wandered += drift * Math.sqrt(seconds / 60) * normal()
      const seen = fromKg(kg(felt + wandered + noise * normal()), unit)
      const shown = Number((Math.round(seen / step) * step).toFixed(digits))
      last.push(shown)
      if (last.length > IN_A_ROW) last.shift()
      const isOver = felt > capacity
      const spread = Math.max(...last) - Math.min(...last)
      const stable = !isOver && last.length === IN_A_ROW && spread <= step * 1.01
      return { kg: kg(felt + wandered), unit, digits, stable, overload: isOver, shown }
    },
  }
}
