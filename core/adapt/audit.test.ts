import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FORGERIES, withForgedWords } from '../../tests/forgeries'
import { runs } from '../../tests/runs'
import { drawn } from '../../tests/second-reading/draw'
import { judge } from '../../tests/second-reading/judge'
import { again, performed, runningAt } from '../../tests/under-way'
import { place } from '../schedule'
import {
  audit,
  compile,
  hasLadder,
  placingOf,
  type CompileInput,
  type FittedPlan,
  type Running,
} from '.'

const FEW = 80
const NO_HURRY_MS = 3_600_000

/** A visit somewhere in the middle, fitted again because the lamp showed something else. */
interface Case {
  readonly now: CompileInput
  readonly running: Running
  readonly told: FittedPlan
}

const share = fc.double({ min: 0.02, max: 0.98, noNaN: true })

/** The visit as it was drawn, another's reading under the lamp, and the second at which it was read. */
const moments = fc.record({ visit: drawn, other: drawn, share })

function caseOf({
  visit,
  other,
  share: at,
}: typeof moments extends fc.Arbitrary<infer T> ? T : never): Case | undefined {
  const before = compile(visit)
  if (!hasLadder(before) || before.totalS === 0) return undefined
  const second = Math.max(1, Math.round(before.totalS * at))
  const events = performed(before, second)
  const now = { ...visit, reading: other.reading }
  const told = again(now, before, events, second)
  return hasLadder(told) ? { now, running: runningAt(before, events, second), told } : undefined
}

/** Where the second reading, which shares no code with the audit, must have objected too: not only our own equality says that it is worse. */
const JUDGED = new Set([
  'another product',
  'warm instead of cool',
  'a step left out',
  'two steps change places',
])

const asSent = (plan: FittedPlan): FittedPlan => JSON.parse(JSON.stringify(plan)) as FittedPlan

/** No order keeps every limit any more (a mask stays on past its most): then only our own fit counts. */
const isPastHelp = ({ told, running }: Case): boolean =>
  place(placingOf(told.steps, running.underway)).kind === 'infeasible'

describe('a plan that was fitted elsewhere', () => {
  test(
    'honest ones pass and are given back word for word; forged words change nothing',
    () => {
      let passed = 0
      fc.assert(
        fc.property(moments, (moment) => {
          const given = caseOf(moment)
          if (!given || isPastHelp(given)) return
          const { now, running, told } = given
          expect(audit(asSent(told), now, running)).toEqual({ faults: [], plan: told })
          const { plan } = audit(asSent(withForgedWords(told)), now, running)
          const { changes: _c, ...words } = plan!
          const { changes: _d, ...wanted } = told
          expect(words).toEqual(wanted)
          passed++
        }),
        { numRuns: runs(FEW), seed: 1311 },
      )
      expect(passed).toBeGreaterThan(FEW / 5)
    },
    NO_HURRY_MS,
  )

  test.each(Object.entries(FORGERIES))(
    '%s is found',
    (name, forge) => {
      let forged = 0
      let condemned = 0
      fc.assert(
        fc.property(moments, fc.nat(), (moment, n) => {
          const given = caseOf(moment)
          if (!given) return
          const { now, running, told } = given
          const pick = <T>(items: readonly T[]): T | undefined => items[n % items.length]
          const begun = new Set(
            told.segments
              .filter((part) => running.underway.begun.has(part.id))
              .map((part) => part.stepId),
          )
          const worse = forge(told, pick, begun)
          if (!worse) return
          forged++
          if (judge(now, worse).length > judge(now, told).length) condemned++
          expect(audit(asSent(worse), now, running).faults).not.toEqual([])
        }),
        { numRuns: runs(FEW / 4), seed: 77 },
      )
      expect(forged).toBeGreaterThan(0)
      expect(condemned > 0 || !JUDGED.has(name)).toBe(true)
    },
    NO_HURRY_MS,
  )
})
