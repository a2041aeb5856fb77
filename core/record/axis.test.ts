import fc from 'fast-check'
import { addDays, differenceInCalendarDays, format, getQuarter, parseISO } from 'date-fns'
import { describe, expect, test } from 'vitest'
import { apart, axisOf, dayHeightFor, openAtFirst, quarterOf, quartersBetween } from '.'

const iso = (day: Date) => format(day, 'yyyy-MM-dd')
const later = (from: string, days: number) => iso(addDays(parseISO(from), days))
const SIZES = { dayHeight: 3, foldedHeight: 40 }

describe('quarters', () => {
  test('as a calendar library counts them', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 20_000 }), (days) => {
        const day = later('1990-01-01', days)
        const quarter = quarterOf(day)
        expect(quarter.id).toBe(`${day.slice(0, 4)}-Q${getQuarter(parseISO(day))}`)
        expect(quarter.from <= day && day < quarter.to).toBe(true)
      }),
      { numRuns: 500 },
    )
  })
  test('five years are twenty or twenty-one, one after the other', () => {
    const quarters = quartersBetween('2021-11-30', '2026-11-30')
    expect(quarters).toHaveLength(21)
    for (const [at, { to }] of quarters.slice(0, -1).entries())
      expect(quarters[at + 1]!.from).toBe(to)
  })
})

describe('time that runs down', () => {
  const axisFor = (visits: readonly string[], open: readonly string[], to = '2026-11-30') =>
    axisOf({ from: visits[0]!, to, visits, open: new Set(open), ...SIZES })

  test('to scale in open quarters, whatever months they hold', () => {
    const axis = axisFor(['2026-07-02', '2026-11-01'], ['2026-Q3', '2026-Q4'])
    expect(axis.yOf('2026-08-01') - axis.yOf('2026-07-02')).toBeCloseTo(90)
    expect(axis.yOf('2026-10-30') - axis.yOf('2026-09-30')).toBeCloseTo(90)
    expect(axis.height).toBeCloseTo(
      3 * (1 + differenceInCalendarDays(parseISO('2026-11-30'), parseISO('2026-07-02'))),
    )
    expect(axis.months.map(({ on }) => on)).toEqual([
      '2026-08-01',
      '2026-09-01',
      '2026-10-01',
      '2026-11-01',
    ])
  })
  test('a folded quarter is one line with its visits; folded ones without a visit are one line together', () => {
    const axis = axisFor(['2024-02-03', '2024-03-01', '2026-10-01'], ['2026-Q4'])
    expect(
      axis.bands.map(({ from, to, isOpen, visits }) => [from, to, isOpen, visits.length]),
    ).toEqual([
      ['2024-01-01', '2024-04-01', false, 2],
      ['2024-04-01', '2026-10-01', false, 0],
      ['2026-10-01', '2026-12-01', true, 1],
    ])
    expect(axis.bands.slice(0, 2).map(({ top, bottom }) => bottom - top)).toEqual([40, 40])
  })
  test('time never runs back, nothing lies outside, whatever is folded', () => {
    const day = fc.integer({ min: 0, max: 2000 })
    fc.assert(
      fc.property(
        fc.uniqueArray(day, { minLength: 1, maxLength: 40 }),
        fc.infiniteStream(fc.boolean()),
        (days, folds) => {
          const visits = days.sort((a, b) => a - b).map((at) => later('2021-06-05', at))
          const to = later('2021-06-05', 2000)
          const open = quartersBetween(visits[0]!, to)
            .map(({ id }) => id)
            .filter(() => folds.next().value)
          const axis = axisFor(visits, open, to)
          const ys = [...visits, to].map(axis.yOf)
          for (const [at, y] of ys.slice(1).entries())
            expect(y).toBeGreaterThanOrEqual(ys[at]! - 1e-9)
          expect(ys[0]).toBeGreaterThanOrEqual(0)
          expect(ys.at(-1)).toBeLessThanOrEqual(axis.height + 1e-9)
          expect(axis.bands.flatMap((band) => band.visits)).toEqual(visits)
          for (const [at, { top }] of axis.bands.slice(1).entries())
            expect(top).toBe(axis.bands[at]!.bottom)
        },
      ),
      { numRuns: 400 },
    )
  })
  test('five years of weekly visits are no longer than two screens and a half', () => {
    const visits = Array.from({ length: 260 }, (_, week) => later('2021-12-03', 7 * week))
    const open = openAtFirst(visits, '2026-11-30')
    const inOpen = visits.filter((day) => open.has(quarterOf(day).id))
    const dayHeight = dayHeightFor(inOpen, { touch: 44, least: 3, most: 6.5 })
    const axis = axisOf({
      from: visits[0]!,
      to: '2026-11-30',
      visits,
      open,
      dayHeight,
      foldedHeight: 44,
    })
    expect(axis.height).toBeLessThan(2000)
    expect(axis.bands.filter(({ isOpen }) => isOpen).length).toBeLessThanOrEqual(4)
  })
  test('today’s quarter and those of the newest six visits stand open, four at the most', () => {
    expect([...openAtFirst(['2024-01-05', '2026-02-01', '2026-05-01'], '2026-11-30')]).toEqual([
      '2024-Q1',
      '2026-Q1',
      '2026-Q2',
      '2026-Q4',
    ])
    const monthly = Array.from({ length: 12 }, (_, month) => later('2025-12-05', 30 * month))
    expect(openAtFirst(monthly, '2026-11-30').size).toBeLessThanOrEqual(4)
  })
})

describe('labels stand apart', () => {
  const places = fc
    .array(fc.double({ min: 0, max: 500, noNaN: true }), { minLength: 1, maxLength: 12 })
    .map((all) => all.sort((a, b) => a - b))
  const cost = (from: readonly number[], to: readonly number[]) =>
    to.reduce((sum, place, at) => sum + (place - from[at]!) ** 2, 0)

  test('far enough, in order, and no other way moves them less', () => {
    fc.assert(
      fc.property(
        places,
        fc.array(fc.double({ min: -40, max: 40, noNaN: true })),
        (from, shakes) => {
          const to = apart(from, 44)
          for (const [at, place] of to.slice(1).entries())
            expect(place - to[at]!).toBeGreaterThanOrEqual(44 - 1e-9)
          // Another placing that keeps the gap: this one shaken, and pushed apart from above.
          const other = to.map((place, at) => place + (shakes[at % shakes.length] ?? 0))
          for (let at = 1; at < other.length; at++)
            other[at] = Math.max(other[at]!, other[at - 1]! + 44)
          expect(cost(from, to)).toBeLessThanOrEqual(cost(from, other) + 1e-6)
        },
      ),
      { numRuns: 1000 },
    )
  })
  test('what stands apart already stays', () => {
    expect(apart([0, 60, 200], 44)).toEqual([0, 60, 200])
    expect(apart([10, 10, 10], 44)).toEqual([-34, 10, 54])
  })
})
