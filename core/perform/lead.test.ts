import { describe, expect, test } from 'vitest'
import { planFor } from '../../tests/situations'
import { event } from '../../tests/under-way'
import { isFollowing, mayDrive, reduceRun, type RunBody, type RunEvent } from '.'

const plan = planFor()
const off = plan.segments.find(({ kind }) => kind === 'remove')!
const said = (deviceId: string, n: number, second: number, body: RunBody): RunEvent => ({
  ...event(n, second, body),
  deviceId,
})
const begun = said('a', 1, 0, { type: 'start' })
const taken = said('b', 2, 60, { type: 'lead', by: 'Ida Marsh' })

describe('several tablets, one visit', () => {
  test('before it has begun nobody leads; whoever begins does', () => {
    expect(['a', 'b'].map((one) => isFollowing(reduceRun(plan, []), one))).toEqual([false, false])
    const state = reduceRun(plan, [begun])
    expect(['a', 'b'].map((one) => isFollowing(state, one))).toEqual([false, true])
    expect(mayDrive(state, 'b', off.id)).toBe(false)
  })
  test('a part that was handed over may be driven by a follower, and that alone', () => {
    const handed = said('a', 2, 30, { type: 'handed-over', segmentId: off.id })
    const state = reduceRun(plan, [begun, handed])
    expect(mayDrive(state, 'b', off.id)).toBe(true)
    expect(mayDrive(state, 'b', plan.segments[0]!.id)).toBe(false)
    expect(mayDrive(state, 'b', undefined)).toBe(false)
    expect(mayDrive(state, 'a', off.id)).toBe(true)
  })
  test('the lead that is taken is told by whom and when, and the old one follows', () => {
    const state = reduceRun(plan, [taken, begun])
    expect(state.lead).toEqual({ deviceId: 'b', atMs: taken.wallMs, by: 'Ida Marsh' })
    expect(isFollowing(state, 'a')).toBe(true)
    // Taken back by the first one.
    const back = said('a', 3, 90, { type: 'lead' })
    expect(isFollowing(reduceRun(plan, [begun, taken, back]), 'a')).toBe(false)
  })
  test('who took it last leads, however late the log of a tablet arrives', () => {
    const both = [begun, taken, said('c', 4, 75, { type: 'lead' })]
    expect(reduceRun(plan, both).lead?.deviceId).toBe('c')
    expect(reduceRun(plan, [both[2]!, both[0]!, both[1]!]).lead?.deviceId).toBe('c')
  })
})
