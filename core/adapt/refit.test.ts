import { CHECKED, client, input, planFor, readingOf, seen, yes } from '../../tests/situations'
import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ACID, BRIGHTENING, CLARIFYING } from '../../tests/fixtures'
import { again as fittedAgain, event, performed, START } from '../../tests/under-way'
import { liveAt, reduceRun, underwayOf, type RunEvent } from '../perform'
import { FACE, NOSE, type Reading } from '../skin'
import { compile, throughGates, type FittedPlan } from '.'

const UNREAD: Reading = { ...readingOf(), done: false }
const ids = (plan: FittedPlan) => plan.steps.map((step) => step.id)
const congested = readingOf(seen('congestion', 2, NOSE))

const given = input({ protocol: CLARIFYING, reading: UNREAD })
const first = compile(given)
const placed = (plan: FittedPlan, id: string) => plan.segments.find((part) => part.id === id)!

/** The clarifying visit fitted again, with what is now known otherwise. */
const again = (
  plan: FittedPlan,
  events: readonly RunEvent[],
  second: number,
  change: Partial<typeof given> = {},
) => fittedAgain({ ...given, ...change }, plan, events, second)
const atLamp = placed(first, 'lamp/look').endS

describe('a group and a gate', () => {
  test('what belongs to a step that the lamp shows no need of goes with it', () => {
    const steps = CLARIFYING.steps.map((step) =>
      step.id === 'extract' || step.id === 'oat' ? { ...step, group: 'clearing' } : step,
    )
    const gated = throughGates(steps, readingOf(), {})
    expect(
      gated.steps
        .map((step) => step.id)
        .filter((id) => ['extract', 'clearing', 'oat'].includes(id)),
    ).toEqual([])
    expect(gated.changes.find((change) => change.stepId === 'oat')).toMatchObject({
      what: expect.stringContaining('left out with its cause') as string,
      why: [{ ruleId: 'S03' }],
    })
  })
})

describe('fitted again from now', () => {
  test('the reading shows patchy pigment: steam and extraction change, what is done stays where it was', () => {
    const events = performed(first, atLamp)
    const next = again(first, events, atLamp, {
      reading: readingOf(
        seen('patchy-pigment', 2, ['cheekbone-left']),
        seen('congestion', 1, NOSE),
      ),
    })
    expect(next.status).toBe('ready')
    expect(ids(next)).not.toContain('steam')
    expect(next.open).toEqual([])
    for (const id of ['eyes/on', 'cleanse-1/on', 'cleanse-2/off'])
      expect(placed(next, id)).toMatchObject({
        startS: placed(first, id).startS,
        endS: placed(first, id).endS,
      })
    expect(next.changes.find((change) => change.stepId === 'steam')!.why[0]!.ruleId).toBe('C02h')
  })
  test('the run goes on from the new plan, whoever sees the events first', () => {
    const next = again(first, performed(first, atLamp), atLamp, { reading: readingOf() })
    const events = [
      ...performed(first, atLamp),
      event(90, atLamp, { type: 'replanned', plan: next }),
    ]
    const state = reduceRun(first, [...events].reverse())
    expect(state.plan).toEqual(next)
    const live = liveAt(state.plan, state, START + (atLamp + 30) * 1000)
    expect(live.hands?.segment.stepId).not.toBe('lamp')
    expect(live.finishMs).toBe(START + next.totalS * 1000)
  })
  test('what its slot had cut stays cut when the lamp fits it again, twice over', () => {
    const short = { ...given, slotMinutes: 45 }
    const cut = compile(short)
    const gone = cut.changes
      .filter((change) => change.kind === 'dropped' && change.why[0]!.ruleId === 'T01')
      .map((change) => change.stepId)
    expect(gone.length).toBeGreaterThan(0)
    const lampEnd = placed(cut, 'lamp/look').endS
    const refit = (plan: FittedPlan) => {
      const state = reduceRun(cut, performed(cut, lampEnd))
      const now = START + lampEnd * 1000
      return compile(
        { ...short, reading: congested },
        { plan, underway: underwayOf(state, liveAt(cut, state, now), now) },
      )
    }
    const next = refit(cut)
    for (const plan of [next, refit(next)]) {
      expect(ids(plan).filter((id) => gone.includes(id))).toEqual([])
      expect(plan.totalS).toBeLessThanOrEqual(cut.totalS + 60)
      expect(
        plan.changes
          .filter((change) => change.kind === 'dropped' && change.why[0]!.ruleId === 'T01')
          .map((change) => change.stepId),
      ).toEqual(gone)
    }
  })
  test('at any second of the visit: nothing that is done moves, nothing else comes before now, active dwells keep their length', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: first.totalS - 1 }),
        fc.constantFrom(
          congested,
          readingOf(),
          readingOf(seen('sensitive', 2, FACE)),
          readingOf(seen('barrier', 2, FACE)),
        ),
        (second, reading) => {
          const events = performed(first, second)
          const state = reduceRun(first, events)
          const live = liveAt(first, state, START + second * 1000)
          const next = again(first, events, second, { reading })
          expect(next.problems).toEqual([])
          const begun = new Map(
            live.segments
              .filter((part) => ['done', 'inferred', 'now'].includes(part.status))
              .map((part) => [part.segment.id, part]),
          )
          for (const one of next.segments) {
            const was = begun.get(one.id)
            if (was) expect(one.startS).toBe(Math.round((was.fromMs - START) / 1000))
            else expect(one.startS).toBeGreaterThanOrEqual(second)
            if (was && was.status !== 'now')
              expect(one.endS).toBe(Math.round((was.toMs - START) / 1000))
            const length = next.steps
              .find((step) => step.id === one.stepId)!
              .segments.find((part) => one.id === `${one.stepId}/${part.id}`)!.usualS
            if (one.kind === 'dwell' && one.active && !was)
              expect(one.endS - one.startS).toBe(length)
          }
          const hands = next.segments
            .filter((part) => part.hands && !begun.has(part.id))
            .sort((a, b) => a.startS - b.startS)
          for (const [at, one] of hands.slice(1).entries())
            expect(one.startS).toBeGreaterThanOrEqual(hands[at]!.endS)
        },
      ),
      { numRuns: runs(120), seed: 51 },
    )
  })
  test('a layer left on past its maximum is never a reason to give up: it comes off now', () => {
    const mask = placed(first, 'clay/dwell')
    const late = mask.startS + mask.maxS + 20 * 60
    const events = performed(first, mask.startS)
    const next = again(first, events, late, { reading: congested })
    expect(next.problems).toEqual([])
    // One pair of hands: the lips that lie under it come off first or after, and nothing else comes between.
    expect(Math.min(placed(next, 'clay/off').startS, placed(next, 'lips/off').startS)).toBe(late)
    expect(placed(next, 'clay/off').startS).toBeLessThanOrEqual(late + 120)
  })
  test('a quick check that stings takes its product out of what is still to come', () => {
    const wide = { protocol: CHECKED, reading: congested }
    const plan = planFor(wide)
    const at = placed(plan, 'check/wait').endS
    expect(
      again(plan, performed(plan, at), at, { ...wide, gates: { check: 'stings' } }).steps.find(
        (step) => step.id === 'enzyme',
      )!.product!.productId,
    ).toBe('rice-enzyme')
  })
  test('what stung is what was tried: the product the ladder had put there, not the written one', () => {
    const given = {
      protocol: CHECKED,
      reading: congested,
      client: client([yes('allergy:pineapple')]),
    }
    const plan = planFor(given)
    const tried = plan.steps.find((step) => step.id === 'enzyme')!.product!.productId
    expect(tried).not.toBe('pineapple-enzyme')
    const at = placed(plan, 'check/wait').endS
    const events = [
      ...performed(plan, at),
      event(900, at, { type: 'checked', stepId: 'check', answer: 'stings', productId: tried }),
    ]
    const state = reduceRun(plan, events)
    expect(state.stung).toEqual([tried])
    const next = again(plan, events, at, {
      ...given,
      gates: Object.fromEntries(state.checks),
      stung: state.stung,
    })
    expect(next.steps.some((step) => step.product?.productId === tried)).toBe(false)
  })
  test('a check goes with the step it is for', () => {
    const acid = planFor({ protocol: ACID, client: client([yes('isotretinoin')]) })
    expect(ids(acid)).not.toContain('check')
    expect(ids(planFor({ protocol: ACID }))).toContain('check')
    expect(planFor({ protocol: ACID }).open).toMatchObject([
      { gateId: 'check', stepIds: ['blot', 'peel', 'neutralise', 'gel'] },
    ])
  })
  test('what has begun is never taken back, even when a rule would stop it now', () => {
    const plan = planFor({ reading: congested })
    const during = placed(plan, 'enzyme/dwell').startS + 60
    const next = again(plan, performed(plan, during), during, {
      protocol: BRIGHTENING,
      reading: congested,
      client: client([yes('allergy:pineapple')]),
    })
    expect(next.steps.find((step) => step.id === 'enzyme')!.product!.productId).toBe(
      'pineapple-enzyme',
    )
  })
})
