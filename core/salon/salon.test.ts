import { describe, expect, test } from 'vitest'
import {
  closedFor,
  endsSoon,
  licencesEnding,
  overlapOf,
  pinRefusal,
  spansOn,
  USUAL_WORDS,
  weekdayOf,
  wordsFault,
} from '.'
import { Opening, SalonChoices, SalonFacts } from './model'

describe('a PIN', () => {
  test.each(['123', '123456789', '12a4', '', ' 1234', '１２３４'])('%j is none', (pin) =>
    expect(pinRefusal(pin)).toBe('A PIN is four to eight digits.'),
  )
  test.each(['0000', '1234', '8901', '4321', '1212', '01234567', '99999999', '373737'])(
    '%s is among the first that are tried',
    (pin) => expect(pinRefusal(pin)).toContain('among the first'),
  )
  test.each(['2580', '19463', '7741', '1357', '90210734'])('%s is taken', (pin) =>
    expect(pinRefusal(pin)).toBeUndefined(),
  )
})

describe('a licence', () => {
  test('says so thirty days before its last day, not thirty-one', () => {
    expect(endsSoon('2026-12-28', '2026-11-28')).toBe(true)
    expect(endsSoon('2026-12-29', '2026-11-28')).toBe(false)
  })
  test('that ended says so too; one without an end never does; the first to end is first', () => {
    const scope = [
      { technique: 'minors', licence: '' },
      { technique: 'needling', licence: 'N-1', until: '2026-12-10' },
      { technique: 'blade', licence: 'B-1', until: '2026-11-27' },
      { technique: 'rf', licence: 'R-1', until: '2028-02-29' },
    ] as const
    expect(licencesEnding(scope, '2026-11-28')).toEqual([
      { technique: 'blade', until: '2026-11-27', daysLeft: -1 },
      { technique: 'needling', until: '2026-12-10', daysLeft: 12 },
    ])
  })
})

describe('what a salon says of itself', () => {
  const facts = {
    ...{ name: 'Own', address: '', emergencyNumber: '' },
    ...{ timeZone: 'Europe/Lisbon', currency: 'EUR', measures: 'metric' },
  }
  test('a time zone is one that clocks know, a currency three letters', () => {
    expect(SalonFacts.safeParse(facts).success).toBe(true)
    const paths = ['timeZone', 'currency'].map(
      (key) => SalonFacts.safeParse({ ...facts, [key]: 'Mars/Here' }).error?.issues[0]?.path[0],
    )
    expect(paths).toEqual(['timeZone', 'currency'])
  })
  test('hours end after they begin', () => {
    const span = (opens: string, closes: string) =>
      Opening.safeParse({ weekday: 1, opens, closes }).success
    expect([span('09:00', '09:01'), span('09:00', '09:00'), span('9:00', '18:00')]).toEqual([
      true,
      false,
      false,
    ])
  })
})

describe('opening hours', () => {
  const hours = [
    { weekday: 1, opens: '09:00', closes: '12:30' },
    { weekday: 1, opens: '14:00', closes: '19:00' },
    { weekday: 2, opens: '09:00', closes: '18:00' },
  ]
  const closedDays = [{ day: '2026-12-01', reason: 'stock-taking' }]
  const salon = { hours, closedDays }
  // 2026-11-30 is a Monday.
  test('a weekday is counted from Monday (ISO 8601)', () => {
    expect([weekdayOf('2026-11-30'), weekdayOf('2026-12-06'), weekdayOf('2028-02-29')]).toEqual([
      1, 7, 2,
    ])
  })
  test.each([
    ['09:00', 210, undefined],
    ['09:00', 211, '09:00 to 12:30 and 14:00 to 19:00'],
    ['08:59', 30, 'not within'],
    ['12:00', 150, 'not within'],
    ['18:00', 60, undefined],
    ['18:01', 60, 'not within'],
  ])('a Monday visit at %s of %i minutes: %s', (time, minutes, why) => {
    const said = closedFor(salon, '2026-11-30', time, minutes)
    if (why === undefined) expect(said).toBeUndefined()
    else expect(said).toContain(why)
  })
  test('a closed day says why, a closed weekday its name; where nothing was told all is open', () => {
    expect(closedFor(salon, '2026-12-01', '10:00', 30)).toContain('stock-taking')
    expect(closedFor(salon, '2026-12-02', '10:00', 30)).toContain('Wednesdays')
    expect(closedFor({ hours: [], closedDays: [] }, '2026-12-06', '03:00', 30)).toBeUndefined()
    expect(spansOn(salon, '2026-12-02')).toEqual([])
  })
  test('two spans that meet are named, two that touch are not', () => {
    expect(overlapOf([...hours, { weekday: 1, opens: '12:00', closes: '13:00' }])).toContain(
      'Monday: 09:00 to 12:30 and 12:00 to 13:00',
    )
    expect(overlapOf([...hours, { weekday: 1, opens: '12:30', closes: '14:00' }])).toBeUndefined()
  })
})

describe('words of a message', () => {
  test.each([
    ['Come on {when}.', undefined],
    ['Come.', 'Without {when}'],
    ['Come on {when}, {nickname}.', '{nickname} is none of the places'],
    ['Come on {when}, {.', 'A brace stands alone'],
    ['{when}} at {salon}', 'A brace stands alone'],
    ['', 'Without {when}'],
  ])('%s', (words, says) => {
    const fault = wordsFault(words)
    if (says === undefined) expect(fault).toBeUndefined()
    else expect(fault).toContain(says)
    expect(SalonChoices.safeParse({ words: { confirmation: words } }).success).toBe(
      says === undefined,
    )
  })
  test('what ships is without fault', () =>
    expect(Object.values(USUAL_WORDS).map(wordsFault)).toEqual([undefined, undefined]))
})

test('who is of age is set between 16 and 21 years', () => {
  const isTaken = (majority: number) => SalonChoices.safeParse({ minors: { majority } }).success
  expect([15, 16, 18, 21, 22, 17.5].map(isTaken)).toEqual([false, true, true, true, false, false])
  expect(SalonChoices.parse({}).minors).toEqual({ majority: 18, guardianStays: false })
})
