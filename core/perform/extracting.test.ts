import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { planFor, readingOf, seen } from '../../tests/situations'
import { event } from '../../tests/under-way'
import type { Lesion, ZoneId } from '../skin'
import { extractAreas, reduceRun, withOutcomes, withoutOutcome } from '.'

const lesion = (id: string, zone: ZoneId, more: Partial<Lesion> = {}): Lesion => ({
  ...{ id, zone, view: 'front', x: 0.5, y: 0.5, type: 'open-comedone' },
  ...{ painful: false, deep: false, head: true, decision: 'ready' },
  ...more,
})
const acne = CARDS.find(({ protocolId }) => protocolId === 'acne')!
const extraction = acne.steps.find(({ phase }) => phase === 'extract')!
const words = (areas: ReturnType<typeof extractAreas>) => areas.map((area) => area.words)
const reading = {
  ...readingOf(),
  lesions: [
    lesion('a', 'chin'),
    lesion('b', 'nose-side-left'),
    lesion('c', 'nose-bridge', { type: 'nodule', deep: true, head: false, decision: 'leave' }),
    lesion('d', 'cheek-left'),
  ],
}

describe('areas of an extraction', () => {
  test('forehead first, downwards, whatever order the card lists', () => {
    expect(words(extractAreas(extraction, readingOf()))).toEqual(['forehead', 'nose', 'chin'])
  })
  test('where something is to be emptied, those alone; what is to be left there is told', () => {
    const areas = extractAreas(extraction, reading)
    expect(words(areas)).toEqual(['nose', 'chin'])
    expect(areas[0]!.ready.map(({ id }) => id)).toEqual(['b'])
    expect(areas[0]!.leave.map(({ id }) => id)).toEqual(['c'])
  })
  test('congestion without a pin counts', () => {
    const congested = readingOf(seen('congestion', 2, ['forehead']))
    expect(words(extractAreas(extraction, congested))).toEqual(['forehead'])
  })
  test('no other step has any', () => {
    const others = CARDS.flatMap(({ steps }) => steps.filter(({ phase }) => phase !== 'extract'))
    expect(others.flatMap((step) => extractAreas(step, reading))).toEqual([])
  })
})

describe('what came of it', () => {
  test('is asked of what was ready in the step’s zones, until it is said', () => {
    expect(withoutOutcome(extraction, reading).map(({ id }) => id)).toEqual(['a', 'b'])
    const told = withOutcomes(reading, new Map([['a', 'emptied' as const]]))
    expect(withoutOutcome(extraction, told).map(({ id }) => id)).toEqual(['b'])
    expect(told.lesions.find(({ id }) => id === 'a')!.outcome).toBe('emptied')
  })
  test('areas count by pedal, one back when it is taken back; the last word of an outcome counts', () => {
    const plan = planFor()
    const segmentId = 'extract/work'
    const next = (n: number) => event(n, n, { type: 'area', segmentId })
    const said = [
      next(1),
      next(2),
      event(3, 3, { type: 'retract', eventId: next(2).id }),
      event(4, 4, { type: 'extracted', stepId: 'extract', outcomes: { a: 'emptied', b: 'left' } }),
      event(5, 5, { type: 'extracted', stepId: 'extract', outcomes: { b: 'bled' } }),
    ]
    const state = reduceRun(plan, said)
    expect(state.areas.get(segmentId)).toBe(1)
    expect([...state.outcomes]).toEqual([
      ['a', 'emptied'],
      ['b', 'bled'],
    ])
  })
})
