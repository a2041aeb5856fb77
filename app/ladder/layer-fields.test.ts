import { describe, expect, test } from 'vitest'
import { SHELF } from '../../tests/fixtures'
import { segment, type Step } from '#core/protocol'
import { layersFor, layersOf, withLayer, withoutLayer } from './layer-fields'

const LIPS: Step = {
  id: 'lips',
  phase: 'enhancement',
  title: 'Lip enhancement',
  zones: ['lips'],
  product: { productId: 'rowan-lip-oil', useId: 'balm' },
  properties: [],
  segments: [segment('on', 'apply', 0.5)],
  essential: false,
  priority: 2,
}
const mask = layersFor(LIPS, SHELF).find(({ pick }) => pick.productId === 'berry-lip-mask')!

describe('several products in one step', () => {
  test('only what reaches its zones and is not in it yet', () => {
    const ids = layersFor(LIPS, SHELF).map(({ pick }) => pick.productId)
    expect(ids).toContain('berry-lip-mask')
    expect(ids).not.toContain('rowan-lip-oil')
    expect(ids).not.toContain('clay-mask')
  })
  test('one more comes with its own times, and goes with them', () => {
    const both = withLayer(LIPS, mask.pick, SHELF)
    expect(layersOf(both, SHELF.products)).toEqual([
      { productId: 'berry-lip-mask', name: 'Berry Lip Mask' },
    ])
    expect(both.segments.length).toBeGreaterThan(LIPS.segments.length)
    expect(new Set(both.segments.map(({ id }) => id)).size).toBe(both.segments.length)
    expect(withoutLayer(both, 'berry-lip-mask')).toEqual(LIPS)
  })
  test('the same use twice gets ids of its own', () => {
    const twice = withLayer(withLayer(LIPS, mask.pick, SHELF), mask.pick, SHELF)
    expect(new Set(twice.segments.map(({ id }) => id)).size).toBe(twice.segments.length)
  })
  test('on fewer zones where it reaches fewer; what the shelf does not hold changes nothing', () => {
    const wide: Step = { ...LIPS, zones: ['lips', 'chin'] }
    const part = withLayer(wide, mask.pick, SHELF).segments.at(-1)!
    expect(part.zones).toEqual(['lips'])
    expect(withLayer(LIPS, { productId: 'nothing', useId: 'x' }, SHELF)).toBe(LIPS)
  })
})
