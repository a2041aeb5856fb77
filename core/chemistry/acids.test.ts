import fc from 'fast-check'
import { expect, test } from 'vitest'
import { exposureIndex, freeAcid, freeShare, PKA } from '.'

// Henderson–Hasselbalch with pKa 3.83 (CRC Handbook of Chemistry and Physics, value from memory). Shares retyped, not computed.
test.each([
  [3.83, 50.0],
  [2.8, 91.5],
  [3.0, 87.1],
  [3.5, 68.1],
  [4.0, 40.3],
])('glycolic at pH %s is %s %% free', (pH, percent) => {
  expect(freeShare(pH, 3.83) * 100).toBeCloseTo(percent, 1)
})
test('25 % glycolic at 2.8 is worth 26.2 % at 3.0, not 35 to 40', () => {
  const free = freeAcid([{ name: 'glycolic', percent: 25 }], 2.8, 'water')
  expect(free.ok && free.percent / freeShare(3.0, PKA.glycolic)).toBeCloseTo(26.2, 0)
})
// CRC Handbook values, from memory.
test.each([
  ['glycolic', 3.83],
  ['lactic', 3.86],
  ['mandelic', 3.41],
  ['malic', 3.4],
  ['tartaric', 2.98],
  ['citric', 3.13],
  ['salicylic', 2.97],
  ['azelaic', 4.55],
  ['pyruvic', 2.39],
] as const)('pKa of %s', (name, pKa) => expect(PKA[name]).toBe(pKa))
test('a mixture is the sum of its parts', () => {
  const free = freeAcid(
    [
      { name: 'glycolic', percent: 10 },
      { name: 'lactic', percent: 10 },
    ],
    3.5,
    'water',
  )
  expect(free).toMatchObject({ ok: true, mixture: true })
  expect(free.ok && free.percent).toBeCloseTo(6.81 + 6.96, 1)
})
test.each(['alcohol', 'anhydrous'] as const)('no figure in %s', (vehicle) =>
  expect(freeAcid([{ name: 'glycolic', percent: 10 }], 3, vehicle)).toEqual({
    ok: false,
    why: 'not-water',
  }),
)
test('no figure without a pH', () =>
  expect(freeAcid([{ name: 'lactic', percent: 10 }], undefined, 'water')).toEqual({
    ok: false,
    why: 'no-ph',
  }))
test('the share falls with pH and stays between 0 and 1', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 13, noNaN: true }),
      fc.double({ min: 0.01, max: 1, noNaN: true }),
      fc.double({ min: 1, max: 6, noNaN: true }),
      (pH, more, pKa) => {
        expect(freeShare(pH + more, pKa)).toBeLessThan(freeShare(pH, pKa))
        expect(freeShare(pH, pKa)).toBeLessThanOrEqual(1)
      },
    ),
  )
})
test('exposure index is free acid times minutes', () => expect(exposureIndex(13, 3)).toBe(39))
