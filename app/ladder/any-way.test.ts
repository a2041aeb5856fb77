import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CARDS } from '~~/tests/fixtures'
import { runs } from '~~/tests/runs'
import { input } from '~~/tests/situations'
import { event, START } from '~~/tests/under-way'
import { compile, hasLadder, type FittedPlan } from '#core/adapt'
import { isPaused, liveAt, reduceRun, skippable, type RunBody, type RunEvent } from '#core/perform'
import { primaryOf } from './perform-words'

// A run walked at random: whatever was tapped, taken back, left out, paused or said twice, everything that went on comes off, and the visit ends.

const plans = CARDS.map((protocol) => compile(input({ protocol, slotMinutes: 240 }))).filter(
  hasLadder,
)

const ACTIONS = [
  'tap',
  'undo',
  'still',
  'leave out',
  'pause',
  'go on',
  'not yet',
  'once more',
  'twice',
] as const
type Action = (typeof ACTIONS)[number]
/** None of these is a word that something came off, or that it never went on. */
const TAKES_NOTHING_OFF: ReadonlySet<Action> = new Set([
  'leave out',
  'pause',
  'go on',
  'not yet',
  'once more',
  'twice',
])
const walks = fc.record({
  card: fc.nat(plans.length - 1),
  steps: fc.array(
    fc.record({ action: fc.constantFrom(...ACTIONS), waitS: fc.integer({ min: 1, max: 400 }) }),
    { minLength: 30, maxLength: 50 },
  ),
})

class Walk {
  readonly events: RunEvent[] = [event(1, 0, { type: 'start' })]
  second = 0
  constructor(readonly plan: FittedPlan) {}

  get state() {
    return reduceRun(this.plan, this.events)
  }
  get live() {
    return liveAt(this.plan, this.state, START + this.second * 1000)
  }
  get target() {
    return primaryOf(this.plan, this.live, true, START + this.second * 1000)
  }
  say(body: RunBody) {
    this.events.push(event(10 + this.events.length, this.second, body))
  }

  readonly doing: Readonly<Record<Action, () => void>> = {
    tap: () => this.tap(),
    undo: () => {
      const last = this.events.findLast(({ body }) => !['start', 'retract'].includes(body.type))
      if (last) this.say({ type: 'retract', eventId: last.id })
    },
    still: () => {
      const { lastInferred } = this.live
      if (lastInferred) this.say({ type: 'still', segmentId: lastInferred.segment.id })
    },
    'leave out': () => {
      const stepId = skippable(this.live)
      const going = this.plan.steps.filter(({ id, closes }) => id === stepId || closes === stepId)
      if (stepId !== undefined)
        for (const { id } of going) this.say({ type: 'skipped', stepId: id, reason: 'No time' })
    },
    pause: () => this.say({ type: 'pause' }),
    'go on': () => this.say({ type: 'resume' }),
    'not yet': () => {
      const [layer] = this.live.layers
      if (layer) this.say({ type: 'not-yet', segmentId: layer.segmentId })
    },
    'once more': () => {
      const { hands } = this.live
      if (hands?.segment.loop) this.say({ type: 'pass', segmentId: hands.segment.id })
    },
    twice: () => this.events.push(this.events.at(-1)!),
  }

  tap() {
    const { target } = this
    if (target.kind === 'gate' || target.kind === 'done')
      this.say({ type: 'finished', segmentId: target.segmentId })
    else if ('segmentId' in target) this.say({ type: 'started', segmentId: target.segmentId })
  }
  /** From here on somebody does what is asked; gives the seconds it took, undefined where it never ended. */
  toTheEnd(): number | undefined {
    if (isPaused(this.state.pauses)) this.say({ type: 'resume' })
    const from = this.second
    for (; this.second < from + LONGEST_S; this.second += 20) {
      const { target, live } = this
      if (target.kind === 'finish') return this.second - from
      const isOver = live.hands !== undefined && live.hands.toMs <= START + this.second * 1000
      if (target.kind === 'done' ? isOver : target.kind !== 'early' && isDueFor(this)) this.tap()
    }
    return undefined
  }
}
const LONGEST_S = 4 * 3600
const isDueFor = ({ target, live }: Walk): boolean =>
  target.kind === 'off' || target.kind === 'gate' || live.touch !== undefined

/** What went on and has not come off, by the segments of its removal. */
const stillOn = ({ plan, live }: Walk): string[] => {
  const status = new Map(live.segments.map((one) => [one.segment.id, one.status]))
  const isDone = (id: string) => ['done', 'inferred'].includes(status.get(id) ?? '')
  return plan.segments
    .filter(
      (off) =>
        off.kind === 'remove' &&
        !isDone(off.id) &&
        plan.segments.some(
          (on) =>
            on.stepId === off.stepId &&
            on.kind === 'apply' &&
            on.endS <= off.startS &&
            isDone(on.id),
        ),
    )
    .map(({ id }) => id)
}

describe('a run walked at random', () => {
  test('comes to its end from everywhere, and nothing stays on', () => {
    fc.assert(
      fc.property(walks, ({ card, steps }) => {
        const walk = new Walk(plans[card]!)
        for (const { action, waitS } of steps) {
          const before = stillOn(walk)
          walk.doing[action]()
          if (TAKES_NOTHING_OFF.has(action))
            expect(stillOn(walk), action).toEqual(expect.arrayContaining(before))
          walk.second += waitS
        }
        expect(walk.toTheEnd()).toBeDefined()
        expect(stillOn(walk)).toEqual([])
      }),
      { numRuns: runs(250), seed: 81 },
    )
  })
})
