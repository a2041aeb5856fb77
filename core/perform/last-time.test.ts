import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CARDS, cardOf } from '../../tests/fixtures'
import { input, readingOf } from '../../tests/situations'
import { event, performed } from '../../tests/under-way'
import { compile, type FittedPlan } from '../adapt'
import { feltWords, lastTime, type RunBody, type RunEvent } from '.'

const planOf = (id: string) => compile(input({ protocol: cardOf(id), slotMinutes: 240 }))
/** A visit as it went to its end, with more said on the way. */
const gone = (plan: FittedPlan, ...said: readonly (readonly [second: number, body: RunBody])[]) => [
  ...performed(plan, plan.totalS),
  ...said.map(([second, body], n) => event(900 + n, second, body)),
  event(999, plan.totalS, { type: 'finish' }),
]
const told = (plan: FittedPlan, events: readonly RunEvent[]) => lastTime(plan, events)
const brightening = planOf('brightening')
const enzyme = brightening.steps.find(({ levers }) =>
  levers?.some(({ lever }) => lever === 'enzyme'),
)!
const touchesS = (plan: FittedPlan, stepId: string) =>
  Math.min(
    ...plan.segments
      .filter((part) => part.stepId === stepId && part.kind !== 'prepare')
      .map(({ startS }) => startS),
  )
const stings = (stepId: string, more: object = {}): RunBody => ({
  ...{ type: 'sensation', stepId, sensation: 'stinging' },
  ...more,
})

describe('a visit as the next one wants to know it', () => {
  test('what was felt, of which product, and how long after it first touched', () => {
    const at = touchesS(brightening, enzyme.id) + 120
    const { felt } = told(brightening, gone(brightening, [at, stings(enzyme.id, { beyond: true })]))
    const { title, product } = enzyme
    expect(felt).toEqual([
      { title, thingId: product!.productId, sensation: 'stinging', atS: 120, beyond: true },
    ])
    expect(feltWords(felt[0]!)).toBe('stinging at 2 min, more than expected')
  })
  test('a first touch that was said counts, also where what came before it never was', () => {
    const unread = compile(
      input({
        protocol: cardOf('brightening'),
        slotMinutes: 240,
        reading: { ...readingOf(), done: false },
      }),
    )
    const on = unread.segments.find(({ stepId, kind }) => stepId === enzyme.id && kind === 'apply')!
    const events = [
      event(1, 0, { type: 'start' }),
      event(2, on.startS, { type: 'started', segmentId: on.id }),
      event(3, on.startS + 90, stings(enzyme.id)),
      event(4, on.startS + 600, { type: 'finish' }),
    ]
    expect(told(unread, events).felt[0]!.atS).toBe(90)
  })
  test('how somebody lies is of no product; seconds are told as seconds', () => {
    const at = touchesS(brightening, enzyme.id) + 40
    const { felt } = told(
      brightening,
      gone(brightening, [at, stings(enzyme.id, { of: 'position', strong: true })]),
    )
    expect(felt[0]).not.toHaveProperty('thingId')
    expect(feltWords(felt[0]!)).toBe('stinging at 40 s, strong')
  })
  test('what was left out, with why; what was taken back is as if it had not been said', () => {
    const scalp = brightening.steps.at(-2)!
    const skip: RunBody = { type: 'skipped', stepId: scalp.id, reason: 'Event this evening' }
    const events = gone(brightening, [1, skip])
    expect(told(brightening, events).leftOut).toEqual([
      { title: scalp.title, why: 'Event this evening' },
    ])
    const back = event(950, 2, { type: 'retract', eventId: events.at(-2)!.id })
    expect(told(brightening, [...events, back]).leftOut).toEqual([])
  })
  test('passes that were repeated, never more than there may be', () => {
    const grain = planOf('grain')
    const loop = grain.segments.find((part) => part.loop !== undefined)!
    const title = grain.steps.find(({ id }) => id === loop.stepId)!.title
    const pass: RunBody = { type: 'pass', segmentId: loop.id }
    const said = (times: number) =>
      Array.from({ length: times }, (_, n) => [loop.startS + n, pass] as const)
    expect(told(grain, gone(grain)).passes).toEqual([])
    expect(told(grain, gone(grain, ...said(1))).passes).toEqual([{ title, passes: 2 }])
    expect(told(grain, gone(grain, ...said(9))).passes).toEqual([
      { title, passes: loop.loop!.most },
    ])
  })
  test('a level that was set otherwise, with why', () => {
    const set: RunBody = {
      ...{ type: 'set', stepId: enzyme.id, deviceId: 'any', setting: 'level' },
      ...{ value: 2, why: 'too strong' },
    }
    const { title } = enzyme
    expect(told(brightening, gone(brightening, [9, set])).levels).toEqual([
      { title, deviceId: 'any', setting: 'level', value: 2, why: 'too strong' },
    ])
  })
  test('an uneventful visit leaves nothing to be told', () =>
    expect(told(brightening, gone(brightening))).toEqual({
      ...{ felt: [], leftOut: [], passes: [], levels: [] },
    }))
})

test('on every card: whatever is felt at whatever step has its words, its title and a time within the visit', () => {
  for (const { protocolId } of CARDS) {
    const plan = planOf(protocolId)
    const step = fc.constantFrom(...plan.steps)
    const second = fc.integer({ min: 0, max: plan.totalS })
    fc.assert(
      fc.property(step, second, ({ id, title }, atS) => {
        const { felt } = told(plan, gone(plan, [atS, stings(id)]))
        expect(felt).toHaveLength(1)
        expect(felt[0]!.title).toBe(title)
        expect(felt[0]!.atS).toBeGreaterThanOrEqual(0)
        expect(felt[0]!.atS).toBeLessThanOrEqual(plan.totalS)
        expect(feltWords(felt[0]!)).toMatch(/^stinging at [\d½]+ (?:s|min)$/)
      }),
      { numRuns: 12 },
    )
  }
})
