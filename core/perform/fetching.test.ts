import { describe, expect, test } from 'vitest'
import { CARDS, SHELF } from '../../tests/fixtures'
import { input } from '../../tests/situations'
import { event, START } from '../../tests/under-way'
import { compile, hasLadder } from '../adapt'
import { trayFor, TOWEL } from '../mixing'
import { fetchAt, liveAt, reduceRun } from '.'

const visits = CARDS.map((protocol) => ({
  protocol,
  plan: compile(input({ protocol, slotMinutes: 240 })),
})).filter(({ plan }) => hasLadder(plan))

/** What is to be fetched at a second of a visit that was begun and of which nothing else was said. */
const fetchOf = ({ protocol, plan }: (typeof visits)[number], second: number) => {
  const now = START + second * 1000
  const live = liveAt(plan, reduceRun(plan, [event(1, 0, { type: 'start' })]), now)
  return { live, fetch: fetchAt({ plan, written: protocol.steps, shelf: SHELF }, live, now) }
}

describe('a towel out of the cabinet', () => {
  test('is called in time on every card that lays one out, and on no other', () => {
    let called = 0
    for (const visit of visits) {
      const laid = new Set(
        trayFor(visit.plan.steps, SHELF)
          .filter(({ readyInS }) => readyInS !== undefined)
          .map(({ id }) => id),
      )
      for (let second = 0; second < visit.plan.totalS; second += 20) {
        const { fetch, live } = fetchOf(visit, second)
        if (!fetch) continue
        called++
        expect(laid).toContain(fetch.segmentId.replace('/', ':'))
        const off = live.segments.find(({ segment }) => segment.id === fetch.segmentId)!
        // Newton's law of cooling with the house's figures: 70 °C to 40 °C in a room of 23 °C.
        const { cabinetC, roomC, tauS } = TOWEL
        const atTouch = roomC + (cabinetC - roomC) * Math.exp(-fetch.readyInS / tauS)
        expect(atTouch).toBeLessThanOrEqual(fetch.targetC)
        expect(off.fromMs - fetch.outMs).toBe(fetch.readyInS * 1000)
      }
    }
    expect(called).toBeGreaterThan(5)
  })
  test('of two the one that has to come out first, also where it is needed later', () => {
    const visit = visits.find(({ plan }) =>
      plan.steps.some((step) => step.segments.some(({ tool }) => tool === 'towel')),
    )!
    const { live } = fetchOf(visit, 0)
    const [part] = visit.plan.steps.flatMap((step) =>
      step.segments.flatMap((segment) => (segment.tool === 'towel' ? [{ step, segment }] : [])),
    )
    const off = live.segments.find(
      ({ segment }) => segment.id === `${part!.step.id}/${part!.segment.id}`,
    )!
    const second = { ...part!.step, id: 'second' }
    const heated = (step: typeof second, temperature: 'warm' | 'lukewarm') => ({
      ...step,
      segments: step.segments.map((segment) =>
        segment.id === part!.segment.id ? { ...segment, temperature } : segment,
      ),
    })
    // The lukewarm one cools for longer than the warm one: needed ten seconds later, it comes out before it.
    const steps = [heated(part!.step, 'warm'), heated(second, 'lukewarm')]
    const later = {
      ...off,
      fromMs: off.fromMs + 10_000,
      segment: { ...off.segment, id: `second/${part!.segment.id}`, stepId: 'second' },
    }
    const fetched = fetchAt(
      { plan: { steps }, written: steps, shelf: SHELF },
      { ...live, segments: [off, later] },
      off.fromMs - 215_000,
    )
    expect(fetched).toMatchObject({ segmentId: later.segment.id, cloth: 'lukewarm towel' })
  })
  test('never for what comes off cool or at room temperature', () => {
    const cold = visits.flatMap((visit) =>
      visit.plan.steps.flatMap((step) =>
        step.segments
          .filter(({ temperature }) => temperature === 'cool' || temperature === 'room')
          .map((part) => ({ visit, id: `${step.id}/${part.id}` })),
      ),
    )
    expect(cold.length).toBeGreaterThan(3)
    for (const { visit, id } of cold)
      for (let second = 0; second < visit.plan.totalS; second += 60)
        expect(fetchOf(visit, second).fetch?.segmentId).not.toBe(id)
  })
})
