import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { wayNow } from '.'

const ways = CARDS.flatMap(({ name, steps }) =>
  steps.flatMap((step) => (step.passes ? [{ name, title: step.title, step }] : [])),
)
const suction = ways.find(({ step }) => step.deviceId === 'tide-suction')!.step

test.each(ways)('$name, $title: every zone of the way has its time, in order', ({ step }) => {
  const seconds = new Map<string, number>()
  for (let atS = 0; atS < 600; atS += 1) {
    const { place } = wayNow(step, 600, atS)!
    for (const zone of place.zones) seconds.set(zone, (seconds.get(zone) ?? 0) + 1)
  }
  expect(new Set(seconds.keys())).toEqual(new Set(step.passes!.zones))
})

test('the nose first, both its sides with the bridge, then what comes', () => {
  const now = wayNow(suction, 600, 0)!
  expect(now.place.words).toBe('nose')
  expect(now).toMatchObject({ round: 1, rounds: 1 })
  // The nose is smaller than the forehead: it has less of the time.
  expect(now.leftS).toBe(now.ofS)
  const forehead = wayNow(suction, 600, now.ofS + 1)!
  expect(forehead.ofS).toBeGreaterThan(now.ofS)
  expect(now.then?.words).toBe('forehead')
  expect(wayNow(suction, 600, 599)?.then).toBeUndefined()
})

test('nothing before it begins, after its time, and without a way', () => {
  expect(wayNow(suction, 600, 600)).toBeUndefined()
  expect(wayNow(suction, 600, -1)).toBeUndefined()
  expect(wayNow({ zones: ['chin'] }, 600, 5)).toBeUndefined()
})

test('the time that is left only runs down, and jumps up only where the place changes', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...ways),
      fc.integer({ min: 30, max: 1200 }),
      fc.integer({ min: 0, max: 1199 }),
      ({ step }, lengthS, atS) => {
        const [one, next] = [wayNow(step, lengthS, atS), wayNow(step, lengthS, atS + 1)]
        if (!one || !next || one.leftS <= 1) return
        expect(next.place).toEqual(one.place)
        expect(next.leftS).toBeCloseTo(one.leftS - 1, 6)
      },
    ),
  )
})
