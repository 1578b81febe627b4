import { join } from 'node:path'
import { Readable } from 'node:stream'
import { promisify } from 'node:util'
import { createGunzip, gzip } from 'node:zlib'
import { z } from 'zod'
import type { Bundle } from '#contracts'
import { refuse, type Outcome } from '#core/measure'
import { sayIssue } from '#contracts/said'
import { readBundle } from '../bundle/form.ts'
import { Sieve } from '../bundle/sieve.ts'
import { readJson } from '../database/copies.ts'
import type { Disk } from '../database/disk.ts'
import { placesOf } from '../database/places.ts'
import { makeFolderWhole, NotAsWritten, writeWhole } from '../database/trees.ts'
import { isSealed, unseal } from './seal.ts'
import './issues.ts'

/** How many of each kind are kept once a newer one is proven. */
const KEEP = { day: 7, week: 5, month: 12, asked: 7, restore: 3 } as const
export type BundleKind = keyof typeof KEEP
const KINDS = Object.keys(KEEP) as [BundleKind, ...BundleKind[]]

const heldSchema = z.object({
  farm: z.string().nullable(),
  lots: z.number(),
  weighings: z.number(),
  decisions: z.number(),
  facts: z.number().default(0),
  packs: z.number(),
  papers: z.number(),
  /** Instant of the newest record. */
  newest: z.string().nullable(),
})
/** What a farm's records come to, to be held against one another. */
export type Held = z.infer<typeof heldSchema>

const metaSchema = z.object({
  name: z.string(),
  kind: z.enum(KINDS),
  number: z.number(),
  at: z.string(),
  digest: z.string(),
  bytes: z.number(),
  held: heldSchema,
})
/** A bundle on the disk; it has its name only once it was restored elsewhere and gave back the same content. */
export type KeptBundle = z.infer<typeof metaSchema>

export function heldIn({ content }: Bundle): Held {
  const { lots } = content
  const sum = (count: (lot: (typeof lots)[number]) => number) => lots.reduce((s, l) => s + count(l), 0)
  const instants = lots.flatMap((l) => [
    l.createdAt,
    ...[l.weighings, l.commands, l.facts, l.packs].flatMap((rows) => rows.at(-1)?.at ?? []),
  ])
  return {
    farm: content.farm?.name ?? null,
    lots: lots.length,
    weighings: sum((l) => l.weighings.length),
    decisions: sum((l) => l.commands.length),
    facts: sum((l) => l.facts.length),
    packs: sum((l) => l.packs.length),
    papers: content.papers.length,
    newest: instants.sort().at(-1) ?? null,
  }
}

const metaPath = (folder: string, name: string) => join(placesOf(folder).bundles, `${name}.about.json`)

/** Proven bundles on the disk, oldest first: by number, never by clock. */
export function bundlesIn(disk: Disk, folder: string): KeptBundle[] {
  return disk
    .list(placesOf(folder).bundles)
    .flatMap(({ name }) =>
      name.endsWith('.about.json')
        ? (readJson(disk, join(placesOf(folder).bundles, name), metaSchema) ?? [])
        : [],
    )
    .filter((b) => disk.exists(join(placesOf(folder).bundles, b.name)))
    .sort((a, b) => a.number - b.number)
}

/** ISO 8601 week of a day written YYYY-MM-DD: "2026-W48". */
export function weekOf(day: string): string {
  const date = new Date(`${day}T00:00:00Z`)
  date.setUTCDate(date.getUTCDate() + 4 - (date.getUTCDay() || 7))
  const week = Math.ceil(((date.getTime() - Date.UTC(date.getUTCFullYear(), 0, 1)) / 86_400_000 + 1) / 7)
  return `${date.getUTCFullYear()}-W${String(week).padStart(2, '0')}`
}

/** The names a bundle of this day has among those kept by day, week and month. */
export const namesFor = (day: string): { kind: BundleKind; name: string }[] => [
  { kind: 'day', name: `day-${day}.json.gz` },
  { kind: 'week', name: `week-${weekOf(day)}.json.gz` },
  { kind: 'month', name: `month-${day.slice(0, 7)}.json.gz` },
]

/** The name of one that a person asked for: no later one takes its place that day. */
export const askedFor = (day: string, digest: string): { kind: BundleKind; name: string } => ({
  kind: 'asked',
  name: `asked-${day}-${digest.slice(0, 8)}.json.gz`,
})

const packed = (bundle: Bundle) => promisify(gzip)(Buffer.from(JSON.stringify(bundle)))

const CHUNK = 1024 * 1024
function* chunksOf(bytes: Uint8Array) {
  for (let at = 0; at < bytes.length; at += CHUNK) yield bytes.subarray(at, at + CHUNK)
}
const damaged = (reason: string) => refuse('bundle-damaged', 'bundle', { where: '', reason })

/** Reads a bundle as taken away: plain, compressed, or sealed with a passphrase; never more of it than a bundle can be. */
export async function bundleFrom(bytes: Uint8Array, passphrase: string | null): Promise<Outcome<Bundle>> {
  let plain = bytes
  if (isSealed(plain)) {
    if (!passphrase) return refuse('bundle-sealed', 'passphrase', {})
    const opened = await unseal(plain, passphrase)
    if (!opened) return refuse('bundle-wrong-passphrase', 'passphrase', {})
    plain = opened
  }
  const isPacked = plain[0] === 0x1f && plain[1] === 0x8b
  const sieve = new Sieve()
  try {
    const chunks: AsyncIterable<Uint8Array> | Iterable<Uint8Array> = isPacked
      ? Readable.from(chunksOf(plain)).pipe(createGunzip({ chunkSize: CHUNK }))
      : chunksOf(plain)
    for await (const chunk of chunks) {
      const fault = sieve.take(chunk)
      if (fault) return damaged(fault)
    }
  } catch {
    return damaged('it does not unpack, perhaps cut off')
  }
  return readBundle(sieve.text())
}

/** A bundle that lies on the disk as it was written and still does not restore. */
export class NotProven extends Error {}

/** Writes a bundle aside, has it proven from what the disk gives back, and only then gives it its names. */
export async function keepBundle(
  disk: Disk,
  folder: string,
  bundle: Bundle,
  names: { kind: BundleKind; name: string }[],
  at: string,
  proves: (bundle: Bundle) => Promise<boolean>,
): Promise<KeptBundle[]> {
  const { bundles } = placesOf(folder)
  makeFolderWhole(disk, bundles)
  const bytes = await packed(bundle)
  const aside = join(bundles, 'unproven')
  disk.write(aside, bytes)
  disk.flush(aside)
  const read = await bundleFrom(disk.read(aside), null)
  if (!read.ok) throw new NotProven(read.issues.map((i) => sayIssue(i)).join(' '))
  if (read.value.digest !== bundle.digest) throw new NotAsWritten(aside)
  if (!(await proves(read.value)))
    throw new NotProven('Restored on trial it did not give back what it holds.')
  let number = bundlesIn(disk, folder).at(-1)?.number ?? 0
  const kept = names.map(({ kind, name }) => ({
    ...{ kind, name, number: ++number, at, digest: bundle.digest, bytes: bytes.length },
    held: heldIn(bundle),
  }))
  for (const meta of kept) {
    const place = join(bundles, meta.name)
    disk.copy(aside, `${place}.aside`)
    disk.flush(`${place}.aside`)
    if (!disk.read(`${place}.aside`).equals(bytes)) throw new NotAsWritten(place)
    disk.rename(`${place}.aside`, place)
    writeWhole(disk, metaPath(folder, meta.name), JSON.stringify(meta))
  }
  disk.remove(aside)
  disk.flush(bundles)
  prune(disk, folder)
  return kept
}

function prune(disk: Disk, folder: string): void {
  const all = bundlesIn(disk, folder)
  for (const kind of KINDS)
    for (const old of all.filter((b) => b.kind === kind).slice(0, -KEEP[kind])) {
      disk.remove(metaPath(folder, old.name))
      disk.remove(join(placesOf(folder).bundles, old.name))
    }
}
