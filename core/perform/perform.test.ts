import { anyBody } from '../../tests/run-bodies'
import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { input, planFor } from '../../tests/situations'
import { compile } from '../adapt'
import { liveAt, reduceRun, skippable, underwayOf, type RunBody, type RunEvent } from '.'

const plan = planFor()
const START = Date.UTC(2026, 10, 24, 8)
const MIN = 60_000
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
const event = (n: number, atMs: number, body: RunBody, deviceId = 'a'): RunEvent => ({
  id: uuid(n),
  deviceId,
  seq: n,
  wallMs: atMs,
  elapsedMs: atMs - START,
  body,
})
const placed = (id: string) => plan.segments.find((segment) => segment.id === id)!
const atPlanned = (seconds: number) => START + seconds * 1000
/** Somebody says the first touch of what acts at once: the enzyme. */
const TOUCH = event(90, atPlanned(placed('enzyme/on').startS), {
  type: 'started',
  segmentId: 'enzyme/on',
})
const plain = (state: ReturnType<typeof reduceRun>) => ({
  ...state,
  segments: [...state.segments].sort(),
  skipped: [...state.skipped].sort(),
})

const body = anyBody(plan, START)
const log = fc
  .array(
    fc.record({
      body,
      at: fc.integer({ min: 0, max: 80 * 60 }),
      device: fc.constantFrom('a', 'b'),
    }),
    { maxLength: 14 },
  )
  .map((items) => items.map((item, n) => event(n + 1, atPlanned(item.at), item.body, item.device)))

describe('the run log', () => {
  test('any order of delivery, any number of times, gives the same state', () => {
    fc.assert(
      fc.property(log, fc.infiniteStream(fc.integer()), (events, dice) => {
        const shuffled = [...events, ...events]
          .map((one) => ({ one, at: dice.next().value as number }))
          .sort((a, b) => a.at - b.at)
          .map(({ one }) => one)
        expect(plain(reduceRun(plan, shuffled))).toEqual(plain(reduceRun(plan, events)))
      }),
      { numRuns: runs(500), seed: 31 },
    )
  })
  test('two tablets: the first removal wins, sensations unite', () => {
    const a = [
      event(1, START, { type: 'start' }),
      event(2, START + 9 * MIN, { type: 'started', segmentId: 'enzyme/off' }),
      event(3, START + 8 * MIN, { type: 'sensation', stepId: 'enzyme', sensation: 'warm' }),
    ]
    const b = [
      event(4, START + 10 * MIN, { type: 'started', segmentId: 'enzyme/off' }, 'b'),
      event(
        5,
        START + 8 * MIN,
        { type: 'sensation', stepId: 'enzyme', sensation: 'stinging' },
        'b',
      ),
    ]
    const state = reduceRun(plan, [...b, ...a])
    expect(state.segments.get('enzyme/off')!.startedMs).toBe(START + 9 * MIN)
    expect(state.sensations.map((other) => other.sensation).sort()).toEqual(['stinging', 'warm'])
  })
  test('an event taken back leaves no trace but its retraction', () => {
    const done = event(2, START + MIN, { type: 'finished', segmentId: 'eyes/on' })
    expect(
      reduceRun(plan, [
        event(1, START, { type: 'start' }),
        done,
        event(3, START + MIN, { type: 'retract', eventId: done.id }),
      ]).segments.size,
    ).toBe(0)
  })
  test.each([
    [
      'by word',
      [event(2, START + MIN, { type: 'finished', segmentId: 'kelp/on' })],
      START + 2 * MIN,
    ],
    ['by its first touch', [], atPlanned(placed('enzyme/dwell').startS + 30)],
  ] as const)('a layer that lies on the skin %s cannot be skipped off it', (_how, more, at) => {
    const stepId = more.length > 0 ? 'kelp' : 'enzyme'
    const state = reduceRun(plan, [
      event(1, START, { type: 'start' }),
      TOUCH,
      ...more,
      event(3, at, { type: 'skipped', stepId, reason: 'late' }),
    ])
    expect(state.skipped.has(stepId)).toBe(false)
    expect(state.notes[0]!.text).toContain('has to come off')
  })
  test('what has not begun, and work of the hands alone, can be left out; the rest moves up', () => {
    const during = atPlanned(placed('globes/roll').startS + 20)
    const state = reduceRun(plan, [
      event(1, START, { type: 'start' }),
      TOUCH,
      event(2, atPlanned(placed('enzyme/off').startS), {
        type: 'started',
        segmentId: 'enzyme/off',
      }),
      event(5, atPlanned(placed('enzyme/off').endS), { type: 'finished', segmentId: 'enzyme/off' }),
      event(3, during, { type: 'skipped', stepId: 'globes', reason: 'cold' }),
      event(4, during, { type: 'skipped', stepId: 'kelp', reason: 'no time' }),
    ])
    expect([...state.skipped]).toEqual([
      ['globes', 'cold'],
      ['kelp', 'no time'],
    ])
    const live = liveAt(plan, state, during + 1000)
    expect(live.hands?.segment.stepId).toBe('massage')
    expect(
      live.segments
        .filter((part) => part.segment.stepId === 'kelp')
        .every((part) => part.status === 'skipped'),
    ).toBe(true)
  })
  test('left out can be what the hands are at, else what they come to next, never what lies on the skin', () => {
    const begun = [event(1, START, { type: 'start' }), TOUCH]
    const at = (seconds: number) =>
      skippable(liveAt(plan, reduceRun(plan, begun), atPlanned(seconds)))
    expect(at(placed('lamp/look').startS + 5)).toBe('lamp')
    expect(at(placed('enzyme/on').startS + 5)).not.toBe('enzyme')
    expect(at(placed('enzyme/dwell').startS + 5)).toBeUndefined()
  })
})

describe('clocks from event times', () => {
  const started = [event(1, START, { type: 'start' }), TOUCH]
  const on = placed('enzyme/on')
  const dwell = placed('enzyme/dwell')

  test('hands-on work follows without a tap, at the planned seconds', () => {
    const live = liveAt(
      plan,
      reduceRun(plan, started),
      atPlanned(placed('cleanse-1/on').startS + 5),
    )
    expect(live.hands?.segment.id).toBe('cleanse-1/on')
    expect(live.lastInferred?.segment.id).toBe('eyes/off')
  })
  test('a reload shows the same second: the state is a function of events and now', () => {
    fc.assert(
      fc.property(log, fc.integer({ min: 0, max: 90 * 60 }), (events, second) => {
        const now = atPlanned(second)
        const again = JSON.parse(JSON.stringify(events)) as RunEvent[]
        expect(liveAt(plan, reduceRun(plan, again), now)).toEqual(
          liveAt(plan, reduceRun(plan, events), now),
        )
      }),
      { numRuns: runs(200), seed: 32 },
    )
  })
  test('an active layer runs from its first touch (D24), putting on counted, and its removal is never inferred', () => {
    const state = reduceRun(plan, started)
    const clock = {
      stepId: 'enzyme',
      sinceMs: atPlanned(on.startS),
      dueMs: atPlanned(dwell.endS),
      removalId: 'enzyme/off',
    }
    const later = liveAt(plan, state, atPlanned(dwell.endS + 25 * 60))
    expect(later.layers).toMatchObject([clock])
    expect(later.next?.segment.id).toBe('enzyme/off')
    expect(later.hands).toBeUndefined()
    // The clock is there while it still goes on.
    const goingOn = liveAt(plan, state, atPlanned(on.startS + 10))
    expect(goingOn.hands?.segment.id).toBe('enzyme/on')
    expect(goingOn.layers).toMatchObject([clock])
  })
  test('nobody infers a first touch: the run waits for it, and everything moves with the clock', () => {
    const late = atPlanned(on.startS + 200)
    const waiting = liveAt(plan, reduceRun(plan, started.slice(0, 1)), late)
    expect(waiting.hands).toBeUndefined()
    expect(waiting.next).toMatchObject({ segment: { id: 'enzyme/on' }, fromMs: late })
    expect(waiting.layers).toEqual([])
    expect(waiting.finishMs).toBe(atPlanned(plan.totalS + 200))
  })
  test.each([
    ['quickly', on.endS - 40],
    ['slowly', on.endS + 50],
  ] as const)('put on %s, it is due so long after its first touch all the same', (_, doneS) => {
    const told = [
      ...started,
      event(2, atPlanned(on.endS - 5), { type: 'still', segmentId: 'enzyme/on' }),
      event(3, atPlanned(doneS), { type: 'finished', segmentId: 'enzyme/on' }),
    ]
    const state = reduceRun(plan, told)
    const live = liveAt(plan, state, atPlanned(doneS + 5))
    expect(live.layers[0]).toMatchObject({
      sinceMs: atPlanned(on.startS),
      dueMs: atPlanned(dwell.endS),
    })
    expect(live.next?.fromMs).toBe(atPlanned(dwell.endS))
    // The rest fitted again keeps to it.
    const underway = underwayOf(state, live, atPlanned(doneS + 5))
    expect(underway.lasts).toEqual(new Map([['enzyme/dwell', dwell.endS - doneS]]))
    const next = compile(input(), { plan, underway })
    expect(next.segments.find(({ id }) => id === 'enzyme/dwell')).toMatchObject({
      startS: doneS,
      endS: dwell.endS,
    })
    const again = liveAt(next, state, atPlanned(doneS + 5))
    expect(again.layers[0]).toMatchObject({ dueMs: atPlanned(dwell.endS) })
  })
  test('an inert layer runs from the end of putting on', () => {
    const wet = placed('kelp/on')
    const state = reduceRun(plan, [
      ...started,
      event(2, atPlanned(wet.endS - 40), { type: 'finished', segmentId: 'kelp/on' }),
    ])
    expect(
      liveAt(plan, state, atPlanned(wet.endS)).layers.find(({ stepId }) => stepId === 'kelp'),
    ).toMatchObject({ sinceMs: atPlanned(wet.endS - 40) })
  })
  test('still at it: what the clock called finished goes on', () => {
    const still = [
      ...started,
      event(2, atPlanned(placed('eyes/on').endS + 4), { type: 'still', segmentId: 'eyes/on' }),
    ]
    expect(
      liveAt(plan, reduceRun(plan, still), atPlanned(placed('eyes/on').endS + 30)).hands?.segment
        .id,
    ).toBe('eyes/on')
  })
  test('two dwells run at once, each with its own clock', () => {
    const take = (n: number, segmentId: string) => {
      const { startS, endS } = placed(segmentId)
      return [
        event(n, atPlanned(startS), { type: 'started', segmentId }),
        event(n + 1, atPlanned(endS), { type: 'finished', segmentId }),
      ]
    }
    const events = [...started, ...take(10, 'enzyme/off')]
    const lips = placed('lips/dwell')
    const live = liveAt(plan, reduceRun(plan, events), atPlanned(lips.startS + 60))
    expect(live.layers.map((layer) => layer.stepId).sort()).toEqual(['kelp', 'lips'])
    expect(live.layers.find((layer) => layer.stepId === 'lips')!.dueMs).toBe(atPlanned(lips.endS))
  })
  test('the whole run, every removal said, ends when it was planned', () => {
    const removals = plan.segments
      .filter((segment) => segment.kind === 'remove')
      .flatMap((segment, n) => [
        event(100 + 2 * n, atPlanned(segment.startS), { type: 'started', segmentId: segment.id }),
        event(101 + 2 * n, atPlanned(segment.endS), { type: 'finished', segmentId: segment.id }),
      ])
    const live = liveAt(
      plan,
      reduceRun(plan, [...started, ...removals]),
      atPlanned(plan.totalS + 1),
    )
    expect(live.allDone).toBe(true)
    expect(live.finishMs).toBe(atPlanned(plan.totalS))
  })
})
