import { expect, test } from 'vitest'
import { placesOf, setNow, tapped } from '.'

const level = { least: 1, start: 3, most: 6, by: 2 }
const temples = placesOf({
  zones: ['temple-left', 'nose-bridge', 'temple-right', 'nose-side-left', 'nose-side-right'],
})

test('left and right are one place, the nose is one, in the order of the device', () =>
  expect(temples.map(({ zones }) => zones)).toEqual([
    ['temple-left', 'temple-right'],
    ['nose-bridge', 'nose-side-left', 'nose-side-right'],
  ]))
test('what is set now: last at the place, else last everywhere, else the start', () => {
  const at = [...temples[0]!.zones]
  expect(setNow(level, [], temples[0])).toBe(3)
  const sets = [{ value: 2, zones: at }, { value: 5 }]
  expect([
    setNow(level, sets),
    setNow(level, sets, temples[0]),
    setNow(level, sets, temples[1]),
  ]).toEqual([5, 2, 5])
})
test('a tap stays within what it may be set to', () => {
  expect([tapped(level, 3, 'lower'), tapped(level, 2, 'lower')]).toEqual([1, 1])
  expect([tapped(level, 3, 'higher'), tapped(level, 5, 'higher')]).toEqual([5, 6])
})
