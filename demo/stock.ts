import { type Batch, type Product, unitOf } from '#core/catalog'
import { dateAfter } from '#core/client'

// Packs, prices and batches of the invented studio; every figure is invented for the demo only.

/** Amount and price of one pack by kind, in minor units. */
const PACKS: Readonly<Record<Product['kind'], readonly [number, number]>> = {
  'makeup-remover': [500, 1450],
  cleanser: [500, 1900],
  toner: [500, 1600],
  scrub: [250, 1800],
  gommage: [250, 2100],
  enzyme: [200, 3400],
  acid: [100, 2900],
  neutraliser: [500, 900],
  concentrate: [30, 2400],
  booster: [30, 1500],
  massage: [500, 2200],
  mask: [250, 2600],
  eye: [50, 2300],
  serum: [100, 3900],
  moisturiser: [200, 3100],
  sun: [200, 2800],
  lip: [50, 1300],
  soothing: [200, 1700],
  gel: [500, 1500],
}
/** Packs that differ from their kind. */
const OWN: Readonly<Record<string, readonly [number, number]>> = {
  'kelp-set-mask': [1000, 4600],
  'algae-two-part': [1000, 4900],
  'ember-set-mask': [2500, 5200],
  'linen-sheet': [220, 2400],
  'sterile-sheet': [220, 3900],
  'dew-ampoule': [40, 5200],
  'moor-vial': [30, 3600],
  'kaolin-powder': [250, 800],
  'line-patches': [70, 2900],
}

/** A product with its pack; house mixes are bought by their parts. */
export function packed(product: Product): Product {
  if (product.recipe) return product
  const [amount, priceMinor] = OWN[product.id] ?? PACKS[product.kind]
  return {
    ...product,
    unit: unitOf(product),
    afterOpeningMonths: product.afterOpeningMonths ?? 12,
    pack: { amount, priceMinor },
  }
}

/** What stands out among the batches: days are counted from today. */
const ODD: Readonly<
  Record<
    string,
    readonly {
      readonly lot: string
      readonly left: number
      readonly opened?: number
      readonly best: number
    }[]
  >
> = {
  'clover-drops': [],
  'dulse-gommage': [{ lot: 'DG-11', left: 80, opened: -400, best: 90 }],
  'scent-cream': [{ lot: 'LR-07', left: 140, opened: -200, best: 12 }],
  'peat-mud': [{ lot: 'PM-20', left: 10, opened: -60, best: 240 }],
  'sun-fluid': [{ lot: 'SF-31', left: 9, opened: -90, best: 200 }],
  'niacin-serum': [
    { lot: 'NS-14', left: 10, opened: -150, best: 160 },
    { lot: 'NS-15', left: 4, best: 420 },
  ],
}

/** Batches of one product on the demo's first day: an open one, and behind it a sealed one of later date. */
export function demoBatches(product: Product, at: number, today: string): Batch[] {
  if (product.recipe) return []
  const day = (days: number) => dateAfter(today, days)
  const code = product.name
    .split(' ')
    .map((word) => word[0])
    .join('')
    .slice(0, 2)
    .toUpperCase()
  const rows = ODD[product.id] ?? [
    {
      lot: `${code}-${10 + (at % 40)}`,
      left: Math.round(product.pack!.amount * 0.6),
      opened: -20 - ((at * 17) % 120),
      best: 200 + ((at * 29) % 200),
    },
    { lot: `${code}-${11 + (at % 40)}`, left: product.pack!.amount, best: 480 + ((at * 13) % 120) },
  ]
  return rows.map((row, n) => ({
    id: `${product.id}-b${n + 1}`,
    lot: row.lot,
    receivedOn: day((row.opened ?? -10) - 5),
    bestBefore: day(row.best),
    ...(row.opened === undefined ? {} : { openedOn: day(row.opened) }),
    left: row.left,
  }))
}

/** Enhancements, by product or else by step. Minor units. */
export const ADD_ON_PRICES: Readonly<Record<string, readonly [number, number]>> = {
  'berry-lip-mask': [1400, 1500],
  'plum-eye-mask': [1600, 1500],
  'hand-balm': [1200, 1000],
  scalp: [1000, 1200],
}
/** What is asked, and what is asked nearby, by protocol. Minor units. */
export const PRICES: Readonly<Record<string, readonly [number, number]>> = {
  brightening: [9800, 9500],
  'set-mask': [10500, 9900],
  acid: [9500, 9000],
  clarifying: [8900, 9200],
  'still-water': [11500, 11000],
  'deep-well': [16500, 15900],
  grain: [11900, 11500],
  neck: [9900, 9500],
  'mixed-bowl': [8800, 8500],
  hydrating: [8600, 8900],
  'leave-on-acid': [9200, 9000],
  'three-serum': [8400, 8500],
  patches: [10500, 9900],
  hearth: [10200, 9800],
  kit: [12800, 12500],
  'quiet-window': [7600, 7900],
  undertow: [9400, 9000],
  acne: [8900, 9500],
  'seven-tides': [17800, 16900],
  'two-currents': [13200, 12800],
  signature: [16900, 15500],
  'course-peel': [9800, 9900],
  'course-needling': [14500, 14900],
  'blade-ready': [8700, 8500],
}
export const RATES = { practitionerPerHourMinor: 2600, roomPerHourMinor: 900, marginPercent: 35 }
