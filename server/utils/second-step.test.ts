import { describe, expect, test, vi } from 'vitest'
import { stepOfCode } from './second-step'

// RFC 6238, appendix B: the secret is the ASCII text 12345678901234567890, here in base 32 (RFC 4648). Its codes have eight digits, of which an
// authenticator shows the last six.
const SECRET = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ'
const VECTORS = [
  [59, '287082', 1],
  [1111111109, '081804', 0x23523ec],
  [1111111111, '050471', 0x23523ed],
  [1234567890, '005924', 0x273ef07],
  [2000000000, '279037', 0x3f940aa],
] as const

describe('a code from the phone', () => {
  test.each(VECTORS)('at second %i is %s (RFC 6238, appendix B)', (seconds, code, step) => {
    vi.useFakeTimers({ now: seconds * 1000 })
    expect(stepOfCode(SECRET, code, 0)).toBe(step)
    vi.useRealTimers()
  })
  test('counts once, and for one step either way', () => {
    const [seconds, code, step] = VECTORS[3]
    const at = (offset: number, last = 0) => {
      vi.useFakeTimers({ now: (seconds + offset) * 1000 })
      const found = stepOfCode(SECRET, code, last)
      vi.useRealTimers()
      return found
    }
    expect([at(30), at(-30)]).toEqual([step, step])
    expect([at(61), at(-61)]).toEqual([undefined, undefined])
    expect(at(0, step)).toBeUndefined()
  })
  test.each(['28708', '2870821', '28708x', ''])('%j is none', (code) =>
    expect(stepOfCode(SECRET, code, 0)).toBeUndefined(),
  )
})
