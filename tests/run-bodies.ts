import fc from 'fast-check'
import type { FittedPlan } from '#core/adapt'
import type { RunBody } from '#core/perform'

const MIN = 60_000
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`

/** What is said of several tablets, of what the skin is opened with, of what is refused, and of order and pace. */
const ofSeveral: fc.Arbitrary<RunBody> = fc.oneof(
  fc.constant({ type: 'lead' as const }),
  fc.record({
    type: fc.constant('handed-over' as const),
    segmentId: fc.constantFrom('kelp/off', 'massage/on'),
  }),
  fc.record({
    type: fc.constant('cartridge' as const),
    stepId: fc.constantFrom('massage', 'kelp'),
    lot: fc.constantFrom('A 1', 'B 2'),
    depthMm: fc.constantFrom(0.2, 0.25),
  }),
  fc.record({
    type: fc.constant('refused' as const),
    stepId: fc.constantFrom('enzyme', 'kelp'),
    productId: fc.constantFrom('papaya-paste', 'kelp-set'),
    why: fc.constant('Smell'),
  }),
  fc.record({
    type: fc.constant('called' as const),
    stepId: fc.constantFrom('massage', 'kelp'),
    after: fc.constantFrom('tone', 'enzyme'),
  }),
  fc.record({
    type: fc.constant('turned' as const),
    taskId: fc.constantFrom('tools-in', 'surfaces'),
  }),
  fc.record({ type: fc.constant('slower' as const), percent: fc.constantFrom(0, 10, 30) }),
)

/** Hands rest, are with another client, come back, go on. */
const resting: fc.Arbitrary<RunBody> = fc.constantFrom(
  { type: 'pause' as const },
  { type: 'resume' as const },
  { type: 'left' as const, bell: true as const },
  { type: 'came' as const },
)

/** Anything that can be said in a run of this plan that began at `startMs`, but for a fit and a reading. */
export const anyBody = (
  plan: Pick<FittedPlan, 'segments'>,
  startMs: number,
): fc.Arbitrary<RunBody> =>
  fc.oneof(
    fc.record({
      type: fc.constantFrom('started' as const, 'finished' as const, 'still' as const),
      segmentId: fc.constantFrom(...plan.segments.map((segment) => segment.id)),
    }),
    fc.record({
      type: fc.constant('sensation' as const),
      stepId: fc.constantFrom('enzyme', 'kelp'),
      sensation: fc.constantFrom('warm' as const, 'burning' as const),
    }),
    fc.record({
      type: fc.constant('skipped' as const),
      stepId: fc.constantFrom('massage', 'kelp'),
      reason: fc.constant('no time'),
    }),
    fc.record({
      type: fc.constant('retract' as const),
      eventId: fc.integer({ min: 1, max: 12 }).map(uuid),
    }),
    fc.record({
      type: fc.constant('stroke' as const),
      segmentId: fc.constant('massage/on'),
      way: fc.constantFrom('again' as const, 'enough' as const),
    }),
    fc.record({
      type: fc.constantFrom('not-yet' as const, 'area' as const, 'pass' as const),
      segmentId: fc.constantFrom('kelp/dwell', 'extract/work', 'cleanse-2/off'),
    }),
    ofSeveral,
    fc.record({
      type: fc.constant('extracted' as const),
      stepId: fc.constant('extract'),
      outcomes: fc.dictionary(
        fc.constantFrom('a', 'b'),
        fc.constantFrom('emptied' as const, 'left' as const),
      ),
    }),
    fc.record({
      type: fc.constant('ends' as const),
      atMs: fc.integer({ min: startMs, max: startMs + 90 * MIN }),
    }),
    resting,
    fc.constant({ type: 'start' as const }),
    fc.constant({ type: 'finish' as const }),
  )
