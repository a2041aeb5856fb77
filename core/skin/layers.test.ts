import { expect, test } from 'vitest'
import { planFor } from '../../tests/situations'
import { SHELF } from '../../tests/fixtures'
import { laidOn } from '../adapt'
import { CHEEKS, FACE, NECK, NOSE, zonesInWords } from './zones'
import { zoneStacks } from './layers'

const laid = [
  {
    stepId: 'serum',
    productId: 's',
    zones: ['forehead', 'chin'] as const,
    onS: 10,
    offS: undefined,
  },
  { stepId: 'mask', productId: 'm', zones: ['forehead'] as const, onS: 60, offS: 600 },
]
test('a mask lies over a leave-on and comes off again; its last second counts as on', () => {
  const names = (at: number) =>
    zoneStacks(laid, at)
      .get('forehead')
      ?.map((layer) => `${layer.stepId} ${layer.off}`)
  expect([names(9), names(10), names(60), names(599), names(600)]).toEqual([
    undefined,
    ['serum stays'],
    ['serum stays', 'mask removed'],
    ['serum stays', 'mask removed'],
    ['serum stays'],
  ])
  expect(zoneStacks(laid, 599).get('chin')).toHaveLength(1)
})
test('in a fitted plan no zone ever carries two layers that both have to come off', () => {
  const plan = planFor()
  const leavesOn = new Set(
    SHELF.products.filter((product) => product.leaves === 'leave-on').map((product) => product.id),
  )
  for (let second = 0; second < plan.totalS; second += 15) {
    for (const stack of zoneStacks(laidOn(plan, leavesOn), second).values())
      expect(stack.filter((layer) => layer.off === 'removed').length).toBeLessThanOrEqual(1)
  }
  expect(
    [...zoneStacks(laidOn(plan, leavesOn), plan.totalS - 1).get('forehead')!].map(
      (layer) => layer.stepId,
    ),
  ).toEqual(expect.arrayContaining(['concentrate', 'serum', 'cream', 'sun']))
})
test('zones in words, groups first', () => {
  expect(zonesInWords([...NECK, ...FACE])).toBe('face, neck')
  expect(zonesInWords([...NOSE, ...CHEEKS, 'lips'])).toBe('cheeks, nose, lips')
})
