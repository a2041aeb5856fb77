import type { Product } from '../catalog/model'
import type { Segment } from '../protocol/model'

/** What a tray is laid with besides products and devices: name by id. Costs and stock are found under the same id. */
export const SUPPLY_NAMES = {
  towel: 'towel',
  compress: 'compress',
  sponge: 'damp sponges, pair',
  'dry-sponge': 'dry sponges, pair',
  gauze: 'gauze pads',
  swab: 'swabs',
  mitt: 'mitts, pair',
  spatula: 'spatula',
  brush: 'brush',
  bowl: 'bowl',
  'flexible-bowl': 'flexible bowl',
  'water-bowl': 'bowl of water',
  cup: 'measuring cup and thermometer',
  headband: 'headband',
  linen: 'linen for the bed',
  'cotton-pad': 'cotton pads',
  'eye-pads': 'eye pads',
  'eye-shields': 'eye shields',
  gloves: 'gloves, pair',
  tissue: 'tissue',
  wand: 'soft wand',
  fan: 'fan',
  tweezers: 'sterile tweezers',
  lancet: 'sterile lancet, sharps container',
  tip: 'single-use tip',
  cartridge: 'sterile cartridge',
  blade: 'single-use blade',
} as const
export type SupplyId = keyof typeof SUPPLY_NAMES

export interface Laid {
  readonly id: SupplyId
  readonly count: number
}

/** Names that cards and rules use for the same things. */
const ALSO: Readonly<Record<string, Laid>> = {
  'damp sponges, pair': { id: 'sponge', count: 1 },
  'gloves, two pairs': { id: 'gloves', count: 2 },
  'nitrile gloves': { id: 'gloves', count: 1 },
  'sterile single-use tip': { id: 'tip', count: 1 },
  'tissue with an opening': { id: 'tissue', count: 1 },
  'sterile cartridge, note its lot': { id: 'cartridge', count: 1 },
  'cotton buds': { id: 'swab', count: 2 },
  'new blade': { id: 'blade', count: 1 },
  tips: { id: 'tip', count: 1 },
}
const BY_NAME = new Map<string, Laid>([
  ...Object.entries(SUPPLY_NAMES).map(
    ([id, name]) => [name, { id: id as SupplyId, count: 1 }] as const,
  ),
  ...Object.entries(ALSO),
])
/** The supply behind words written on a card or by a rule; undefined for what is no supply (a lamp, a mirror). */
export const supplyNamed = (words: string): Laid | undefined => BY_NAME.get(words.toLowerCase())

/** What a removal takes from the cupboard (sponges: about three passes on one damp pair; common practice). Oil comes off dry. */
export function forRemoval(segment: Segment, product: Product | undefined): Laid | undefined {
  const passes = segment.end?.usualCount ?? 1
  switch (segment.tool) {
    case 'towel':
    case 'compress':
    case 'spatula':
      return { id: segment.tool, count: passes }
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
