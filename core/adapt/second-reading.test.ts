import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../../tests/runs'
import { drawn } from '../../tests/second-reading/draw'
import { judge } from '../../tests/second-reading/judge'
import { compile } from '.'

// The tables read a second time, by code that shares none with the engine, judge what the engine puts on: 400 plans here, 20 000 in the proof.
const FEW = 100
const TIMES_IN_PROOF = 50
const NO_HURRY_MS = 3_600_000

test.each([2026, 4242, 77, 888])(
  'nothing forbidden is put on, no order is wrong, and no status says more than is so (from seed %i)',
  (seed) => {
    const statuses = new Map<string, number>()
    fc.assert(
      fc.property(drawn, (visit) => {
        const plan = compile(visit)
        statuses.set(plan.status, (statuses.get(plan.status) ?? 0) + 1)
        expect(judge(visit, plan)).toEqual([])
      }),
      { numRuns: runs(FEW, TIMES_IN_PROOF), seed },
    )
    // Not because there is nothing to judge.
    expect(statuses.get('ready') ?? 0).toBeGreaterThan(FEW / 5)
  },
  NO_HURRY_MS,
)
