import { describe, expect, test } from 'vitest'
import { shortRhythm } from '#core/climb'
import { FOLLOWS, type Standing } from '#core/compose'
import { subjectReader } from '#core/strength'
import { DEMO_SHELF } from './shelf'
import { ProtocolVersion } from '#core/protocol/model'
import { PATTERNS } from './patterns'
import { CLIENTS } from './people'
import { DEMO_PROTOCOLS } from './protocols'

describe('the library', () => {
  test('every pattern has a card, and every card a client on whom it compiles whole', () => {
    expect([...new Set(PATTERNS.map((row) => row.pattern))].sort((a, b) => a - b)).toEqual(
      Array.from({ length: 21 }, (_, at) => at + 1),
    )
    expect(DEMO_PROTOCOLS.length).toBeGreaterThanOrEqual(14)
    for (const row of PATTERNS) expect(CLIENTS.map((client) => client.name)).toContain(row.client)
  })
  test.each(DEMO_PROTOCOLS)('$name is a good version', (card) => {
    expect(ProtocolVersion.safeParse(card).error).toBeUndefined()
    expect(new Set(card.steps.map((step) => step.id)).size).toBe(card.steps.length)
    expect(
      card.steps.every(
        (step) => step.closes === undefined || card.steps.some((other) => other.id === step.closes),
      ),
    ).toBe(true)
  })
  const courses = DEMO_PROTOCOLS.flatMap((card) =>
    card.course ? [{ card, name: card.name, course: card.course }] : [],
  )
  test.each(courses)('$name: its course leaves the skin the days it needs', ({ card, course }) => {
    expect(shortRhythm(course, card.steps.map(subjectReader(DEMO_SHELF)))).toBeUndefined()
    const ids = DEMO_PROTOCOLS.map(({ protocolId }) => protocolId)
    expect([...ids, undefined]).toContain(course.next)
  })
  test('what the builder offers next is what the library does next', () => {
    const counts = new Map<string, number>()
    for (const { steps } of DEMO_PROTOCOLS) {
      const own = steps.filter(({ floating, gate }) => !floating && !gate)
      const standings = ['start', ...own.map(({ phase }) => phase)]
      for (const [at, { phase }] of own.entries()) {
        const pair = `${standings[at]}>${phase}`
        counts.set(pair, (counts.get(pair) ?? 0) + 1)
      }
    }
    const most = (standing: string) =>
      Math.max(...[...counts].filter(([pair]) => pair.startsWith(`${standing}>`)).map(([, n]) => n))
    const standings = Object.keys(FOLLOWS).filter((key) => Number.isFinite(most(key)))
    const agree = standings.filter(
      (key) => counts.get(`${key}>${FOLLOWS[key as Standing]![0]}`) === most(key),
    )
    // Calm after calm is the same step in two parts, not what one adds next.
    expect(standings.filter((key) => !agree.includes(key))).toEqual(['calm'])
  })
  test('some cards are courses, and one goes on to another card', () => {
    expect(courses.length).toBeGreaterThan(3)
    expect(courses.some(({ course }) => course.next)).toBe(true)
  })
})
