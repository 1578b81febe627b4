import type { RouteRecordRaw } from 'vue-router'

/** A station of a lot, in the order of the work; views are further pages of it. */
export interface Station {
  id: string
  word: string
  page: () => Promise<unknown>
  views?: Record<string, () => Promise<unknown>>
}

export const STATIONS = [
  {
    id: 'hang',
    word: 'Hang',
    page: () => import('./hang/HangStation.vue'),
    views: {
      cold: () => import('./hang/ColdView.vue'),
      raise: () => import('./birds/RaiseView.vue'),
      line: () => import('./birds/LineView.vue'),
      scald: () => import('./birds/ScaldView.vue'),
      sort: () => import('./birds/SortView.vue'),
    },
  },
  {
    id: 'block',
    word: 'Block',
    page: () => import('./block/BlockStation.vue'),
    views: {
      trim: () => import('./block/TrimView.vue'),
      order: () => import('./block/OrderView.vue'),
      day: () => import('./block/DayView.vue'),
      kit: () => import('./block/KitView.vue'),
      card: () => import('./block/CardView.vue'),
      plans: () => import('./block/PlansView.vue'),
      groups: () => import('./block/GroupsView.vue'),
    },
  },
  {
    id: 'price',
    word: 'Price',
    page: () => import('./price/PriceStation.vue'),
    views: {
      costs: () => import('./price/CostsView.vue'),
      fees: () => import('./price/FeesView.vue'),
      joint: () => import('./price/JointView.vue'),
      finishes: () => import('./price/FinishesView.vue'),
      cheap: () => import('./price/CheapView.vue'),
      whole: () => import('./price/WholeView.vue'),
    },
  },
  {
    id: 'pack',
    word: 'Pack',
    page: () => import('./pack/PackStation.vue'),
    views: {
      packs: () => import('./pack/PacksView.vue'),
      why: () => import('./pack/WhyView.vue'),
      labels: () => import('./pack/LabelsView.vue'),
      bags: () => import('./pack/BagsView.vue'),
      tools: () => import('./pack/ToolsView.vue'),
    },
  },
] as const satisfies Station[]
export type StationId = (typeof STATIONS)[number]['id']

/** The station an address belongs to: its own, or the one it is a view of. */
export const stationOf = (name: unknown): StationId =>
  STATIONS.find((s: Station) => s.id === name || (s.views && String(name) in s.views))?.id ?? 'block'

/** Raised, killed and sorted are all of a batch. */
const OF_BATCH = new Set<unknown>(['raise', 'line', 'scald', 'sort'])
/** Places of all of a lot, whichever of its groups was looked at: what is sold is sold of all of them. */
export const isOfWhole = (name: unknown): boolean =>
  stationOf(name) === 'price' || name === 'groups' || OF_BATCH.has(name)
/** Places of one group of a lot that is split: how its animals are cut. */
export const isOfGroup = (name: unknown): boolean => stationOf(name) === 'block' && !isOfWhole(name)

/** What a device of the cutting floor opens: the card and the scale. */
export const FLOOR_STATIONS: readonly StationId[] = ['block', 'pack']
const FLOOR_PAGES = new Set(['rail', 'card', 'pack', 'packs', 'tools', 'trace', 'line', 'scald', 'nowhere'])
/** Where an address leads on such a device; null where it may be opened. */
export function floorPage(name: unknown): string | null {
  if (typeof name !== 'string' || FLOOR_PAGES.has(name)) return null
  return STATIONS.some((s: Station) => s.id === name || (s.views && name in s.views)) ? 'card' : 'rail'
}

/** Pages of the stations and of their views, below a lot. */
export const stationRoutes: RouteRecordRaw[] = STATIONS.flatMap((s: Station) => [
  { path: s.id, name: s.id, component: s.page },
  ...Object.entries(s.views ?? {}).map(([view, component]) => ({
    path: view,
    name: view,
    meta: { station: s.id },
    component,
  })),
])
