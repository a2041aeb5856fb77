import type { Device, Product, Supply } from '#core/catalog'
import type { ProtocolVersion } from '#core/protocol'
import { CONSENT_TEXTS } from '../demo/consents'
import { DEMO_PROTOCOLS } from '../demo/protocols'
import { DEMO_SHELF } from '../demo/shelf'
import { SUPPLIES } from '../demo/shelf/mixes'
import { CARD_NAMES, DEVICE_IDS, PRODUCT_NAMES, STEP_TITLES } from './names'

// The starter library and the starter shelf: ladders and times that the trade works with, under plain names. What only a pack can say is left out.

/** Stands with every product that nobody has filled in yet. */
export const TO_FILL_IN =
  'To be filled in from your own pack: ingredient list, pH, actives, size and price.'

const slugOf = (name: string): string =>
  name
    .toLowerCase()
    .replaceAll(/[^a-z]+/g, '-')
    .replaceAll(/^-|-$/g, '')

/** What something of the demo is called in a salon of one's own: products and devices by id, steps by title. */
const PLAIN: ReadonlyMap<string, string> = new Map([
  ...Object.entries(PRODUCT_NAMES).map(([id, name]) => [id, slugOf(name)] as const),
  ...Object.entries(DEVICE_IDS),
  ...Object.entries(STEP_TITLES),
])

/** Keys whose text is not looked at: the id of a step may happen to be that of a product. */
const KEPT_KEYS: ReadonlySet<string> = new Set(['id', 'closes', 'kind', 'phase'])

/** A copy in which every name of the demo is a plain one. */
function inPlainWords<T>(value: T): T {
  if (typeof value === 'string') return (PLAIN.get(value) ?? value) as T
  if (Array.isArray(value)) return value.map((one: unknown) => inPlainWords(one)) as T
  if (value === null || typeof value !== 'object') return value
  const entries = Object.entries(value).map(([key, inner]) => [
    key,
    KEPT_KEYS.has(key) ? (inner as unknown) : inPlainWords(inner as unknown),
  ])
  return Object.fromEntries(entries) as T
}

const plainIdOf = (id: string): string => PLAIN.get(id) ?? id

/** A product as its kind: its way of working stays, what its pack says does not. */
function plainProduct(product: Product): Product {
  const { inci: _list, pH: _pH, maker: _word, pack: _pack, ...rest } = product
  const { afterOpeningMonths: _opened, bestBefore: _best, openedOn: _since, ...kind } = rest
  const { spf: _spf, broadSpectrum: _broad, lot: _lot, recipe: _recipe, ...own } = kind
  const { measure: _pump, gramsPerTeaspoon: _spoon, ...open } = own
  return {
    ...inPlainWords(open),
    id: plainIdOf(product.id),
    name: PRODUCT_NAMES[product.id]!,
    actives: [],
    substitutes: (product.substitutes ?? []).filter((id) => id in PRODUCT_NAMES).map(plainIdOf),
    note: TO_FILL_IN,
    stock: 0,
    uncounted: true,
  }
}

export const STARTER_PRODUCTS: Product[] = DEMO_SHELF.products
  .filter((product) => product.id in PRODUCT_NAMES)
  .map(plainProduct)

/** The catalogue of kinds of device: what each does and how it is held; figures of a maker's own are not in it. */
export const STARTER_DEVICES: Device[] = DEMO_SHELF.devices.map((device) => {
  const { energy: _energy, levels: _levels, ...kind } = device
  return { ...inPlainWords(kind), id: plainIdOf(device.id) }
})

/** Supplies are things: they keep their names, and cost and count nothing yet. */
export const STARTER_SUPPLIES: readonly Supply[] = SUPPLIES.map((supply) => ({
  ...supply,
  packMinor: 0,
  stock: 0,
}))

const cardIdOf = (id: string): string => slugOf(CARD_NAMES[id] ?? id)

function plainCard(card: ProtocolVersion): ProtocolVersion {
  const id = cardIdOf(card.protocolId)
  const { next, ...course } = card.course ?? {}
  const onward = next === undefined ? course : { ...course, next: cardIdOf(next) }
  return {
    ...inPlainWords(card),
    ...{ id: `${id}-v1`, protocolId: id, name: CARD_NAMES[card.protocolId]! },
    note: 'From the starter library',
    ...(card.course ? { course: onward as NonNullable<ProtocolVersion['course']> } : {}),
  }
}
const STARTER_CARDS = DEMO_PROTOCOLS.filter((card) => card.protocolId in CARD_NAMES).map(plainCard)

const devicesOf = (card: ProtocolVersion): string[] =>
  card.steps.flatMap((step) => (step.deviceId ? [step.deviceId] : []))

/** The starter's cards for a salon with these devices: those that name no other. A course ends where its next card is not among them. */
export function starterCards(deviceIds: ReadonlySet<string>): ProtocolVersion[] {
  const cards = STARTER_CARDS.filter((card) => devicesOf(card).every((id) => deviceIds.has(id)))
  const names = new Set(cards.map((card) => card.protocolId))
  return cards.map((card) => {
    const { next, ...course } = card.course ?? {}
    if (next === undefined || names.has(next)) return card
    return { ...card, course: course as NonNullable<ProtocolVersion['course']> }
  })
}

/** The words of consent to begin with; a salon puts its own in their place. */
export const STARTER_CONSENTS = CONSENT_TEXTS
