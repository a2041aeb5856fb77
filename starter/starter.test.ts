import { describe, expect, test } from 'vitest'
import { inUse, readInci, type Shelf } from '#core/catalog'
import { Device, Product } from '#core/catalog/model'
import { lint } from '#core/protocol'
import { ProtocolVersion } from '#core/protocol/model'
import { subjectReader } from '#core/strength'
import { CLIENTS, PEOPLE, ROOMS, SALON } from '../demo/people'
import { DEMO_PROTOCOLS } from '../demo/protocols'
import { DEMO_SHELF } from '../demo/shelf'
import { SHELF } from '../tests/fixtures'
import { client, planFor, TODAY, yes } from '../tests/situations'
import { STARTER_DEVICES, STARTER_PRODUCTS, starterCards, TO_FILL_IN } from '.'
import { CARD_NAMES, PRODUCT_NAMES, STEP_TITLES } from './names'

const ALL = starterCards(new Set(STARTER_DEVICES.map(({ id }) => id)))
const shelf: Shelf = {
  products: STARTER_PRODUCTS.map((product) => inUse(product, [], TODAY)),
  devices: STARTER_DEVICES,
}

/** Every text of something, whatever its place. */
function textsOf(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  if (value === null || typeof value !== 'object') return []
  return Object.values(value).flatMap(textsOf)
}

describe('nothing of the demo goes along', () => {
  const named = [
    ...DEMO_SHELF.products.map(({ name }) => name),
    ...DEMO_PROTOCOLS.map(({ name }) => name),
    ...[...CLIENTS, ...PEOPLE].flatMap(({ name }) => name.split(' ')),
    ...ROOMS,
    SALON.name,
    ...Object.keys(STEP_TITLES),
  ]
  // Names of the trade that the demo uses too.
  const common = new Set([...Object.values(PRODUCT_NAMES), ...Object.values(CARD_NAMES)])
  const invented = named.filter((name) => !common.has(name) && name.length > 3)
  test('no name of its range, its cards or its people', () => {
    const texts = textsOf([ALL, STARTER_PRODUCTS, STARTER_DEVICES])
    const found = invented.filter((name) =>
      texts.some((text) => new RegExp(`\\b${name}\\b`).test(text)),
    )
    expect(found).toEqual([])
  })
  test('no list, strength, pH, maker’s word, size, price, lot or count', () => {
    for (const product of STARTER_PRODUCTS) {
      expect(product).not.toHaveProperty('inci')
      expect(product).toMatchObject({ actives: [], note: TO_FILL_IN, stock: 0, uncounted: true })
      for (const key of ['pH', 'maker', 'pack', 'lot', 'spf', 'measure', 'bestBefore'])
        expect(product).not.toHaveProperty(key)
    }
    for (const device of STARTER_DEVICES) expect(device).not.toHaveProperty('energy')
  })
})

describe('the starter shelf', () => {
  test.each(STARTER_PRODUCTS)('$name is a good product, and not checked', (product) => {
    expect(Product.safeParse(product).error).toBeUndefined()
    expect(readInci(product.inci).state).toBe('unread')
  })
  test.each(STARTER_DEVICES)('$name is a good device', (device) => {
    expect(Device.safeParse(device).error).toBeUndefined()
  })
  test('never runs short before somebody has counted it', () => {
    for (const product of shelf.products) expect(product.stock).toBeGreaterThan(10_000)
    const batch = { id: 'b', lot: '', receivedOn: TODAY, left: 0 }
    expect(inUse(STARTER_PRODUCTS[0]!, [batch], TODAY).stock).toBe(0)
  })
})

describe.each(ALL)('$name', (card) => {
  test('is a good version that names nothing which is not there', () => {
    expect(ProtocolVersion.safeParse(card).error).toBeUndefined()
    const ids = new Set([...STARTER_PRODUCTS, ...STARTER_DEVICES].map(({ id }) => id))
    const named = card.steps.flatMap(({ product, deviceId }) => [
      ...(product ? [product.productId] : []),
      ...(deviceId ? [deviceId] : []),
    ])
    expect(named.filter((id) => !ids.has(id))).toEqual([])
  })
  test('has no fault that the card it was taken from has not, but that a pH is not told', () => {
    const written = DEMO_PROTOCOLS.find((other) => CARD_NAMES[other.protocolId] === card.name)!
    const faults = (given: ProtocolVersion, of: Shelf) =>
      lint(given.steps.map(subjectReader(of)), true)
        .map(({ id, stepId }) => `${id} ${stepId}`)
        .sort()
    const before = faults(written, SHELF)
    const more = faults(card, shelf).filter((fault) => !before.includes(fault))
    expect(more.filter((fault) => !fault.startsWith('L19 '))).toEqual([])
  })
  test('is fitted to somebody whose every answer is no, and keeps what it is for', () => {
    const plan = planFor({ protocol: card, shelf, slotMinutes: 150, practitioner: EVERYTHING })
    if (ACID_HEARTS.includes(card.name)) {
      // Of an acid without pH and per cent nobody knows the strength: it waits for the pack.
      expect([plan.status, plan.heart?.lost.length]).toEqual(['thinned', 1])
      return
    }
    expect(plan.heart?.lost).toEqual([])
    expect([card.name, plan.status, plan.problems]).toEqual([card.name, 'ready', []])
  })
  test('lays nothing that is not checked on somebody with an allergy', () => {
    const allergic = client([yes('allergy:pineapple', { reaction: 'rash' })])
    const plan = planFor({ protocol: card, shelf, client: allergic, slotMinutes: 150 })
    const lists = plan.steps.flatMap(({ product }) => (product ? [product.productId] : []))
    expect(lists).toEqual([])
  })
})

const ACID_HEARTS = ['Short acid visit', 'Leave-on acid visit']
const EVERYTHING = {
  scope: [
    'needling',
    'blade',
    'lancet',
    'rf',
    'measured-infusion',
    'strong-acid',
    'high-suction',
    'minors',
  ],
  hazards: [],
} as const

test('a salon without devices has cards all the same, and a course that goes nowhere ends', () => {
  const cards = starterCards(new Set())
  expect(cards.length).toBeGreaterThanOrEqual(10)
  expect(cards.every(({ steps }) => steps.every(({ deviceId }) => !deviceId))).toBe(true)
  const acid = starterCards(new Set(['led-panel'])).find(({ name }) => name === 'Short acid visit')!
  expect(acid.course).toEqual({ visits: 1, leastDays: 28, mostDays: 35 })
})
