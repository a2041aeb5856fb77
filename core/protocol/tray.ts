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

/** What opens the skin anew for every client: one of these lies on the tray of needling. */
const STERILE_TIPS: ReadonlySet<SupplyId> = new Set(['tip', 'cartridge'])

/** True for words on a tray that stand for a sterile tip or cartridge. */
export function isSterileTip(words: string): boolean {
  const supply = supplyNamed(words)
  return supply !== undefined && STERILE_TIPS.has(supply.id)
}
