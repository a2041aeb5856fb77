import { reactive } from 'vue'
import { expect, test } from 'vitest'
import { plain } from './plain'

test('what is reactive comes out as it was made', () =>
  expect(plain(reactive({ a: [1, { b: 'c' }] }))).toEqual({ a: [1, { b: 'c' }] }))
test('half an emoji is made a whole character, wherever it stands; whole ones stay', () =>
  expect(plain({ note: 'so \uD83D', list: ['\uDE00', '😀'] })).toEqual({
    note: 'so \uFFFD',
    list: ['\uFFFD', '😀'],
  }))
