import { describe, expect, it } from 'vitest'
import { deedOf } from './ladder-keys'

const pressed = (
  key: string,
  held: Partial<Record<'altKey' | 'ctrlKey' | 'metaKey', true>> = {},
) => ({
  key,
  altKey: false,
  ctrlKey: false,
  metaKey: false,
  ...held,
})

describe('keys on the ladder', () => {
  it.each([
    [pressed('ArrowDown'), { kind: 'go', by: 1 }],
    [pressed('ArrowUp', { altKey: true }), { kind: 'move', by: -1 }],
    [pressed('Home'), { kind: 'go', by: -999 }],
    [pressed(' '), { kind: 'toggle' }],
    [pressed('Backspace'), { kind: 'remove' }],
    [pressed('c'), { kind: 'copy' }],
    [pressed('c', { ctrlKey: true }), undefined],
    [pressed('m', { metaKey: true }), undefined],
    [pressed('x'), undefined],
  ])('%o does %o', (event, deed) => {
    expect(deedOf(event, true)).toEqual(deed)
  })
  it('who may only read goes and opens', () => {
    const deeds = ['ArrowDown', 'End', 'Enter', 'Delete', 'm', 'a', 'c', ' '].filter((key) =>
      deedOf(pressed(key), false),
    )
    expect(deeds).toEqual(['ArrowDown', 'End', 'Enter'])
    expect(deedOf(pressed('ArrowDown', { altKey: true }), false)).toBeUndefined()
  })
})
