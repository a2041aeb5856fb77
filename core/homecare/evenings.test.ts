import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { weekOf } from './evenings'

const daysOf = (week: readonly (string | undefined)[], id: string) =>
  week.flatMap((one, day) => (one === id ? [day] : []))
const gapsOf = (days: readonly number[]) =>
  days.map((day, at) => (days[at + 1] ?? days[0]! + 7) - day).sort()

describe('the evenings of a week', () => {
  test('one thing alone is as even as a week lets it be', () => {
    const gaps = { 1: [7], 2: [3, 4], 3: [2, 2, 3], 4: [1, 2, 2, 2], 7: [1, 1, 1, 1, 1, 1, 1] }
    for (const [count, even] of Object.entries(gaps))
      expect(gapsOf(daysOf(weekOf([{ id: 'a', perWeek: Number(count) }]), 'a'))).toEqual(even)
    expect(daysOf(weekOf([{ id: 'a', perWeek: 2 }]), 'a')).toEqual([0, 3])
  })
  test('who wants every evening gives up those of the others', () => {
    const week = weekOf([
      { id: 'retinoid', perWeek: 7 },
      { id: 'acid', perWeek: 2 },
      { id: 'scrub', perWeek: 1 },
    ])
    expect([4, 2, 1]).toEqual(['retinoid', 'acid', 'scrub'].map((id) => daysOf(week, id).length))
  })
  test('against every week there is: none is more even, and nobody loses an evening they have room for', () => {
    const wanted = fc.array(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 3 })
    fc.assert(
      fc.property(wanted, (counts) => {
        const week = weekOf(counts.map((perWeek, at) => ({ id: String(at), perWeek })))
        const got = counts.map((_, at) => daysOf(week, String(at)).length)
        const total = counts.reduce((sum, one) => sum + one, 0)
        expect(got.reduce((sum, one) => sum + one, 0)).toBe(Math.min(7, total))
        for (const [at, count] of got.entries()) {
          expect(count).toBeGreaterThan(0)
          expect(count).toBeLessThanOrEqual(counts[at]!)
        }
        expect(unevenness(week, counts.length)).toBe(leastUneven(got))
      }),
      { numRuns: 150 },
    )
  })
})

const unevenness = (week: readonly (string | undefined)[], things: number): number =>
  Array.from({ length: things }, (_, at) => gapsOf(daysOf(week, String(at))))
    .flat()
    .reduce((sum, gap) => sum + gap * gap, 0)

/** The most even week with these counts, by looking at all 4^7 of them. */
function leastUneven(counts: readonly number[]): number {
  const kinds = counts.length + 1
  let least = Infinity
  for (let code = 0; code < kinds ** 7; code++) {
    const week = Array.from({ length: 7 }, (_, day) => Math.floor(code / kinds ** day) % kinds)
    if (counts.some((count, at) => week.filter((one) => one === at).length !== count)) continue
    least = Math.min(
      least,
      unevenness(
        week.map((one) => (one < counts.length ? String(one) : undefined)),
        counts.length,
      ),
    )
  }
  return least
}
