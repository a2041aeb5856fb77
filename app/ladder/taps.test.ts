import { describe, expect, test } from 'vitest'
import { CARDS } from '~~/tests/fixtures'
import { input } from '~~/tests/situations'
import { event, START } from '~~/tests/under-way'
import { compile, hasLadder, type FittedPlan } from '#core/adapt'
import { liveAt, reduceRun, type RunBody, type RunEvent } from '#core/perform'
import { primaryOf } from './perform-words'

// Every card performed to its end through plan, reducer and the big target, with no more taps than it takes.

const TICK_S = 5
const LONGEST_S = 4 * 3600

interface Performed {
  readonly taps: number
  readonly seconds: number
  readonly done: ReadonlySet<string>
}

/** Somebody who says only what nobody can infer: first touches, what comes off and when it is off, answers at gates. */
function perform(plan: FittedPlan): Performed {
  const events: RunEvent[] = [event(1, 0, { type: 'start' })]
  const say = (second: number, body: RunBody) =>
    events.push(event(10 + events.length, second, body))
  for (let second = 0; second < LONGEST_S; second += TICK_S) {
    const now = START + second * 1000
    const live = liveAt(plan, reduceRun(plan, events), now)
    const target = primaryOf(plan, live, true, now)
    const isOver = live.hands !== undefined && live.hands.toMs <= now
    if (target.kind === 'finish')
      return { taps: events.length, seconds: second, done: endedOf(live.segments) }
    if (target.kind === 'gate') say(second, { type: 'finished', segmentId: target.segmentId })
    else if (target.kind === 'lot') {
      say(second, { type: 'cartridge', stepId: target.stepId, lot: 'N 1', depthMm: 0.25 })
      say(second, { type: 'started', segmentId: target.segmentId })
    } else if (target.kind === 'off' || (target.kind === 'begin' && live.touch))
      say(second, { type: 'started', segmentId: target.segmentId })
    else if (target.kind === 'done' && isOver)
      say(second, { type: 'finished', segmentId: target.segmentId })
  }
  throw new Error('It never came to its end.')
}
const endedOf = (segments: ReturnType<typeof liveAt>['segments']): ReadonlySet<string> =>
  new Set(
    segments
      .filter(({ status }) => status === 'done' || status === 'inferred')
      .map(({ segment }) => segment.id),
  )

const plans = CARDS.map((protocol) => ({
  name: protocol.name,
  plan: compile(input({ protocol, slotMinutes: 240 })),
})).filter(({ plan }) => hasLadder(plan))

describe('the tap budget', () => {
  test.each(plans)('$name: to its end, twenty taps in 75 minutes at the most', ({ plan }) => {
    const { taps, seconds, done } = perform(plan)
    expect(plan.segments.filter(({ id }) => !done.has(id)).map(({ id }) => id)).toEqual([])
    expect(taps).toBeLessThanOrEqual(Math.ceil((20 * Math.max(seconds, 45 * 60)) / (75 * 60)))
  })
  test('all cards of the library are among them', () => expect(plans.length).toBeGreaterThan(20))
})
