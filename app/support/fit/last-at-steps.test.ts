import { expect, test } from 'vitest'
import { lastAtSteps } from './last-at-steps'

const steps = [
  { id: 'cleanse', title: 'First cleanse' },
  { id: 'enzyme', title: 'Fig mask', product: { productId: 'fig', useId: 'a' } },
  { id: 'lift', title: 'Lift', deviceId: 'micro' },
]
const felt = (thingId: string | undefined, more: object = {}) => ({
  ...{ title: 'Another name of then', sensation: 'stinging' as const, atS: 120 },
  ...(thingId === undefined ? {} : { thingId }),
  ...more,
})
const last = (told: object | null) => ({
  ...{ id: 'v', on: '2026-10-30', answer: null, leaving: null, checkIns: [] },
  told: told && { felt: [], leftOut: [], passes: [], levels: [], ...told },
})

test('by product and device, whatever the step was called; with day and second, in today’s order', () => {
  const told = {
    felt: [
      felt('micro', { atS: 40 }),
      felt('fig', { beyond: true }),
      felt('other'),
      felt(undefined),
    ],
    passes: [{ title: 'First cleanse', passes: 3 }],
  }
  expect(lastAtSteps(steps, last(told))).toEqual([
    { stepId: 'cleanse', title: 'First cleanse', words: '30 Oct 2026: 3 passes', isMarked: false },
    {
      ...{ stepId: 'enzyme', title: 'Fig mask', isMarked: true },
      words: '30 Oct 2026: stinging at 2 min, more than expected',
    },
    { stepId: 'lift', title: 'Lift', words: '30 Oct 2026: stinging at 40 s', isMarked: false },
  ])
})
test('nothing was felt, nothing was told, nobody came before', () => {
  for (const before of [null, last(null), last({})]) expect(lastAtSteps(steps, before)).toEqual([])
})
