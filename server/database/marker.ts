import { z } from 'zod'
import type { Disk } from './disk.ts'
import { readJson } from './copies.ts'
import { placesOf } from './places.ts'
import { removeWhole, writeWhole } from './trees.ts'

const stamp = z.record(z.string(), z.number()).nullable()
const markerSchema = z.discriminatedUnion('step', [
  /** The database is being changed in a way that a cut may leave half done: until the marker goes, this copy is the truth. */
  z.object({
    step: z.enum(['checkpoint', 'opening']),
    copy: z.string(),
    digest: z.string(),
    stamp,
    at: z.string(),
  }),
  /** `db.next`, proven and flushed, is taking the place of `db`, which moves to `aside`. */
  z.object({ step: z.literal('swap'), aside: z.string(), at: z.string() }),
])
export type Marker = z.infer<typeof markerSchema>

export const mark = (disk: Disk, folder: string, marker: Marker) =>
  writeWhole(disk, placesOf(folder).marker, JSON.stringify(marker))

export const unmark = (disk: Disk, folder: string) => removeWhole(disk, placesOf(folder).marker)

/** The marker a cut left behind; `damaged` when it is there and cannot be read. */
export function readMarker(disk: Disk, folder: string): Marker | 'damaged' | null {
  const { marker } = placesOf(folder)
  if (!disk.exists(marker)) return null
  return readJson(disk, marker, markerSchema) ?? 'damaged'
}
