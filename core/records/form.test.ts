import { describe, expect, it } from 'vitest'
import { PLAIN, sayIssue } from '#core/measure'
import { FACTS, limitsOf, readForm, SHEETS, typed } from './index.ts'

const KG = { ...PLAIN, massUnit: 'kg' as const }
/** What a form says is wrong, by field. */
const wrong = (out: ReturnType<typeof readForm>) =>
  Object.fromEntries(out.ok ? [] : out.issues.map((i) => [i.field, sayIssue(i)]))

describe('a form reads what is typed by its kind', () => {
  it('in the unit of the farm, with the limits of the record, every wrong field at once', () => {
    const { fields } = FACTS.scald
    expect(readForm(fields, { c: '63,5', seconds: '45', birds: '2' }, KG)).toEqual({
      ok: true,
      value: { c: 63.5, seconds: 45, birds: 2 },
    })
    expect(wrong(readForm(fields, { c: '400', seconds: '4', birds: '2.5' }, KG))).toEqual({
      c: '“400” is no temperature from 20 to 100 °C. Type 4.5, or 40 F.',
      seconds: '“4” is not a number from 5 to 900.',
      birds: '“2.5” is not a number from 1 to 100.',
    })
  })

  it('asks in so many words for what is missing, and leaves out what may be', () => {
    const { fields } = SHEETS.equipment
    const none = { name: ' ', kgPerMinute: '', places: '', sharpened: '', borrowed: '' }
    expect(wrong(readForm(fields, none, KG))).toEqual({
      name: 'It has no name. Type one, such as “Band saw”.',
    })
    expect(readForm(fields, { ...none, name: ' Band saw ' }, KG)).toEqual({
      ok: true,
      value: { name: 'Band saw', kgPerMinute: null, places: null, sharpened: null, borrowed: null },
    })
    expect(wrong(readForm(fields, { ...none, name: 'x'.repeat(81) }, KG)).name).toContain('longer than 80')
  })

  it.each([
    ['a comma is a point', '3,5', 3.5],
    ['its unit may stand behind it', '3.5 mm', 3.5],
    ['a minus of print is one', '−2', -2],
    ['a plus is none', '+2', 2],
    ['nothing is no number', ' ', null],
    ['a word is no number', 'two', null],
    ['sums are not worked out', '1e3', null],
    ['another unit is not guessed', '3 in', null],
  ])('%s: “%s”', (_, text, value) => {
    const field = typed.figure(FACTS.temperature.schema.shape.c, 'mm')
    const out = field.read(text, 'x', KG)
    expect(out.ok ? out.value : null).toBe(value)
  })

  it('a share is typed as percent; money is never below nothing', () => {
    const share = typed.percent(FACTS.temperature.schema.shape.c)
    expect(share.read('12.5 %', 'x', KG)).toEqual({ ok: true, value: 0.125 })
    expect(typed.money.read('-1', 'x', KG).ok).toBe(false)
    expect(typed.money.read('7.50', 'x', KG)).toEqual({ ok: true, value: 750 })
  })

  it('a schema that is no number has no limits', () => {
    expect(limitsOf(SHEETS.equipment.schema.shape.kgPerMinute)).toEqual({ low: 0.01, high: 500 })
    expect(() => limitsOf(SHEETS.equipment.schema.shape.name)).toThrow('Only a number')
  })
})
