import { describe, expect, test } from 'vitest'
import { compile } from '#core/adapt'
import { CALM_ANSWER } from '#core/climb'
import type { Course } from '#core/protocol'
import { cardOf } from '../../../tests/fixtures'
import { input } from '../../../tests/situations'
import { nextVisit } from './next-visit'

const after = (protocolId: string, course?: Course, days: readonly string[] = []) => {
  const card = cardOf(protocolId)
  const visit = input({
    protocol: course ? { ...card, course } : card,
    history: days.map((on) => ({ on, protocolId, levers: [], answer: CALM_ANSWER })),
    practitioner: { scope: ['minors'], hazards: [] },
    slotMinutes: 120,
  })
  return nextVisit(visit, compile(visit), { answer: CALM_ANSWER })
}
const course: Course = { visits: 3, leastDays: 35, mostDays: 41, next: 'signature' }

describe('the next visit, told at Close', () => {
  test('a machine’s work is waited for though its step names no property', () => {
    const { earliest, usual, course: none } = after('course-peel')
    expect(earliest).toBe('2026-12-22')
    expect([usual, none]).toEqual(['2026-12-22', undefined])
  })
  test('in a course: which visit of how many, within its days', () => {
    const first = after('course-peel', course)
    expect(first.course).toEqual({ visit: 1, visits: 3, isLast: false, next: 'signature' })
    expect(first).toMatchObject({
      earliest: '2026-12-29',
      usual: '2027-01-01',
      latest: '2027-01-04',
    })
  })
  test('the last of it goes on to what follows; where nothing does, there is no rhythm to keep', () => {
    const days = ['2026-09-08', '2026-10-13']
    const last = after('course-peel', course, days)
    expect(last.course).toMatchObject({ visit: 3, isLast: true })
    expect(last.usual).toBe('2027-01-01')
    const { next: _, ...alone } = course
    expect(after('course-peel', alone, days)).toMatchObject({ usual: '2026-12-22' })
  })
})
