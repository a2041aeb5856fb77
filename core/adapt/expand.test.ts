import { describe, expect, test } from 'vitest'
import {
  timedByMovements,
  movementSeconds,
  unrolled,
  type Movement,
  type Segment,
  type Step,
} from '../protocol'
import { goneWith } from '../protocol/family'
import { expand, type Occasion } from './expand'
import { SHELF } from '../../tests/fixtures'

const part = (id: string, kind: Segment['kind'] = 'apply', usualS = 60): Segment => ({
  id,
  kind,
  minS: 30,
  usualS,
  maxS: 120,
})
const step = (id: string, more: Partial<Step> = {}): Step => ({
  id,
  phase: 'mask',
  title: id,
  zones: ['forehead', 'chin', 'cheek-left'],
  properties: [],
  segments: [part('on')],
  essential: false,
  priority: 3,
  ...more,
})
const occasion = (more: Partial<Occasion> = {}): Occasion => ({
  goals: ['calm'],
  daytime: true,
  firstVisit: false,
  shelf: SHELF,
  ...more,
})
const ids = (steps: readonly Step[]) => steps.map((step) => step.id)

describe('conditions', () => {
  test.each([
    ['day', { time: 'day' as const }, {}, true],
    ['day, in the evening', { time: 'day' as const }, { daytime: false }, false],
    ['evening', { time: 'evening' as const }, { daytime: false }, true],
    ['first visit', { visit: 'first' as const }, { firstVisit: true }, true],
    ['first, later', { visit: 'first' as const }, {}, false],
    ['goal named', { goal: 'calm' as const }, {}, true],
    ['goal not named', { goal: 'firm' as const }, {}, false],
    ['both hold', { time: 'day' as const, goal: 'calm' as const }, {}, true],
    ['one fails', { time: 'day' as const, goal: 'firm' as const }, {}, false],
  ])('%s', (_name, when, more, stays) =>
    expect(ids(expand([step('a', { when }), step('b')], occasion(more)).steps)).toEqual(
      stays ? ['a', 'b'] : ['b'],
    ),
  )
  test('groups go together, and closures with their cause; each is said', () => {
    const steps = [
      step('a', { when: { goal: 'firm' }, group: 'g' }),
      step('b', { group: 'g' }),
      step('c', { closes: 'b' }),
      step('d'),
    ]
    const { steps: left, changes } = expand(steps, occasion())
    expect(ids(left)).toEqual(['d'])
    expect(changes.map((change) => change.what)).toEqual(['a left out', 'b left out', 'c left out'])
    expect([...goneWith(steps, new Set(['d']))]).toEqual(['d'])
  })
})

describe('choice slots', () => {
  const clay = { productId: 'clay-mask', useId: 'mask' }
  const oat = { productId: 'oat-mask', useId: 'mask' }
  const slot = (several: boolean) =>
    step('mask', {
      product: oat,
      choice: {
        several,
        options: [
          { concern: 'calm', pick: oat, zones: ['cheek-left'] },
          { concern: 'clarify', pick: clay, zones: ['forehead', 'chin'] },
        ],
      },
    })
  test('the highest goal decides; the others stand behind it', () => {
    const [chosen] = expand([slot(false)], occasion({ goals: ['clarify', 'calm'] })).steps
    expect(chosen).toMatchObject({
      product: clay,
      concern: 'clarify',
      otherPicks: [oat],
      title: 'White Clay Mask',
    })
    expect(chosen!.choice).toBeUndefined()
  })
  test('nobody wants any of them: as written, and nothing is said', () => {
    const { steps, changes } = expand([slot(false)], occasion({ goals: ['firm'] }))
    expect(steps[0]).toMatchObject({ product: oat, concern: 'calm' })
    expect(changes).toEqual([])
  })
  test('several side by side: each on its own zones, nothing twice, nothing left bare', () => {
    const { steps, changes } = expand([slot(true)], occasion({ goals: ['clarify', 'calm'] }))
    expect(steps.map((step) => [step.id, step.product!.productId, step.zones])).toEqual([
      ['mask', 'clay-mask', ['forehead', 'chin']],
      ['mask.2', 'oat-mask', ['cheek-left']],
    ])
    expect(changes[0]).toMatchObject({ kind: 'chosen' })
  })
  test('expanding twice is expanding once', () => {
    const once = expand([slot(true)], occasion({ goals: ['clarify', 'calm'] })).steps
    expect(expand(once, occasion({ goals: ['clarify', 'calm'] })).steps).toEqual(once)
  })
})

describe('loops', () => {
  test('a step that is done again is written out, and the last asks for its sign', () => {
    const made = unrolled(
      step('clean', {
        segments: [part('mix', 'prepare'), part('foam'), part('off', 'remove')],
        repeat: { usual: 2, max: 4, sign: 'the brush stays white' },
      }),
    )
    expect(made.segments.map((part) => part.id)).toEqual(['mix', 'foam', 'off', 'foam.2', 'off.2'])
    expect(made.segments.at(-1)!.end).toEqual({
      by: 'repeat',
      sign: 'the brush stays white',
      usualCount: 1,
      maxCount: 3,
    })
    expect(made.repeat).toBeUndefined()
  })
  test('a removal that is usually done twice counts twice', () => {
    const made = unrolled(
      step('wash', {
        segments: [
          part('on'),
          {
            ...part('off', 'remove'),
            end: { by: 'repeat', sign: 'clean', usualCount: 2, maxCount: 3 },
          },
        ],
      }),
    )
    expect(made.segments.map((part) => [part.id, part.end?.maxCount])).toEqual([
      ['on', undefined],
      ['off', undefined],
      ['off.2', 2],
    ])
    expect(unrolled(made)).toEqual(made)
  })
})

describe('movements: time is computed', () => {
  const stroke = (more: Partial<Movement> = {}): Movement => ({
    id: 'm',
    path: 'chin-earlobe',
    type: 'effleurage',
    repetitions: 6,
    pressure: 'light',
    secondsEach: 4,
    sides: 'both at once',
    with: 'hands',
    ...more,
  })
  test.each([
    ['both at once', {}, 24],
    ['the same on the other side', { sides: 'each' as const }, 48],
    [
      'on the middle line there is no other side',
      { sides: 'each' as const, path: 'lip-line' as const },
      24,
    ],
    [
      'a point pressed three times',
      {
        type: 'press and hold' as const,
        repetitions: 3,
        secondsEach: 5,
        path: 'temple-point' as const,
      },
      15,
    ],
  ])('%s', (_name, more, seconds) => expect(movementSeconds(stroke(more))).toBe(seconds))
  test('the hands-on minutes of a massage are the sum; with two polarities each half has the whole list', () => {
    const massage = timedByMovements(
      step('m', {
        segments: [part('work'), part('off', 'remove')],
        movements: [stroke(), stroke({ id: 'n', sides: 'each' })],
      }),
    )
    expect(massage.segments.map((part) => part.usualS)).toEqual([72, 60])
    const halves = timedByMovements(
      step('g', {
        segments: [
          { ...part('neg'), polarity: 'negative' },
          { ...part('pos'), polarity: 'positive' },
        ],
        movements: [stroke()],
      }),
    )
    expect(halves.segments.map((part) => part.usualS)).toEqual([24, 24])
  })
})
