import type { HomePack, Product, Shelf } from '#core/catalog'
import { SHELF } from './fixtures'

const BOTH: HomePack['times'] = ['morning', 'evening']
const PACKS: Readonly<Record<string, readonly [HomePack['role'], HomePack['times'], number]>> = {
  'oat-cleanser': ['cleanser', BOTH, 150],
  'bead-scrub': ['scrub', ['evening'], 75],
  'salicylic-fluid': ['acid', ['evening'], 50],
  'niacin-serum': ['serum', ['morning'], 30],
  'moss-serum': ['serum', BOTH, 30],
  'zinc-fluid': ['soothing', BOTH, 50],
  'eye-gel': ['eye', BOTH, 15],
  'night-cream': ['retinoid', ['evening'], 30],
  'scent-cream': ['moisturiser', BOTH, 50],
  'dune-cream': ['moisturiser', BOTH, 50],
  'lactic-peel': ['acid', ['evening'], 50],
  'lactic-solution': ['acid', ['evening'], 30],
  'sun-fluid': ['sun', ['morning'], 50],
}
/** The shelf of the tests, with packs for home. */
export const HOME_SHELF: Shelf = {
  ...SHELF,
  products: SHELF.products.map((product): Product => {
    const pack = PACKS[product.id]
    if (!pack) return product
    const [role, times, amount] = pack
    return { ...product, takeHome: { role, times, amount, priceMinor: 2000, count: 5 } }
  }),
}
