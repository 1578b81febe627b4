import { describe, expect, it } from 'vitest'
import { sayIssue } from '#core/measure'
import type { OwnAdditions } from '#core/records'
import {
  drawHung,
  extendAnatomy,
  linePositions,
  SPECIES,
  validateAnatomy,
  type Anatomy,
  type PartShape,
} from './index.ts'
import { ANATOMIES } from '#core/species'

const { hog } = ANATOMIES

describe('every species', () => {
  it.each(SPECIES)(
    '%s is sound: tissues close in every way and band, references and both names exist',
    (s) => {
      expect(validateAnatomy(ANATOMIES[s])).toEqual([])
    },
  )
  it.each(SPECIES)('%s: no two ways of a part come to the same thing', (s) => {
    for (const part of ANATOMIES[s].parts) {
      const seen = new Map<string, string>()
      for (const p of ANATOMIES[s].paths.filter((x) => x.part === part.id)) {
        const outputs = JSON.stringify(
          p.outputs
            .map((o) => [o.cut ?? `> ${o.part}`, o.lean, o.fat, o.bone, o.skin])
            .filter(([, ...shares]) => shares.some((x) => Number(x) > 0))
            .sort(),
        )
        expect(seen.get(outputs), `${p.id} gives what this gives`).toBeUndefined()
        seen.set(outputs, p.id)
      }
    }
  })
  it.each(SPECIES)('%s: every cut comes of some way, so that none is a name only', (s) => {
    const made = new Set(ANATOMIES[s].paths.flatMap((p) => p.outputs.flatMap((o) => o.cut ?? [])))
    expect(ANATOMIES[s].cuts.map((c) => c.id).filter((c) => !made.has(c))).toEqual([])
  })
  it('hog vertebrae are 25–28 mm at the front and 35–38 mm in the loin (common practice)', () => {
    const ribs = hog.axis.filter((s) => s.rib)
    expect(ribs).toHaveLength(14)
    expect(ribs[0]!.mm).toBeGreaterThanOrEqual(25)
    expect(ribs[0]!.mm).toBeLessThanOrEqual(28)
    for (const s of hog.axis.filter((s) => s.id.startsWith('lumbar')))
      expect(Math.abs(s.mm - 36.5)).toBeLessThanOrEqual(1.5)
  })
})

describe('an unsound anatomy is told what is wrong', () => {
  const broken = (change: (a: Anatomy) => void) => {
    const copy = structuredClone(hog)
    change(copy)
    return validateAnatomy(copy)
      .map((f) => `${f.where}: ${f.what}`)
      .join('; ')
  }
  it('names the tissue that does not close, and by how much', () => {
    expect(broken((a) => void (a.paths[0]!.outputs[0]!.lean -= 0.1))).toContain(
      'shoulder-whole: lean does not close: 10 % is missing',
    )
    expect(broken((a) => void (a.paths[0]!.outputs[0]!.fat += 0.05))).toContain('5 % is there twice')
  })
  it('finds a stretch beyond its part', () =>
    expect(broken((a) => void (a.paths[0]!.outputs[0]!.along = [0.4, 1.2]))).toContain('beyond its part'))
  it('finds references to nothing', () => {
    expect(broken((a) => void (a.paths[0]!.outputs[0]!.cut = 'wing'))).toContain('makes unknown cut wing')
    expect(broken((a) => void (a.parts[0]!.fallback = 'loin-chops'))).toContain('none of its paths')
    expect(broken((a) => void (a.cuts[0]!.names = { american: 'Ham', commonwealth: '' }))).toContain(
      'lacks a name',
    )
    expect(broken((a) => void (a.paths[0]!.needs = ['wool']))).toContain('needs unknown convention wool')
    expect(broken((a) => void (a.bands[0]!.spans[0]!.part = 'wing'))).toContain('spans to unknown part wing')
  })
  it('finds parts nothing reaches, and a line off the axis', () => {
    expect(
      broken((a) => {
        a.parts.push({ ...a.parts[0]!, id: 'wing', fallback: 'wing-whole' })
        a.paths.push({ ...a.paths.find((p) => p.part === 'leg')!, id: 'wing-whole', part: 'wing' })
      }),
    ).toContain('wing: is reached by no cell and no path')
    expect(
      broken((a) => {
        const line = a.lines[0]!
        if (line.kind === 'across') line.settings[0]!.at = 'rib 40'
      }),
    ).toContain('lies outside the axis')
  })
})

describe('a farm’s own parts and ways', () => {
  const own = (change: (o: OwnAdditions) => void = () => {}): OwnAdditions => {
    const tissue = { lean: 0, fat: 0, bone: 0, skin: 0 }
    const o: OwnAdditions = {
      species: 'hog',
      cuts: [
        {
          id: 'own-skewers',
          names: { american: 'Skewers', commonwealth: 'Skewers' },
          destination: 'T',
          kind: 'product',
          index: 1.4,
          portion: null,
        },
      ],
      parts: [
        { id: 'own-flat', names: { american: 'Flat', commonwealth: 'Flat' }, fallback: 'own-flat-skewers' },
      ],
      paths: [
        {
          id: 'own-flat-skewers',
          part: 'own-flat',
          names: { american: 'All to skewers', commonwealth: 'All to skewers' },
          destination: 'T',
          minutes: 4,
          tool: 'knife',
          steps: 'Cubed and threaded.',
          outputs: [{ ...tissue, cut: 'own-skewers', lean: 1, fat: 1, bone: 1, skin: 1 }],
        },
        {
          id: 'own-butt-opened',
          part: 'butt',
          names: { american: 'Opened flat', commonwealth: 'Opened flat' },
          destination: 'T',
          minutes: 9,
          tool: 'knife',
          steps: 'Boned and opened.',
          outputs: [
            { ...tissue, part: 'own-flat', lean: 0.9, fat: 0.4 },
            { ...tissue, part: 'trim', lean: 0.1, fat: 0.1 },
            { ...tissue, part: 'back-fat', fat: 0.5 },
            { ...tissue, part: 'bones', bone: 1 },
            { ...tissue, part: 'skin', skin: 1 },
          ],
        },
      ],
    }
    change(o)
    return o
  }
  const refusal = (change: (o: OwnAdditions) => void) => {
    const out = extendAnatomy(hog, own(change))
    return out.ok ? [] : out.issues.map((i) => `${i.field} ${sayIssue(i)}`)
  }
  it('pass the same checks as ours, and leave ours untouched', () => {
    const out = extendAnatomy(hog, own())
    expect(out.ok && validateAnatomy(out.value)).toEqual([])
    expect(out.ok && out.value.parts.find((p) => p.id === 'own-flat')!.scope).toBe('side')
    expect(hog.paths.some((p) => p.id.startsWith('own-'))).toBe(false)
  })
  it('are refused with the tissue that does not close and how much is missing', () =>
    expect(refusal((o) => void (o.paths[1]!.outputs[0]!.lean = 0.7))).toContainEqual(
      'paths.1 own-butt-opened: lean does not close: 20 % is missing.',
    ))
  it('are refused when they name an unknown part or cut, or need what there is not', () => {
    expect(refusal((o) => void (o.paths[1]!.part = 'wing')).join()).toContain('opens unknown part wing')
    expect(refusal((o) => void (o.paths[1]!.outputs[1]!.part = 'own-none')).join()).toContain(
      'opens into unknown part own-none',
    )
    expect(refusal((o) => void (o.paths[1]!.needs = ['horns'])).join()).toContain('unknown convention horns')
  })
  it('are refused when a part comes out of itself', () =>
    expect(
      refusal((o) => {
        o.paths[0]!.outputs = [{ part: 'butt', lean: 1, fat: 1, bone: 1, skin: 1 }]
      }).join(),
    ).toContain('comes out of itself'))
  it('are refused for another species', () =>
    expect(refusal((o) => void (o.species = 'lamb')).join()).toContain('species lamb: is not the hog'))
})

const area = (polygon: PartShape['polygon']) =>
  Math.abs(
    polygon.reduce((s, [x, y], i) => {
      const [nx, ny] = polygon[(i + 1) % polygon.length]!
      return s + x * ny - nx * y
    }, 0),
  ) / 2

describe('the drawing', () => {
  const draw = (
    anatomy: Anatomy,
    settings: Record<string, string> = {},
    mm: Record<string, number> = {},
    whole = false,
  ) => {
    const { at } = linePositions(anatomy, (l) => settings[l.id])
    const usual = Object.fromEntries(
      anatomy.lines.flatMap((l) => (l.kind === 'along' ? [[l.id, l.mm.usual]] : [])),
    )
    return drawHung(anatomy, { at, mm: { ...usual, ...mm } }, whole)
  }
  const sideOf = (hung: ReturnType<typeof draw>) => {
    if (hung.kind === 'laid') throw new Error('laid out')
    return hung.side
  }
  const of = (hung: ReturnType<typeof draw>, part: string) =>
    area(sideOf(hung).parts.find((p) => p.parts.includes(part))!.polygon)
  it('moves ground from the loin to the shoulder when the line moves back, and leaves the leg alone', () => {
    const [front, back] = [draw(hog), draw(hog, { 'shoulder-line': '5|6' })]
    expect(of(back, 'shoulder')).toBeGreaterThan(of(front, 'shoulder') * 1.2)
    expect(of(back, 'loin')).toBeLessThan(of(front, 'loin'))
    expect(of(back, 'leg')).toBeCloseTo(of(front, 'leg'), 6)
  })
  it('widens the belly when its long line moves toward the eye', () => {
    const [near, far] = [draw(hog, {}, { 'belly-line': 5 }), draw(hog, {}, { 'belly-line': 60 })]
    expect(of(near, 'belly')).toBeGreaterThan(of(far, 'belly'))
    expect(sideOf(near).along.map((a) => a.line)).toEqual(['belly-line'])
  })
  it.each(['hog', 'lamb', 'steer'] as const)('numbers every rib of the %s', (s) => {
    const a = ANATOMIES[s]
    expect(sideOf(draw(a)).ribs.map((r) => r.rib)).toEqual(
      Array.from({ length: a.ribs!.usual }, (_, i) => i + 1),
    )
  })
  it('has a place for every part that hangs by itself, inside its box', () => {
    for (const a of Object.values(ANATOMIES)) {
      const onMap = new Set(a.map.shapes.flatMap((s) => s.parts))
      const hanging = a.bands.flatMap((b) => b.spans.flatMap((s) => [s.part, s.below?.part ?? s.part]))
      const sided = new Set(a.parts.filter((p) => p.scope === 'side').map((p) => p.id))
      expect(
        hanging.filter((p) => sided.has(p) && !onMap.has(p)),
        a.id,
      ).toEqual([])
      const hung = draw(a)
      const box = hung.kind === 'laid' ? 400 : 800
      const points = (hung.kind === 'laid' ? hung.parts : hung.side.parts).flatMap((shape) => shape.polygon)
      expect(points.length, a.id).toBeGreaterThan(20)
      expect(
        points.filter(([x, y]) => !(x > 0 && x < 400 && y > 0 && y <= box)),
        a.id,
      ).toEqual([])
    }
  })
  it('draws a lamb left whole as one, and a bird laid out', () => {
    expect(draw(ANATOMIES.lamb, {}, {}, true).kind).toBe('whole')
    expect(draw(ANATOMIES.lamb).kind).toBe('sides')
    expect(draw(ANATOMIES.steer, {}, {}, true).kind).toBe('sides')
    expect(draw(ANATOMIES.broiler).kind).toBe('laid')
  })
})
