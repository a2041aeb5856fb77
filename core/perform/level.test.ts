import { expect, test } from 'vitest'
import { levelOf, mayComeOff, mayWait } from '.'

// Layers of ten minutes, at most twelve; seconds from when they lie there.
const layer = (active: boolean, mostS = 720) => ({
  active,
  dueMs: 600_000,
  latestMs: mostS * 1000,
})
test.each([
  ['active', true, 569, 'on'],
  ['active: hands are called half a minute before', true, 570, 'ready'],
  ['active: its time is its limit', true, 600, 'past'],
  ['active: what its maker allows', true, 720, 'most'],
  ['inert: nobody is called', false, 599, 'on'],
  ['inert: half a minute to come off', false, 600, 'due'],
  ['inert: then it is past', false, 630, 'past'],
  ['inert: at its most', false, 720, 'most'],
] as const)('%s', (_, active, second, level) => {
  expect(levelOf(layer(active), second * 1000)).toBe(level)
  expect(mayWait(layer(active), second * 1000)).toBe(
    level === 'due' || (level === 'past' && !active),
  )
  expect(mayComeOff(layer(active), second * 1000)).toBe(level !== 'on')
})
test('a layer without room past its time is at its most when it is due', () =>
  expect(levelOf(layer(true, 600), 600_000)).toBe('most'))
