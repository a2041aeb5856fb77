import type { Product } from '#core/catalog'
import { PROPERTIES, type Property } from '#core/protocol'

/** What a field of the product’s page changes: pure, with the page’s defaults. Each gives the fields to put into the product. */

/** Fields of a product to change; one that is undefined goes away. */
export type ProductChange = { [K in keyof Product]?: Product[K] | undefined }

type Active = Product['actives'][number]
type Expected = Product['expected'][number]
type Finish = NonNullable<Product['finish']>
type Pack = NonNullable<Product['pack']>

const replacedAt = <T>(list: readonly T[], at: number, more: Partial<T>): T[] =>
  list.map((item, index) => (index === at ? { ...item, ...more } : item))
const withoutAt = <T>(list: readonly T[], at: number): T[] =>
  list.filter((_, index) => index !== at)

/** What a new active begins as. */
const NEW_ACTIVE: Active = { name: 'lactic', percent: 5 }

export const activeChanged = (product: Product, at: number, more: Partial<Active>) => ({
  actives: replacedAt(product.actives, at, more),
})
export const activeAdded = (product: Product) => ({ actives: [...product.actives, NEW_ACTIVE] })
export const activeRemoved = (product: Product, at: number) => ({
  actives: withoutAt(product.actives, at),
})

/** What a new sensation begins as: it is felt after ten seconds and over in two minutes. */
const NEW_EXPECTED: Expected = { sensation: 'tingling', onsetS: 10, fadeS: 120, comfort: '' }

export const expectedChanged = (product: Product, at: number, more: Partial<Expected>) => ({
  expected: replacedAt(product.expected, at, more),
})
export const expectedAdded = (product: Product) => ({
  expected: [...product.expected, NEW_EXPECTED],
})
export const expectedRemoved = (product: Product, at: number) => ({
  expected: withoutAt(product.expected, at),
})

const PLAIN_FINISH: Finish = { cast: 'none', grease: 'satin', tint: false }

export const finishChanged = (product: Product, more: Partial<Finish>) => ({
  finish: { ...PLAIN_FINISH, ...product.finish, ...more },
})

type TakeHome = NonNullable<Product['takeHome']>
/** What a pack for home begins as: a moisturiser’s, and none of it here yet. */
const NEW_TAKE_HOME: TakeHome = {
  ...{ role: 'moisturiser', times: ['morning', 'evening'] },
  ...{ amount: 50, priceMinor: 0, count: 0 },
}

/** What goes home of a product; an amount at once that is undefined is as in the salon. */
export function homeChanged(
  { takeHome }: Product,
  more: { [K in keyof TakeHome]?: TakeHome[K] | undefined },
): ProductChange {
  const { dose, ...rest } = { ...NEW_TAKE_HOME, ...takeHome, ...more } as TakeHome
  return { takeHome: dose === undefined ? rest : { ...rest, dose } }
}

type Maker = NonNullable<Product['maker']>

/** Where a maker's word is printed; without it nothing of it counts, and nothing is kept. */
export const makerSource = ({ maker }: Product, source: string) => ({
  maker: source === '' ? undefined : { ...maker, source },
})

/** What a maker prints; a part that is undefined is not printed. Undefined while nobody has said where it stands. */
export function makerChanged(
  { maker }: Product,
  more: { [K in keyof Maker]?: Maker[K] | undefined },
): ProductChange {
  if (!maker) return {}
  const all = { ...maker, ...more }
  const kept = Object.fromEntries(
    Object.entries(all).filter(([, value]) => value !== undefined),
  ) as Maker
  return { maker: kept }
}

/** One of the printed minutes; the other gives way where they would cross. */
export function makerMinutes(
  product: Product,
  minutes: { readonly usual: number } | { readonly most: number },
): ProductChange {
  const now = product.maker?.minutes
  if ('usual' in minutes) {
    const { usual } = minutes
    return makerChanged(product, { minutes: { usual, most: Math.max(usual, now?.most ?? usual) } })
  }
  const { most } = minutes
  return makerChanged(product, { minutes: { most, usual: Math.min(most, now?.usual ?? most) } })
}

const NEW_PACK: Pack = { amount: 100, priceMinor: 0 }

export const packChanged = (product: Product, more: Partial<Pack>) => ({
  pack: { ...NEW_PACK, ...product.pack, ...more },
})

/** What one gram or millilitre of a pack costs, in the smallest unit of the currency, to a hundredth of it. */
export const packUnitMinor = ({ priceMinor, amount }: Pack): number =>
  Math.round((priceMinor / amount) * 100) / 100

export const substituteAdded = (product: Product, id: string) => ({
  substitutes: [...(product.substitutes ?? []), id],
})
export const substituteRemoved = (product: Product, id: string) => ({
  substitutes: product.substitutes!.filter((other) => other !== id),
})

/** The actives most often written on a bottle, offered while one is typed. */
export const USUAL_ACTIVES = [
  'glycolic',
  'lactic',
  'mandelic',
  'malic',
  'tartaric',
  'citric',
  'salicylic',
  'azelaic',
  'pyruvic',
  'benzoyl peroxide',
  'sulfur',
  'niacinamide',
  'panthenol',
  'retinol',
  'retinal',
] as const

/** The properties asked of most products; the others are folded away. */
export const COMMON_PROPERTIES: readonly Property[] = [
  'exfoliating',
  'acid',
  'enzyme',
  'heat',
  'warming',
  'stings',
  'drying',
  'tightening',
  'film-peel',
  'retinoid',
  'oil',
  'leave-on',
  'lip-safe',
  'eye-work',
  'over-lids',
  'face-only',
  'calming',
  'softening',
  'sun-filter',
  'toning',
  'cleansing',
  'needs-neutraliser',
  'stand-alone',
  'occlusive',
  'conductive',
]
/** What follows from the maker's printed word or from the ingredient list, and is never ticked. */
const NEVER_TICKED: readonly Property[] = [
  'off-warm',
  'off-lukewarm',
  'printed-minutes',
  'mineral',
  'scented',
]
export const RARE_PROPERTIES: readonly Property[] = PROPERTIES.filter(
  (property) => !COMMON_PROPERTIES.includes(property) && !NEVER_TICKED.includes(property),
)

/** What a new product begins as. */
export const NEW_PRODUCT: Product = {
  id: '',
  name: '',
  kind: 'serum',
  concerns: [],
  vehicle: 'water',
  actives: [],
  properties: [],
  skin: 'any',
  leaves: 'nothing',
  emergencyOff: 'rinse',
  openSkinUse: false,
  expected: [],
  stock: 0,
  uses: [],
}
