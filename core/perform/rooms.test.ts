import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_CARDS, visitOn } from '../../tests/demo-visit'
import { runs } from '../../tests/runs'
import { planFor } from '../../tests/situations'
import { event, performed, START } from '../../tests/under-way'
import type { FittedPlan } from '../adapt'
import { CHANGE_OVER_S } from '../protocol'
import {
  clashWith,
  isPaused,
  liveAt,
  nextDue,
  pausedBetween,
  reduceRun,
  staysFor,
  whereabouts,
  type RunEvent,
} from '.'

const plan = planFor()
const partOf = (id: string) => plan.segments.find((part) => part.id === id)!
const at = (second: number) => START + second * 1000
const liveOf = (of: FittedPlan, events: readonly RunEvent[], second: number) =>
  liveAt(of, reduceRun(of, events), at(second))
const left = (second: number, n = 900) => event(n, second, { type: 'left', bell: true })
const came = (second: number, n = 910) => event(n, second, { type: 'came' })
const resume = (second: number, n = 920) => event(n, second, { type: 'resume' })
const kelp = partOf('kelp/dwell')

describe('while hands are at another client', () => {
  const gone = kelp.startS + 30
  const before = performed(plan, gone)
  test('hands rest here until they are back, clean and gloved; each of the three is known', () => {
    const steps = [left(gone), came(gone + 200), resume(gone + 230)]
    const seen = steps.map((_, n) => {
      const state = reduceRun(plan, [...before, ...steps.slice(0, n + 1)])
      return [whereabouts(state.absences), isPaused(state.pauses)]
    })
    expect(seen).toEqual([
      ['away', true],
      ['washing', true],
      ['here', false],
    ])
    const { absences } = reduceRun(plan, [...before, ...steps])
    expect(absences).toEqual([
      { leftMs: at(gone), bell: true, cameMs: at(gone + 200), readyMs: at(gone + 230) },
    ])
  })
  test('what lies on the skin keeps its times, and what hands begin ends it all the same', () => {
    const due = liveOf(plan, before, gone + 60).layers[0]!.dueMs
    expect(liveOf(plan, [...before, left(gone)], gone + 60).layers[0]!.dueMs).toBe(due)
    const off = event(930, kelp.endS, { type: 'started', segmentId: 'kelp/off' })
    const state = reduceRun(plan, [...before, left(gone), off])
    expect(whereabouts(state.absences)).toBe('here')
  })
  test('nobody leaves twice, or before it has begun, or comes back who never left', () => {
    expect(reduceRun(plan, [left(5)]).absences).toEqual([])
    expect(reduceRun(plan, [...before, came(gone)]).absences).toEqual([])
    const twice = reduceRun(plan, [...before, event(901, gone, { type: 'left' }), left(gone + 9)])
    expect(twice.absences).toEqual([{ leftMs: at(gone), bell: true }])
    // Called away again while the hands were being washed.
    const again = reduceRun(plan, [...before, left(gone), came(gone + 60), left(gone + 70, 902)])
    expect(again.absences.map(({ leftMs }) => leftMs)).toEqual([at(gone), at(gone + 70)])
    expect(whereabouts(again.absences)).toBe('away')
  })
  test('whatever tablets say, whoever is away or not clean yet rests, in any order of arrival', () => {
    const said = fc.array(
      fc.record({
        what: fc.constantFrom(
          'left' as const,
          'came' as const,
          'resume' as const,
          'pause' as const,
        ),
        second: fc.integer({ min: gone, max: gone + 900 }),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(said, fc.integer(), (told, seed) => {
        const events = told.map(({ what, second }, n) => event(950 + n, second, { type: what }))
        const state = reduceRun(plan, [...before, ...events])
        if (whereabouts(state.absences) !== 'here') expect(isPaused(state.pauses)).toBe(true)
        const shuffled = [...events].sort((a, b) => ((a.seq * seed) % 7) - ((b.seq * seed) % 7))
        expect(reduceRun(plan, [...shuffled, ...before])).toEqual(state)
        // Hands rest at least as long as they were away.
        const end = at(gone + 900)
        const awayMs = state.absences.reduce(
          (sum, one) => sum + (one.readyMs ?? end) - one.leftMs,
          0,
        )
        expect(pausedBetween(state.pauses, at(gone), end, end)).toBeGreaterThanOrEqual(awayMs)
      }),
      { numRuns: runs(200) },
    )
  })
})

describe('who may be left', () => {
  test('not while something that is stayed with lies there; the minute that frees it is that of its removal', () => {
    const enzyme = partOf('enzyme/dwell')
    const off = partOf('enzyme/off')
    const during = liveOf(plan, performed(plan, enzyme.startS + 20), enzyme.startS + 20)
    expect(staysFor(during, at(enzyme.startS + 20))).toEqual({
      stepId: 'enzyme',
      by: 'room',
      freeMs: at(off.endS),
    })
  })
  test('a mask that nobody has to stay with may be left alone until it is due', () => {
    const second = kelp.endS - 300
    const events = [...performed(plan, second), left(second)]
    const alone: FittedPlan = {
      ...plan,
      segments: plan.segments.map((part) => (part === kelp ? { ...part, presence: 'away' } : part)),
    }
    expect(staysFor(liveOf(plan, events, second), at(second))).toMatchObject({ by: 'room' })
    expect(staysFor(liveOf(alone, events, second), at(second))).toBeUndefined()
    const due = liveOf(alone, events, kelp.endS + 1)
    expect(staysFor(due, at(kelp.endS + 1))).toMatchObject({ stepId: 'kelp', by: 'off' })
    expect(nextDue(due, at(kelp.endS + 1))).toMatchObject({ kind: 'off', level: 'due' })
  })
  // A second reading, by what was placed and not by what runs: nothing may be left that is half on, half off, stayed with or due.
  test('on no card is anybody left at a moment that the ladder itself forbids', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_CARDS),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (id, share) => {
          const { plan: card } = visitOn(id)
          const second = Math.floor(share * card.segments.at(-1)!.endS)
          const live = liveOf(card, performed(card, second), second)
          const stay = staysFor(live, at(second))
          const inside = card.segments.filter(
            ({ startS, endS }) => startS <= second && second < endS,
          )
          const bound = inside.filter(
            ({ kind, presence, asksLot }) =>
              presence !== 'away' || kind === 'remove' || asksLot === true,
          )
          if (bound.length > 0) expect(stay, `${id} at ${second} s`).toBeDefined()
          if (stay) {
            expect(stay.freeMs).toBeGreaterThan(at(second))
            // As it goes, nothing of that step is left over at the minute that was said.
            const then = Math.round((stay.freeMs - START) / 1000)
            const later = liveOf(card, performed(card, then), then)
            expect(staysFor(later, at(then))?.stepId).not.toBe(stay.stepId)
          }
        },
      ),
      { numRuns: runs(300) },
    )
  })
})

describe('two rooms, one pair of hands', () => {
  const there = liveOf(plan, performed(plan, kelp.startS + 30), kelp.startS + 30)
  const nowMs = at(kelp.startS + 30)
  const layer = there.layers.find(({ stepId }) => stepId === 'kelp')!
  const hereAt = (fromMs: number, toMs: number) => {
    const segment = { ...partOf('enzyme/off'), stepId: 'peel' }
    return { segments: [{ segment, status: 'ahead' as const, fromMs, toMs }] }
  }
  test('something that would lie past its maximum is told beforehand, with when hands could be there', () => {
    const clash = clashWith(hereAt(layer.dueMs - 1000, layer.latestMs + 1000), there, nowMs)
    expect(clash).toEqual({
      ...{ there: 'kelp', atMs: layer.latestMs, here: 'peel' },
      freeMs: layer.latestMs + 1000 + CHANGE_OVER_S * 1000,
    })
  })
  test('what hands get round to in time is no clash', () => {
    expect(clashWith(hereAt(layer.dueMs - 5000, layer.dueMs + 5000), there, nowMs)).toBe(
      layer.latestMs - layer.dueMs > (5 + CHANGE_OVER_S) * 1000 ? undefined : expect.anything(),
    )
    expect(clashWith({ segments: [] }, there, nowMs)).toBeUndefined()
  })
})
