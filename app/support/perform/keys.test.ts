import { describe, expect, test } from 'vitest'
import { Keys, keyWords, taught, useOf } from './keys'

const none = Keys.parse({})

describe('keys and pedals', () => {
  test('the space bar is the big target without being taught, and stays so', () => {
    expect(useOf('Space', none)).toBe('next')
    expect(useOf('PageDown', none)).toBeUndefined()
    expect(taught(none, 'stings', 'Space')).toBeUndefined()
  })
  test('a taught key does what it was taught, and one thing alone', () => {
    const pedal = taught(none, 'next', 'PageDown')!
    expect(useOf('PageDown', pedal)).toBe('next')
    const other = taught(pedal, 'stings', 'PageDown')!
    expect([useOf('PageDown', other), other.next]).toEqual(['stings', ''])
  })
  test('what the browser needs is not taught', () => {
    for (const code of ['Escape', 'Tab', 'F5']) expect(taught(none, 'undo', code)).toBeUndefined()
  })
  test('is called as on its cap', () => {
    expect(['PageDown', 'KeyB', 'Digit4', 'ArrowLeft', 'F13', ''].map(keyWords)).toEqual([
      'Page Down',
      'B',
      '4',
      'Arrow Left',
      'F13',
      '',
    ])
  })
})
