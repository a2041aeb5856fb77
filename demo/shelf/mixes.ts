import type { Kit, Product, Supply } from '#core/catalog'
import { segment } from '#core/protocol'
import { FACE_NECK } from '#core/skin'
import { make, MASK_FREE, MASK_TIME, mix, off, on, use } from './make'

// House mixes of the invented studio, what goes into them, its kits and its supplies. All figures are invented for the demo only.

const drops = { name: 'drop', unit: 'mL', per: 0.05 } as const
export const MIX_PARTS: readonly Product[] = [
  make({
    id: 'kaolin-powder',
    name: 'Kaolin Powder',
    kind: 'booster',
    concerns: ['clarify'],
    vehicle: 'anhydrous',
    unit: 'g',
    gramsPerTeaspoon: 2.3,
    texture: 'powder',
    additive: { mostPercent: 30, into: ['mask'] },
    inci: 'Kaolin',
    uses: [],
  }),
  make({
    id: 'panthenol-drops',
    name: 'Panthenol Drops',
    kind: 'booster',
    concerns: ['calm', 'hydrate'],
    actives: [{ name: 'panthenol', percent: 20 }],
    unit: 'mL',
    measure: drops,
    gramsPerTeaspoon: 5,
    additive: { mostPercent: 10 },
    inci: 'Aqua, Panthenol, Glycerin',
    uses: [],
  }),
  make({
    id: 'clover-drops',
    name: 'Clover Drops',
    kind: 'booster',
    concerns: ['calm'],
    actives: [{ name: 'bisabolol', percent: 2 }],
    unit: 'mL',
    measure: drops,
    gramsPerTeaspoon: 5,
    additive: { mostPercent: 10 },
    stock: 0,
    substitutes: ['panthenol-drops'],
    inci: 'Aqua, Trifolium Pratense Flower Extract, Bisabolol, Glycerin',
    uses: [],
  }),
  make({
    id: 'yarrow-drops',
    name: 'Yarrow Drops',
    kind: 'booster',
    concerns: ['calm', 'clarify'],
    actives: [{ name: 'salicylic', percent: 0.5 }],
    unit: 'mL',
    measure: drops,
    gramsPerTeaspoon: 5,
    additive: { mostPercent: 5 },
    inci: 'Aqua, Achillea Millefolium Extract, Salicylic Acid, Parfum, Linalool',
    uses: [],
  }),
  make({
    id: 'niacin-drops',
    name: 'Niacinamide Drops',
    kind: 'booster',
    concerns: ['brighten'],
    actives: [{ name: 'niacinamide', percent: 20 }],
    unit: 'mL',
    measure: drops,
    gramsPerTeaspoon: 5,
    additive: { mostPercent: 15, into: ['mask', 'serum', 'moisturiser', 'soothing'] },
    inci: 'Aqua, Niacinamide, Glycerin',
    uses: [],
  }),
]

const bowl = [
  use(
    'bowl',
    'mask',
    FACE_NECK,
    [mix(1.5, { potLifeS: 600 }), on(2), segment('dwell', 'dwell', MASK_TIME, MASK_FREE), off(2)],
    [16, 'g'],
  ),
]
export const HOUSE_MIXES: readonly Product[] = [
  make({
    id: 'meadow-cocktail',
    name: 'Meadow Cocktail Mask',
    kind: 'mask',
    concerns: ['calm', 'hydrate'],
    properties: ['calming'],
    stock: 0,
    mixing: { bowl: 'bowl', consistency: 'smooth' },
    recipe: {
      by: 'mass',
      parts: [
        { productId: 'oat-mask', parts: 5 },
        { productId: 'cucumber-gel', parts: 2 },
        { productId: 'clover-drops', parts: 0.5 },
      ],
    },
    uses: bowl,
  }),
  make({
    id: 'oat-cocktail',
    name: 'Oat Cocktail Mask',
    kind: 'mask',
    concerns: ['calm', 'hydrate'],
    properties: ['calming'],
    mixing: { bowl: 'bowl', consistency: 'spoon-thick' },
    recipe: {
      by: 'mass',
      parts: [
        { productId: 'oat-mask', parts: 5 },
        { productId: 'cucumber-gel', parts: 3 },
        { productId: 'kaolin-powder', parts: 1 },
        { productId: 'panthenol-drops', parts: 1 },
      ],
    },
    uses: bowl,
  }),
  make({
    id: 'clear-clay-mix',
    name: 'Clear Clay Mix',
    kind: 'mask',
    concerns: ['clarify', 'brighten'],
    properties: ['drying', 'stand-alone'],
    mixing: { bowl: 'bowl', consistency: 'smooth', restS: 60 },
    note: 'Stays its full time with the drops in it; eye gel first.',
    recipe: {
      by: 'mass',
      parts: [
        { productId: 'clay-mask', parts: 9 },
        { productId: 'niacin-drops', parts: 1 },
      ],
    },
    uses: [
      use(
        'bowl',
        'mask',
        FACE_NECK,
        [
          mix(1, { potLifeS: 600 }),
          on(2),
          segment('dwell', 'dwell', [12, 12, 12], MASK_FREE),
          off(2.5, 'sponge', 'warm'),
        ],
        [14, 'g'],
      ),
    ],
  }),
]

export const KITS: readonly Kit[] = [
  {
    id: 'clear-start-kit',
    name: 'Clear Start Set',
    concern: 'clarify',
    priceMinor: 4200,
    stock: 4,
    items: [
      {
        productId: 'moor-vial',
        amount: 3,
        home: 'The half that is left: two drops on spots, evenings',
      },
      { productId: 'sorrel-spot', amount: 15, home: 'On spots only, mornings' },
      { productId: 'niacin-serum', amount: 15, home: 'Half a pump, mornings' },
    ],
  },
  {
    id: 'quiet-skin-kit',
    name: 'Quiet Skin Set',
    concern: 'calm',
    priceMinor: 3600,
    stock: 3,
    items: [
      { productId: 'zinc-fluid', amount: 20, home: 'Where it flushes, evenings' },
      { productId: 'cucumber-gel', amount: 30, home: 'Cool from the fridge, when it feels warm' },
    ],
  },
]

const once = (
  id: string,
  name: string,
  pack: number,
  packMinor: number,
  stock: number,
): Supply => ({ id, name, kind: 'single use', pack, packMinor, stock })
const washed = (id: string, name: string, packMinor: number, stock: number): Supply => ({
  id,
  name,
  kind: 'laundry',
  pack: 1,
  packMinor,
  stock,
})
const kept = (id: string, name: string, stock: number): Supply => ({
  id,
  name,
  kind: 'kept',
  pack: 1,
  packMinor: 0,
  stock,
})
export const SUPPLIES: readonly Supply[] = [
  once('gauze', 'Gauze pads', 200, 640, 600),
  once('swab', 'Swabs', 200, 320, 400),
  once('cotton-pad', 'Cotton pads', 120, 290, 480),
  once('eye-pads', 'Eye pads', 100, 900, 140),
  once('gloves', 'Gloves, pair', 50, 780, 110),
  once('tissue', 'Tissue', 150, 210, 450),
  once('wand', 'Soft wands', 50, 650, 60),
  once('tip', 'Single-use tips', 20, 1800, 26),
  once('cartridge', 'Sterile cartridges', 10, 5400, 8),
  once('blade', 'Single-use blades', 10, 1900, 12),
  once('lancet', 'Sterile lancets', 100, 1200, 90),
  washed('towel', 'Face towels', 35, 60),
  washed('compress', 'Compresses', 25, 30),
  washed('mitt', 'Mitts, pair', 30, 24),
  washed('headband', 'Headbands', 20, 30),
  washed('linen', 'Bed linen', 180, 20),
  washed('sponge', 'Sponges, pair', 15, 80),
  washed('dry-sponge', 'Dry sponges, pair', 15, 30),
  kept('bowl', 'Bowls', 12),
  kept('flexible-bowl', 'Flexible bowls', 4),
  kept('water-bowl', 'Water bowls', 6),
  kept('cup', 'Measuring cups', 4),
  kept('brush', 'Brushes', 24),
  kept('spatula', 'Spatulas', 30),
  kept('fan', 'Fan', 2),
  kept('eye-shields', 'Eye shields', 4),
  kept('tweezers', 'Tweezers', 6),
]
