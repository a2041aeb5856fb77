import { expect, test } from 'vitest'
import { CHEEKS, NECK } from '../skin'
import { worthOf } from '.'

const step = { priority: 4, concern: 'firm' as const, zones: [...CHEEKS] }

// Weights by rank: design figures 5, 3, 2, 1.
test('a goal that is about some zones is served only by steps that reach one of them', () => {
  expect(worthOf(step, ['firm'])).toBe(20)
  expect(worthOf(step, ['calm', 'firm'])).toBe(12)
  expect(worthOf(step, ['firm'], { firm: { zones: [...NECK] } })).toBe(4)
  expect(worthOf(step, ['firm'], { firm: { zones: ['cheek-left', ...NECK] } })).toBe(20)
  expect(worthOf(step, ['firm'], { calm: { zones: [...NECK] } })).toBe(20)
  expect(worthOf(step, ['firm'], { firm: { wish: true } })).toBe(20)
})
