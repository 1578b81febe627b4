import fc from 'fast-check'
import { z } from 'zod'
import { ROUTES } from '#contracts'
import { SPECIES } from '#core/anatomy'
import { ANATOMIES } from '#core/species'

/** One request as it will be sent; `body` is text, so that it can be anything. */
export interface FuzzRequest {
  method: string
  path: string
  headers: Record<string, string>
  body: string | null
}

/** Ids that requests share, so that they meet: lots that are there, rows sent twice, ids in capitals. */
export const IDS = Array.from(
  { length: 12 },
  (_, i) => `01890a5d-ac96-774b-bcce-${String(i).padStart(12, '0')}`,
)
const KNOWN = [
  ...new Set(
    SPECIES.flatMap((s) => {
      const { cuts, parts, paths, lines } = ANATOMIES[s]
      return [cuts, parts, paths, lines].flatMap((list) => list.slice(0, 12).map((x) => x.id))
    }),
  ),
  'lot',
]
const HOSTILE_TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u200b',
  '__proto__',
  "'; drop table lot; --",
  '\u202e',
  'x'.repeat(5000),
  '9999-01-01T00:00:00Z',
  'NaN',
]
const HOSTILE: unknown[] = [
  ...HOSTILE_TEXTS,
  null,
  true,
  -1,
  -0,
  0,
  0.1,
  1e9,
  1e308,
  5e-324,
  2 ** 53,
  [],
  {},
  [[]],
  { length: 1e9 },
  1.5,
]

type Schema = Record<string, unknown>
const id = fc.oneof(
  { weight: 8, arbitrary: fc.constantFrom(...IDS) },
  { weight: 1, arbitrary: fc.constantFrom(...IDS.map((x) => x.toUpperCase())) },
  { weight: 1, arbitrary: fc.uuid() },
)
const key = fc.constantFrom(...KNOWN)
const text = fc.oneof(
  { weight: 4, arbitrary: fc.string({ minLength: 1, maxLength: 30, unit: 'grapheme' }) },
  { weight: 1, arbitrary: fc.constantFrom(...HOSTILE_TEXTS) },
)

const anyDay = fc.date({ noInvalidDate: true })
const day = fc.date({ min: new Date('2020-01-01'), max: new Date('2030-12-31'), noInvalidDate: true })

/** Values of a JSON schema, as zod says its own: mostly right in form, drawn from the ids and names that exist. */
export function valuesOf(schema: Schema): fc.Arbitrary<unknown> {
  if ('const' in schema) return fc.constant(schema.const)
  if (schema.enum) return fc.constantFrom(...(schema.enum as unknown[]))
  const either = (schema.anyOf ?? schema.oneOf) as Schema[] | undefined
  if (either) return fc.oneof(...either.map(valuesOf))
  switch (schema.type) {
    case 'string':
      if (schema.format === 'uuid') return id
      if (schema.format === 'date-time') return fc.oneof(anyDay, day).map((d) => d.toISOString())
      if (schema.format === 'date')
        return fc.oneof(
          day.map((d) => d.toISOString().slice(0, 10)),
          text,
        )
      return typeof schema.pattern === 'string'
        ? fc.oneof(key, text, fc.stringMatching(new RegExp(schema.pattern, 'u')))
        : fc.oneof(text, fc.constantFrom('USD', 'UTC', 'Bramble'))
    case 'integer':
    case 'number': {
      const min = Number(schema.minimum ?? schema.exclusiveMinimum ?? -10)
      const max = Number(schema.maximum ?? schema.exclusiveMaximum ?? 1e6)
      const whole = () =>
        fc.integer({ min: Math.ceil(Math.max(min, -1e9)), max: Math.floor(Math.min(max, 1e9)) })
      if (schema.type === 'integer') return fc.oneof(whole(), fc.constantFrom(0, 1, 2))
      return fc.oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max))
    }
    case 'boolean':
      return fc.boolean()
    case 'null':
      return fc.constant(null)
    case 'array':
      return fc.array(valuesOf(schema.items as Schema), {
        minLength: Number(schema.minItems ?? 0),
        maxLength: 3,
      })
    case 'object': {
      const properties = Object.entries((schema.properties ?? {}) as Record<string, Schema>)
      return fc.record(Object.fromEntries(properties.map(([name, s]) => [name, valuesOf(s)])))
    }
    default:
      return fc.constantFrom(...HOSTILE)
  }
}

/** The same body with one value, anywhere in it, made hostile, dropped, or joined by a stranger. */
function spoil(body: unknown, steps: number[], hostile: unknown, how: number): unknown {
  if (typeof body !== 'object' || body === null || steps.length === 0) return hostile
  const copy = (Array.isArray(body) ? [...body] : { ...body }) as Record<string, unknown>
  const names = Object.keys(copy)
  const name = names[steps[0]! % Math.max(1, names.length)]
  if (name === undefined || how === 1) return { ...copy, [String(hostile)]: hostile }
  if (how === 2 && steps.length === 1 && !Array.isArray(copy)) delete copy[name]
  else copy[name] = spoil(copy[name], steps.slice(1), hostile, how)
  return copy
}

const spoilt = (right: fc.Arbitrary<unknown>) =>
  fc
    .tuple(
      right,
      fc.array(fc.nat(20), { minLength: 1, maxLength: 5 }),
      fc.constantFrom(...HOSTILE),
      fc.nat(2),
    )
    .map(([body, steps, hostile, how]) => spoil(body, steps, hostile, how))

const parameter = (name: string): fc.Arbitrary<string> => {
  const right: Record<string, fc.Arbitrary<string>> = {
    id,
    hash: fc.constantFrom('0'.repeat(64), 'x'),
    species: fc.constantFrom(...SPECIES),
    number: fc.integer({ min: 0, max: 12 }).map(String),
    name: id.chain((i) => fc.constantFrom(`${i}.pdf`, `${i}.csv`, i, 'day-2026-11-02.json.gz')),
  }
  return fc.oneof(
    { weight: 6, arbitrary: right[name]! },
    { weight: 1, arbitrary: fc.constantFrom('%ff', '..', '%00', "'", 'x'.repeat(300), '%2e%2e%2fpasswd') },
  )
}

const headers = fc.oneof(
  { weight: 12, arbitrary: fc.constant({ 'content-type': 'application/json' }) },
  {
    weight: 1,
    arbitrary: fc.constantFrom<Record<string, string>>(
      { 'content-type': 'application/json; charset=klingon' },
      { 'content-type': 'application/json', 'content-encoding': 'zip' },
      { 'content-type': 'application/json', origin: 'null' },
      { 'content-type': 'application/json', origin: 'http://elsewhere.example' },
      { 'content-type': 'text/plain' },
      { 'content-type': 'application/json', 'x-ekko-passphrase': '%%%' },
      {},
    ),
  },
)

/** Streams stay open by design; sealing takes a second each: both are tried in tests of their own. */
const LEFT_OUT = new Set(['/events', '/bundle/sealed', '/instruments/scale/readings'])
/** Works of seconds: tried now and then. */
const SLOW = new Set(['/rehearsals', '/rehearsals/sent', '/rehearsals/:id/restore', '/copies', '/bundle'])

function requestsOf({ method, path, body }: (typeof ROUTES)[number]): fc.Arbitrary<FuzzRequest> {
  const names = [...path.matchAll(/:(\w+)/g)].map((m) => m[1]!)
  const right = body
    ? valuesOf(z.toJSONSchema(body, { io: 'input', unrepresentable: 'any' }) as Schema)
    : fc.constant(null)
  const bodies = body
    ? fc.oneof(
        { weight: 5, arbitrary: right.map((b) => JSON.stringify(b)) },
        { weight: 4, arbitrary: spoilt(right).map((b) => JSON.stringify(b) ?? 'undefined') },
        { weight: 1, arbitrary: right.map((b) => JSON.stringify(b).slice(0, -3)) },
      )
    : fc.constant(null)
  return fc.tuple(bodies, headers, fc.tuple(...names.map(parameter))).map(([text, head, values]) => ({
    method,
    path: `/api${names.reduce((p, name, i) => p.replace(`:${name}`, values[i]!), path)}`,
    headers: head,
    body: method === 'get' || method === 'delete' ? null : text,
  }))
}

/** Requests on every route the contracts list, right and wrong; writes are tried more than reads. */
export const requests: fc.Arbitrary<FuzzRequest> = fc.oneof(
  ...ROUTES.filter((r) => !LEFT_OUT.has(r.path)).map((route) => ({
    arbitrary: requestsOf(route),
    weight: SLOW.has(route.path) ? 1 : route.body ? 40 : 12,
  })),
)

/** The same requests for the same seed. */
export const requestsFor = (seed: number, count: number) => fc.sample(requests, { seed, numRuns: count })

/** Sends a request with no more help than a browser or a stranger's program would give; null when nothing answers. */
export async function answerTo(
  url: string,
  { method, path, headers: head, body }: FuzzRequest,
): Promise<{ status: number; text: string } | null> {
  try {
    const res = await fetch(url + path, {
      method: method.toUpperCase(),
      headers: head,
      ...(body !== null && { body }),
      signal: AbortSignal.timeout(60_000),
    })
    return { status: res.status, text: await res.text() }
  } catch {
    return null
  }
}
