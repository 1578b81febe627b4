import type { SideName } from '#core/anatomy'

export interface SidedEntry<V> {
  id: string
  side: SideName
  value: V
}

/** Values by id and side of the animal; how the two are joined to one key is nobody else's business. */
export interface Sided<V> extends Iterable<SidedEntry<V>> {
  readonly size: number
  get(id: string, side: SideName): V | undefined
  has(id: string, side: SideName): boolean
}

const keyOf = (id: string, side: SideName) => `${side} ${id}`

export class SidedMap<V> implements Sided<V> {
  private readonly held = new Map<string, SidedEntry<V>>()

  constructor(entries: Iterable<SidedEntry<V>> = []) {
    for (const e of entries) this.set(e.id, e.side, e.value)
  }
  get size() {
    return this.held.size
  }
  get(id: string, side: SideName): V | undefined {
    return this.held.get(keyOf(id, side))?.value
  }
  has(id: string, side: SideName): boolean {
    return this.held.has(keyOf(id, side))
  }
  set(id: string, side: SideName, value: V): this {
    this.held.set(keyOf(id, side), { id, side, value })
    return this
  }
  delete(id: string, side: SideName): void {
    this.held.delete(keyOf(id, side))
  }
  [Symbol.iterator](): Iterator<SidedEntry<V>> {
    return this.held.values()
  }
}
