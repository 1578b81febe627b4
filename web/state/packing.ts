import { createSharedComposable } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import type { UsedSince } from '#contracts'
import { isSame, type SupplyItem } from '#core/hand'
import type { PackingItem, PackingSheet, Species, Wrap } from '#core/records'
import { ask, type FieldIssue } from './api.ts'
import { useSheets } from './sheets.ts'

const NONE: PackingSheet = {
  ...{ format: 'ekko-packing', version: 1, name: 'Packing' },
  ...{ usual: null, cuts: [], lines: [] },
}
type Line = PackingSheet['lines'][number]

/** What the farm packs in, one sheet for the whole farm; and what packs took of what was counted. */
export const usePacking = createSharedComposable(() => {
  const { sheets, state, keep, change } = useSheets('ekko-packing')
  const packing = computed(() => sheets.value[0]?.body ?? NONE)
  const used = shallowRef<UsedSince[]>([])
  async function count() {
    const answer = await ask<UsedSince[]>('GET', '/packs/used')
    if (answer.kind === 'ok') used.value = answer.body
  }
  void count()
  async function save(next: PackingSheet): Promise<FieldIssue[]> {
    const [held] = sheets.value
    const issues = held ? await change(held, next) : await keep(next)
    if (issues.length === 0) await count()
    return issues
  }
  const lineOf = (item: SupplyItem): Line | null =>
    packing.value.lines.find((l) => isSame(l.item, item)) ?? null
  return {
    packing,
    state,
    count,
    /** What a cut goes into from now on; null is the usual one again. */
    wrapCut: (species: Species, cut: string, wrap: Wrap | null) =>
      save({
        ...packing.value,
        cuts: [
          ...packing.value.cuts.filter((c) => c.species !== species || c.cut !== cut),
          ...(wrap ? [{ species, cut, wrap }] : []),
        ],
      }),
    wrapUsually: (usual: Wrap | null) => save({ ...packing.value, usual }),
    /** What a hundred cost, or how many lie on the shelf. */
    sayOf: (item: PackingItem, said: Partial<Pick<Line, 'per100' | 'counted'>>) =>
      save({
        ...packing.value,
        lines: [
          ...packing.value.lines.filter((l) => !isSame(l.item, item)),
          { per100: null, counted: null, ...lineOf(item), item, ...said },
        ],
      }),
    lineOf,
    /** How many are left of what was counted; null where nobody counted, or what is used is not known (twine). */
    leftOf(item: SupplyItem): number | null {
      const counted = lineOf(item)?.counted
      const since = used.value.find((u) => isSame(u.item, item))
      return counted && since ? Math.max(0, counted.count - since.used) : null
    },
  }
})
