import { describe, expect, test } from 'vitest'
import { CALM, readingOf, seen } from '../../tests/situations'
import type { Property } from '../protocol'
import {
  burden,
  daysBeforeAgain,
  daysOfPoints,
  clearFirst,
  minDays,
  nextWindow,
  notMoving,
  waitingWork,
  type Done,
  type LeverUse,
  type PastVisit,
} from '.'

const doing = (
  levers: readonly LeverUse[],
  work: readonly Property[] = [],
  points?: number,
): Done => ({ levers, work, ...(points === undefined ? {} : { points }) })

// House figures of rules E01 and E11 (common practice, no source); slower with age, see the source at the figures.
describe('days between visits', () => {
  test.each([
    ['acid', 1, 25, 7],
    ['acid', 2, 25, 14],
    ['acid', 3, 25, 28],
    ['acid', 4, 25, 28],
    ['acid', 2, 45, 16],
    ['acid', 2, 65, 18],
    ['enzyme', 3, 25, 7],
    ['enzyme', 1, 65, 9],
    ['steam', 3, 65, 0],
  ] as const)('%s on rung %d at %d years: %d', (lever, rung, age, days) =>
    expect(minDays({ lever, rung }, age)).toBe(days),
  )
  test('no age counts as young; the rung never shortens the wait, nor does age', () => {
    expect(minDays({ lever: 'acid', rung: 2 })).toBe(14)
    const days = (rung: number, age: number) => minDays({ lever: 'acid', rung }, age)
    for (const age of [20, 39, 40, 59, 60, 90])
      for (const rung of [1, 2, 3]) {
        expect(days(rung + 1, age)).toBeGreaterThanOrEqual(days(rung, age))
        expect(days(rung, age + 10)).toBeGreaterThanOrEqual(days(rung, age))
      }
  })
  test.each([
    ['more days count as printed, on any rung', 4, 42, 25, 42],
    ['more than the house’s, for old skin at least the house’s', 2, 15, 65, 18],
    ['fewer count up to the second rung', 2, 10, 25, 10],
    ['never fewer than a week', 2, 3, 25, 7],
    ['and are longer with age', 2, 10, 65, 13],
    ['above that rung they do not count', 3, 7, 25, 28],
    ['where the house asks for a week, a week stays', 1, 3, 25, 7],
  ] as const)('what a maker prints: %s', (_, rung, makerDays, age, days) =>
    expect(minDays({ lever: 'acid', rung, makerDays }, age)).toBe(days),
  )
  const worked = (on: string, ...work: PastVisit['work'] & {}): PastVisit => ({
    on,
    levers: [],
    answer: CALM,
    work,
  })
  test('work that is no lever waits from its last time, not its first', () => {
    const history = [worked('2026-10-01', 'needling'), worked('2026-11-10', 'needling', 'gommage')]
    expect(
      waitingWork(history, '2026-11-24').map(({ property, on, days, left }) => [
        property,
        on,
        days,
        left,
      ]),
    ).toEqual([['needling', '2026-11-10', 28, 14]])
    expect(
      waitingWork(history, '2026-11-14')
        .map((one) => one.property)
        .sort(),
    ).toEqual(['gommage', 'needling'])
    expect(waitingWork(history, '2026-12-08')).toEqual([])
    expect(waitingWork(history, '2026-12-08', 62).map((one) => one.left)).toEqual([7])
  })
  // Rules E01 as amended: common practice, no source.
  test.each([
    [0, 0],
    [0.5, 7],
    [1, 7],
    [1.5, 14],
    [2, 14],
    [2.5, 28],
    [3, 28],
  ])('%d points: %d days', (points, days) => expect(daysOfPoints(points)).toBe(days))
  test('the points of the visit win over the rung of its acid: a mild one left on may be weekly', () => {
    const leftOn: LeverUse[] = [{ lever: 'acid', rung: 3 }]
    expect([daysBeforeAgain(doing(leftOn)), daysBeforeAgain(doing(leftOn, [], 1))]).toEqual([28, 7])
    expect(daysBeforeAgain(doing(leftOn, [], 1), 65)).toBe(9)
    expect(daysBeforeAgain(doing(leftOn, [], 2.5))).toBe(28)
  })
  test('two mild things on one zone wait as long as one stronger; mechanical, blade and needling a turnover', () => {
    const enzyme: LeverUse[] = [{ lever: 'enzyme', rung: 2 }]
    expect(daysBeforeAgain(doing(enzyme, ['scrub'], 2))).toBe(14)
    expect(daysBeforeAgain(doing(enzyme, ['scrub'], 1))).toBe(7)
    for (const property of ['mechanical', 'blade', 'needling'] as const)
      expect(daysBeforeAgain(doing([], [property], 1.5))).toBe(28)
    expect(daysBeforeAgain(doing([], ['rf'], 0))).toBe(7)
  })
  test('whatever exfoliates waits, not only the lever that was used', () => {
    const visit: PastVisit = { ...worked('2026-11-20', 'scrub'), points: 2 }
    expect(
      waitingWork([visit], '2026-11-24').map(({ property, left }) => [property, left]),
    ).toEqual([
      ['scrub', 3],
      ['exfoliating', 10],
    ])
    const older = { ...visit, on: '2026-11-01', points: 3 }
    expect(
      waitingWork([older, visit], '2026-11-24').find(({ property }) => property === 'exfoliating'),
    ).toMatchObject({ on: '2026-11-20', left: 10 })
  })
  test('the next visit: not before the strictest wait, usually after one turnover', () => {
    expect(
      nextWindow(
        '2026-11-24',
        doing([
          { lever: 'enzyme', rung: 2 },
          { lever: 'acid', rung: 2 },
        ]),
      ),
    ).toEqual({ earliest: '2026-12-08', usual: '2026-12-22' })
    expect(nextWindow('2026-11-24', doing([{ lever: 'acid', rung: 1 }], ['needling']), 61)).toEqual(
      {
        earliest: '2026-12-29',
        usual: '2026-12-29',
      },
    )
    expect(nextWindow('2026-11-24', doing([]))).toEqual({
      earliest: '2026-11-24',
      usual: '2026-12-22',
    })
  })
})

describe('what moves and what does not (E12, E08)', () => {
  const visit = (on: string, grade: number): PastVisit => ({
    on,
    levers: [],
    answer: CALM,
    findings: grade === 0 ? [] : [seen('congestion', grade, ['chin', 'nose-bridge'])],
  })
  test('burden is grade times zones, of what the concern is seen by', () => {
    expect([
      burden('clarify', [seen('congestion', 3, ['chin', 'forehead']), seen('flushing', 4)]),
      burden('calm', [seen('congestion', 3)]),
    ]).toEqual([6, 0])
  })
  test.each([
    ['four visits without less', [2, 2, 2, 2], 2, true],
    ['worse', [1, 2, 3, 3], 3, true],
    ['less today', [2, 2, 2, 2], 1, false],
    ['less in between', [2, 1, 2, 2], 2, false],
    ['only three visits', [2, 2, 2], 2, false],
    ['nothing at first', [0, 0, 0, 0], 0, false],
  ] as const)('%s', (_name, grades, today, expected) => {
    const history = grades.map((grade, at) => visit(`2026-0${at + 5}-01`, grade))
    expect(
      notMoving(
        'clarify',
        history,
        readingOf(...(today ? [seen('congestion', today, ['chin', 'nose-bridge'])] : [])),
        '2026-09-01',
      ),
    ).toBe(expected)
  })
  test('a skin that was not read today says nothing', () => {
    const history = [5, 6, 7, 8].map((month) => visit(`2026-0${month}-01`, 2))
    expect([
      notMoving('clarify', history, { done: false, findings: [] }, '2026-09-01'),
      notMoving(undefined, history, readingOf(), '2026-09-01'),
    ]).toEqual([false, false])
  })
  test('blemishes are judged after six weeks, pigment after twelve', () => {
    const spots = (kind: 'inflamed' | 'marks', step: number): PastVisit[] =>
      [0, 1, 2, 3].map((at) => ({
        on: `2026-0${6 + Math.floor((at * step) / 28)}-${String(1 + ((at * step) % 28)).padStart(2, '0')}`,
        levers: [],
        answer: CALM,
        findings: [seen(kind, 2, ['chin'])],
      }))
    const moves = (kind: 'inflamed' | 'marks', concern: 'clarify' | 'brighten', date: string) =>
      !notMoving(concern, spots(kind, 7), readingOf(seen(kind, 2, ['chin'])), date)
    expect([
      moves('inflamed', 'clarify', '2026-07-12'),
      moves('inflamed', 'clarify', '2026-07-13'),
      moves('marks', 'brighten', '2026-08-23'),
      moves('marks', 'brighten', '2026-08-24'),
    ]).toEqual([true, false, true, false])
  })
  test('inflammation is cleared before pigment', () => {
    expect([
      clearFirst('brighten', [seen('inflamed', 2)]),
      clearFirst('brighten', [seen('inflamed', 1)]),
      clearFirst('calm', [seen('inflamed', 3)]),
    ]).toEqual([true, false, false])
  })
})
