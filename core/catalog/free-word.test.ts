import { describe, expect, test } from 'vitest'
import { SHELF } from '../../tests/fixtures'
import { freeWordCode, freeWordOf, holdsFreeWord, isFreeWordCode } from '.'

describe('an allergen in the client’s own words', () => {
  test.each([
    ['Chamomile', 'allergy:word:chamomile'],
    ['  lemon   balm ', 'allergy:word:lemon-balm'],
    ['Crème brûlée', 'allergy:word:creme-brulee'],
    ['vitamin-E!', 'allergy:word:vitamin-e'],
  ])('"%s" is kept as %s and read back', (typed, code) => {
    expect(freeWordCode(typed)).toBe(code)
    expect(isFreeWordCode(code)).toBe(true)
    expect(freeWordCode(freeWordOf(code))).toBe(code)
  })
  test.each(['', '  ', 'oo', '!!', 'x'.repeat(61)])('"%s" is nothing to look for', (typed) =>
    expect(freeWordCode(typed)).toBeUndefined(),
  )
  test('a code that nobody could have typed is none', () =>
    expect(
      ['allergy:word:', 'allergy:word:A', 'allergy:word:a--b', 'allergy:oat'].map(isFreeWordCode),
    ).toEqual(Array(4).fill(false)))
  // Printed names: INCI dictionary, values from memory.
  test.each([
    'Aqua, Chamomilla Recutita (Matricaria) Flower Extract, Glycerin',
    'Water; Anthemis Nobilis Flower Oil; Squalane',
    'AQUA • BISABOLOL • CHAMOMILE FLOWER WATER',
  ])('chamomile is found in "%s"', (list) => {
    expect(holdsFreeWord(list, 'chamomile')).toHaveLength(1)
  })
  test('whole words only; without a list nothing is found, and rule B00 speaks instead', () => {
    expect(holdsFreeWord('Aqua, Buckwheat Extract', 'wheat')).toEqual([])
    expect(holdsFreeWord('Aqua, Rosaceae Extract', 'rose')).toEqual([])
    expect(holdsFreeWord('Aqua, Rosa Damascena Flower Water', 'rose')).toHaveLength(1)
    expect(holdsFreeWord(undefined, 'rose')).toEqual([])
  })
  test('a word in no list of the shelf is in none; glycerin is in many', () => {
    const holding = (word: string) =>
      SHELF.products.filter(({ inci }) => holdsFreeWord(inci, word).length > 0).length
    expect(holding('zzyzx')).toBe(0)
    expect(holding('glycerin')).toBeGreaterThan(10)
  })
})
