import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { scaleSamples } from '.'

describe('the simulated scale', () => {
  test('rises, settles near what was wanted, and then holds still', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 500, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (target, seed) => {
          let state = seed
          const noise = () => {
            state = (state * 48271) % 2147483647
            return state / 2147483647
          }
          const samples = []
          for (const sample of scaleSamples(target, noise)) {
            samples.push(sample)
            if (samples.length === 24) break
          }
          const settled = samples.filter((sample) => sample.steady)
          expect(settled.length).toBeGreaterThan(4)
          expect(new Set(settled.map((one) => one.grams)).size).toBe(1)
          expect(Math.abs(settled[0]!.grams - target) / target).toBeLessThanOrEqual(
            0.02 + 0.011 / target,
          )
          expect(samples[0]!.grams).toBeLessThan(target * 0.5 + 0.05)
        },
      ),
    )
  })
})
