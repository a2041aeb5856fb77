import type { Product } from '../catalog/model'
import type { HomeRole } from '../catalog/words'
import { EYE_CONTOUR, FACE, FACE_NECK, NECK, sharedZones, type ZoneId } from '../skin'
import { subjectReader } from '../strength'
import { subjectOf, type Thing } from './allowed'
import type { HomeUse } from './model'
import { isStrong, ROLE_WORDS } from './words'

/** Where a role goes. What is strong stays off the eyes, the lips and the neck. */
const ZONES_OF: Partial<Readonly<Record<HomeRole, readonly ZoneId[]>>> = {
  eye: EYE_CONTOUR,
  lip: ['lips'],
  cleanser: FACE_NECK,
  toner: FACE_NECK,
  serum: FACE,
  soothing: FACE,
  moisturiser: FACE,
  neck: NECK,
  sun: FACE_NECK,
}
const zonesOf = (role: HomeRole): readonly ZoneId[] => ZONES_OF[role] ?? FACE

const things = new WeakMap<Product, Thing>()
/** A product of the shelf as it is used at home; of its salon's batch nothing counts. */
export function thingOf(product: Product): Thing {
  const known = things.get(product) ?? made(product)
  things.set(product, known)
  return known
}
function made(product: Product): Thing {
  const role = roleOf(product)
  const { openedOn: _o, bestBefore: _b, afterOpeningMonths: _m, ...fresh } = product
  const reached = product.uses.flatMap(({ zones }) => zones)
  const zones = sharedZones(zonesOf(role), reached)
  return {
    id: `home:${product.id}`,
    product: fresh,
    role,
    zones: zones.length > 0 ? zones : zonesOf(role),
    isByKind: false,
  }
}

/** What somebody calls their own, known by its kind alone. */
export function kindOf(role: HomeRole, name: string, id = `kind:${role}`): Thing {
  const { kind, properties } = ROLE_WORDS[role]
  const product: Product = {
    ...{ id, name, kind, concerns: [], actives: [], properties: [...properties], uses: [] },
    ...{ vehicle: 'water', skin: 'any', leaves: 'nothing', emergencyOff: 'rinse' },
    ...{ openSkinUse: false, expected: [], stock: 0 },
  }
  return { id, product, role, zones: zonesOf(role), isByKind: true }
}

export function thingUsed(use: HomeUse, products: readonly Product[]): Thing {
  const product = products.find(({ id }) => id === use.productId)
  if (product) return thingOf(product)
  return kindOf(use.role, use.name || ROLE_WORDS[use.role].name, `own:${use.role}:${use.name}`)
}

/** What it is taken for, whatever it is sold as: a cream with a retinoid is a retinoid. */
export const roleOf = (product: Product): HomeRole =>
  strongestOf(product) ?? product.takeHome?.role ?? KINDS[product.kind] ?? 'serum'

const KINDS: Partial<Readonly<Record<Product['kind'], HomeRole>>> = {
  'makeup-remover': 'remover',
  cleanser: 'cleanser',
  toner: 'toner',
  scrub: 'scrub',
  gommage: 'scrub',
  acid: 'acid',
  soothing: 'soothing',
  eye: 'eye',
  moisturiser: 'moisturiser',
  lip: 'lip',
  sun: 'sun',
}

/** Words of an active's name that make a thing strong. */
const NAMED: readonly (readonly [RegExp, HomeRole])[] = [
  [/benzoyl/, 'benzoyl-peroxide'],
  [/azelaic/, 'azelaic'],
  [/sul(f|ph)ur/, 'sulfur'],
]

const strongest = new WeakMap<Product, HomeRole | 'none'>()
function strongestOf(product: Product): HomeRole | undefined {
  const known = strongest.get(product) ?? readStrength(product) ?? 'none'
  strongest.set(product, known)
  return known === 'none' ? undefined : known
}
function readStrength(product: Product): HomeRole | undefined {
  const reader = subjectReader({ products: [product], devices: [] })
  const { properties, inci } = reader(
    subjectOf({ id: product.id, product, role: 'serum', zones: FACE, isByKind: false }).step,
  )
  if (properties.has('retinoid')) return 'retinoid'
  if (properties.has('hydroquinone')) return 'hydroquinone'
  if (properties.has('scrub') || properties.has('mechanical') || properties.has('gommage'))
    return 'scrub'
  const named = [
    ...product.actives.map(({ name }) => name.toLowerCase()),
    ...inci.actives.map(({ active }) => active.id),
  ]
  const known = NAMED.find(([word]) => named.some((name) => word.test(name)))
  if (known) return known[1]
  return properties.has('acid') || properties.has('enzyme') ? 'acid' : undefined
}

export const isStrongThing = ({ role }: Pick<Thing, 'role'>): boolean => isStrong(role)
/** A thing that also goes on the neck, in a line of its own. */
export const onNeck = (thing: Thing): Thing => ({
  ...thing,
  ...{ id: `neck:${thing.id}`, role: 'neck', zones: NECK },
})
/** Whether its maker has it on the neck; of what is known by its kind alone it is taken to be so. */
export const reachesNeck = ({ product, isByKind }: Thing): boolean =>
  isByKind || product.uses.some(({ zones }) => zones.some((zone) => NECK.includes(zone)))
