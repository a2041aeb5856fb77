import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_CARDS, visitOn, type DemoVisit } from '../../tests/demo-visit'
import { runs } from '../../tests/runs'
import { event, performed, runningAt, START } from '../../tests/under-way'
import { audit } from '../adapt/audit'
import { compile, hasLadder, type FittedPlan } from '../adapt'
import {
  inputUnderway,
  knownBefore,
  liveAt,
  reduceRun,
  refusable,
  refusalsIn,
  type RunEvent,
} from '.'

const at = (plan: FittedPlan, events: readonly RunEvent[], second: number) => {
  const state = reduceRun(plan, events)
  return { state, live: liveAt(state.plan, state, START + second * 1000) }
}
/** "Not this one" at a second, and the rest fitted at once. */
function refuse(
  visit: DemoVisit,
  before: readonly RunEvent[],
  said: { stepId: string; productId: string },
  second: number,
) {
  const events = [
    ...before,
    event(900, second, { type: 'refused' as const, ...said, why: 'Smell' }),
  ]
  const state = reduceRun(visit.plan, events)
  const given = inputUnderway(visit.given, state)
  const running = runningAt(visit.plan, events, second)
  return { events, state, given, running, next: compile(given, running) }
}
/** When hands come to what is put on of a step. */
const onS = (plan: FittedPlan, stepId: string) =>
  plan.segments.find((part) => part.stepId === stepId && part.kind !== 'prepare')!.startS
const productsOf = (plan: FittedPlan) => plan.steps.flatMap(({ product }) => product ?? [])

describe('"not this one"', () => {
  const visit = visitOn('brightening')
  const enzyme = visit.plan.steps.find(({ title }) => /enzyme/i.test(title))!
  const productId = enzyme.product!.productId
  const said = { stepId: enzyme.id, productId }
  const bowl = visit.plan.segments.find(
    ({ stepId, kind }) => stepId === enzyme.id && kind === 'prepare',
  )!

  test('what is still to come can be refused, in the order of the hands; what lies on the skin or is over cannot', () => {
    const { state, live } = at(visit.plan, [event(1, 0, { type: 'start' })], 30)
    const coming = refusable(live, state, visit.plan.steps)
    expect(coming.map(({ stepId }) => stepId)).toContain(enzyme.id)
    expect(new Set(coming.map((one) => one.productId)).size).toBe(coming.length)
    expect(coming.some(({ stepIds }) => stepIds.length > 1)).toBe(true)
    const starts = coming.map(({ stepId }) => onS(visit.plan, stepId))
    expect(starts).toEqual([...starts].sort((a, b) => a - b))
    const second = onS(visit.plan, enzyme.id) + 30
    const later = at(visit.plan, performed(visit.plan, second), second)
    const left = refusable(later.live, later.state, visit.plan.steps).flatMap(
      ({ stepIds }) => stepIds,
    )
    expect(left).not.toContain(enzyme.id)
    expect(left).not.toContain(coming[0]!.stepId)
    expect(left.length).toBeGreaterThan(2)
  })

  test('another of its kind stands in under the replacement law; why is remembered, and an earlier decision does not outrank it', () => {
    const second = bowl.startS - 20
    const overrides = [
      { ruleId: 'B02', stepId: enzyme.id, reason: 'likes it now', by: 'A test', at: '2026-11-24' },
    ]
    const asked = { ...visit, given: { ...visit.given, overrides } }
    const { next, given, running } = refuse(asked, performed(visit.plan, second), said, second)
    expect(hasLadder(next)).toBe(true)
    expect(productsOf(next).map((product) => product.productId)).not.toContain(productId)
    const changed = next.changes.find(({ stepId }) => stepId === enzyme.id)!
    expect(changed.why[0]!.ruleId).toBe('B02')
    expect(given.client.memories).toContainEqual({
      ...{ productId, memory: 'refused', on: visit.given.date, note: 'Smell' },
    })
    expect(given.overrides).toEqual([])
    expect(audit(next, given, running).faults).toEqual([])
  })

  test('mixed already it is mixed anew: nothing of the old bowl counts as done', () => {
    const second = bowl.endS + 5
    const mixed = [
      ...performed(visit.plan, bowl.startS - 1),
      event(500, bowl.startS, { type: 'started' as const, segmentId: bowl.id }),
      event(501, bowl.endS, { type: 'finished' as const, segmentId: bowl.id }),
    ]
    const { state, running, next } = refuse(visit, mixed, said, second)
    expect(state.segments.has(bowl.id)).toBe(false)
    expect(running.underway.begun.has(bowl.id)).toBe(false)
    for (const part of next.segments.filter(({ stepId }) => stepId === enzyme.id))
      expect(part.startS).toBeGreaterThanOrEqual(second)
  })

  test('what touched by word stays on the ladder, and is known to be refused from then on', () => {
    const second = onS(visit.plan, enzyme.id) + 30
    const before = performed(visit.plan, second)
    const { state, given, next } = refuse(visit, before, said, second)
    expect(state.refused).toMatchObject([{ ...said, isOpen: false }])
    expect(next.steps.find(({ id }) => id === enzyme.id)?.product?.productId).toBe(productId)
    expect(given.client.memories).toMatchObject([{ productId, memory: 'refused' }])
  })

  test('taken back nobody knows of it; a fit answers it once', () => {
    const second = bowl.startS - 20
    const { events, next } = refuse(visit, performed(visit.plan, second), said, second)
    const back = event(901, second + 2, { type: 'retract' as const, eventId: events.at(-1)!.id })
    expect(reduceRun(visit.plan, [...events, back]).refused).toEqual([])
    expect(refusalsIn(events)).toEqual({
      stands: [expect.objectContaining({ productId })],
      takenBack: [],
    })
    expect(refusalsIn([...events, back])).toEqual({ stands: [], takenBack: [productId] })
    const fitted = event(902, second + 1, { type: 'replanned' as const, plan: next })
    expect(reduceRun(visit.plan, [...events, fitted]).refused).toMatchObject([{ isOpen: false }])
  })

  test('what this run itself had remembered is its own word; what was known before is not', () => {
    const second = bowl.startS - 20
    const { events } = refuse(visit, performed(visit.plan, second), said, second)
    const back = event(901, second + 2, { type: 'retract' as const, eventId: events.at(-1)!.id })
    const own = { productId, memory: 'refused' as const, on: visit.given.date }
    const earlier = { ...own, on: '2026-03-01' }
    const reacted = { ...own, memory: 'reacted' as const }
    const memories = [own, earlier, reacted]
    const known = { ...visit.given, client: { ...visit.given.client, memories } }
    for (const log of [events, [...events, back]])
      expect(knownBefore(known, log).client.memories).toEqual([earlier, reacted])
    expect(knownBefore(known, []).client.memories).toEqual(memories)
  })

  test('on any card, at any moment, whatever product: it is put on no more, what has begun keeps its times, and no limit is broken', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_CARDS), fc.nat(), fc.nat(), (card, when, which) => {
        const here = visitOn(card)
        if (!hasLadder(here.plan)) return
        const second = when % here.plan.totalS
        const before = performed(here.plan, second)
        const { state, live } = at(here.plan, before, second)
        const coming = refusable(live, state, here.plan.steps)
        const chosen = coming[which % Math.max(1, coming.length)]
        if (!chosen) return
        const { stepIds: _, ...said } = chosen
        const { next, given, running } = refuse(here, before, said, second)
        if (!hasLadder(next)) {
          // What the visit cannot be without and nothing may stand in for: it is said, and nothing is taken away.
          const step = here.plan.steps.find(({ id }) => id === said.stepId)!
          expect(step.essential).toBe(true)
          expect(next.problems.join(' ')).toMatch(/\([A-Z]\d\d/)
          return
        }
        const begun = new Set(
          [...running.underway.begun.keys()].map((id) => id.slice(0, id.lastIndexOf('/'))),
        )
        const anew = next.steps.filter(({ id }) => !begun.has(id))
        expect(
          productsOf({ ...next, steps: anew }).map((product) => product.productId),
        ).not.toContain(said.productId)
        for (const [id, { startS }] of running.underway.begun)
          expect(next.segments.find((part) => part.id === id)?.startS).toBe(startS)
        expect(audit(next, given, running).faults).toEqual([])
      }),
      { numRuns: runs(25) },
    )
  })
})
