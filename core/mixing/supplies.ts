import type { Product } from '../catalog/model'
import type { Segment } from '../protocol/model'
import { SUPPLY_NAMES, type Laid, type SupplyId } from '../protocol/tray'
import { TEMPERATURE_WORDS } from '../protocol/words'
import { TOWEL, towelReadyInS } from './towel'

/** What a removal takes from the cupboard (sponges: about three passes on one damp pair; common practice). Oil comes off dry. */
export function forRemoval(segment: Segment, product: Product | undefined): Laid | undefined {
  const passes = segment.end?.usualCount ?? 1
  switch (segment.tool) {
    case 'towel':
    case 'compress':
    case 'spatula':
      return { id: segment.tool, count: passes }
    case 'dry-sponge':
      return { id: 'dry-sponge', count: passes }
    case 'sponge':
      return { id: spongeFor(segment, product), count: passes }
    case 'gauze':
    case 'swab':
      return { id: segment.tool, count: 4 }
    case 'mitt':
      return { id: 'mitt', count: 1 }
    default:
      return undefined
  }
}

/** Cloths that come out of the cabinet: they are called by their heat. */
export const isHeated = ({ id }: Laid): boolean => id === 'towel' || id === 'compress'
/** What a cloth of a removal is called, on the tray and in the hand: "warm towel", "damp sponges, pair". */
export const clothName = ({ temperature = 'warm' }: Segment, laid: Laid): string =>
  isHeated(laid)
    ? `${TEMPERATURE_WORDS[temperature]} ${SUPPLY_NAMES[laid.id]}`
    : SUPPLY_NAMES[laid.id]

/** A lukewarm towel is cooler than a warm one: the wrist decides (house figure). °C. */
const TOWEL_C = { warm: TOWEL.targetC, lukewarm: 36 } as const
/** What a cloth out of the cabinet cools down to before it touches, and how long that takes; undefined where none comes out of it. */
export function cabinetCloth(
  { temperature = 'warm' }: Segment,
  laid: Laid,
): { readonly targetC: number; readonly readyInS: number } | undefined {
  if (!isHeated(laid) || temperature === 'cool' || temperature === 'room') return undefined
  const targetC = TOWEL_C[temperature]
  return { targetC, readyInS: towelReadyInS({ ...TOWEL, targetC }) }
}

const spongeFor = ({ temperature }: Segment, product: Product | undefined): SupplyId =>
  product?.vehicle === 'anhydrous' && temperature === undefined ? 'dry-sponge' : 'sponge'

/** What a kind of product is put on with, where it is not the hand (common practice, no source). */
const APPLIED_WITH: Readonly<Partial<Record<Product['kind'], Laid>>> = {
  'makeup-remover': { id: 'cotton-pad', count: 4 },
  toner: { id: 'cotton-pad', count: 2 },
  enzyme: { id: 'brush', count: 1 },
  mask: { id: 'brush', count: 1 },
  acid: { id: 'gauze', count: 2 },
  neutraliser: { id: 'gauze', count: 2 },
}
/** Tool for putting a product on; a sheet is laid by hand, a jar is entered with a spatula once, a lip mask goes on with its own wand. */
export function forApplying(product: Product): Laid | undefined {
  if (product.texture === 'sheet') return undefined
  if (product.texture === 'balm' || product.texture === 'cream' || product.kind === 'gel')
    return APPLIED_WITH[product.kind] ?? { id: 'spatula', count: 1 }
  return APPLIED_WITH[product.kind]
}
