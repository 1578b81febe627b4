import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { sayIssue } from '#contracts/said'
import { FACTS } from '#core/records'
import { bundleFrom } from '../keeping/bundles.ts'
import { readBundle } from './form.ts'
import { Sieve } from './sieve.ts'
import { sealedAs, smallContent, type SmallContent } from '../keeping/testing.ts'

const complaints = (text: string): string[] => {
  const out = readBundle(text)
  return out.ok ? [] : out.issues.map((i) => sayIssue(i))
}
const spoilt = (spoil: (content: SmallContent) => void) => {
  const content = smallContent()
  spoil(content)
  return complaints(sealedAs(content))
}

describe('a bundle that would take the machine’s memory', () => {
  const said = async (text: string | Buffer) => {
    const out = await bundleFrom(gzipSync(text), null)
    return out.ok ? '' : out.issues.map((i) => sayIssue(i)).join()
  }
  it.each([
    ['lists within lists', '['.repeat(100_000), /nested deeper/],
    [
      'millions of empty lists',
      `{"format":"ekko-farm","content":[${'[],'.repeat(2_000_001)}1]}`,
      /more pieces/,
    ],
    ['millions of numbers', `[${'1,'.repeat(10_000_001)}1]`, /more pieces/],
    ['one endless word', Buffer.alloc(26_000_000, 'a').fill('"', 0, 1), /a word in it is longer/],
    ['nothing but spaces', ' '.repeat(5_000_000), /not whole JSON/],
    ['cut off', '{"format":"ekko-farm', /not whole JSON/],
  ])('is refused in words before it is read: %s', async (_, text, words) => {
    expect(await said(text)).toMatch(words)
  })
  it('signs inside words are words, and spaces between them are nothing', async () => {
    const content = smallContent()
    content.lots[0]!.tag = `[[{{${'\\"['.repeat(20)} ]`
    const bundle = JSON.parse(sealedAs(content)) as unknown
    expect(await said(JSON.stringify(bundle, null, 8))).toBe('')
  })
  it('a text comes out of the sieve as JSON means it, however it is cut', () => {
    const value = { a: ['ä " \\ 🐖', { '[': [1, -2.5e3, null] }], '  b  ': true }
    const bytes = Buffer.from(JSON.stringify(value, null, 3))
    for (let size = 1; size < 9; size++) {
      const sieve = new Sieve()
      for (let at = 0; at < bytes.length; at += size)
        expect(sieve.take(bytes.subarray(at, at + size))).toBeNull()
      expect(sieve.text()).toBe(JSON.stringify(value))
    }
  })
})

describe('the head of a bundle', () => {
  const text = (kinds: unknown) =>
    JSON.stringify({ ...(JSON.parse(sealedAs(smallContent())) as object), kinds })
  it('names the form of each kind that stands in it, and one without a head is of the first forms', () => {
    const out = readBundle(sealedAs(smallContent()))
    expect(out.ok && out.value.kinds).toMatchObject({ fact: { attachment: 1 }, decision: { path: 1 } })
  })
  it.each([
    [
      'a kind nobody here knows',
      { fact: { rumour: 1 } },
      /a fact “rumour” of form 1; this Ekko knows no such thing/,
    ],
    [
      'a later form of one',
      { decision: { path: 2 } },
      /a decision “path” of form 2; this Ekko reads form 1 of it/,
    ],
    ['no form at all', { fact: { cost: 'new' } }, /its head does not say/],
  ])('is refused by name: %s', (_, kinds, words) => {
    expect(complaints(text(kinds)).join()).toMatch(words)
  })
  it('says of a kind in an earlier form that it is, and what was written so comes up', () => {
    const { form, up } = FACTS.attachment
    Object.assign(FACTS.attachment, {
      form: 2,
      up: { 1: (b: Record<string, unknown>) => ({ ...b, name: `${String(b.name)} (1)` }) },
    })
    const read = readBundle(text({ fact: { attachment: 1 } }))
    const again = readBundle(text({ fact: { attachment: 2 } }))
    Object.assign(FACTS.attachment, { form, up })
    const named = (out: typeof read) =>
      out.ok &&
      out.value.content.lots[0]!.facts.flatMap(({ fact: f }) => (f.kind === 'attachment' ? [f.name] : []))
    expect(read.ok && read.value.kinds.fact.attachment).toBe(2)
    expect(named(read)).toEqual((named(again) as string[]).map((n) => `${n} (1)`))
  })
})

describe('a bundle with a right digest', () => {
  it('is taken when its rows are right', () => {
    expect(complaints(sealedAs(smallContent()))).toEqual([])
  })
  it.each<[string, (c: SmallContent) => void, RegExp]>([
    [
      'one id twice',
      (c) => void (c.lots[0]!.weighings[1]!.id = c.lots[0]!.weighings[0]!.id),
      /weighings\.1.*another has the id/,
    ],
    [
      'one id twice, once in capitals',
      (c) => void c.plans.push({ ...c.plans[0]!, id: c.plans[0]!.id.toUpperCase() }),
      /plans\.1.*another has the id/,
    ],
    ['one number twice', (c) => void (c.lots[0]!.commands[1]!.rev = 3), /commands\.1.*number/],
    [
      'a correction of nothing',
      (c) => void (c.lots[0]!.weighings[1]!.corrects = c.lots[0]!.id),
      /corrects a row that is not there/,
    ],
    [
      'a correction before what it corrects',
      (c) => void c.lots[0]!.weighings.reverse(),
      /corrects a row that is not there/,
    ],
    [
      'a lot of no anatomy',
      (c) => void (c.lots[0]!.anatomy = 'a'.repeat(64)),
      /lots\.0.*names an anatomy that is not in the bundle/,
    ],
    [
      'a lot of another species',
      (c) => void (c.lots[0]!.species = 'lamb'),
      /a lamb with the anatomy of a hog/,
    ],
    [
      'a paper of no lot',
      (c) => void (c.papers[0]!.lot = c.papers[0]!.id),
      /papers\.0.*names a lot that is not/,
    ],
    ['a paper of another kind', (c) => void (c.papers[0]!.data.kind = 'cut-sheet'), /it is no letter/],
    ['a negative weight', (c) => void (c.lots[0]!.packs[0]!.shown.value = -9), /packs\.0\.shown\.value/],
    ['grams that are not the weight', (c) => void c.lots[0]!.packs[0]!.grams++, /9 lb is not 4083 g/],
    ['a NUL in a name', (c) => void (c.lots[0]!.tag = 'Bra\u0000cken'), /lots\.0\.tag.*cannot be kept/],
    [
      'half of a pair in a paper',
      (c) => void (c.papers[0]!.data.lot = '\ud800'),
      /papers\.0\.data\.lot.*cannot be kept/,
    ],
    ['a cut no hog has', (c) => void (c.lots[0]!.packs[0]!.cut = 'wing'), /no cut “wing”/],
    ['a part no hog has', (c) => void (c.lots[0]!.commands[0]!.decision.target = 'wing'), /no part “wing”/],
    [
      'a plan of parts no hog has',
      (c) => void (c.plans[0]!.body.paths[0]!.part = 'wing'),
      /plans\.0\.paths\.0.*no part “wing”/,
    ],
    [
      'the year 9999',
      (c) => void (c.lots[0]!.createdAt = '9999-01-01T00:00:00.000Z'),
      /outside the years 2000 to 2099/,
    ],
    [
      'a zone there is not',
      (c) => void (c.farm.zone = 'Mars/Olympus' as 'UTC'),
      /farm\.zone.*not a time zone/,
    ],
    [
      'an undo of nothing',
      (c) => void (c.lots[0]!.commands[0]!.undoes = c.lots[0]!.id),
      /takes back a batch that is not there/,
    ],
    [
      'an anatomy that was altered',
      (c) => void (Object.values(c.anatomies)[0]!.id = 'hog2'),
      /it was altered/,
    ],
    ['a withdrawal of nothing', (c) => void (c.lots[0]!.packs[0]!.stands = false), /Only a correction/],
  ])('and %s is refused whole, with its place', (_, spoil, words) => {
    const said = spoilt(spoil)
    expect(said.join('\n')).toMatch(words)
    expect(said.join('\n')).toMatch(/Nothing was changed/)
  })
  it('and a plan of the farm’s own ways, though no animal hangs that has them, is taken', () => {
    const content = smallContent()
    const names = { american: 'Skewers', commonwealth: 'Skewers' }
    const cut = {
      id: 'own-skewers',
      names,
      destination: 'T' as const,
      kind: 'product' as const,
      index: 1,
      portion: null,
    }
    content.own.push({
      version: 1,
      at: content.lots[0]!.createdAt,
      body: { species: 'lamb', cuts: [cut], parts: [], paths: [] },
    })
    const portion = { kind: 'whole' as const, perSide: 1, perPack: 1 }
    const body = {
      ...content.plans[0]!.body,
      species: 'lamb' as const,
      paths: [],
      portions: [{ cut: 'own-skewers', portion }],
    }
    const plans = [{ ...content.plans[0]!, body }]
    expect(complaints(sealedAs({ ...content, plans }))).toEqual([])
    expect(complaints(sealedAs({ ...content, plans, own: [] })).join()).toMatch(/own-skewers/)
  })
  it('lists everything that is wrong, up to twenty faults', () => {
    const said = spoilt((c) => {
      c.lots[0]!.packs[0]!.cut = 'wing'
      c.papers[0]!.lot = c.papers[0]!.id
      for (let n = 0; n < 40; n++) c.plans.push(c.plans[0]!)
    })
    expect(said).toHaveLength(20)
  })
  it('that has no form at all is refused in words', () => {
    for (const content of [null, 7, [], {}, { plans: 1, papers: [null] }, { farm: 3, plans: [], papers: [] }])
      for (const version of [1, 2, 3, 4])
        expect(complaints(sealedAs(content, version)).join()).toMatch(/damaged/)
  })
})
