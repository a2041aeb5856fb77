import { describe, expect, it } from 'vitest'
import type { Movement } from '#core/protocol'
import {
  repetitionsFrom,
  secondsEachFrom,
  withMovement,
  withMovementMoved,
  withNewMovement,
  withoutMovement,
} from './movement-fields'

const movement = (id: string): Movement => withNewMovement([], id, 'nape')[0]!
const THREE = ['a', 'b', 'c'].map(movement)
const ids = (movements: readonly Movement[]) => movements.map(({ id }) => id).join('')

describe('the movements of a massage', () => {
  it('begin light and gliding, last in the list', () => {
    expect(withNewMovement(THREE, 'd', 'brow').at(-1)).toMatchObject({
      id: 'd',
      path: 'brow',
      type: 'effleurage',
      pressure: 'light',
    })
  })
  it('move by one place, and not past the ends', () => {
    expect(ids(withMovementMoved(THREE, 1, -1))).toBe('bac')
    expect(ids(withMovementMoved(THREE, 1, 1))).toBe('acb')
    expect(ids(withMovementMoved(THREE, 0, -1))).toBe('abc')
    expect(ids(withMovementMoved(THREE, 2, 1))).toBe('abc')
  })
  it('change and go one at a time', () => {
    const firm = withMovement(THREE, 1, { pressure: 'firm' })
    expect(firm.map(({ pressure }) => pressure)).toEqual(['light', 'firm', 'light'])
    expect(ids(withoutMovement(THREE, 1))).toBe('ac')
  })
})

describe('what is typed is kept within bounds', () => {
  it.each([
    [0, 1],
    [Number.NaN, 1],
    [2.6, 3],
    [61, 60],
  ])('%d repetitions are %i', (typed, kept) => {
    expect(repetitionsFrom(typed)).toBe(kept)
  })
  it.each([
    [0, 0.5],
    [Number.NaN, 0.5],
    [3.5, 3.5],
    [121, 120],
  ])('%d seconds each are %d', (typed, kept) => {
    expect(secondsEachFrom(typed)).toBe(kept)
  })
})
