import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { client, input, planFor, protocolOf, readingOf, seen, yes } from '../../tests/situations'
import { CARDS } from '../../tests/fixtures'
import { compile } from '../adapt'
import { reduceRun, type RunBody, type RunEvent } from '../perform'
import { segment, type Step } from '../protocol'
import { chances, logMeanOf, NO_PACE, paceOf, retimer, spreadOf } from '.'

const step = (
  id: string,
  phase: Step['phase'],
  segments: Step['segments'],
  more: Partial<Step> = {},
): Step => ({
  id,
  phase,
  title: id,
  zones: ['forehead'],
  properties: [],
  essential: true,
  priority: 3,
  segments,
  ...more,
})
const plain = (...steps: Step[]) => planFor({ protocol: protocolOf(...steps), daytime: false })
const ones = (plan: { steps: readonly unknown[] }) => new Float64Array(plan.steps.length).fill(1)

/** Φ by the series of Abramowitz & Stegun 26.2.17 (error below 7.5e-8; coefficients from memory), in place of a library. */
function phi(x: number): number {
  if (x < 0) return 1 - phi(-x)
  const t = 1 / (1 + 0.2316419 * x)
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return 1 - (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly
}
test('Φ against a table: 0, 1, 1.96', () =>
  expect([phi(0), phi(1), phi(1.96)].map((one) => one.toFixed(4))).toEqual([
    '0.5000',
    '0.8413',
    '0.9750',
  ]))

describe('a ladder timed again', () => {
  test('with every factor 1 it is the plan’s own total, for every protocol and several clients', () => {
    const situations = [
      {},
      { client: client([yes('pregnancy')]) },
      { reading: readingOf(seen('congestion'), seen('patchy-pigment')) },
      { client: client([yes('diabetes'), yes('facial-hair')]), slotMinutes: 60 },
    ]
    for (const protocol of CARDS) {
      for (const situation of situations) {
        const plan = compile(input({ ...situation, protocol }))
        expect([protocol.name, retimer(plan).totalS(ones(plan))]).toEqual([
          protocol.name,
          plan.totalS,
        ])
      }
    }
  })
  test('slower hands never make a shorter visit', () => {
    const plan = planFor()
    const { totalS } = retimer(plan)
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 2, noNaN: true }), {
          minLength: plan.steps.length,
          maxLength: plan.steps.length,
        }),
        fc.nat(plan.steps.length - 1),
        (factors, at) => {
          expect(
            totalS(factors.map((factor, index) => (index === at ? factor * 1.3 : factor))),
          ).toBeGreaterThanOrEqual(totalS(factors) - 1e-9)
        },
      ),
    )
  })
})

describe('the chance of running over', () => {
  // 10 000 runs: three standard errors of a share are at most 1.5 %.
  const NEAR = 0.015
  const one = plain(step('work', 'massage', [segment('on', 'apply', 20)]))
  const fixed = one.totalS - 1200
  const sigma = 0.2
  test.each([[1100], [1200], [1300], [1500]])(
    'one step: the log-normal’s own distribution, slot %d s',
    (slot) => {
      const got = chances({
        plan: one,
        slotS: slot + fixed,
        seed: 7,
        spread: (kind) => (kind === 'massage' ? sigma : 0),
        common: 0,
      })
      expect(got.over).toBeCloseTo(1 - phi(Math.log(slot / 1200) / sigma), 1)
      expect(Math.abs(got.over - (1 - phi(Math.log(slot / 1200) / sigma)))).toBeLessThan(NEAR)
      expect(Math.abs(got.p50S - fixed - 1200)).toBeLessThan(12)
      expect(Math.abs(got.p90S - fixed - 1200 * Math.exp(1.2816 * sigma))).toBeLessThan(20)
    },
  )
  test('what a visit shares moves all steps together: log-normal of the whole', () => {
    const many = plain(
      ...Array.from({ length: 8 }, (_, at) =>
        step(`w${at}`, 'massage', [segment('on', 'apply', 5)]),
      ),
    )
    const got = chances({
      plan: many,
      slotS: many.totalS * 1.1,
      seed: 3,
      spread: () => 0,
      common: 0.1,
    })
    expect(Math.abs(got.over - (1 - phi(Math.log(1.1) / 0.1)))).toBeLessThan(NEAR)
    // Independent steps with the same spread each would hide most of it.
    expect(
      chances({ plan: many, slotS: many.totalS * 1.1, seed: 3, spread: () => 0.1, common: 0 }).over,
    ).toBeLessThan(got.over / 3)
  })
  test('hands that are free under a dwell take lateness up: nothing runs over until the dwell is full', () => {
    const dwell = plain(
      step('mask', 'mask', [
        segment('on', 'apply', 2),
        segment('dwell', 'dwell', [10, 10, 25], { admits: ['scalp', 'hands'] }),
        segment('off', 'remove', 2),
      ]),
      step('scalp', 'enhancement', [segment('rub', 'apply', 5)], {
        zones: ['scalp'],
        floating: { needs: 'scalp' },
      }),
    )
    const [mask, scalp] = ['mask/dwell', 'scalp/rub'].map((id) =>
      dwell.segments.find((part) => part.id === id)!,
    )
    expect(scalp!.startS >= mask!.startS && scalp!.endS + 60 < mask!.endS).toBe(true)
    const got = chances({
      plan: dwell,
      slotS: dwell.totalS,
      seed: 5,
      spread: (kind) => (kind === 'enhancement' ? 0.1 : 0),
      common: 0,
    })
    expect(got.over).toBe(0)
  })
  test('the same seed gives the same figures; another seed nearly; a longer slot and quicker hands never more', () => {
    const plan = planFor()
    const run = (more: Partial<Parameters<typeof chances>[0]> = {}) =>
      chances({ plan, slotS: plan.totalS + 120, seed: 1, ...more })
    expect(run()).toEqual(run())
    expect(Math.abs(run({ seed: 2 }).over - run().over)).toBeLessThan(0.03)
    expect(run({ slotS: plan.totalS + 600 }).over).toBeLessThanOrEqual(run().over)
    const slow = { kinds: { massage: { n: 100, meanLog: 0.2 } } }
    expect(run({ pace: slow }).over).toBeGreaterThan(run().over)
    expect(run().p90S).toBeGreaterThan(run().p50S)
  })
  test('the driver is the step that varies most', () => {
    const plan = plain(
      step('long', 'extract', [segment('on', 'apply', 15)]),
      step('short', 'serum', [segment('on', 'apply', 1)]),
    )
    expect(chances({ plan, slotS: plan.totalS, seed: 1 }).drivers[0]).toMatchObject({
      stepId: 'long',
    })
    expect(
      chances({ plan, slotS: plan.totalS, seed: 1, common: 0 }).drivers.map((one_) => one_.stepId),
    ).toEqual(['long'])
  })
})

describe('a practitioner’s pace', () => {
  test('shrinks towards the plan: nothing seen counts nothing, five visits half', () => {
    expect(
      [
        logMeanOf(NO_PACE, 'massage'),
        logMeanOf({ kinds: { massage: { n: 5, meanLog: 0.2 } } }, 'massage'),
        logMeanOf({ kinds: { massage: { n: 45, meanLog: 0.2 } } }, 'massage'),
      ].map((value) => Number(value.toFixed(6))),
    ).toEqual([0, 0.1, 0.18])
    expect(spreadOf('extract')).toBeGreaterThan(spreadOf('serum'))
  })
  test('is read from what somebody said had ended, not from what the clock inferred', () => {
    const plan = plain(
      step('a', 'massage', [segment('on', 'apply', 10)]),
      step('b', 'serum', [segment('on', 'apply', 2)]),
    )
    const event = (n: number, second: number, body: RunBody): RunEvent => ({
      id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
      deviceId: 'd',
      seq: n,
      wallMs: second * 1000,
      elapsedMs: second * 1000,
      body,
    })
    const first = plan.segments.filter((part) => part.hands && part.stepId === 'a')[0]!
    const started = first.startS
    const events = [
      event(1, 0, { type: 'start' }),
      event(2, started + 720, { type: 'finished', segmentId: first.id }),
      event(3, started + 2000, { type: 'finish' }),
    ]
    expect(reduceRun(plan, events).startedMs).toBe(0)
    const { kinds } = paceOf([{ plan, events }])
    expect(kinds.massage).toMatchObject({ n: 1, meanLog: expect.closeTo(Math.log(1.2), 6) })
    expect(kinds.serum).toBeUndefined()
  })
})
