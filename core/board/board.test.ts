import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { situationPlan } from '../../tests/board-plan'
import type { LeavingSkin } from '../climb'
import { segment } from '../protocol'
import {
  doFirst,
  factsOf,
  fitting,
  gapsOf,
  initialsOf,
  sharedDevices,
  thumbOf,
  timesOf,
  whyCall,
  writtenThumb,
  type LeftVisit,
  type Stretch,
  type Waiting,
} from '.'

const MINUTE = 60_000

describe('free gaps', () => {
  const h = (hours: number, minutes = 0) => (60 * hours + minutes) * MINUTE
  const stretch = (fromMs: number, toMs: number): Stretch => ({ fromMs, toMs })
  test('are what is open and not taken, long enough, and not past', () => {
    const open = [stretch(h(9), h(13)), stretch(h(14), h(18))]
    const taken = [
      stretch(h(10), h(11, 15)),
      stretch(h(12, 50), h(14, 30)),
      stretch(h(17, 50), h(18, 5)),
    ]
    expect(gapsOf(open, taken, 20, h(9, 30))).toEqual([
      stretch(h(9, 30), h(10)),
      stretch(h(11, 15), h(12, 50)),
      stretch(h(14, 30), h(17, 50)),
    ])
  })
  test('read a second time, minute by minute, on two thousand days', () => {
    const spans = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 600 }), fc.integer({ min: 1, max: 200 })),
      { maxLength: 7 },
    )
    fc.assert(
      fc.property(
        spans,
        spans,
        fc.integer({ min: 0, max: 600 }),
        fc.integer({ min: 1, max: 60 }),
        (a, b, from, least) => {
          // Hours do not overlap: what meets is one.
          const open: Stretch[] = []
          for (const [start, length] of a.toSorted((x, y) => x[0] - y[0])) {
            const last = open.at(-1)
            if (!last || start * MINUTE > last.toMs)
              open.push(stretch(start * MINUTE, (start + length) * MINUTE))
          }
          const taken = b.map(([start, length]) =>
            stretch(start * MINUTE, (start + length) * MINUTE),
          )
          const isIn = (list: readonly Stretch[], minute: number) =>
            list.some(({ fromMs, toMs }) => fromMs <= minute * MINUTE && minute * MINUTE < toMs)
          const isFree = (minute: number) =>
            minute >= from && isIn(open, minute) && !isIn(taken, minute)
          // A gap ends with its own opening span, also where the next begins in the same minute.
          const found = gapsOf(open, taken, 1, from * MINUTE)
          for (let minute = 0; minute < 820; minute++)
            if (isFree(minute) !== isIn(found, minute)) return false
          return gapsOf(open, taken, least, from * MINUTE).every(
            ({ fromMs, toMs }) => toMs - fromMs >= least * MINUTE,
          )
        },
      ),
      { numRuns: 2000 },
    )
  })
  test('are worth the longest card that fits with its turnover', () => {
    const cards = [30, 45, 60, 75].map((minutes) => ({ minutes }))
    expect(fitting(stretch(0, 70 * MINUTE), cards, 10).map(({ minutes }) => minutes)).toEqual([
      60, 45, 30,
    ])
    expect(fitting(stretch(0, 35 * MINUTE), cards, 10)).toEqual([])
  })
})

describe('a ladder in miniature', () => {
  test('has hands and skin where they are, and joins what touches', () => {
    const placed = (
      kind: 'prepare' | 'apply' | 'dwell' | 'remove',
      startS: number,
      endS: number,
      hands: boolean,
    ) => ({ kind, startS, endS, hands })
    const thumb = thumbOf([
      placed('prepare', -60, 30, true),
      placed('apply', 30, 100, true),
      placed('dwell', 100, 700, false),
      placed('remove', 700, 800, true),
    ])
    expect(thumb).toEqual({
      totalS: 800,
      hands: [
        { fromS: 0, toS: 100 },
        { fromS: 700, toS: 800 },
      ],
      skin: [
        { fromS: 30, toS: 100, dwells: false },
        { fromS: 100, toS: 700, dwells: true },
        { fromS: 700, toS: 800, dwells: false },
      ],
    })
  })
  test('of a written card stands one thing after another, without what hangs under a mask', () => {
    const step = (id: string, more: object = {}) => ({
      ...{
        id,
        phase: 'mask' as const,
        title: id,
        zones: [],
        properties: [],
        essential: true,
        priority: 3,
      },
      segments: [segment('on', 'apply', 2), segment('dwell', 'dwell', 10)],
      ...more,
    })
    const thumb = writtenThumb([
      step('mask'),
      step('hung', { floating: { under: 'mask' } }),
    ] as never)
    expect([thumb.totalS, thumb.skin.length]).toEqual([720, 2])
  })
})

describe('what matters of a client', () => {
  test('is at most three things, stops first, and says what is still to be asked', () => {
    const plan = situationPlan({
      stops: ['a', 'b'],
      changes: [
        ['rung', 'Acid one rung lower'],
        ['inserted', 'Soothing mask put in'],
      ],
      askFirst: ['Pregnant'],
    })
    expect(factsOf(plan)).toEqual([
      { sign: 'stop', words: 'a' },
      { sign: 'stop', words: 'b' },
      { sign: 'ask', words: 'One question to ask first' },
    ])
    expect(factsOf({ ...plan, askFirst: [] }).map(({ words }) => words)).toEqual([
      'a',
      'b',
      'Acid one rung lower',
    ])
    const wrong = { ...plan, status: 'postponed' as const, problems: ['Cold sore: not today'] }
    expect(factsOf({ ...wrong, askFirst: [] })[0]).toEqual({
      sign: 'stop',
      words: 'Cold sore: not today',
    })
  })
  test('what must not be done is said once, with its first reason', () => {
    const stops = ['No steam: rosacea', 'No steam: visible vessels', 'No pineapple']
    expect(factsOf(situationPlan({ stops, changes: [] })).map(({ words }) => words)).toEqual([
      'No steam: rosacea',
      'No pineapple',
    ])
  })
  test('what is only so because nobody asked is not told as a fact', () => {
    const plan = situationPlan({
      stops: [],
      changes: [['dropped', 'Steam left out']],
      unasked: true,
    })
    expect(factsOf(plan)).toEqual([])
  })
  test('mixing and towels have their times', () => {
    const plan = situationPlan({ stops: [], changes: [] })
    expect(timesOf(plan)).toEqual([
      { atS: 600, words: 'mix: Algae mask' },
      { atS: 1500, words: 'out of the cabinet: 2 warm towel' },
    ])
  })
})

test('a device is wanted twice where two visits want it at once, and only there', () => {
  const use = (visitId: string, deviceId: string, fromMs: number, toMs: number) => ({
    visitId,
    deviceId,
    fromMs,
    toMs,
  })
  expect(
    sharedDevices([
      use('a', 'steamer', 0, 10),
      use('b', 'steamer', 10, 20),
      use('c', 'steamer', 15, 18),
      use('d', 'lamp', 0, 30),
      use('d', 'lamp', 5, 30),
    ]),
  ).toEqual([{ deviceId: 'steamer', atMs: 15 }])
})

test('initials are of any script, and no more than three', () => {
  expect(
    ['Wren Castellane', 'Odalys Fenwick-Rao', 'élodie', '王 小明', '👩‍🎨 Ada B C', ' '].map(
      initialsOf,
    ),
  ).toEqual(['W. C.', 'O. F.', 'É.', '王. 小.', '👩‍🎨. A. B.', ''])
})

describe('who is asked how the skin is, one to three days after', () => {
  const left = { redness: 0, stinging: 0 }
  const none = { swelling: false, blisters: false, weeping: false, burn: false }
  const leaving = (seen: Partial<LeavingSkin>): LeavingSkin => ({ ...left, ...none, ...seen })
  const visit = (more: Partial<LeftVisit> = {}): LeftVisit => ({
    ...{ levers: [], leaving: null, feltMore: false, daysAgo: 2, work: [] },
    ...more,
  })
  test.each<[string, Partial<LeftVisit>, string | undefined]>([
    ['nothing calls for it', { leaving: leaving({ redness: 2, stinging: 5 }) }, undefined],
    ['nobody looked', {}, undefined],
    ['a second rung', { levers: [{ lever: 'acid', rung: 2 }] }, undefined],
    [
      'the highest of what was high',
      {
        levers: [
          { lever: 'enzyme', rung: 3 },
          { lever: 'acid', rung: 4 },
        ],
      },
      'acid strength high',
    ],
    [
      'more felt',
      { feltMore: true, levers: [{ lever: 'acid', rung: 3 }] },
      'more felt than expected',
    ],
    ['red', { leaving: leaving({ redness: 3 }) }, 'skin marked when leaving'],
    ['stinging', { leaving: leaving({ stinging: 6 }) }, 'skin marked when leaving'],
    ['a burn', { leaving: leaving({ burn: true }), feltMore: true }, 'skin marked when leaving'],
    ['a week after needling', { daysAgo: 7, work: ['needling'] }, 'a week after needling'],
    [
      'a week after what the skin answers',
      { daysAgo: 8, levers: [{ lever: 'acid', rung: 3 }] },
      'a week after acid strength high',
    ],
    [
      'not a week after what was felt',
      { daysAgo: 7, levers: [{ lever: 'current', rung: 4 }] },
      undefined,
    ],
    ['nor after a red face alone', { daysAgo: 7, leaving: leaving({ redness: 4 }) }, undefined],
    ['not all was looked at', { leaving: leaving({ redness: null, stinging: null }) }, undefined],
  ])('%s', (_, more, why) => expect(whyCall(visit(more))).toBe(why))
})

test('what is done first is in the order of what cannot wait, in whole words', () => {
  const waiting: Waiting = {
    tests: [{ clientId: 'c', who: 'Yuna', weekday: 'Wednesday' }],
    calls: [{ visitId: 'v', who: 'Ingrid', because: 'acid strength high', weekday: 'Wednesday' }],
    short: [{ productId: 'kelp', name: 'Kelp powder' }],
    twice: [{ device: 'Globes', time: '12:52' }],
    unsigned: [{ visitId: 'v', who: 'Theo', time: '09:00' }],
    doubtful: [{ visitId: 'w', who: 'Bastian' }],
    papers: [
      { name: 'Ruben', technique: 'needling', daysLeft: 0 },
      { name: 'Ruben', technique: 'blade', daysLeft: 1 },
      { name: 'Ruben', technique: 'rf', daysLeft: -3 },
    ],
    copyIsOld: true,
  }
  expect(doFirst(waiting).map(({ words }) => words)).toEqual([
    'Read Yuna’s patch test, placed Wednesday',
    'Ask Ingrid: acid strength high on Wednesday',
    'Kelp powder does not last today',
    'Globes wanted in two rooms at 12:52',
    'Theo, 09:00: consent is not signed',
    'Confirm your signature: Bastian',
    'Ruben: licence for needling ends today',
    'Ruben: licence for blade ends tomorrow',
    'Ruben: licence for radio frequency has ended',
    'No copy was made for two days',
  ])
})
