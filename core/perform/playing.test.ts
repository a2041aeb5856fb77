import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { event, START } from '../../tests/under-way'
import { planFor } from '../../tests/situations'
import { movementsSeconds } from '../protocol'
import { PATHS, PRESSURES, SIDES } from '../protocol/movement-words'
import type { Movement } from '../protocol/model'
import { played, reduceRun, strokeNow, type Played } from '.'

const movement = fc.record<Movement>({
  id: fc.uuid(),
  path: fc.constantFrom(...PATHS),
  type: fc.constant('effleurage'),
  repetitions: fc.integer({ min: 1, max: 20 }),
  pressure: fc.constantFrom(...PRESSURES),
  secondsEach: fc.integer({ min: 1, max: 12 }),
  sides: fc.constantFrom(...SIDES),
  with: fc.constant('hands'),
})
const corrections = fc.array(
  fc.record({ way: fc.constantFrom('again', 'enough'), atS: fc.integer({ min: 0, max: 900 }) }),
  { maxLength: 8 },
)
const massages = CARDS.flatMap(({ name, steps }) =>
  steps.flatMap(({ title, movements }) => (movements?.length ? [{ name, title, movements }] : [])),
)
const firstBefore = (list: readonly Played[], second: Played) => list[list.indexOf(second) - 1]

describe('a massage as it is written', () => {
  test.each(massages)('$name, $title: every stroke at its tempo', ({ movements }) => {
    const list = played(movements, movementsSeconds(movements), [])
    expect(new Set(list.map(({ at }) => at)).size).toBe(movements.length)
    for (const part of list) {
      expect(part.strokes).toBe(part.movement.repetitions)
      expect(part.strokeS).toBeCloseTo(part.movement.secondsEach, 0)
    }
  })
  test('there are such cards', () => {
    expect(massages.length).toBeGreaterThan(4)
  })
})

describe('any massage, any time, any corrections', () => {
  test('it goes in order without a gap, ends with its time, and no stroke is hurried', () => {
    fc.assert(
      fc.property(
        fc.array(movement, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 10, max: 900 }),
        corrections,
        (movements, lengthS, said) => {
          const list = played(movements, lengthS, said)
          let until = 0
          for (const part of list) {
            expect(part.fromS).toBeCloseTo(until, 6)
            until = part.toS
            const { secondsEach } = part.movement
            expect(part.strokes).toBeGreaterThanOrEqual(1)
            expect(part.strokeS).toBeGreaterThanOrEqual(0.67 * secondsEach - 1e-9)
            expect(part.strokeS).toBeLessThanOrEqual(1.5 * secondsEach + 1e-9)
          }
          expect(until).toBeLessThanOrEqual(lengthS + 1e-6)
        },
      ),
      { numRuns: 2000 },
    )
  })
  test('the second side gets what the first one had, unless the time is over; also after a word in the first', () => {
    fc.assert(
      fc.property(
        fc.array(movement, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 60, max: 900 }),
        fc.nat(20),
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        fc.constantFrom('again', 'enough', undefined),
        (movements, lengthS, which, share, way) => {
          const firsts = played(movements, lengthS, []).filter(({ side }) => side === 'first')
          const part = firsts[which % Math.max(1, firsts.length)]
          const atS = part && part.fromS + share * (part.toS - part.fromS)
          const list = played(movements, lengthS, way && atS !== undefined ? [{ way, atS }] : [])
          for (const second of list.filter(({ side }) => side === 'second')) {
            const first = firstBefore(list, second)!
            expect(first).toMatchObject({ at: second.at, side: 'first' })
            if (second === list.at(-1)) expect(second.strokes).toBeLessThanOrEqual(first.strokes)
            else expect(second.strokes).toBe(first.strokes)
          }
        },
      ),
      { numRuns: 1000 },
    )
  })
})

const jaw: Movement = {
  ...massages[0]!.movements[0]!,
  path: 'jaw-cheek',
  repetitions: 10,
  secondsEach: 4,
  sides: 'each',
}
const brow: Movement = { ...jaw, id: 'brow', path: 'brow', sides: 'both at once' }

describe('again and enough', () => {
  const strokesOf = (list: readonly Played[]) => list.map(({ strokes }) => strokes)
  test('again adds one stroke here and to the other side; what is left shares what time is left', () => {
    const list = played([jaw, brow], 120, [{ way: 'again', atS: 38 }])
    expect(strokesOf(list)).toEqual([11, 11, 8])
    expect(list.at(-1)!.toS).toBeCloseTo(120)
  })
  test('enough goes on at once, and the other side gets no more than this one had', () => {
    const list = played([jaw, brow], 120, [{ way: 'enough', atS: 18 }])
    expect(strokesOf(list).slice(0, 2)).toEqual([5, 5])
    expect(list[1]!.fromS).toBe(18)
    expect(strokeNow(list, 18)).toMatchObject({ part: { side: 'second' }, stroke: 1 })
  })
  test('enough of the last one: hands as they like until the clock', () => {
    const list = played([brow], 40, [{ way: 'enough', atS: 10 }])
    expect(strokeNow(list, 11)).toBeUndefined()
  })
  test('what is too short for all leaves out the last ones, never hurries', () => {
    const list = played([brow, { ...jaw, sides: 'both at once' }, brow], 4, [])
    expect(strokesOf(list)).toEqual([1])
  })
  test('the count is that of the stroke in hand', () => {
    const list = played([brow], 40, [])
    expect([0, 3.9, 4, 39].map((atS) => strokeNow(list, atS)?.stroke)).toEqual([1, 1, 2, 10])
    expect(strokeNow(list, 6)?.phase).toBeCloseTo(0.5)
  })
})

test('what was said stands in the run’s log, and is taken back with it', () => {
  const plan = planFor()
  const { id: segmentId } = plan.segments.find(({ kind }) => kind === 'apply')!
  const said = event(5, 30, { type: 'stroke', segmentId, way: 'again' })
  expect(reduceRun(plan, [said]).strokes).toEqual([
    { segmentId, way: 'again', atMs: START + 30_000 },
  ])
  const back = event(6, 31, { type: 'retract', eventId: said.id })
  expect(reduceRun(plan, [said, back]).strokes).toEqual([])
})
