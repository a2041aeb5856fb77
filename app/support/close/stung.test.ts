import { expect, test } from 'vitest'
import { SHELF } from '~~/tests/fixtures'
import type { Felt } from '#core/perform'
import { stungProducts } from './stung'

const product = SHELF.products[0]!
const other = SHELF.products[1]!
const felt = (more: Partial<Felt>): Felt => ({
  ...{ stepId: 'x', sensation: 'stinging', atMs: 0, eventId: 'e', of: 'layer', beyond: true },
  thingId: product.id,
  ...more,
})

test('a product felt beyond what is expected is offered once, with all that was felt', () => {
  const sensations = [felt({}), felt({ sensation: 'burning' }), felt({})]
  expect(stungProducts({ sensations }, SHELF, [])).toEqual([
    { productId: product.id, name: product.name, felt: 'stinging, burning', isKnown: false },
  ])
})
test('what is normal, a device, a towel and how somebody lies are none', () => {
  const { beyond: _b, ...normal } = felt({})
  const { thingId: _t, ...towel } = felt({ of: 'heat' })
  const sensations = [normal, towel, felt({ of: 'device', thingId: SHELF.devices[0]!.id })]
  expect(stungProducts({ sensations }, SHELF, [])).toEqual([])
})
test('what is remembered already says so; a refusal is no reaction', () => {
  const memory = (productId: string, kind: 'reacted' | 'refused') => ({
    ...{ productId, memory: kind, on: '2026-11-01' },
  })
  const known = (...memories: ReturnType<typeof memory>[]) =>
    stungProducts({ sensations: [felt({})] }, SHELF, memories)[0]!.isKnown
  expect([
    known(memory(product.id, 'reacted')),
    known(memory(product.id, 'refused')),
    known(memory(other.id, 'reacted')),
  ]).toEqual([true, false, false])
})
