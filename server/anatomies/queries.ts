import { ownVersionSchema, type OwnVersion } from '#core/records'
import { instant, many, one, type Row, type Tx } from '../store/tx.ts'
import { anatomyOf, heldPin, type Pinned } from './pins.ts'

const ownOf = (r: Row): OwnVersion =>
  ownVersionSchema.parse({ version: r.version, body: r.body, at: instant(r.at) })

const pinOf = (r: Row): Pinned => anatomyOf(String(r.hash), r.body)

/** A pin by its hash. Its body is large, so one that was read before is not read again. */
export async function selectPin(tx: Tx, hash: string): Promise<Pinned | null> {
  const held = heldPin(hash)
  if (held) return held
  const row = await one<Row>(tx, 'select hash, body from anatomy where hash = $1', [hash])
  return row && pinOf(row)
}

export async function insertPin(tx: Tx, hash: string, species: string, body: unknown): Promise<void> {
  await tx.query('insert into anatomy (hash, species, body) values ($1, $2, $3) on conflict do nothing', [
    hash,
    species,
    JSON.stringify(body),
  ])
}

/** Every version of the farm's own additions, oldest first; of one species, or of all. */
export async function selectOwn(tx: Tx, species: string | null): Promise<OwnVersion[]> {
  const rows = await many<Row>(
    tx,
    'select version, body, at from own_addition where $1::text is null or species = $1 order by species, version',
    [species],
  )
  return rows.map(ownOf)
}

export async function insertOwn(tx: Tx, own: OwnVersion): Promise<void> {
  await tx.query('insert into own_addition (species, version, body, at) values ($1, $2, $3, $4)', [
    own.body.species,
    own.version,
    JSON.stringify(own.body),
    own.at,
  ])
}
