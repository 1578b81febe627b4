import type { Request } from 'express'
import { DEVICE_HEADER, hashSchema, type Author } from '#contracts'
import type { Issue } from '#core/measure'
import { idSchema, UNNAMED } from '#core/records'
import type { Shelf } from './database/shelf.ts'
import type { Access } from './devices/access.ts'
import { callerOf } from './devices/gate.ts'
import type { Bell } from './events.ts'
import type { Desk } from './instruments/desk.ts'
import type { Keeping } from './keeping/service.ts'
import type { AllKept } from './lots/writes.ts'
import type { PaperMaker } from './papers/maker.ts'
import { changeKept, notFound, refused, valueKept } from './problem.ts'
import type { Changed, Kept } from './store/outcomes.ts'
import type { Store } from './store/store.ts'

/** What the routes of every resource work on. */
export interface Served {
  store: Store
  shelf: Shelf
  keeping: Keeping
  papers: PaperMaker
  bell: Bell
  access: Access
  /** Scale, printer and probe. */
  desk: Desk
  now: () => Date
}

/** An id from the address: what is no id cannot name anything. */
export function idOf(text: string | string[] | undefined, what: string): string {
  const id = idSchema.safeParse(text)
  if (!id.success) throw notFound(what)
  return id.data
}

/** Who writes: the device that was let in, or what a page of this machine says it is; nobody has a name yet. */
export function authorOf(req: Request): Author {
  const you = callerOf(req)
  if (!you.machine) return { device: you.device, person: UNNAMED }
  const device = idSchema.safeParse(req.headers[DEVICE_HEADER])
  return { device: device.success ? device.data : UNNAMED, person: UNNAMED }
}

export const hashOf = (text: string | string[] | undefined, what: string): string => {
  const hash = hashSchema.safeParse(text)
  if (!hash.success) throw notFound(what)
  return hash.data
}

/** Issues in the farm's own words, which are only asked for where there are issues. */
export const tongueFor = async (store: Store, out: { result: string }) =>
  out.result === 'refused' ? store.run('farm', undefined) : null
export const refusedIn = async (store: Store, issues: Issue[]) =>
  refused(issues, await store.run('farm', undefined))

/** What a change in place left behind, or its refusal in the farm's words. */
export const valueIn = async <T>(store: Store, out: Changed<T>) => valueKept(out, await tongueFor(store, out))

/** What a write added to its lot, once the other windows are told by whom: who has it asks for nothing. */
export async function changeIn({ store, bell }: Served, req: Request, request: string, out: Kept) {
  const { change } = changeKept(out, await tongueFor(store, out))
  bell.ring({ lot: change.id, rev: change.rev, device: authorOf(req).device, request })
  return change
}

/** The same of several writes: every lot of them is told of. */
export async function changesIn({ store, bell }: Served, req: Request, request: string, out: AllKept) {
  const { changes } = changeKept(out, await tongueFor(store, out))
  for (const { id, rev } of changes) bell.ring({ lot: id, rev, device: authorOf(req).device, request })
  return changes
}
