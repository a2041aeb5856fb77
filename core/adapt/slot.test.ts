import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Segment, Step } from '../protocol'
import { fitsSlot, fitToSlot, isOptional, type SlotProblem } from './slot'
import { GRID_S, shortened, slackOf, WORTH_AT_LEAST, worthOf } from './worth'

const work = (minS: number, usualS: number, maxS = usualS): Segment => ({
  id: 'w',
  kind: 'apply',
  minS,
  usualS,
  maxS,
})
const step = (id: string, segment: Segment, more: Partial<Step> = {}): Step => ({
  id,
  phase: 'massage',
  title: id,
  zones: ['forehead'],
  properties: [],
  segments: [segment],
  essential: false,
  priority: 1,
  ...more,
})
const serial = (steps: readonly Step[]): number =>
  steps.reduce((sum, step) => sum + step.segments.reduce((s, part) => s + part.usualS, 0), 0)
const problem = (steps: Step[], slotS: number, more: Partial<SlotProblem> = {}): SlotProblem => ({
  steps,
  slotS,
  goals: ['calm', 'firm'],
  makespan: serial,
  allowed: () => true,
  mustStay: new Set(),
  isLight: () => false,
  ...more,
})
const bestOf = (given: SlotProblem) => {
  const fit = fitToSlot(given)
  if (!fitsSlot(fit)) throw new Error(fit.kind)
  return fit.best
}

describe('worth, by the figures of the design', () => {
  test('priority times the weight of the concern’s rank: 5, 3, 2, else 1', () => {
    const goals = ['calm', 'firm', 'hydrate', 'smooth'] as const
    expect(
      (['calm', 'firm', 'hydrate', 'smooth', 'clarify'] as const).map((concern) =>
        worthOf({ priority: 2, concern }, goals),
      ),
    ).toEqual([10, 6, 4, 2, 2])
    expect(worthOf({ priority: 3 }, goals)).toBe(3)
  })
  test('shortening never goes below any least, and takes off exactly what is asked', () => {
    const long = step('a', work(60, 200), {
      segments: [work(60, 200), { ...work(100, 130), id: 'x' }],
    })
    expect(slackOf(long)).toBe(150)
    expect(shortened(long, 150).segments.map((part) => part.usualS)).toEqual([76, 104])
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 300 })), {
          minLength: 1,
          maxLength: 5,
        }),
        (parts) => {
          const made = step('a', work(1, 1), {
            segments: parts.map(([least, more], at) => ({
              ...work(least, least + more),
              id: String(at),
            })),
          })
          const by = slackOf(made)
          const now = shortened(made, by)
          expect(serial([made]) - serial([now])).toBe(by)
          for (const part of now.segments) expect(part.usualS).toBeGreaterThanOrEqual(part.minS)
        },
      ),
    )
  })
})

describe('by hand', () => {
  test('a ladder that fits is left alone', () =>
    expect(bestOf(problem([step('a', work(60, 120))], 120))).toMatchObject({
      dropped: [],
      times: [],
      totalS: 120,
    }))
  test('minutes go where they are worth least', () => {
    const fit = bestOf(
      problem(
        [
          step('dear', work(60, 120), { priority: 5, concern: 'calm' }),
          step('cheap', work(60, 120)),
        ],
        180,
      ),
    )
    expect(fit.times).toEqual([{ stepId: 'cheap', fromS: 120, toS: 60 }])
    expect(fit.worth).toBeCloseTo(25 + WORTH_AT_LEAST)
  })
  test('when shortening is not enough the least worth goes, with what closes it', () => {
    const steps = [
      step('peel', work(240, 240), { priority: 2 }),
      step('off', work(60, 60), { closes: 'peel' }),
      step('mask', work(300, 300), { priority: 5 }),
    ]
    expect(bestOf(problem(steps, 300))).toMatchObject({ dropped: ['peel', 'off'], totalS: 300 })
  })
  test('what must stay, what is essential and what a rule put in is never dropped', () => {
    const steps = [
      step('a', work(120, 120)),
      step('b', work(120, 120), { priority: 5 }),
      step('c', work(120, 120), { insertedBy: ['D17'] }),
      step('d', work(120, 120), { essential: true }),
    ]
    expect(steps.map(isOptional)).toEqual([true, true, false, false])
    expect(bestOf(problem(steps, 360, { mustStay: new Set(['a']) })).dropped).toEqual(['b'])
    expect(fitToSlot(problem(steps, 200, { mustStay: new Set(['a']) }))).toMatchObject({
      kind: 'infeasible',
      leastS: 360,
    })
  })
  test('a shorter way of doing a step is taken before the step is lost', () => {
    const long = step('mask', work(600, 600), { priority: 5 })
    const variants = new Map([
      [
        'mask',
        [{ step: { ...long, title: 'short mask', segments: [work(300, 300)] }, worth: 0.8 }],
      ],
    ])
    expect(
      bestOf(problem([long, step('base', work(60, 60), { essential: true })], 400, { variants })),
    ).toMatchObject({
      dropped: [],
      swapped: [{ stepId: 'mask', title: 'short mask' }],
      worth: 5 * 0.8 + 1,
    })
  })
  test('a ladder the rules refuse is not offered', () => {
    const steps = [step('a', work(120, 120)), step('b', work(120, 120), { priority: 5 })]
    expect(
      bestOf(problem(steps, 120, { allowed: (now) => now.some((one) => one.id === 'a') })).dropped,
    ).toEqual(['b'])
  })
  test('spare time goes to massage, on the grid and within its most; never when nobody asked', () => {
    const steps = [step('massage', work(120, 120, 400))]
    expect(bestOf(problem(steps, 300)).totalS).toBe(120)
    expect(bestOf(problem(steps, 300, { grow: true })).totalS).toBe(300)
    expect(bestOf(problem(steps, 900, { grow: true })).totalS).toBe(390)
    expect(
      bestOf(
        problem([step('acid', work(120, 120, 400), { phase: 'exfoliate' })], 300, { grow: true }),
      ).totalS,
    ).toBe(120)
  })
  test('alternatives are other sets, none better than the best', () => {
    const fit = fitToSlot(
      problem(
        [1, 2, 3, 4].map((priority) => step(`s${priority}`, work(100, 100), { priority })),
        300,
      ),
    )
    if (!fitsSlot(fit)) throw new Error(fit.kind)
    expect(fit.best.dropped).toEqual(['s1'])
    expect(fit.alternatives.length).toBeGreaterThan(0)
    for (const other of fit.alternatives) {
      expect(other.worth).toBeLessThanOrEqual(fit.best.worth)
      expect(other.totalS).toBeLessThanOrEqual(300)
    }
  })
})

/** Every way to drop, and within each every way to shorten on the grid. Nothing of the search is used. */
function bruteForce({ steps, slotS, goals, mustStay }: SlotProblem): number | undefined {
  let best: number | undefined
  const ways = steps.map((step) => [
    ...(isOptional(step) && !mustStay.has(step.id) ? [undefined] : []),
    ...Array.from({ length: slackOf(step) / GRID_S + 1 }, (_, cut) => cut * GRID_S),
  ])
  const go = (at: number, lengthS: number, worth: number) => {
    if (lengthS > slotS) return
    if (at === steps.length) {
      best = Math.max(best ?? -1, worth)
      return
    }
    for (const cut of ways[at]!) {
      if (cut === undefined) go(at + 1, lengthS, worth)
      else
        go(
          at + 1,
          lengthS + serial([steps[at]!]) - cut,
          worth +
            worthOf(steps[at]!, goals) *
              (1 -
                (slackOf(steps[at]!) === 0
                  ? 0
                  : ((1 - WORTH_AT_LEAST) * cut) / slackOf(steps[at]!))),
        )
    }
  }
  go(0, 0, 0)
  return best
}

test('300 random ladders against brute force: what is called optimal is, the gap holds, and infeasible agrees', () => {
  const seen = { optimal: 0, feasible: 0, infeasible: 0, unfinished: 0 }
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          least: fc.integer({ min: 1, max: 6 }),
          more: fc.integer({ min: 0, max: 3 }),
          priority: fc.integer({ min: 1, max: 5 }),
          concern: fc.constantFrom('calm' as const, 'firm' as const, 'clarify' as const),
          essential: fc.boolean(),
        }),
        { minLength: 2, maxLength: 6 },
      ),
      fc.integer({ min: 4, max: 30 }),
      (drawn, slot) => {
        const steps = drawn.map(({ least, more, priority, concern, essential }, at) =>
          step(`s${at}`, work(least * GRID_S, (least + more) * GRID_S), {
            priority,
            concern,
            essential,
          }),
        )
        const given = problem(steps, slot * GRID_S, { limit: 5000 })
        const [ours, truth] = [fitToSlot(given), bruteForce(given)]
        seen[ours.kind]++
        if (truth === undefined) {
          expect(ours.kind).toBe('infeasible')
          return
        }
        if (!fitsSlot(ours)) throw new Error(`missed ${truth}`)
        expect(ours.best.totalS).toBeLessThanOrEqual(slot * GRID_S)
        expect(ours.best.worth).toBeLessThanOrEqual(truth + 1e-6)
        // On a plain sum of steps the greedy cut is the fractional optimum up to one grid step of one step.
        expect(ours.best.worth + ours.gapWorth).toBeGreaterThanOrEqual(truth - 1e-6)
      },
    ),
    { numRuns: runs(300), seed: 11 },
  )
  expect(seen.optimal).toBeGreaterThan(100)
  expect(seen.infeasible).toBeGreaterThan(10)
})
