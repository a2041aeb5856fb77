import { describe, expect, test } from 'vitest'
import type { RunBody, RunEvent } from '#core/perform'
import { nextPart, refusedOf } from './sending'

let made = 0
const event = (body: RunBody): RunEvent => ({
  ...{ id: `e${++made}`, deviceId: 'a', seq: made, wallMs: made, elapsedMs: made },
  body,
})
const kept = (body: RunBody, sent: 0 | 1 | 2 = 0) => ({ event: event(body), sent })
const started = (segmentId: string): RunBody => ({ type: 'started', segmentId })
const finished = (segmentId: string): RunBody => ({ type: 'finished', segmentId })
const note = (letters: number): RunBody => ({ type: 'note', text: 'x'.repeat(letters) })
const nobody: ReadonlySet<string> = new Set()

describe('what goes in one request', () => {
  test('five hundred at the most, nine hundred thousand bytes at the most, one at the least', () => {
    const many = Array.from({ length: 700 }, () => kept(note(1)))
    expect(nextPart(many, nobody).part).toHaveLength(500)
    const long = Array.from({ length: 3 }, () => kept(note(400_000)))
    expect(nextPart(long, nobody).part).toHaveLength(2)
    expect(nextPart([kept(note(2_000_000)), kept(note(1))], nobody).part).toHaveLength(1)
  })
  test('what was set aside holds back its own segment, and nothing else', () => {
    const all = [
      kept(started('a/on'), 2),
      kept(finished('a/on')),
      kept(started('b/on')),
      kept(note(3)),
      kept(note(3), 1),
    ]
    const { part, behind } = nextPart(all, nobody)
    expect(part).toEqual([all[2]!.event, all[3]!.event])
    expect(behind).toEqual([all[1]!.event])
  })
  test('what this role may not say waits, and the rest goes', () => {
    const all = [kept(note(1)), kept(note(2))]
    expect(nextPart(all, new Set([all[0]!.event.id])).part).toEqual([all[1]!.event])
  })
})

describe('what a refusal means', () => {
  const part = [event(note(1)), event(note(2)), event(note(3))]
  const refusal = (status: number, path?: string) => ({
    ...{ status, code: 'invalid' as const, detail: '' },
    ...(path ? { path } : {}),
  })
  test.each([400, 404, 409, 410, 413, 422])('%i sets aside what it names', (status) => {
    expect(refusedOf(part, refusal(status, 'events.1.body'))).toEqual({
      hold: [],
      aside: [part[1]],
    })
  })
  test('where it names none it is about all: a visit that is gone', () => {
    expect(refusedOf(part, refusal(404)).aside).toEqual(part)
  })
  test('403 waits for somebody who may', () => {
    expect(refusedOf(part, refusal(403, 'events.2'))).toEqual({ hold: [part[2]], aside: [] })
  })
  test.each([0, 401, 408, 425, 429, 500, 503])('%i is tried again as it is', (status) => {
    expect(refusedOf(part, refusal(status, 'events.0'))).toEqual({ hold: [], aside: [] })
  })
})
