import { describe, expect, test } from 'vitest'
import { planFor } from '~~/tests/situations'
import { liveAt, played, reduceRun, type RunBody, type RunEvent } from '#core/perform'
import { leftOutOf, plannedAgainstActual } from './actual'
import { visitOf } from '~~/tests/person-visit'
import { cardOf } from '~~/tests/fixtures'
import { compile } from '#core/adapt'
import {
  levelWords,
  asPerformed,
  currentSteps,
  hintsFor,
  fetchWords,
  wayWords,
  plannedOf,
  primaryOf,
  movementWords,
} from './perform-words'

const plan = planFor()
const START = Date.UTC(2026, 10, 24, 8)
const placed = (id: string) => plan.segments.find((segment) => segment.id === id)!
const at = (seconds: number) => START + seconds * 1000
const event = (n: number, wallMs: number, body: RunBody): RunEvent => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  deviceId: 'a',
  seq: n,
  wallMs,
  elapsedMs: n,
  body,
})
// What acts from its first touch waits for somebody to say it.
const touched = event(2, at(placed('enzyme/on').startS), {
  type: 'started',
  segmentId: 'enzyme/on',
})
const started = [event(1, START, { type: 'start' }), touched]
const live = (seconds: number, events = started) =>
  liveAt(plan, reduceRun(plan, events), at(seconds))
const primary = (seconds: number, events = started) =>
  primaryOf(plan, live(seconds, events), true, at(seconds))
const dwell = placed('enzyme/dwell')

describe('the one thing the big target does', () => {
  test('starts the visit', () =>
    expect(primaryOf(plan, live(0, []), false, START)).toEqual({
      kind: 'start',
      words: 'Start the visit',
    }))
  test('ends hands-on work', () =>
    expect(primary(5)).toMatchObject({
      kind: 'done',
      segmentId: 'eyes/on',
      words: 'Done: Eye and lip make-up off',
    }))
  test('waits for the first touch of what acts from it', () => {
    const waiting = primary(placed('enzyme/on').startS + 60, started.slice(0, 1))
    expect(waiting).toMatchObject({
      kind: 'begin',
      segmentId: 'enzyme/on',
      words: 'First touch: Pineapple enzyme mask',
    })
  })
  test('is a hold while a layer works, and a tap once hands have been called for it', () => {
    expect(primary(dwell.endS - 31)).toMatchObject({ kind: 'early', segmentId: 'enzyme/off' })
    expect(primary(dwell.endS - 30)).toMatchObject({ kind: 'off', segmentId: 'enzyme/off' })
    const active = live(dwell.endS + 1).layers[0]!
    expect(levelWords(active, at(dwell.endS - 60))).toBeUndefined()
    expect(levelWords(active, at(dwell.endS - 10))).toContain('Get ready')
    expect(levelWords(active, at(dwell.endS))).toContain('Take it off now')
    expect(levelWords(active, active.latestMs + 5000)).toContain('0:05 past its maximum')
    expect(primary(dwell.endS)).toMatchObject({
      kind: 'off',
      segmentId: 'enzyme/off',
      words: 'Take off: Pineapple enzyme mask',
    })
  })
  test('finishes when nothing is left', () => {
    const done = plan.segments
      .filter((segment) => segment.hands)
      .flatMap((segment, n) => [
        event(10 + 2 * n, at(segment.startS), { type: 'started', segmentId: segment.id }),
        event(11 + 2 * n, at(segment.endS), { type: 'finished', segmentId: segment.id }),
      ])
    expect(primary(plan.totalS + 60, [...started, ...done])).toEqual({
      kind: 'finish',
      words: 'Finish the visit',
    })
  })
})

const stepIn = ({ steps }: typeof plan, id: string) => steps.find((step) => step.id === id)!

describe('a towel out of the cabinet', () => {
  const fetch = {
    ...{ segmentId: 'mask/off', cloth: 'warm towel', targetC: 40, readyInS: 184 },
    outMs: 1_000_000,
  }
  test.each([
    [-30_000, 'In 0:30: warm towel out of the cabinet'],
    [0, 'warm towel out of the cabinet now: ready in 3:04, 40 °C at your wrist'],
    [184_000, 'warm towel out of the cabinet now: 40 °C at your wrist'],
  ])('%i ms after it is taken out', (ms, words) =>
    expect(fetchWords(fetch, fetch.outMs + ms)).toBe(words),
  )
})

describe('how it is done', () => {
  const galvanic = compile(visitOf('Yuna Delacroix', cardOf('two-currents')))
  const pole = (id: string) => galvanic.segments.find((segment) => segment.id === `galvanic/${id}`)!
  test('a movement with its side and pressure, the way of a device with what it is set to', () => {
    const { movements } = stepIn(galvanic, 'galvanic')
    const first = played(movements!, 160, [])[0]!
    expect(movementWords(first)).toBe('throat to jaw, light, both at once')
    expect(movementWords({ ...first, side: 'second' })).toContain('the other side')
    expect(wayWords(stepIn(galvanic, 'galvanic'), pole('negative'))).toEqual([
      'slow slides, start level is the least, then by feeling',
    ])
  })
  test('mixing and taking off say nothing of strokes', () => {
    const coats = compile(visitOf('Wren Castellane', cardOf('undertow')))
    const coat = (id: string) => coats.segments.find((segment) => segment.id === `coats/${id}`)!
    expect([
      wayWords(stepIn(coats, 'coats'), coat('mix')),
      wayWords(stepIn(coats, 'coats'), coat('off')),
    ]).toEqual([[], []])
  })
})

describe('words', () => {
  test('a placed segment leads back to its step; another id to nothing', () => {
    expect(plannedOf(plan, 'kelp/mix')).toMatchObject({
      step: { id: 'kelp' },
      segment: { kind: 'prepare' },
    })
    expect(plannedOf(plan, 'nobody/mix')).toBeUndefined()
  })
  test('free hands are told what to lay out, busy ones at the end nothing', () => {
    const hints = hintsFor(plan, live(dwell.startS + 10))
    expect(hints.length).toBeGreaterThan(0)
    expect(hints.length).toBeLessThanOrEqual(3)
    expect(hints.join(' ')).toMatch(/sponge/)
  })
  test('current: what is on the hands and what works on the skin, each once', () =>
    expect(currentSteps(live(dwell.startS + 10))).toEqual(['enzyme']))
})

describe('the run drawn and told', () => {
  test('segments stand at their real times', () => {
    const early = [
      ...started,
      event(2, at(placed('eyes/on').endS - 30), { type: 'finished', segmentId: 'eyes/on' }),
    ]
    const drawn = asPerformed(live(placed('eyes/on').endS, early), START)
    expect(drawn.find((segment) => segment.id === 'eyes/on')!.endS).toBe(
      placed('eyes/on').endS - 30,
    )
    expect(drawn.every((segment) => segment.endS >= segment.startS)).toBe(true)
  })
  test('planned against actual: what took longer, what was left out, what was felt', () => {
    const events = [
      ...started,
      event(2, at(placed('eyes/on').endS + 90), { type: 'finished', segmentId: 'eyes/on' }),
      event(3, at(200), { type: 'sensation', stepId: 'eyes', sensation: 'discomfort-seen' }),
      event(4, at(210), { type: 'skipped', stepId: 'globes', reason: 'No time' }),
      event(5, at(4000), { type: 'finish' }),
    ]
    const actual = plannedAgainstActual(plan, events)
    const row = (stepId: string) => actual.rows.find((row) => row.stepId === stepId)!
    expect(row('eyes').actualS! - row('eyes').plannedS).toBeGreaterThanOrEqual(90)
    expect(row('globes')).toMatchObject({ skipped: 'No time', actualS: undefined })
    expect([actual.plannedS, actual.actualS, actual.felt]).toEqual([
      plan.totalS,
      4000,
      ['Eye and lip make-up off: discomfort seen'],
    ])
  })
  test('left out is what the run says: not what lies on the skin and was only wanted to be skipped', () => {
    const events = [
      ...started,
      event(2, at(placed('eyes/on').endS), { type: 'finished', segmentId: 'eyes/on' }),
      event(3, at(placed('eyes/on').endS + 5), {
        type: 'skipped',
        stepId: 'eyes',
        reason: 'No time',
      }),
      event(4, at(210), { type: 'skipped', stepId: 'globes', reason: 'No time' }),
    ]
    expect([...leftOutOf(plan, events)]).toEqual(['globes'])
  })
})
