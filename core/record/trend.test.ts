import fc from 'fast-check'
import { TheilSenRegression } from 'ml-regression-theil-sen'
import { describe, expect, test } from 'vitest'
import { slopeInterval, theilSen, trendOf, trendWords, type Point } from '.'
import { CHEEKS, type Finding, type ZoneId } from '../skin'

const at = (values: readonly number[]): Point[] => values.map((value, visit) => [visit, value])
const pigment = (grade: number, ...zones: ZoneId[]): Finding[] =>
  grade === 0 ? [] : [{ kind: 'patchy-pigment', grade, zones }]
const days = (visit: number) => `2026-0${1 + visit}-10`
const read = (grades: readonly number[], light = 'lamp, 1 m') =>
  grades.map((grade, visit) => ({
    on: days(visit),
    findings: pigment(grade, ...CHEEKS),
    light,
  }))

describe('Theil–Sen', () => {
  test('rain by cloud seeding, five years: −0.05625', () => {
    // Hollander & Wolfe, Nonparametric Statistical Methods, example 9.1 (value from memory).
    const ratios = [1.26, 1.27, 1.12, 1.16, 1.03]
    expect(theilSen(at(ratios))).toBeCloseTo(-0.05625, 10)
  })
  test('the slope of a reference library, over random points, equal x among them', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 4 }))
    fc.assert(
      fc.property(fc.array(point, { minLength: 4, maxLength: 14 }), (points) => {
        fc.pre(new Set(points.map(([x]) => x)).size > 1)
        const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)]
        // Of an even count the library takes the lower of the middle two, and turned over the upper.
        const { slope: lower } = new TheilSenRegression(xs, ys)
        const { slope: turned } = new TheilSenRegression(
          xs,
          ys.map((y) => -y),
        )
        expect(theilSen(points)).toBeCloseTo((lower - turned) / 2, 10)
      }),
      { numRuns: 3000 },
    )
  })
  test('one visit has no slope; one outlier in seven does not turn it', () => {
    expect(theilSen([[0, 3]])).toBeUndefined()
    expect(theilSen(at([4, 3.5, 3, 9, 2, 1.5, 1]))).toBeCloseTo(-0.5)
  })
})

describe('the interval of the slope', () => {
  /** Every resample there is, each as likely as another: what drawing approaches. */
  function exact(points: readonly Point[]) {
    let drawn: Point[][] = [[]]
    for (const _ of points) drawn = drawn.flatMap((so) => points.map((point) => [...so, point]))
    const slopes = drawn.flatMap((one) => theilSen(one) ?? []).sort((a, b) => a - b)
    const place = (share: number) => slopes[Math.round((slopes.length - 1) * share)]!
    return { around: (share: number) => [place(share - 0.012), place(share + 0.012)] as const }
  }
  test.each([
    [[3, 3, 2, 1]],
    [[3, 3, 3, 2, 2]],
    [[4, 3, 3, 2, 1]],
    [[1, 2, 1, 2, 3]],
    [[2.5, 2, 2.25, 1.5, 1.25]],
  ])('drawn, it is that of all resamples: %j', (values) => {
    const points = at(values)
    const { low, high } = slopeInterval(points)
    const all = exact(points)
    const [lowest, notBelow] = all.around(0.025)
    expect(low).toBeGreaterThanOrEqual(lowest - 1e-9)
    expect(low).toBeLessThanOrEqual(notBelow + 1e-9)
    const [notAbove, highest] = all.around(0.975)
    expect(high).toBeGreaterThanOrEqual(notAbove - 1e-9)
    expect(high).toBeLessThanOrEqual(highest + 1e-9)
  })
  test('the same points give the same interval', () => {
    const points = at([3, 2, 2, 1, 1, 0])
    expect(slopeInterval(points)).toEqual(slopeInterval(points))
  })
  test.each([-0.25, 0])('it holds a true slope of %d grades a visit nine times in ten', (truth) => {
    let state = 7
    const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647
    const noise = () => random() + random() + random() - 1.5
    const RUNS = 300
    let held = 0
    for (let run = 0; run < RUNS; run++) {
      const points = Array.from({ length: 8 }, (_, x): Point => [x, 3 + truth * x + noise()])
      const { low, high } = slopeInterval(points, 400)
      if (low <= truth && truth <= high) held++
    }
    expect(held / RUNS).toBeGreaterThan(0.9)
  })
})

describe('what is said of a sign', () => {
  test('three readings cannot tell; four alike are as they were', () => {
    expect(trendWords(trendOf('pigment', read([3, 2, 1])))).toBe('cannot be told from three visits')
    expect(trendWords(trendOf('pigment', read([2, 2, 2, 2])))).toBe('as it was, in four visits')
  })
  test('a fall that all resamples see is told, with the pace and the place', () => {
    const trend = trendOf('pigment', read([3, 3, 3, 2, 2, 2, 1, 1]))
    expect(trend.moves).toBe('falls')
    expect(trend.slope!.high).toBeLessThan(0)
    expect(trendWords(trend)).toBe('falls, about one grade in three visits (cheeks)')
  })
  test('up and down is not told', () => {
    const trend = trendOf('pigment', read([2, 3, 2, 1, 3, 2]))
    expect(trendWords(trend)).toBe('cannot be told apart from chance yet')
  })
  test('it falls with the place it takes, at one grade', () => {
    const zones: ZoneId[] = ['cheek-left', 'cheek-right', 'chin', 'nose-bridge']
    const smaller = [4, 4, 3, 3, 2, 2, 1, 1].map((count, visit) => ({
      on: days(visit),
      findings: pigment(2, ...zones.slice(0, count)),
    }))
    expect(trendOf('pigment', smaller).moves).toBe('falls')
  })
  test('readings in another light are not held against those of now', () => {
    const bright = read([4, 4, 4, 4], 'window, noon')
    const lamp = read([2, 2, 2, 2], ' Lamp, 1 M')
    const trend = trendOf('pigment', [...bright, ...lamp])
    expect(trend).toMatchObject({ visits: 4, moves: 'same' })
    expect(trendOf('pigment', [...bright, ...lamp.slice(2)]).moves).toBe('few')
  })
  test('what a slope says is what its ends say: turned round in time, falls becomes rises', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 4, maxLength: 8 }),
        (grades) => {
          const TURNED = {
            falls: 'rises',
            rises: 'falls',
            same: 'same',
            unclear: 'unclear',
          } as const
          const { moves, slope } = trendOf('pigment', read(grades))
          const back = trendOf('pigment', read([...grades].reverse()))
          if (slope) expect(back.slope!.perVisit).toBeCloseTo(-slope.perVisit)
          // At the edge of what can be told two drawings may differ; never may they contradict each other.
          expect([
            TURNED[moves as 'falls'],
            'unclear',
            moves === 'unclear' && back.moves,
          ]).toContain(back.moves)
        },
      ),
      { numRuns: 150 },
    )
  })
})
