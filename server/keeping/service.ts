import { v7 as uuid } from 'uuid'
import type { Copies, Rehearsal, Standing } from '#contracts'
import { type Issue, dayIn } from '#core/measure'
import type { Manifest } from '../database/copies.ts'
import { DiskFailure } from '../database/disk.ts'
import { Stopped } from '../database/engine.ts'
import { placesOf } from '../database/places.ts'
import { NotAsWritten } from '../database/trees.ts'
import type { Store } from '../store/store.ts'
import { heldIn } from './bundles.ts'
import type { BundleSource, Keeper } from './keeper.ts'

const MINUTE_MS = 60 * 1000
const HOUR_MS = 60 * 60 * 1000
/** A picture is sent before what it belongs to, which a device may hold for long: it may lie there alone for a month. */
const ALONE_MS = 30 * 24 * HOUR_MS
/** A start has better things to do first. */
const SETTLED_MS = 60_000

export type Rehearsed = { ok: true; rehearsal: Rehearsal } | { ok: false; issues: Issue[] }

/** Keeps copies of the records without being asked, and brings one back when asked: one such work at a time. */
export class Keeping {
  #store: Store
  #keeper: Keeper
  #now: () => Date
  #tail: Promise<unknown> = Promise.resolve()
  #busy = 0
  #warning: string | null = null
  #failure: string | null = null
  #rehearsal: Rehearsal | null = null
  #bringsBack = false
  #wrote = false
  /** What the records came to when they were last looked at; null since something was written. */
  #present: string | null = null
  /** Pictures that are not there any more, or are not what they were. */
  #lost: string[] = []
  /** Those that the newest bundle does not hold. */
  #leftOut: string[] = []
  #minute: ReturnType<typeof setInterval> | undefined
  #checkpoint: number
  #timer: ReturnType<typeof setInterval> | undefined
  #first: ReturnType<typeof setTimeout> | undefined

  constructor(store: Store, keeper: Keeper, now: () => Date) {
    this.#store = store
    this.#keeper = keeper
    this.#now = now
    this.#checkpoint = performance.now()
  }

  /** Looks every hour whether a bundle or a checkpoint is due; never throws, what fails is said under Farm. */
  start(): void {
    this.#timer = setInterval(() => void this.tick(), HOUR_MS)
    this.#timer.unref()
    this.#first = setTimeout(() => void this.#atStart(), SETTLED_MS)
    this.#first.unref()
    this.#minute = setInterval(() => void this.lookAtPictures(), MINUTE_MS)
    this.#minute.unref()
  }
  stop(): void {
    clearInterval(this.#timer)
    clearInterval(this.#minute)
    clearTimeout(this.#first)
  }

  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    this.#busy++
    const turn = this.#tail.then(work, work).finally(() => this.#busy--)
    this.#tail = turn.catch(() => undefined)
    return turn
  }

  /** A folder copy was made: it is proven on a throw-away, and only then counts. */
  copied(copy: Manifest): void {
    void this.#inTurn(async () => {
      const fault = await this.#keeper.faultOfCopy(copy)
      if (fault) this.#failure = `A copy could not be proven: ${fault}.`
      else await this.#store.proven(copy.name)
    }).catch((error: unknown) => this.#failed(error))
  }
  /** Something was written: no copy holds it yet. */
  wrote(): void {
    this.#wrote = true
    this.#present = null
  }
  /** Looks whether every picture that a lot names is there as it was; clears those that belong to none. */
  async lookAtPictures(): Promise<void> {
    try {
      const named = await this.#store.run('attached', undefined)
      this.#lost = await this.#keeper.lostOf(named, this.#now().getTime() - ALONE_MS)
    } catch (error) {
      this.#failed(error)
    }
  }
  warned(words: string | null): void {
    this.#warning = words
  }

  #failed(error: unknown): void {
    const said = error instanceof Stopped || error instanceof NotAsWritten || error instanceof DiskFailure
    this.#failure = `The last copy did not succeed${said ? `: ${error.message}` : ''}. The records themselves are safe.`
  }

  /** A copy made at the last stop was not proven then: nothing waited for it. */
  async #atStart(): Promise<void> {
    for (const copy of await this.#keeper.unproven()) this.copied(copy)
    await this.tick()
  }

  async tick(): Promise<void> {
    try {
      if (performance.now() - this.#checkpoint > 24 * HOUR_MS) {
        this.#checkpoint = performance.now()
        await this.#store.checkpoint()
      }
      await this.keepNow()
    } catch (error) {
      this.#failed(error)
    }
  }

  /** Keeps and proves bundles of today's records, unless one of today holds the same; what a person asked for stays. */
  keepNow(isAsked = false): Promise<string | null> {
    return this.#inTurn(async () => {
      const bundle = await this.#store.run('exportBundle', undefined)
      this.#present = bundle.digest
      this.#leftOut = bundle.content.lost ?? []
      const at = this.#now()
      const day = dayIn(at, bundle.content.farm?.zone ?? 'UTC')
      if (!(await this.#keeper.isKept(day, bundle.digest, isAsked)))
        return (this.#failure = await this.#keeper.keep(bundle, day, at.toISOString(), isAsked))
      return (this.#failure = null)
    })
  }

  async look(): Promise<Copies> {
    const kept = await this.#keeper.look()
    const last = kept.bundles.at(-1)
    // Asked for once after a start; later it is known whether anything was written.
    if (this.#present === null && !this.#wrote)
      this.#present = (await this.#store.run('exportBundle', undefined)).digest
    return {
      ...kept,
      busy: this.#busy > 0,
      warning: this.#warning ?? this.#failure ?? this.#sayLost() ?? this.#sayLeftOut(kept.folder),
      /** Nothing was written since the newest proven bundle. */
      upToDate: last !== undefined && last.digest === this.#present,
      rehearsal: this.#rehearsal,
    }
  }

  /** What is wrong without harm to the records, in words; null when nothing is. */
  async standing(): Promise<Standing> {
    const { recovered, low } = await this.#keeper.look()
    const full = low ? 'The disk is nearly full. Free some room before nothing more can be kept.' : null
    return {
      recovered: this.#store.recovered && recovered,
      warning: this.#warning ?? this.#failure ?? this.#sayLost() ?? full,
    }
  }

  #sayLost(): string | null {
    const n = this.#lost.length
    if (n === 0) return null
    const names = this.#lost.map((hash) => hash.slice(0, 8)).join(', ')
    return `${n === 1 ? 'A picture is' : `${n} pictures are`} not there any more, or not what was attached (${names}): attach ${n === 1 ? 'it' : 'them'} once more and it is whole again. Everything else is kept and copied.`
  }

  #sayLeftOut(folder: string): string | null {
    const lost = new Set(this.#lost)
    const n = this.#leftOut.filter((hash) => !lost.has(hash)).length
    if (n === 0) return null
    const them = n === 1 ? 'An older picture finds' : `${n} older pictures find`
    return `${them} no room in a bundle any more. They lie in ${placesOf(folder).attachmentCopies}: copy that folder too when you take a bundle away.`
  }

  chooseSecond = (folder: string | null) => this.#inTurn(() => this.#keeper.chooseSecond(folder))

  bytesOf = (name: string) => this.#keeper.bytesOf(name)

  async sealed(passphrase: string): Promise<Uint8Array> {
    return this.#keeper.seal(await this.#store.run('exportBundle', undefined), passphrase)
  }

  /** Brings a bundle back beside the present records: nothing is changed, and what both hold is shown. */
  rehearse(source: BundleSource, passphrase: string | null): Promise<Rehearsed> {
    return this.#inTurn(async () => {
      this.#rehearsal = null
      const out = await this.#keeper.rehearse(source, passphrase)
      if (!out.ok) return out
      const present = heldIn(await this.#store.run('exportBundle', undefined))
      const name = source.place === 'sent' ? null : source.name
      this.#rehearsal = { id: uuid(), name, held: out.held, present }
      return { ok: true, rehearsal: this.#rehearsal }
    })
  }

  /** What was rehearsed takes the place of the present records; those are kept as a bundle and beside it. */
  restore(id: string): Promise<{ kept: string; aside: string } | { fault: string } | null> {
    return this.#inTurn(async () => {
      if (this.#rehearsal?.id !== id) return null
      const at = this.#now().toISOString()
      const kept = `restore-before-${at.slice(0, 19).replaceAll(':', '')}.json.gz`
      // From here until they are replaced nothing is written: it would be in neither of the two.
      this.#bringsBack = true
      try {
        const fault = await this.#keeper.keepAs(kept, await this.#store.run('exportBundle', undefined), at)
        if (fault) return { fault }
        const { aside } = await this.#store.replace()
        this.#rehearsal = null
        return { kept, aside }
      } finally {
        this.#bringsBack = false
      }
    })
  }
  /** A copy is taking the place of the records just now: what is written is refused until it has. */
  get bringsBack(): boolean {
    return this.#bringsBack
  }

  clearAside = (name: string) => this.#inTurn(() => this.#keeper.clearAside(name))

  drop(id: string): Promise<boolean> {
    return this.#inTurn(async () => {
      if (this.#rehearsal?.id !== id) return false
      this.#rehearsal = null
      await this.#keeper.drop()
      return true
    })
  }

  /** Waits for what is being done: a copy being proven at a stop. */
  settled = () => this.#tail
}
