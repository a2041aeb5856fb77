import { describe, expect, test } from 'vitest'
import { MUSCLES, type MapView } from '#core/skin'
import { musclesOn, RING_SHAPES, viewsOf } from './muscles'
import { MAP_SHOWN, MAP_WIDTH } from './shapes'

const ids = MUSCLES.map(({ id }) => id)
const numbers = (d: string) => [...d.matchAll(/-?\d+/g)].map(Number)
const drawn = (['front', 'neck'] as MapView[]).flatMap((view) =>
  musclesOn(view, ids).map((muscle) => ({ ...muscle, view })),
)

describe('muscles on the map', () => {
  test('every muscle is drawn, on one view, within what is shown', () => {
    expect(new Set(drawn.map(({ id }) => id))).toEqual(new Set(ids))
    expect(new Set(drawn.map(({ key }) => key)).size).toBe(drawn.length)
    for (const { d } of drawn)
      numbers(d).forEach((value, at) => {
        if (at % 2 === 0) expect(value > 40 && value < MAP_WIDTH - 40).toBe(true)
        else expect(value > MAP_SHOWN.top && value < MAP_SHOWN.top + MAP_SHOWN.height).toBe(true)
      })
    expect(viewsOf(['frontalis', 'platysma'])).toEqual(['front', 'neck'])
    expect(viewsOf(['platysma'])).toEqual(['neck'])
  })
  test('both sides are mirrors, and what goes up by anatomy goes up on the map', () => {
    for (const view of ['front', 'neck'] as const) {
      const xs = musclesOn(view, ids).flatMap(({ d }) => numbers(d).filter((_, at) => at % 2 === 0))
      const turned = xs.map((x) => MAP_WIDTH - x)
      expect([...turned].sort((a, b) => a - b)).toEqual([...xs].sort((a, b) => a - b))
    }
    const rise = (id: string) => {
      const found = drawn.find((muscle) => muscle.id === id)!
      const [, fromY, , , , toY] = numbers(found.d)
      return fromY! - toY!
    }
    for (const id of ['procerus', 'nasalis', 'depressor anguli', 'platysma', 'sternomastoid'])
      expect(rise(id)).toBeGreaterThan(0)
    for (const id of ['frontalis', 'zygomaticus major', 'masseter', 'mentalis'])
      expect(rise(id)).toBeLessThan(0)
  })
  test('no line begins or ends within a ring', () => {
    for (const { d, view } of drawn.filter(({ view }) => view === 'front')) {
      const [fromX, fromY, , , toX, toY] = numbers(d)
      for (const [x, y] of [
        [fromX!, fromY!],
        [toX!, toY!],
      ] as const)
        for (const [[midX, midY], rx, ry] of RING_SHAPES) {
          const inside = ((x - midX) / rx) ** 2 + ((y - midY) / ry) ** 2 < 0.85
          expect(inside, `${view} ${d}`).toBe(false)
        }
    }
  })
})
