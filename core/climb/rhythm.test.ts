import { describe, expect, test } from 'vitest'
import { CARDS, SHELF } from '../../tests/fixtures'
import type { Course } from '../protocol'
import { subjectReader } from '../strength'
import { courseInWords, nextWindow, shortRhythm, visitOfCourse, type LeverUse } from '.'

const cardNamed = (id: string) => CARDS.find(({ protocolId }) => protocolId === id)!
const stepsOf = (id: string) => cardNamed(id).steps.map(subjectReader(SHELF))
const weekly: Course = { visits: 5, leastDays: 7, mostDays: 10 }

describe('a course against the days its own work needs (E01)', () => {
  test('weekly peels are found, by the step that needs the time, and mended by its days', () => {
    const found = shortRhythm(weekly, stepsOf('acid'))!
    // 18.2 % free by five minutes from first touch: an index above 90, three points.
    expect(found).toMatchObject({ stepId: 'peel', leastDays: 28 })
    expect(found.says).toContain('7 days apart')
    const mended = { ...weekly, leastDays: found.leastDays, mostDays: found.leastDays }
    expect(shortRhythm(mended, stepsOf('acid'))).toBeUndefined()
    const shorter = { ...weekly, leastDays: found.leastDays - 1, mostDays: 60 }
    expect(shortRhythm(shorter, stepsOf('acid'))).toBeDefined()
  })
  test('a machine counts though its card names no lever', () => {
    const bare = cardNamed('course-peel').steps.map(({ lever: _, ...step }) => step)
    expect(shortRhythm(weekly, bare.map(subjectReader(SHELF)))).toMatchObject({
      stepId: 'peel',
      leastDays: 28,
    })
  })
  test('one visit that nothing follows is too close to nothing', () => {
    const once = { visits: 1, leastDays: 1, mostDays: 1 }
    expect(shortRhythm(once, stepsOf('acid'))).toBeUndefined()
    expect(shortRhythm({ ...once, next: 'course-peel' }, stepsOf('acid'))).toBeDefined()
  })
})

describe('where in its course a visit stands', () => {
  const past = (...days: string[]) =>
    days.map((on) => ({ on, protocolId: 'acne', levers: [], answer: null }))
  const at = (on: string, ...days: string[]) => visitOfCourse(weekly, 'acne', on, past(...days))
  test('counted, and begun anew after the last', () => {
    expect(at('2026-11-24')).toBe(1)
    expect(at('2026-11-24', '2026-11-17')).toBe(2)
    const four = ['2026-10-27', '2026-11-03', '2026-11-10', '2026-11-17']
    expect(at('2026-11-24', ...four)).toBe(5)
    expect(at('2026-11-24', '2026-10-20', ...four)).toBe(1)
  })
  test('a gap of more than twelve weeks begins it anew; other cards between do not', () => {
    expect(at('2026-11-24', '2026-06-01', '2026-06-08')).toBe(1)
    expect(at('2026-11-24', '2026-06-01', '2026-11-17')).toBe(2)
    const other = { on: '2026-11-20', protocolId: 'signature', levers: [], answer: null }
    expect(visitOfCourse(weekly, 'acne', '2026-11-24', [...past('2026-11-17'), other])).toBe(2)
  })
})

describe('the window of the next visit in a course', () => {
  const enzyme: LeverUse[] = [{ lever: 'enzyme', rung: 2 }]
  const acid: LeverUse[] = [{ lever: 'acid', rung: 4 }]
  const from = '2026-11-24'
  test('the course’s own days, its middle as the usual one', () => {
    const apart = { leastDays: 10, mostDays: 14 }
    expect(nextWindow(from, { levers: enzyme, work: [] }, 25, apart)).toEqual({
      earliest: '2026-12-04',
      usual: '2026-12-06',
      latest: '2026-12-08',
    })
  })
  test('never sooner than the work allows, whatever the course asks for', () => {
    expect(nextWindow(from, { levers: acid, work: [] }, 25, weekly)).toEqual({
      earliest: '2026-12-22',
      usual: '2026-12-22',
      latest: '2026-12-22',
    })
  })
  test('in words', () => {
    expect(courseInWords(weekly)).toBe('5 visits, 7 to 10 days apart')
    expect(courseInWords({ visits: 1, leastDays: 28, mostDays: 28 })).toBe(
      'One visit, the next after 28 days',
    )
  })
})
