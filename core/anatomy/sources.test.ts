import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { SPECIES } from './index.ts'
import { ANATOMIES } from '#core/species'

const listed = new Set(
  [...readFileSync('docs/sources.md', 'utf8').matchAll(/^\| ([a-z0-9-]+) \|/gm)].map((m) => m[1]!),
)

/** Places of all figures in an anatomy, without list positions: `paths.outputs.process.yield`. */
function figures(value: unknown, at: string[] = []): string[] {
  if (typeof value === 'number') return [at.join('.')]
  if (Array.isArray(value)) return value.flatMap((v) => figures(v, at))
  if (value === null || typeof value !== 'object') return []
  return Object.entries(value).flatMap(([k, v]) => figures(v, [...at, k]))
}

/** The most exact entry whose words stand in this order in the place. */
function sourceOf(sources: Record<string, string>, place: string): string | undefined {
  const words = place.split('.')
  const within = (key: string) => {
    let from = 0
    return key.split('.').every((w) => (from = words.indexOf(w, from) + 1) > 0)
  }
  const best = Object.keys(sources)
    .filter((key) => key.split('.')[0] === words[0] && within(key))
    .sort((a, b) => b.split('.').length - a.split('.').length)[0]
  return best && sources[best]
}

describe('docs/sources.md', () => {
  it.each(SPECIES)('lists where every figure of the %s comes from', (species) => {
    const anatomy = ANATOMIES[species]
    const { version, form, sources, ...data } = anatomy
    expect(version * form).toBeGreaterThan(0)
    const unlisted = [...new Set(figures(data))].filter((place) => {
      const id = sourceOf(sources, place)
      return !id || !listed.has(id)
    })
    expect(unlisted).toEqual([])
  })
  it.each(SPECIES)('has no entry of the %s that no figure uses', (species) => {
    const anatomy = ANATOMIES[species]
    const used = new Set(
      figures({ ...anatomy, version: '', form: '' }).map((p) => sourceOf(anatomy.sources, p)),
    )
    expect(Object.values(anatomy.sources).filter((id) => !used.has(id))).toEqual([])
  })
  it('lists every source the code refers to', () => {
    const files = ['core', 'calibration'].flatMap((room) =>
      readdirSync(room, { recursive: true, encoding: 'utf8' })
        .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
        .map((file) => join(room, file)),
    )
    const named = files.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/docs\/sources\.md: ([a-z0-9-]+)/g)].map((m) => m[1]!),
    )
    expect(named.length).toBeGreaterThan(20)
    expect([...new Set(named)].filter((id) => !listed.has(id))).toEqual([])
  })
})
