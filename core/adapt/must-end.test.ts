import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { runs } from '../../tests/runs'
import { input } from '../../tests/situations'
import { again, performed, runningAt } from '../../tests/under-way'
import type { Step } from '../protocol'
import { audit, compile, hasLadder, type CompileInput, type FittedPlan } from '.'

// Arrived late, or has to go: the rest is cut to an end that was said while the visit ran.

const plans = CARDS.map((protocol) => ({
  given: input({ protocol, slotMinutes: 240 }),
  plan: compile(input({ protocol, slotMinutes: 240 })),
})).filter(({ plan }) => hasLadder(plan))

interface Moment {
  readonly given: CompileInput
  readonly before: FittedPlan
  readonly events: ReturnType<typeof performed>
  readonly second: number
  readonly now: CompileInput & { readonly endS: number }
  readonly next: FittedPlan
}
function momentOf(at: number, share: number, lessS: number): Moment {
  const { given, plan: before } = plans[at % plans.length]!
  const second = Math.max(1, Math.round(before.totalS * share))
  const events = performed(before, second)
  const endS = Math.max(second, before.totalS - lessS)
  const now = { ...given, endS }
  return { given, before, events, second, now, next: again(now, before, events, second) }
}
const moments = fc.tuple(
  fc.nat(plans.length - 1),
  fc.double({ min: 0.01, max: 0.9, noNaN: true }),
  fc.integer({ min: 60, max: 45 * 60 }),
)
const stepOf = (plan: FittedPlan, id: string) => plan.steps.find((step) => step.id === id)

/** What has begun, what closes it and what is essential stay; what closes a step goes with it. */
function expectStays(before: FittedPlan, next: FittedPlan, begun: ReadonlyMap<string, unknown>) {
  const kept = new Set(next.steps.map(({ id }) => id))
  const isBegun = ({ id, segments }: Step) => segments.some((part) => begun.has(`${id}/${part.id}`))
  const mustStay = (step: Step) =>
    isBegun(step) || (step.essential && !step.floating && !step.group && !step.closes)
  expect(before.steps.filter((step) => mustStay(step) && !kept.has(step.id))).toEqual([])
  for (const step of before.steps.filter(isBegun)) expect(stepOf(next, step.id)).toEqual(step)
  for (const { id, closes, floating } of before.steps) {
    if (closes === undefined) continue
    if (!kept.has(closes)) expect(kept).not.toContain(id)
    else if (!floating) expect(kept).toContain(id)
  }
}

describe('a visit that has to end earlier', () => {
  test('there are cards to cut', () => {
    expect(plans.length).toBeGreaterThan(20)
  })
  test('ends in time or says how far off it is; what has begun, what closes it and what is essential stay', () => {
    fc.assert(
      fc.property(moments, ([at, share, lessS]) => {
        const { before, events, second, now, next } = momentOf(at, share, lessS)
        expect(next.problems).toEqual([])
        expectStays(before, next, runningAt(before, events, second).underway.begun)
        for (const step of next.steps)
          for (const part of step.segments) expect(part.usualS).toBeGreaterThanOrEqual(part.minS)
        // A fit that found its place ends by then; where none did, the figures say so.
        if (next.totalS > now.endS) expect(['infeasible', 'unfinished']).toContain(next.fit?.kind)
      }),
      { numRuns: runs(60), seed: 61 },
    )
  })
  test('each cut says why, and nothing is cut where nobody said an end', () => {
    const { given, before, events, second, next, now } = momentOf(0, 0.2, 15 * 60)
    const forTime = (plan: FittedPlan) =>
      plan.changes.filter(({ why }) => why.some(({ ruleId }) => /^T0[13]$/.test(ruleId)))
    expect(forTime(next).length).toBeGreaterThan(0)
    expect(forTime(next)[0]!.why[0]!.reason).toContain('the slot is')
    expect(next.totalS).toBeLessThanOrEqual(now.endS)
    expect(forTime(again(given, before, events, second))).toEqual([])
  })
  test('what was left out could not have come back at its least: proven ones leave nothing lying about', () => {
    fc.assert(
      fc.property(moments, ([at, share, lessS]) => {
        const { before, events, second, given, next, now } = momentOf(at, share, lessS)
        if (next.fit?.kind !== 'optimal') return
        const gone = before.steps.filter(
          (step) => !stepOf(next, step.id) && !step.closes && !step.group && !step.floating,
        )
        for (const step of gone) {
          // All others as they are now, this one put back in its place at its least.
          const least = {
            ...step,
            segments: step.segments.map((part) => ({ ...part, usualS: part.minS })),
          }
          const back = before.steps.flatMap((one) =>
            one.id === step.id ? [least] : (stepOf(next, one.id) ?? []),
          )
          const closing = before.steps.some((other) => other.closes === step.id)
          if (closing) continue
          const { underway } = runningAt(before, events, second)
          const plan = compile(given, { plan: { ...before, steps: back }, underway })
          if (hasLadder(plan) && plan.steps.length === back.length)
            expect(plan.totalS, step.title).toBeGreaterThan(now.endS)
        }
      }),
      { numRuns: runs(25), seed: 62 },
    )
  })
})

describe('a cut that a tablet made', () => {
  const asSent = (plan: FittedPlan) => JSON.parse(JSON.stringify(plan)) as FittedPlan
  test('is taken where it is one that may be made, word for word the same ladder', () => {
    fc.assert(
      fc.property(moments, ([at, share, lessS]) => {
        const { before, events, second, now, next } = momentOf(at, share, lessS)
        const { faults, plan } = audit(asSent(next), now, runningAt(before, events, second))
        expect(faults).toEqual([])
        expect(plan!.steps).toEqual(next.steps)
        expect(plan!.segments).toEqual(next.segments)
      }),
      { numRuns: runs(60), seed: 63 },
    )
  })
  test('is refused where nobody said an end', () => {
    const { given, before, events, second, next } = momentOf(0, 0.2, 15 * 60)
    const running = runningAt(before, events, second)
    expect(audit(asSent(next), given, running).faults.join()).toMatch(/missing|other minutes/)
  })
  test('is refused where it takes out what must stay, or cuts below the least', () => {
    const { before, events, second, now } = momentOf(0, 0.2, 15 * 60)
    const running = runningAt(before, events, second)
    const whole = again({ ...now, endS: undefined }, before, events, second)
    const without = (ids: readonly string[]) => ({
      ...whole,
      steps: whole.steps.filter(({ id }) => !ids.includes(id)),
      segments: whole.segments.filter(({ stepId }) => !ids.includes(stepId)),
    })
    const essential = whole.steps.filter(
      (step) =>
        step.essential &&
        !step.segments.some((part) => running.underway.begun.has(`${step.id}/${part.id}`)),
    )
    expect(essential.length).toBeGreaterThan(0)
    for (const step of essential)
      expect(audit(asSent(without([step.id])), now, running).faults).toContain(
        `${step.title} is missing`,
      )
    const enzyme = whole.steps.find(({ segments }) => segments.some(({ active }) => active))!
    const hurried = {
      ...whole,
      steps: whole.steps.map((step) =>
        step === enzyme
          ? { ...step, segments: step.segments.map((part) => ({ ...part, usualS: 5, minS: 5 })) }
          : step,
      ),
    }
    expect(audit(asSent(hurried), now, running).faults.join()).toContain(enzyme.title)
  })
})
