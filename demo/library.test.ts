import { describe, expect, test } from 'vitest'
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
})
