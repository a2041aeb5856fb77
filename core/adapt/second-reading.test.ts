import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../../tests/runs'
import { drawn } from '../../tests/second-reading/draw'
import { judge } from '../../tests/second-reading/judge'
import { compile } from '.'

// The tables read a second time, by code that shares none with the engine, judge what the engine puts on.
test('nothing forbidden is put on, no order is wrong, and no status says more than is so', () => {
  const statuses = new Map<string, number>()
  fc.assert(
    fc.property(drawn, (visit) => {
      const plan = compile(visit)
      statuses.set(plan.status, (statuses.get(plan.status) ?? 0) + 1)
      expect(judge(visit, plan)).toEqual([])
    }),
    { numRuns: runs(600), seed: 2026 },
  )
  // Not because there is nothing to judge.
  expect((statuses.get('ready') ?? 0) + (statuses.get('thinned') ?? 0)).toBeGreaterThan(150)
})
