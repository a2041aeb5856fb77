import { PassThrough } from 'node:stream'
import fc from 'fast-check'
import type { H3Event } from 'h3'
import { afterEach, describe, expect, test, vi } from 'vitest'
import { runs } from '../../tests/runs'
import { BODY_MOST, jsonOf, readJson, readLimited, refuseDeep } from './body'

/** A request that sends what it is given, in pieces, without an end unless told. */
function sending(headers: Record<string, string> = {}) {
  const stream = Object.assign(new PassThrough(), { headers })
  const event = { node: { req: stream } } as unknown as H3Event
  return { stream, event }
}
const codeOf = (promise: Promise<unknown>) =>
  promise.then(
    () => 'taken',
    (error: { problem?: { code: string } }) => error.problem?.code,
  )

describe('a body has its measure before it is read', () => {
  test('what says it is too large is not read at all; what does not say it is stopped on its way', async () => {
    const said = sending({ 'content-length': String(BODY_MOST.usual + 1) })
    expect(await codeOf(readLimited(said.event, BODY_MOST.usual))).toBe('too_large')
    const silent = sending()
    const reading = codeOf(readLimited(silent.event, 1000))
    for (let part = 0; part < 20; part++) silent.stream.write(Buffer.alloc(100, 32))
    expect(await reading).toBe('too_large')
  })
  test('after a refusal what still comes is thrown away for two seconds, then the line is cut', async () => {
    vi.useFakeTimers()
    const { stream, event } = sending({ 'content-length': '9999' })
    expect(await codeOf(readLimited(event, 1000))).toBe('too_large')
    stream.write(Buffer.alloc(500, 32))
    await vi.advanceTimersByTimeAsync(1900)
    expect([stream.readableLength, stream.destroyed]).toEqual([0, false])
    await vi.advanceTimersByTimeAsync(200)
    expect(stream.destroyed).toBe(true)
    vi.useRealTimers()
  })
  test('exactly as much as is taken is taken', async () => {
    const { stream, event } = sending()
    stream.end(Buffer.alloc(1000, 32))
    expect((await readLimited(event, 1000)).length).toBe(1000)
  })
  test('nothing is nothing, not an error', async () => {
    const { stream, event } = sending()
    stream.end()
    expect(await readJson(event)).toBeUndefined()
  })
})

describe('a body comes in time', () => {
  afterEach(() => vi.useRealTimers())
  test('fifteen seconds without a byte end it', async () => {
    vi.useFakeTimers()
    const { stream, event } = sending()
    const reading = codeOf(readLimited(event, BODY_MOST.photo))
    stream.write('{')
    await vi.advanceTimersByTimeAsync(14_900)
    stream.write('"a"')
    await vi.advanceTimersByTimeAsync(14_900)
    stream.write(':1')
    expect(await Promise.race([reading, 'waiting'])).toBe('waiting')
    await vi.advanceTimersByTimeAsync(15_100)
    expect(await reading).toBe('too_slow')
  })
  test('twenty seconds end it, however regularly it drips; a photograph has three minutes', async () => {
    vi.useFakeTimers()
    const drip = async (most: number, seconds: number) => {
      const { stream, event } = sending()
      const reading = codeOf(readLimited(event, most))
      for (let second = 0; second < seconds; second++) {
        stream.write(' ')
        await vi.advanceTimersByTimeAsync(1000)
      }
      return Promise.race([reading, Promise.resolve('waiting')])
    }
    expect(await drip(BODY_MOST.usual, 19)).toBe('waiting')
    expect(await drip(BODY_MOST.usual, 21)).toBe('too_slow')
    expect(await drip(BODY_MOST.photo, 100)).toBe('waiting')
    expect(await drip(BODY_MOST.photo, 181)).toBe('too_slow')
  })
})

describe('what is JSON', () => {
  const refusalOf = (text: string) => {
    try {
      jsonOf(text)
      return undefined
    } catch (error) {
      return (error as { problem: { code: string; detail: string; path?: string } }).problem
    }
  }
  test.each([
    ['{"a": 1,}', 'Line 1, character 9'],
    ['{"a": 1\n "b": 2}', 'Line 2, character 2'],
    ['{"a": ', 'Line 1, character 7'],
    ["{'a': 1}", 'Line 1, character 2'],
    ['[1, 2] 3', 'Line 1, character 8'],
  ])('%j is none, and says where', (text, where) => {
    expect(refusalOf(text)).toMatchObject({ code: 'not_json' })
    expect(refusalOf(text)!.detail).toContain(where)
  })
  test('any JSON is taken as it is; what the engine refuses is refused', () =>
    fc.assert(
      fc.property(
        fc.json({ maxDepth: 6 }),
        fc.nat(),
        fc.constantFrom('', '{', ',', '"', ']'),
        (text, at, more) => {
          const cut = at % (text.length + 1)
          const broken = text.slice(0, cut) + more + text.slice(cut)
          let expected: unknown
          let isJson = true
          try {
            expected = JSON.parse(broken)
          } catch {
            isJson = false
          }
          const refusal = refusalOf(broken)
          if (isJson && refusal === undefined) expect(jsonOf(broken)).toEqual(expected)
          else expect(refusal?.code).toBe(isJson ? 'half_character' : 'not_json')
        },
      ),
      { numRuns: runs(2000), seed: 31 },
    ))
  test('half a character is named by its place', () => {
    expect(refusalOf('{"facts":[{"note":"\\ud83d"}]}')).toMatchObject({
      code: 'half_character',
      path: 'facts.0.note',
    })
    expect(refusalOf('{"note":"\\ud83d\\ude00"}')).toBeUndefined()
  })
  test('lists and objects within one another: thirty-two, brackets in texts apart', () => {
    const nested = (depth: number) => `${'['.repeat(depth)}${']'.repeat(depth)}`
    expect(() => refuseDeep(nested(32))).not.toThrow()
    expect(() => refuseDeep(nested(33))).toThrow('more than 32')
    expect(() => refuseDeep(`["${'['.repeat(100)}", "\\"${'{'.repeat(100)}"]`)).not.toThrow()
    expect(() => refuseDeep('['.repeat(5_000_000))).toThrow('more than 32')
  })
})
