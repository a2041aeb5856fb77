import type { HomePack, Product } from '#core/catalog'

type Pack = readonly [
  role: HomePack['role'],
  times: HomePack['times'],
  amount: number,
  priceMinor: number,
  count: number,
  dose?: number,
]
const BOTH: HomePack['times'] = ['morning', 'evening']

/** What the studio also sells for home, in packs of its own. */
const PACKS: Readonly<Record<string, Pack>> = {
  'eye-oil-free': ['remover', ['evening'], 150, 1600, 6, 1.5],
  'oat-cleanser': ['cleanser', BOTH, 150, 1800, 9, 1.5],
  'reed-wash': ['cleanser', BOTH, 150, 1900, 5, 1.5],
  'rose-toner': ['toner', BOTH, 150, 1700, 4, 1],
  'bead-scrub': ['scrub', ['evening'], 75, 2100, 3, 2],
  'salicylic-fluid': ['acid', ['evening'], 50, 2600, 4, 0.5],
  'niacin-serum': ['serum', ['morning'], 30, 3400, 7, 0.3],
  'moss-serum': ['serum', BOTH, 30, 3200, 6, 0.3],
  'cinder-serum': ['serum', ['evening'], 30, 3900, 2, 0.3],
  'zinc-fluid': ['soothing', BOTH, 50, 2400, 5],
  'cucumber-gel': ['soothing', BOTH, 75, 2000, 4],
  'eye-gel': ['eye', BOTH, 15, 2800, 5, 0.1],
  'night-cream': ['retinoid', ['evening'], 30, 4400, 3, 0.25],
  'dune-cream': ['moisturiser', BOTH, 50, 2900, 8],
  'scent-cream': ['moisturiser', BOTH, 50, 2900, 4],
  'rowan-lip-oil': ['lip', BOTH, 10, 1200, 7],
  'sun-fluid': ['sun', ['morning'], 50, 2700, 10],
  'sun-veil': ['sun', ['morning'], 50, 2600, 6],
}

/** A product with the pack it is sold in for home, where there is one. */
export function withTakeHome(product: Product): Product {
  const pack = PACKS[product.id]
  if (!pack) return product
  const [role, times, amount, priceMinor, count, dose] = pack
  const atOnce = dose === undefined ? {} : { dose }
  return {
    ...product,
    takeHome: { role, times: [...times], amount, priceMinor, count, ...atOnce },
  }
}
