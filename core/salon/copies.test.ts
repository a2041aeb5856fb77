import { describe, expect, test } from 'vitest'
import { isCopyDue, isCopyOld } from './copies'

const at = (text: string) => new Date(text)
const NEVER = { lastOk: null, lastTry: null }
const at3 = { daily: true, hour: 3 }
const made = (text: string) => ({ lastOk: at(text), lastTry: at(text) })

describe('a copy is due', () => {
  test.each([
    ['never made', NEVER, '2026-11-29T12:00:00Z', true],
    ['made this night', made('2026-11-29T03:05:00Z'), '2026-11-29T12:00:00Z', false],
    ['made yesterday, before three', made('2026-11-28T03:05:00Z'), '2026-11-29T02:59:00Z', false],
    ['made yesterday, three is past', made('2026-11-28T03:05:00Z'), '2026-11-29T03:01:00Z', true],
    ['made by hand last evening', made('2026-11-28T22:00:00Z'), '2026-11-29T03:01:00Z', true],
    [
      'the house slept through the night',
      made('2026-11-26T03:05:00Z'),
      '2026-11-29T08:30:00Z',
      true,
    ],
  ])('%s', (_, standing, now, isDue) => {
    expect(isCopyDue(at3, standing, at(now), 'UTC')).toBe(isDue)
  })
  test('one that failed is tried again an hour later', () => {
    const failed = { lastOk: at('2026-11-28T03:05:00Z'), lastTry: at('2026-11-29T03:05:00Z') }
    expect(isCopyDue(at3, failed, at('2026-11-29T03:50:00Z'), 'UTC')).toBe(false)
    expect(isCopyDue(at3, failed, at('2026-11-29T04:06:00Z'), 'UTC')).toBe(true)
  })
  test('by the salon’s own clock, and never where none is wanted', () => {
    // Three in the morning in Auckland (UTC+13 in summer) is 14:00 the day before in Greenwich.
    const before = made('2026-11-28T13:00:00Z')
    expect(isCopyDue(at3, before, at('2026-11-28T13:59:00Z'), 'Pacific/Auckland')).toBe(false)
    expect(isCopyDue(at3, before, at('2026-11-28T14:01:00Z'), 'Pacific/Auckland')).toBe(true)
    expect(isCopyDue({ daily: false, hour: 3 }, NEVER, at('2026-11-29T12:00:00Z'), 'UTC')).toBe(
      false,
    )
  })
})

test('two days after the newest one, or the beginning, it is told', () => {
  const begun = at('2026-11-01T09:00:00Z')
  expect(isCopyOld(null, begun, at('2026-11-03T08:00:00Z'))).toBe(false)
  expect(isCopyOld(null, begun, at('2026-11-03T10:00:00Z'))).toBe(true)
  expect(isCopyOld(at('2026-11-20T03:00:00Z'), begun, at('2026-11-22T02:00:00Z'))).toBe(false)
  expect(isCopyOld(at('2026-11-20T03:00:00Z'), begun, at('2026-11-22T04:00:00Z'))).toBe(true)
})
