import { keptFarmSchema, type KeptFarm } from '#core/records'
import { one, type Row, type Tx } from '../store/tx.ts'

const farmOf = (r: Row): KeptFarm =>
  keptFarmSchema.parse({
    name: r.name,
    currency: r.currency,
    massUnit: r.mass_unit,
    nameSet: r.name_set,
    zone: r.zone,
    mince: { milli: Number(r.mince_milli), per: r.mince_per },
    hour: Number(r.hour),
    ...(r.address !== null && { address: r.address }),
    ...(r.telephone !== null && { telephone: r.telephone }),
    ...(r.minces !== null && { minces: r.minces }),
    ...(r.pack_value !== null && { pack: { value: Number(r.pack_value), unit: r.pack_unit } }),
    ...(r.aliases !== null && { aliases: r.aliases }),
    revision: r.revision,
  })

export async function selectFarm(tx: Tx): Promise<KeptFarm | null> {
  const row = await one<Row>(tx, 'select * from farm where id = 1')
  return row && farmOf(row)
}

export async function upsertFarm(tx: Tx, f: KeptFarm): Promise<void> {
  await tx.query(
    `insert into farm (id, name, currency, mass_unit, name_set, zone, mince_milli, mince_per, hour, revision,
       address, telephone, minces, pack_value, pack_unit, aliases)
     values (1, $1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15)
     on conflict (id) do update set name = $1, currency = $2, mass_unit = $3, name_set = $4, zone = $5,
       mince_milli = $6, mince_per = $7, hour = $8, revision = $9, address = $10, telephone = $11,
       minces = $12, pack_value = $13, pack_unit = $14, aliases = $15`,
    [
      ...[f.name, f.currency, f.massUnit, f.nameSet, f.zone, f.mince.milli, f.mince.per, f.hour, f.revision],
      ...[f.address ?? null, f.telephone ?? null, f.minces ? JSON.stringify(f.minces) : null],
      ...[f.pack?.value ?? null, f.pack?.unit ?? null, f.aliases ? JSON.stringify(f.aliases) : null],
    ],
  )
}
