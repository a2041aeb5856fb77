import { beforeEach, describe, expect, test } from 'vitest'
import { forgetPin, isKnownPin, rememberPin } from './known-pin'

describe('a PIN without a network', () => {
  beforeEach(forgetPin)
  test('is not known before the server has found one right', async () => {
    expect(await isKnownPin('2580')).toBeUndefined()
  })
  test('is known from then on, and another is not', async () => {
    await rememberPin('2580')
    expect([await isKnownPin('2580'), await isKnownPin('2581')]).toEqual([true, false])
    forgetPin()
    expect(await isKnownPin('2580')).toBeUndefined()
  })
  test('missed five times it is asked where there is a network; right in between begins anew', async () => {
    await rememberPin('2580')
    for (let at = 0; at < 4; at++) expect(await isKnownPin('0000')).toBe(false)
    expect(await isKnownPin('2580')).toBe(true)
    for (let at = 0; at < 5; at++) expect(await isKnownPin('0000')).toBe(false)
    expect(await isKnownPin('2580')).toBeUndefined()
  })
})
