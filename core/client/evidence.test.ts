import { describe, expect, test } from 'vitest'
import { dayFault, patchTestFault, readingFault } from '.'
import type { PatchTest } from './model'

const DAYS = { earliest: '1990-05-01', latest: '2026-11-25' }
const placed = (more: Partial<PatchTest> = {}): PatchTest => ({
  ...{ productId: 'p', kind: 'delayed', zone: 'ears', placedOn: '2026-11-20', result: 'waiting' },
  ...more,
})

test.each([
  ['2026-11-26', 'future'],
  ['1990-04-30', 'long_ago'],
  ['0001-01-01', 'long_ago'],
])('%s is %s', (day, code) =>
  expect(dayFault(day, 'on', DAYS)).toMatchObject({ field: 'on', code }),
)
test.each(['1990-05-01', '2026-11-25'])('%s can be', (day) =>
  expect(dayFault(day, 'on', DAYS)).toBeUndefined(),
)

// 24 to 96 hours: guideline and trade, values from memory; days are all that is kept.
describe('a delayed patch test is read from the first to the fourth day after', () => {
  test.each([
    ['2026-11-19', 'read_too_soon'],
    ['2026-11-20', 'read_too_soon'],
    ['2026-11-21', undefined],
    ['2026-11-24', undefined],
    ['2026-11-25', 'read_too_late'],
    ['2026-11-26', 'future'],
  ])('read on %s: %s', (readOn, code) =>
    expect(readingFault(placed(), readOn, DAYS)?.code).toBe(code),
  )
  test('a quick one on its own day', () => {
    const quick = placed({ kind: 'quick' })
    expect(readingFault(quick, '2026-11-20', DAYS)).toBeUndefined()
    expect(readingFault(quick, '2026-11-21', DAYS)?.code).toBe('read_too_late')
  })
})

test.each([
  [{ result: 'calm' as const }, 'half_read'],
  [{ readOn: '2026-11-22' }, 'half_read'],
  [{ placedOn: '2026-12-01' }, 'future'],
  [{ result: 'calm' as const, readOn: '2026-11-20' }, 'read_too_soon'],
  [{ result: 'calm' as const, readOn: '2026-11-22' }, undefined],
  [{}, undefined],
])('a test as it is kept: %o', (more, code) =>
  expect(patchTestFault(placed(more), DAYS)?.code).toBe(code),
)
