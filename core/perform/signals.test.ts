import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { input } from '../../tests/situations'
import { event, START, touchedFirst } from '../../tests/under-way'
import { compile, hasLadder, type FittedPlan, type PlacedSegment } from '../adapt'
import { liveAt, reduceRun, signalsAt, type Live, type RunEvent } from '.'

const plans = CARDS.map((protocol) => ({
  name: protocol.name,
  plan: compile(input({ protocol, slotMinutes: 240 })),
})).filter(({ plan }) => hasLadder(plan))

/** What somebody would say now who answers first touches and gates in time and takes off so many seconds late. */
function saidNow(live: Live, touched: ReadonlySet<string>, now: number, lateS: number) {
  const { hands, next } = live
  if (hands)
    return asksFor(hands.segment) && hands.toMs <= now ? ended(hands.segment.id) : undefined
  if (!next) return undefined
  if (touched.has(next.segment.id)) return next.fromMs <= now ? begun(next.segment.id) : undefined
  const layer = live.layers.find(({ removalId }) => removalId === next.segment.id)
  const isLate = !layer || now >= layer.dueMs + lateS * 1000
  return next.segment.kind === 'remove' && isLate ? begun(next.segment.id) : undefined
}
const asksFor = ({ gate, kind }: PlacedSegment) => gate !== undefined || kind === 'remove'
const begun = (segmentId: string) => ({ type: 'started' as const, segmentId })
const ended = (segmentId: string) => ({ type: 'finished' as const, segmentId })

/** Everything that is heard in a whole visit. */
function heard(plan: FittedPlan, lateS: number): string[] {
  const touched = touchedFirst(plan)
  const events: RunEvent[] = [event(1, 0, { type: 'start' })]
  const ids = new Set<string>()
  for (let second = 0; second < 4 * 3600; second += 5) {
    const now = START + second * 1000
    const live = liveAt(plan, reduceRun(plan, events), now)
    for (const { id } of signalsAt(live, now)) ids.add(id)
    if (live.allDone) return [...ids]
    const said = saidNow(live, touched, now, lateS)
    if (said) events.push(event(10 + events.length, second, said))
  }
  throw new Error('It never came to its end.')
}
const kindsOf = (ids: readonly string[], segmentId: string) =>
  ids
    .filter((id) => id.startsWith(`${segmentId}:`))
    .map((id) => id.slice(segmentId.length + 1).split(':')[0])

describe('what is to be heard', () => {
  test.each(plans)(
    '$name: every layer that comes off calls before or when it is due',
    ({ plan }) => {
      const ids = heard(plan, 5)
      for (const dwell of plan.segments.filter(({ kind }) => kind === 'dwell')) {
        const off = plan.segments.find(
          (other) => other.stepId === dwell.stepId && other.startS === dwell.endS && other.hands,
        )
        if (off?.kind !== 'remove') continue
        const acts = dwell.active || dwell.fromTouch
        expect(kindsOf(ids, dwell.id), dwell.id).toContain(acts ? 'ready' : 'due')
      }
      for (const bowl of plan.segments.filter(({ kind }) => kind === 'prepare'))
        expect(kindsOf(ids, bowl.id), bowl.id).toEqual(['mix'])
    },
  )
  test('left on for long it is past, then past its most, again every twenty seconds', () => {
    const { plan } = plans.find((one) =>
      one.plan.segments.some(({ kind, active }) => kind === 'dwell' && !active),
    )!
    const ids = heard(plan, 1800)
    const kinds = ids.map((id) => id.split(':')[1])
    expect(kinds).toContain('past')
    expect(kinds.filter((kind) => kind === 'most').length).toBeGreaterThan(5)
  })
  test('nothing is heard of a run in which nothing is asked', () => {
    const { plan } = plans[0]!
    const state = reduceRun(plan, [event(1, 0, { type: 'start' })])
    expect(signalsAt(liveAt(plan, state, START + 1000), START + 1000)).toEqual([])
  })
})
