import { describe, expect, test } from 'vitest'
import { ACID, CARDS, SHELF } from '../../tests/fixtures'
import { input, readingOf } from '../../tests/situations'
import { again, event, performed, START } from '../../tests/under-way'
import { compile, hasLadder, type FittedPlan } from '../adapt'
import { SENSATIONS, type Sensation } from '../catalog'
import {
  answerSensation,
  beyondOf,
  knownOf,
  liveAt,
  reduceRun,
  touchesAt,
  type RunBody,
  type Touch,
} from '.'

const peel = {
  emergencyOff: 'neutralise then rinse' as const,
  expected: [{ sensation: 'stinging' as const, onsetS: 5, fadeS: 60, comfort: 'Fan it' }],
}
const LAYER = { kind: 'layer' as const, name: 'Peel' }
const answered = (
  sensation: Sensation,
  sinceS: number,
  more: Partial<Parameters<typeof answerSensation>[0]> = {},
) => answerSensation({ sensation, sinceS, touch: LAYER, known: peel, ...more })

describe('a sensation is answered by what it is of', () => {
  test.each([
    ['stinging', 20, 'normal', false],
    ['stinging', 60, 'normal', false],
    ['stinging', 61, 'remove', true],
    ['burning', 20, 'remove', true],
    ['itch', 20, 'lower', true],
    ['warm', 20, 'lower', false],
    ['discomfort-seen', 20, 'lower', false],
    ['hives', 1, 'emergency', true],
    ['swelling', 1, 'emergency', true],
    ['cannot-breathe', 1, 'emergency', false],
    ['panic', 1, 'remove', false],
    ['whitening', 5, 'remove', true],
  ] as const)('%s after %s s: %s, beyond: %s', (sensation, since, level, beyond) =>
    expect(answered(sensation, since)).toMatchObject({ level, beyond }),
  )
  test('strong is more than anything is expected to be', () =>
    expect(answered('stinging', 20, { strong: true })).toMatchObject({
      level: 'remove',
      beyond: true,
    }))
  test('the way off is the product’s own', () =>
    expect(answered('burning', 10).action).toContain('neutralise to the end of the foam'))
  test('unknown is answered with care: never normal, never nothing to feel', () => {
    for (const known of [undefined, { expected: [] }])
      for (const sensation of SENSATIONS) {
        const { level, says, action } = answered(sensation, 10, { known })
        expect(level).not.toBe('normal')
        expect(`${says} ${action}`).not.toMatch(/nothing to feel|undefined/)
      }
    expect(answered('warm', 10, { known: undefined }).says).toContain('Nothing is written')
  })
  test.each([
    ['device', 'One level lower'],
    ['heat', 'wrist'],
    ['leave-on', 'wipe it off damp'],
    ['came-off', 'compress'],
    ['position', 'bolster'],
  ] as const)('a %s has its own answer', (kind, words) =>
    expect(answered('itch', 100, { touch: { kind, name: 'it' } }).action).toContain(words),
  )
})

const fitted = (card: (typeof CARDS)[number]): FittedPlan =>
  compile(
    input({
      protocol: card,
      slotMinutes: 240,
      reading: readingOf(),
      practitioner: { scope: [...SCOPE], hazards: [] },
    }),
  )
const SCOPE = [
  'rf',
  'needling',
  'blade',
  'measured-infusion',
  'strong-acid',
  'high-suction',
] as const
const touching = (plan: FittedPlan, second: number): Touch[] => {
  const state = reduceRun(plan, performed(plan, second))
  const now = START + second * 1000
  return touchesAt(plan, liveAt(plan, state, now), SHELF, now)
}

describe('what touches the client', () => {
  test.each(CARDS.map((card) => [card.name, card] as const))(
    '%s: at every segment on the client there is something to report about, under its own step',
    (_, card) => {
      const plan = fitted(card)
      expect(hasLadder(plan)).toBe(true)
      const onClient = plan.segments.filter(({ kind }) => kind === 'apply' || kind === 'dwell')
      for (const one of onClient) {
        const touches = touching(plan, one.startS + 1)
        expect(
          touches.filter(({ stepId }) => stepId === one.stepId && stepId).length,
          one.id,
        ).toBeGreaterThan(0)
        expect(touches.at(-1)!.kind).toBe('position')
        // What works stands before what only lies there: one tap reports the likelier.
        const works = touches.map(({ active }) => active)
        expect(works).toEqual([...works].sort((a, b) => Number(b) - Number(a)))
        for (const touch of touches) expect(touch.name).not.toBe('')
      }
    },
  )
  test('the device in hand has its own expectation, and a leave-on stays reportable while it dries', () => {
    const kinds = new Set<string>()
    let known = 0
    for (const card of CARDS) {
      const plan = fitted(card)
      for (const one of plan.segments)
        for (const touch of touching(plan, one.startS + 2)) {
          kinds.add(touch.kind)
          if (touch.kind === 'device' && knownOf(touch, SHELF)!.expected.length > 0) known++
        }
    }
    expect([...kinds].sort()).toEqual(
      ['came-off', 'device', 'going-on', 'heat', 'layer', 'leave-on', 'position'].sort(),
    )
    expect(known).toBeGreaterThan(0)
  })
})

describe('what was beyond what is expected fits the rest again', () => {
  const given = input({ protocol: ACID, reading: readingOf(), slotMinutes: 240 })
  const plan = compile(given)
  const acid = plan.steps.find((step) =>
    step.segments.some((part) => part.kind === 'dwell' && part.active),
  )!
  const dwell = plan.segments.find(({ stepId, kind }) => stepId === acid.id && kind === 'dwell')!
  const at = dwell.startS + 20
  const sting = (more: Partial<Extract<RunBody, { type: 'sensation' }>> = {}): RunBody => ({
    type: 'sensation',
    ...{ stepId: acid.id, sensation: 'stinging', of: 'layer', beyond: true },
    ...more,
  })
  const after = (body: RunBody) => {
    const events = [...performed(plan, at), event(700, at, body)]
    const felt = beyondOf(reduceRun(plan, events))
    return { felt, next: again({ ...given, felt }, plan, events, at) }
  }

  test('nothing more that works or warms, something soothing, and what lies there comes off as before', () => {
    const { felt, next } = after(sting())
    expect(felt).toEqual([{ stepId: acid.id, because: `${acid.title}: stinging` }])
    expect(next.problems).toEqual([])
    const worked = next.steps.filter((step) => step.lever?.lever === 'acid' || step.id === acid.id)
    expect(worked.map(({ id }) => id)).toEqual([acid.id])
    const soothing = next.steps.filter(
      (step) =>
        next.steps.indexOf(step) > next.steps.findIndex(({ id }) => id === acid.id) &&
        SHELF.products
          .find(({ id }) => id === step.product?.productId)
          ?.properties.includes('calming'),
    )
    expect(soothing.length).toBeGreaterThan(0)
    expect(next.segments.some(({ id }) => id === `${acid.id}/off`)).toBe(
      plan.segments.some(({ id }) => id === `${acid.id}/off`),
    )
  })
  test('what is normal, how the client lies, and what was taken back change nothing', () => {
    const normal: RunBody = {
      type: 'sensation',
      ...{ stepId: acid.id, sensation: 'stinging', of: 'layer' },
    }
    for (const body of [sting({ of: 'position' }), normal]) expect(after(body).felt).toEqual([])
    const events = [
      event(1, 0, { type: 'start' }),
      event(2, at, sting()),
      event(3, at + 1, { type: 'retract', eventId: event(2, at, sting()).id }),
    ]
    expect(beyondOf(reduceRun(plan, events))).toEqual([])
  })
})
