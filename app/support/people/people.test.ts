import { describe, expect, test } from 'vitest'
import { endingInWords, standingOf } from './people'
import { browserInWords, sinceInWords } from './sessions'

describe('a browser in words', () => {
  test.each([
    [
      'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:145.0) Gecko/20100101 Firefox/145.0',
      'Firefox on Windows',
    ],
    [
      'Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Version/18.0 Safari/604.1',
      'Safari on an iPad',
    ],
    [
      'Mozilla/5.0 (X11; Linux x64) AppleWebKit/537.36 Chrome/130.0 Safari/537.36 Edg/130.0',
      'Edge on Linux',
    ],
    ['curl/8', 'A browser'],
  ])('%s is %s', (agent, words) => expect(browserInWords(agent)).toBe(words))
})

test('what was a minute ago is just now, then it is counted', () => {
  const now = new Date('2026-11-28T12:00:00Z')
  expect(sinceInWords('2026-11-28T11:59:00Z', now)).toBe('just now')
  expect(sinceInWords('2026-11-28T11:55:00Z', now)).toBe('5 minutes ago')
})

describe('a person', () => {
  const someone = { isInvited: false, lockedAt: null, leftAt: null }
  test('stands as what weighs most', () => {
    expect(standingOf(someone)).toBe('')
    expect(standingOf({ ...someone, isInvited: true })).toBe('invited')
    expect(standingOf({ ...someone, isInvited: true, lockedAt: 'x' })).toBe('locked out')
    expect(standingOf({ ...someone, lockedAt: 'x', leftAt: 'y' })).toBe('has left')
  })
  test.each([
    [12, 'Needling: licence ends in 12 days'],
    [1, 'Needling: licence ends tomorrow'],
    [0, 'Needling: licence ends today'],
    [-1, 'Needling: licence has ended'],
  ])('a licence with %i days left', (daysLeft, words) =>
    expect(endingInWords({ technique: 'needling', until: '2026-12-10', daysLeft })).toBe(words),
  )
})
