import { describe, expect, test } from 'vitest'
import { outlineOf } from '#core/compose'
import { CARDS, SHELF } from '~~/tests/fixtures'
import { libraryFor, NO_WISH, type Shelved } from './library'

const list: Shelved[] = CARDS.map((card) => ({
  id: card.protocolId,
  name: card.name,
  version: 1,
  note: card.note,
  publishedAt: null,
  archived: card.protocolId === 'kit',
  draftAt: null,
  ...outlineOf(card.steps, SHELF),
}))
const found = (wish: Partial<typeof NO_WISH>) =>
  libraryFor(list, { ...NO_WISH, ...wish }).map((card) => card.id)

describe('the library', () => {
  test('by name, every word anywhere', () =>
    expect(found({ typed: 'course PEEL' })).toEqual(['course-peel']))
  test('by concern', () => {
    expect(found({ concern: 'firm' })).toContain('neck')
    expect(found({ concern: 'firm' })).not.toContain('three-serum')
  })
  test('by device and phase', () => {
    expect(found({ device: 'Radio Frequency Wand' })).toEqual(['seven-tides'])
    expect(found({ phase: 'extract' })).toContain('clarifying')
    expect(found({ phase: 'extract' })).not.toContain('kit')
  })
  test('by length, both sides of the edge', () => {
    const one = list.find((other) => other.id === 'undertow')!
    expect(found({ minutes: Math.ceil(one.workS / 60) })).toContain('undertow')
    expect(found({ minutes: Math.floor(one.workS / 60) - 1 })).not.toContain('undertow')
  })
  test('what is put away is kept apart', () => {
    expect(found({})).not.toContain('kit')
    expect(found({ away: true })).toEqual(['kit'])
  })
  test('the thumb of a ladder adds up to its minutes, hands and dwell in turn', () => {
    for (const one of list) {
      expect(one.bars.reduce((sum, bar) => sum + bar.seconds, 0)).toBe(one.workS)
      for (const [at, bar] of one.bars.slice(1).entries())
        expect(bar.hands).not.toBe(one.bars[at]!.hands)
    }
  })
})
