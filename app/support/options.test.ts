import { describe, expect, it } from 'vitest'
import { asOptions, optionsFor, orNone, upTo, widestOf, wordsOf } from './options'

const MASKS = asOptions(['oat-mask', 'clay-mask', 'sheet'])

describe('a choice among many', () => {
  it.each([
    ['', ['oat mask', 'clay mask', 'sheet']],
    ['MA', ['oat mask', 'clay mask']],
    ['mask oat', ['oat mask']],
    [' sheet ', ['sheet']],
    ['mud', []],
  ])('“%s” finds what holds every word of it', (typed, found) => {
    expect(optionsFor(MASKS, typed).map(({ words }) => words)).toEqual(found)
  })
  it('shows the words of what is kept, and nothing for what is not among them', () => {
    expect(wordsOf(MASKS, 'clay-mask')).toBe('clay mask')
    expect(wordsOf(MASKS, 'gone')).toBe('')
  })
  it('is as wide as its widest words', () => {
    expect(widestOf(MASKS)).toBe('clay mask')
    expect(widestOf([])).toBe('')
  })
  it('may have a first one for none, and count', () => {
    expect(orNone(MASKS, '–')[0]).toEqual({ value: '', words: '–' })
    expect(upTo(3).map(({ value }) => value)).toEqual(['1', '2', '3'])
  })
})
