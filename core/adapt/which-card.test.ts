import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { client, input, yes } from '../../tests/situations'
import { compareCard, compile, isOffered, ranked, whichCard, type CardToday } from '.'

const visit = input({
  client: client([yes('isotretinoin')], { concerns: ['hydrate', 'calm'] }),
  slotMinutes: 60,
})
const cards = whichCard(visit, CARDS)

describe('which card today', () => {
  test('every card once, the offered ones first, none of them without what it is for or longer than the slot', () => {
    expect(cards.map(({ protocolId }) => protocolId).sort()).toEqual(
      CARDS.map(({ protocolId }) => protocolId).sort(),
    )
    const offered = cards.filter(isOffered)
    expect(cards.slice(0, offered.length)).toEqual(offered)
    expect(offered.length).toBeGreaterThan(0)
    for (const { keepsHeart, totalS, slotS } of offered) {
      expect(keepsHeart).toBe(true)
      expect(totalS).toBeLessThanOrEqual(slotS)
    }
    expect(cards.find(({ protocolId }) => protocolId === 'acid')).toMatchObject({
      status: 'thinned',
      keepsHeart: false,
    })
  })
  test('more for the client’s goals comes first; the order they were compared in does not matter', () => {
    const worths = cards.filter(isOffered).map(({ worth }) => worth)
    expect(worths).toEqual([...worths].sort((a, b) => b - a))
    expect(ranked([...cards].reverse())).toEqual(cards)
  })
  test('each is told of as soon as it is there', () => {
    const told: CardToday[] = []
    whichCard(visit, CARDS.slice(0, 3), (card) => told.push(card))
    expect(told.map(({ versionId }) => versionId)).toEqual(CARDS.slice(0, 3).map(({ id }) => id))
  })
  test('what was decided about the steps of the other card is left aside, another length stays', () => {
    const decided = {
      ...visit,
      overrides: [{ ruleId: 'A06', stepId: 'peel', reason: 'x', by: 'A', at: '2026-11-24' }],
      fit: { mustStay: ['peel'], grow: true, slotMinutes: 45 },
    }
    const protocol = CARDS[0]!
    const { plan } = compareCard(decided, protocol, 1)
    expect(plan).toEqual(compile({ ...visit, protocol, slotMinutes: 45 }))
  })
})
