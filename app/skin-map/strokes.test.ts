import { describe, expect, test } from 'vitest'
import { PATHS, type Movement } from '#core/protocol'
import { MAP_HEIGHT, MAP_WIDTH } from './shapes'
import { offTheMap, strokesOn, viewFor } from './strokes'

const stroke = (path: Movement['path'], more: Partial<Movement> = {}): Movement => ({
  id: path,
  path,
  type: 'effleurage',
  repetitions: 6,
  pressure: 'light',
  secondsEach: 4,
  sides: 'both at once',
  with: 'hands',
  ...more,
})

describe('strokes on the map', () => {
  test('every path is drawn on one view, or is named as lying off the map', () => {
    for (const path of PATHS) {
      const here =
        strokesOn('front', [stroke(path)]).length + strokesOn('neck', [stroke(path)]).length
      expect(here > 0, path).toBe(offTheMap([stroke(path)]).length === 0)
    }
    expect(offTheMap(PATHS.map((path) => stroke(path))).map((movement) => movement.path)).toEqual([
      'nape',
      'scalp-circles',
      'hand-strokes',
    ])
  })
  test('two sides mirror each other about the middle, what lies on it is drawn once, all within the drawing', () => {
    const [one, other] = strokesOn('front', [stroke('chin-earlobe')])
    expect(one!.at[0] + other!.at[0]).toBe(MAP_WIDTH)
    expect(strokesOn('front', [stroke('forehead-hairline')])).toHaveLength(1)
    for (const drawn of [
      ...strokesOn(
        'front',
        PATHS.map((path) => stroke(path)),
      ),
      ...strokesOn(
        'neck',
        PATHS.map((path) => stroke(path)),
      ),
    ]) {
      expect(drawn.at[0]).toBeGreaterThanOrEqual(0)
      expect(drawn.at[0]).toBeLessThanOrEqual(MAP_WIDTH)
      expect(drawn.at[1]).toBeLessThanOrEqual(MAP_HEIGHT)
    }
  })
  test('upward: every line but the fold ends no lower than it began', () => {
    for (const path of PATHS.filter((path) => path !== 'nasolabial' && path !== 'lip-line')) {
      for (const drawn of strokesOn('front', [stroke(path)]).filter((stroke) => stroke.arrow)) {
        const numbers = drawn.d.match(/-?\d+(\.\d+)?/g)!.map(Number)
        expect(numbers.at(-1)!, path).toBeLessThanOrEqual(numbers[1]! + 6)
      }
    }
  })
  test('the view follows the movements', () => {
    expect(viewFor([stroke('throat-jaw'), stroke('chest-shoulder'), stroke('brow')])).toBe('neck')
    expect(viewFor([stroke('throat-jaw'), stroke('brow')])).toBe('front')
  })
})
