import { apportion, minor, minus, refuse, sumOf, type Kg, type Minor, type Outcome } from '#core/measure'

/** A product of one animal, as joint cost is shared over it. */
export interface JointProduct {
  id: string
  kg: Kg
  /** What it would bring as it comes off the carcass, before further work. */
  splitOff: Minor
  /** What it brings in the end. */
  value: Minor
  /** What only it costs: its packs, grinding, curing. */
  separable: Minor
}

/** Ways to share what the whole animal cost over its products; none of them says what a cut cost. */
export const JOINT_METHODS = ['weight', 'split-off', 'realisable', 'margin'] as const
export type JointMethod = (typeof JOINT_METHODS)[number]

export interface JointShare {
  id: string
  joint: Minor
  /** Its share and what only it costs. */
  cost: Minor
  /** What it brings less that. */
  margin: Minor
}

/**
 * Shares a joint cost over products: by weight; by sales value at split-off; by net realisable value (what each brings in the
 * end less what only it costs); so that all have the same gross margin of what they bring. Shares add up to the joint cost
 * to the minor unit; a share may be below nothing only where all margins are made equal. Refuses where a method finds
 * nothing to share over (Horngren, Datar and Rajan, Cost Accounting, the chapter on joint products).
 */
export function shareJoint(
  method: JointMethod,
  joint: Minor,
  products: readonly JointProduct[],
): Outcome<JointShare[]> {
  const shares = sharesBy(method, joint, products)
  if (!shares) return refuse('joint-nothing', 'method', { method })
  return {
    ok: true,
    value: products.map((p, i) => {
      const cost = minor(shares[i]! + p.separable)
      return { id: p.id, joint: shares[i]!, cost, margin: minus(p.value, cost) }
    }),
  }
}

function sharesBy(method: JointMethod, joint: Minor, products: readonly JointProduct[]): Minor[] | null {
  const weights = products.map((p) => {
    switch (method) {
      case 'weight':
        return p.kg as number
      case 'split-off':
        return p.splitOff
      case 'realisable':
        return Math.max(0, p.value - p.separable)
      case 'margin':
        return p.value
    }
  })
  if (sumOf(weights, (w) => w) <= 0) return null
  if (method !== 'margin') return apportion(joint, weights)
  // All costs in proportion to what is brought is the same margin for each; less what only it costs is its joint share.
  const all = minor(joint + sumOf(products, (p) => p.separable))
  return apportion(all, weights).map((cost, i) => minus(cost, products[i]!.separable))
}
