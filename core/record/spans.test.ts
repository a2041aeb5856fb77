import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { lanesOf, spansOf, type Span } from '.'
import type { Fact } from '../client'

const said = (
  code: string,
  answer: Fact['answer'],
  askedOn: string,
  more: Partial<Fact> = {},
): Fact => ({ code, answer, askedOn, ...more })
const SINCE = '2026-02-01'

describe('what came and went', () => {
  test('known from the first day and holding still, it is no news', () => {
    expect(spansOf([said('melasma', 'yes', SINCE), said('pregnancy', 'no', SINCE)], SINCE)).toEqual(
      [],
    )
  })
  test('a medicine from the day it was told to the day it was stopped, told once more or not', () => {
    const taken = [
      said('medicine:doxycycline', 'yes', '2026-04-02'),
      said('medicine:doxycycline', 'yes', '2026-06-01', { on: '2026-05-20' }),
    ]
    const span = { code: 'medicine:doxycycline', from: '2026-04-02', to: '2026-05-20' }
    expect(spansOf(taken, SINCE)).toEqual([span])
    const again = said('medicine:doxycycline', 'yes', '2026-07-01', { on: '2026-05-20' })
    expect(spansOf([...taken, again], SINCE)).toEqual([span])
  })
  test('what was there before and ended is a bar without a beginning', () => {
    const facts = [said('pregnancy', 'yes', SINCE), said('pregnancy', 'no', '2026-05-05')]
    expect(spansOf(facts, SINCE)).toEqual([{ code: 'pregnancy', to: '2026-05-05' }])
  })
  test('told only after it was over, its beginning is not made up', () => {
    const facts = [said('medicine:doxycycline', 'yes', '2026-06-01', { on: '2026-05-20' })]
    expect(spansOf(facts, SINCE)).toEqual([
      { code: 'medicine:doxycycline', from: '2026-05-20', to: '2026-05-20' },
    ])
  })
  test('not known is neither an end nor a beginning; twice is two bars', () => {
    const facts = [
      said('lash-extensions', 'yes', '2026-03-01'),
      said('lash-extensions', 'unknown', '2026-03-20'),
      said('lash-extensions', 'no', '2026-04-01'),
      said('lash-extensions', 'yes', '2026-06-01'),
    ]
    expect(spansOf(facts, SINCE)).toEqual([
      { code: 'lash-extensions', from: '2026-03-01', to: '2026-04-01' },
      { code: 'lash-extensions', from: '2026-06-01' },
    ])
  })
  test('an answer that follows from a medicine is not said twice', () => {
    const facts = [
      said('medicine:doxycycline', 'yes', '2026-04-02'),
      said('photosensitiser-strong', 'yes', '2026-04-02', { note: 'By Doxycycline' }),
    ]
    expect(spansOf(facts, SINCE).map(({ code }) => code)).toEqual(['medicine:doxycycline'])
  })
  test('what was done once is a mark on its day, however often it is told', () => {
    const facts = ['2026-05-01', '2026-06-01'].map((asked) =>
      said('waxing', 'yes', asked, { on: '2026-04-28' }),
    )
    expect(spansOf(facts, SINCE)).toEqual([
      { code: 'waxing', from: '2026-04-28', to: '2026-04-28', isOnce: true },
    ])
  })
})

test('bars stand in as few lanes as may be, and never meet', () => {
  const span = fc
    .tuple(fc.integer({ min: 10, max: 60 }), fc.integer({ min: 0, max: 30 }))
    .map(([from, days]): Span => ({
      code: 'x',
      from: String(from),
      to: String(Math.min(99, from + days)),
    }))
  fc.assert(
    fc.property(fc.array(span, { maxLength: 20 }), (spans) => {
      const placed = lanesOf(spans, '99')
      const overlaps = (a: Span, b: Span) => a.from! <= b.to! && b.from! <= a.to!
      for (const [at, one] of placed.entries())
        for (const other of placed.slice(at + 1))
          if (one.lane === other.lane) expect(overlaps(one.span, other.span)).toBe(false)
      const days = Array.from({ length: 100 }, (_, day) => String(day))
      const most = Math.max(
        ...days.map((day) => spans.filter(({ from, to }) => from! <= day && day <= to!).length),
      )
      expect(Math.max(0, ...placed.map(({ lane }) => lane + 1))).toBe(most)
    }),
    { numRuns: 500 },
  )
})
