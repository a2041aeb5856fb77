import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { clientQuery, dayWritten, folded, searchText } from './search'

describe('a folded name', () => {
  test.each([
    ['José  Núñez', 'jose nunez'],
    ['ŁUKASZ Ødegård', 'lukasz odegard'],
    ['Weiß', 'weiss'],
    ['ﬁnn', 'finn'],
    ['ليلى', 'ليلى'],
    ['陽子', '陽子'],
    ['Ελένη', 'ελενη'],
    [' 🌊 ', '🌊'],
  ])('%s is %s', (name, plain) => expect(folded(name)).toBe(plain))
  test('folded again it stays', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => folded(folded(text)) === folded(text)),
    )
  })
})

describe('a day as people write it', () => {
  test.each([
    ['1988-05-14', '1988-05-14'],
    ['14.5.1988', '1988-05-14'],
    [' 14/05/1988 ', '1988-05-14'],
    ['29.2.1988', '1988-02-29'],
    ['29.2.1987', undefined],
    ['31.4.2001', undefined],
    ['1.13.2001', undefined],
    ['1988', undefined],
    ['14.5.88', undefined],
    ['19880514', '1988-05-14'],
  ])('%s is %s', (text, day) => expect(dayWritten(text)).toBe(day))
  test('where the month comes first, strokes are read so, points are not', () => {
    expect(dayWritten('5/14/1988', true)).toBe('1988-05-14')
    expect(dayWritten('5/14/1988')).toBeUndefined()
    expect(dayWritten('4.5.1988', true)).toBe('1988-05-04')
  })
})

describe('what is looked for', () => {
  test.each([
    ['14.05.1988', { words: [], digits: '', born: '1988-05-14' }],
    ['0171 22 33', { words: [], digits: '1712233', born: undefined }],
    ['+49 (171) 22', { words: [], digits: '4917122', born: undefined }],
    ['19880514', { words: [], digits: '19880514', born: undefined }],
    ['12', { words: ['12'], digits: '', born: undefined }],
    ['Jo Núñez', { words: ['nunez', 'jo'], digits: '', born: undefined }],
    ['  ', { words: [], digits: '', born: undefined }],
    ['wren@', { words: ['wren@'], digits: '', born: undefined }],
  ])('%j', (text, query) => expect(clientQuery(text)).toEqual(query))
  test('every word of a name finds it', () => {
    const name = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
    fc.assert(
      fc.property(fc.array(name, { minLength: 1, maxLength: 3 }), (parts) => {
        const { words } = clientQuery(`x${parts.join(' ')}`)
        const text = searchText({ name: `x${parts.join(' ')}`, email: '' })
        return words.every((word) => text.includes(word))
      }),
    )
  })
})
