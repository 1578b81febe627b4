import { lookup, sidesOf, TISSUES, type Cut, type Path, type SideName, type Tissue } from '#core/anatomy'
import { kg, mm, sumOf, type Kg, type Mm } from '#core/measure'
import type { Conventions } from './conventions.ts'
import { balanceOf, evaluate, newYield, type Balance, type Yield } from './evaluate.ts'
import { lay, lengthOf, lengthScale, slicesBySegment, type Portions, type Stretch } from './lay.ts'
import { LAID, NO_CHOICES, type Choices, type Extent, type Flow, type FlowSetting } from './flow.ts'
import { NO_AGE_TRIM, type AgeTrim } from './chain.ts'
import { opensInto } from './opensInto.ts'
import { isBeside, setFlow } from './setting.ts'
import type { DepotFactors, Tilt } from './animal.ts'
import { leaveOnBone } from './onBone.ts'
import { partsInto, toWeighed } from './partWeights.ts'
import { pour } from './pour.ts'
import { moveSpoilt, type Spoilt } from './spoilt.ts'
import { SidedMap, type Sided } from './sided.ts'
import { tilt } from './tilt.ts'

const T = TISSUES.length
const SEAM = TISSUES.indexOf('seam')
/** Less than a microgram is no meat. */
const NOTHING = 1e-9

export type TissueKg = Readonly<Record<Tissue, Kg>>

/** One output of a part under its way: a cut, or another part it is opened into. */
export interface CutRow {
  readonly cut: Cut | null
  readonly part: string | null
  /** Before saw and process. */
  readonly green: Kg
  /** The stretch of its part it is cut from, and the pieces it gives; null where it is not cut along a length. */
  readonly stretch: Stretch | null
  /** Its whole slices by the segment of the axis they come from. */
  readonly segments: ReadonlyMap<string, number>
  /** Belongs to the pieces of another part that is cut in one with it. */
  readonly apart: boolean
  /** Of `green`, each tissue. */
  readonly tissue: TissueKg
  /** What its process adds, and what comes out of it. */
  readonly added: Kg
  readonly product: Kg
  /** Lean and fat of both kinds, as much as the process leaves of them; what a finish puts on or takes off is not counted. */
  readonly edible: Kg
}

/** A part of one side (or of the animal) as it lies on the block: what it holds, how it is opened, what comes of it. */
export interface CutSlot {
  readonly part: string
  readonly side: SideName
  readonly path: Path
  /** Another way behind a place along it, where it is cut two ways; `path` is then that of its front. */
  readonly rear: { readonly at: number; readonly path: Path } | null
  /** Share of fasted live weight of a part that is no carcass; 0 for carcass. */
  readonly offCarcass: number
  /** What its cuts are laid along, and the vertebrae in it; null where it has no length of its own. */
  readonly length: { readonly mm: Mm; readonly vertebrae: number } | null
  /** All it holds: what hung of it, and what other parts were opened into. */
  readonly kg: Kg
  readonly tissue: TissueKg
  /** Of it, what was cut away before it was opened, bruised or condemned; its rows hold the rest. */
  readonly cutAway: Kg
  /** Whether there is any meat in it. */
  readonly holds: boolean
  readonly rows: readonly CutRow[]
}

const SETTING: unique symbol = Symbol('setting')
const INPUTS: unique symbol = Symbol('inputs')
const YIELD: unique symbol = Symbol('yield')
const STRETCHES: unique symbol = Symbol('stretches')
const NO_PORTIONS: Portions = new Map()

/** A carcass cut by a plan, every kilogram of it by the names of parts and cuts. */
export interface CutUp {
  readonly flow: Flow
  readonly choices: Choices
  readonly balance: Balance
  readonly slots: readonly CutSlot[]
  slot(part: string, side: SideName): CutSlot | null
  /** A part on one side, or all of it. */
  partKg(part: string, side?: SideName): Kg
  cutKg(cut: string): Kg
  /** Place of a transverse line on the axis, in segments from the head end. */
  lineAt(side: SideName): Readonly<Record<string, number>>
  /** Distance of the long lines from the eye. */
  mmAt(side: SideName): Readonly<Record<string, Mm>>
  /** Dried face, cut off before its parts were weighed or opened: they hold the rest. */
  readonly ageTrim: Kg
  /** Of a whole carcass, how much of it hangs. */
  readonly hangs: number
  /** Sides on which a part is freed before the lines. */
  freed(part: string): ('left' | 'right')[]
}

export interface Hung {
  conventions: Conventions
  carcass: Kg
  /** Fasted live weight: what offal is a share of. */
  live: Kg
  /** Animals it is the carcass of; one when not said. */
  count?: number
  /** What of it hangs; all of it when not said. `carcass` is the weight of that. */
  extent?: Extent
  factors?: DepotFactors | undefined
  tilts?: readonly Tilt[] | undefined
  /** Parts that were weighed, and what was cut away of parts, bruised or condemned. */
  parts?: Sided<Kg>
  cutAway?: Sided<Kg>
  /** Dried face that is cut off it first; none when not said. */
  ageTrim?: AgeTrim
  /** What of a cut was spoilt and went another way. */
  spoilt?: readonly Spoilt[]
}

const tissueOf = (of: (t: number) => number): TissueKg =>
  Object.fromEntries(TISSUES.map((name, t) => [name, kg(of(t))])) as Record<Tissue, Kg>

/** Cuts a carcass by a plan's choices: pours it into the parts and evaluates once. */
export function cutUp(flow: Flow, choices: Choices, hung: Hung): CutUp {
  const setting = setFlow(flow, choices)
  tilt(flow, setting, hung.tilts)
  leaveOnBone(flow, setting, choices.leaves)
  partsInto(flow, setting, hung.parts, hung.cutAway)
  setting.ageTrim = hung.ageTrim ?? NO_AGE_TRIM
  const inputs = pouredOf(flow, setting, choices, hung)
  const dried = takeFace(flow, inputs, setting.ageTrim.share * hung.carcass)
  toWeighed(flow, setting.weighed, inputs, hung.carcass - dried)
  const each = kg(hung.carcass / setting.hangs / (hung.count ?? 1))
  const scale = lengthScale(flow, each, hung.factors?.bone)
  const stretches = lay(flow, setting, scale, choices.portions ?? NO_PORTIONS, choices.kerf)
  const out = hung.spoilt?.length
    ? moveSpoilt(flow, setting, inputs, hung.spoilt)
    : evaluate(flow, setting, inputs, newYield(flow))
  out.cutKg[flow[LAID].discardCut]! += dried
  return new Cutting(flow, choices, setting, inputs, stretches, out, scale, kg(dried))
}

/** Takes so many kg of dried lean and fat off the carcass, wherever they lie, and answers what came off: no bone dries, and no offal. */
function takeFace(flow: Flow, inputs: Float64Array, wanted: number): number {
  if (wanted <= 0) return 0
  const dries = flow[LAID].slots.flatMap((slot, s) =>
    slot.offCarcass > 0 ? [] : [s * T, s * T + 1, s * T + SEAM],
  )
  const all = dries.reduce((sum, i) => sum + inputs[i]!, 0)
  const share = all > 0 ? Math.min(1, wanted / all) : 0
  for (const i of dries) inputs[i]! *= 1 - share
  return share * all
}

/** What lies in every slot: poured from the bands, or, of a part that comes out of another, what that gives of it. */
function pouredOf(flow: Flow, setting: FlowSetting, choices: Choices, hung: Hung): Float64Array {
  const { conventions, carcass, live, factors, extent } = hung
  const [part] = extent?.parts ?? []
  const boxed = part === undefined ? undefined : flow[LAID].slots.findIndex((s) => s.part === part)
  if (boxed !== undefined && boxed >= 0 && flow[LAID].slots[boxed]!.offCarcass > 0)
    return boxedAlone(flow, setting, boxed, carcass)
  const through = part === undefined ? [] : opensInto(flow.anatomy, part)
  if (!extent || through.length === 0) return pour(flow, setting, conventions, carcass, live, factors, extent)
  const { part: find } = lookup(flow.anatomy)
  const paths = new SidedMap(
    through.flatMap(({ part: id, path }) => sidesOf(find(id)!).map((side) => ({ id, side, value: path }))),
  )
  const opened = setFlow(flow, {
    ...NO_CHOICES,
    lines: choices.lines,
    mm: choices.mm,
    trim: choices.trim,
    paths,
  })
  const all = evaluate(
    flow,
    opened,
    pour(flow, opened, conventions, kg(1), kg(0), factors),
    newYield(flow),
  ).slotKg
  const inputs = new Float64Array(all.length)
  flow[LAID].slots.forEach((slot, s) => {
    const hangs = slot.part === part && (slot.side === 'animal' || extent.sides.includes(slot.side))
    for (let t = s * T; t < (s + 1) * T; t++) if (hangs) inputs[t] = all[t]!
  })
  setting.hangs = inputs.reduce((sum, mass) => sum + mass, 0)
  return inputs.map((mass) => (mass * carcass) / setting.hangs)
}

/** A part that is no carcass, come in a box: it is all that hangs, of so many animals as usually have that much of it. */
function boxedAlone(flow: Flow, setting: FlowSetting, boxed: number, mass: Kg): Float64Array {
  const { slots } = flow[LAID]
  const { offCarcass } = lookup(flow.anatomy).part(slots[boxed]!.part)!
  const inputs = new Float64Array(slots.length * T)
  TISSUES.forEach((name, t) => (inputs[boxed * T + t] = mass * offCarcass!.tissue[name]))
  setting.boxed = boxed
  setting.hangs = offCarcass!.share / flow.anatomy.chain.dressing.mean
  return inputs
}

class Cutting implements CutUp {
  readonly [SETTING]: FlowSetting
  readonly [INPUTS]: Float64Array
  readonly [YIELD]: Yield
  readonly [STRETCHES]: ReadonlyMap<number, Stretch>
  readonly balance: Balance
  private made: CutSlot[] | null = null

  constructor(
    readonly flow: Flow,
    readonly choices: Choices,
    setting: FlowSetting,
    inputs: Float64Array,
    stretches: ReadonlyMap<number, Stretch>,
    y: Yield,
    /** Of lengths, beside those of the reference carcass. */
    readonly scale: number,
    readonly ageTrim: Kg,
  ) {
    this[SETTING] = setting
    this[INPUTS] = inputs
    this[YIELD] = y
    this[STRETCHES] = stretches
    this.balance = balanceOf(flow, setting, inputs, y, ageTrim)
  }
  get slots(): readonly CutSlot[] {
    return (this.made ??= this.flow[LAID].slots.map((_, s) => new SlotView(this, s)))
  }
  slot(part: string, side: SideName): CutSlot | null {
    const s = this.flow[LAID].slotOf.get(part, side)
    return s === undefined ? null : this.slots[s]!
  }
  partKg(part: string, side?: SideName): Kg {
    return sumOf(this.slots, (s) => (s.part === part && (!side || s.side === side) ? s.kg : kg(0)))
  }
  cutKg(cut: string): Kg {
    const i = this.flow[LAID].cutOf.get(cut)
    return kg(i === undefined ? 0 : this[YIELD].cutKg[i]!)
  }
  lineAt(side: SideName) {
    return this[SETTING].lineAt[side === 'right' ? 'right' : 'left']
  }
  mmAt(side: SideName) {
    return this[SETTING].mm[side === 'right' ? 'right' : 'left']
  }
  get hangs() {
    return this[SETTING].hangs
  }
  freed(part: string) {
    return (['left', 'right'] as const).filter((s) => this[SETTING].extracted[s].has(part))
  }
}

class SlotView implements CutSlot {
  private made: CutRow[] | null = null
  constructor(
    private readonly of: Cutting,
    private readonly s: number,
  ) {}
  private get laid() {
    return this.of.flow[LAID].slots[this.s]!
  }
  get part() {
    return this.laid.part
  }
  get side() {
    return this.laid.side
  }
  get path() {
    return this.laid.paths[this.of[SETTING].pathOf[this.s]!]!.path
  }
  get rear() {
    const rear = this.of[SETTING].rear[this.s]
    return rear ? { at: rear.at, path: this.laid.paths[rear.pathOf]!.path } : null
  }
  get offCarcass() {
    return isBeside(this.of.flow, this.of[SETTING], this.s) ? this.laid.offCarcass : 0
  }
  get length() {
    const { lengths, axisMm } = this.of.flow[LAID]
    const own = lengths[this.s]
    if (!own) return null
    const { mm: long, vertebrae } = lengthOf(own, axisMm, this.of.lineAt(this.side))
    return { mm: mm(long * this.of.scale), vertebrae }
  }
  get kg(): Kg {
    const { slotKg } = this.of[YIELD]
    const i = this.s * T
    return kg(slotKg[i]! + slotKg[i + 1]! + slotKg[i + 2]! + slotKg[i + 3]! + slotKg[i + 4]!)
  }
  get cutAway(): Kg {
    return kg(Math.min(this.of[SETTING].cutAway[this.s]!, this.kg))
  }
  get tissue(): TissueKg {
    const { slotKg } = this.of[YIELD]
    return tissueOf((t) => slotKg[this.s * T + t]!)
  }
  get holds() {
    return this.kg > NOTHING
  }
  get rows(): readonly CutRow[] {
    if (!this.made) {
      const { start, end } = this.of[SETTING]
      this.made = []
      for (let r = start[this.s]!; r < end[this.s]!; r++) this.made.push(new RowView(this.of, this.s, r))
      const rear = this.of[SETTING].rear[this.s]
      if (rear) for (let r = rear.start; r < rear.end; r++) this.made.push(new RowView(this.of, this.s, r))
    }
    return this.made
  }
}

class RowView implements CutRow {
  constructor(
    private readonly of: Cutting,
    private readonly s: number,
    private readonly r: number,
  ) {}
  get cut() {
    const { flow } = this.of
    const i = flow[LAID].rowCut[this.r]!
    return i < 0 ? null : flow.anatomy.cuts[i]!
  }
  get part() {
    const { rowSlot, slots } = this.of.flow[LAID]
    const next = rowSlot[this.r]!
    return next < 0 ? null : slots[next]!.part
  }
  get green() {
    return kg(this.of[YIELD].rowKg[this.r]!)
  }
  get apart() {
    const { path, rear } = this.of.slots[this.s]!
    const behind = this.isBehind ? this.of[SETTING].rear[this.s]! : null
    const outputs = behind ? rear!.path.outputs : path.outputs
    return outputs[this.r - (behind?.start ?? this.of[SETTING].start[this.s]!)]?.along === null
  }
  private get kept() {
    if (this.of[SETTING].cutAway[this.s] === 0) return 1
    const { cutAway, kg: all } = this.of.slots[this.s]!
    return 1 - cutAway / all
  }
  private get isBehind() {
    const { start, end } = this.of[SETTING]
    return this.r < start[this.s]! || this.r >= end[this.s]!
  }
  get stretch() {
    return this.of[STRETCHES].get(this.r) ?? null
  }
  get segments() {
    const { stretch, of, s } = this
    return stretch ? slicesBySegment(of.flow, of[SETTING], s, stretch, of.scale) : new Map<string, number>()
  }
  /** Of what went in, what the saw leaves. */
  private get left() {
    return 1 - this.of[SETTING].dust[this.r]!
  }
  get added() {
    return kg(this.green * this.left * this.of[SETTING].added[this.r]!)
  }
  get product() {
    return kg(this.green * this.left * this.of[SETTING].yields[this.r]!)
  }
  get edible() {
    const eaten = this.tissueKg(0) + this.tissueKg(1) + this.tissueKg(4)
    return kg(eaten * this.left * this.of.flow[LAID].rowYield[this.r]!)
  }
  get tissue() {
    return tissueOf((t) => this.tissueKg(t))
  }
  private tissueKg(t: number): number {
    const share = this.of[SETTING].shares
    const front = this.of[SETTING].front[this.s * T + t]!
    const part = this.isBehind ? 1 - front : front
    return share[this.r * T + t]! * this.of[YIELD].slotKg[this.s * T + t]! * part * this.kept
  }
}

/** What draws start from; for this room only. */
export function insideOf(cutting: CutUp) {
  const inner = cutting as Cutting
  return { setting: inner[SETTING], inputs: inner[INPUTS] }
}
