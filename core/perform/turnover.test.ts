import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../../tests/runs'
import { planFor } from '../../tests/situations'
import { event, START } from '../../tests/under-way'
import { PROPERTIES, type Property } from '../protocol'
import { reduceRun, turnoverAt } from '.'
import { TURNOVER } from './tables/turnover'

const at = (second: number) => START + second * 1000
const all = new Set<Property>(PROPERTIES)
const NOTHING = new Map<string, number>()

describe('the turnover of a room', () => {
  test('has what every room needs, and sharps and devices only where they were used', () => {
    const ids = turnoverAt(new Set(), NOTHING, at(0), at(0)).tasks.map(({ id }) => id)
    expect(ids).not.toContain('sharps')
    expect(ids).not.toContain('device')
    expect(ids[0]).toBe('hands-off')
    expect(ids.at(-1)).toBe('hands')
    expect(turnoverAt(all, NOTHING, at(0), at(0)).tasks).toHaveLength(TURNOVER.length)
    expect(
      turnoverAt(new Set(['needling']), NOTHING, at(0), at(0)).tasks.map(({ id }) => id),
    ).toContain('sharps')
  })
  test('what lies wet runs while hands do the rest: no longer than its hands and one wait for the tools', () => {
    const { tasks, freeMs } = turnoverAt(new Set(), NOTHING, at(0), at(0))
    const hands = tasks.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
    // Ten minutes in the disinfectant, from when the tools are in: rinsing, drying and hands come after.
    expect(freeMs).toBe(at(60 + 30 + 120 + 600 + 90 + 60))
    expect(freeMs - at(0)).toBeLessThan(hands + 600_000)
  })
  test('a task said to be done begins its wet time then; taken back it is to do again', () => {
    const said = event(5, 400, { type: 'turned', taskId: 'tools-in' })
    const { turned } = reduceRun(planFor(), [said])
    const times = new Map([...turned].map(([id, { atMs }]) => [id, atMs]))
    const wet = (second: number) =>
      turnoverAt(new Set(), times, at(0), at(second)).tasks.find(({ id }) => id === 'tools-in')!
    expect([wet(500).status, wet(500).readyMs, wet(1000).status]).toEqual(['wet', at(1000), 'done'])
    const back = event(6, 410, { type: 'retract', eventId: said.id })
    expect(reduceRun(planFor(), [said, back]).turned.size).toBe(0)
  })
  test('whatever was done in whatever order: nothing comes out before its time, hands do one thing at a time, and it ends', () => {
    const done = fc.uniqueArray(
      fc.record({ id: fc.constantFrom(...TURNOVER.map(({ id }) => id)), second: fc.nat(2400) }),
      { selector: ({ id }) => id },
    )
    fc.assert(
      fc.property(done, fc.subarray([...PROPERTIES]), fc.nat(3000), (told, used, now) => {
        const turned = new Map(told.map(({ id, second }) => [id, at(second)]))
        const { tasks, freeMs, isDone } = turnoverAt(new Set(used), turned, at(0), at(now))
        const ahead = tasks.filter(({ id }) => !turned.has(id))
        for (const [n, { fromMs }] of ahead.slice(1).entries())
          expect(fromMs).toBeGreaterThanOrEqual(ahead[n]!.toMs)
        for (const task of ahead) {
          const { after } = TURNOVER.find(({ id }) => id === task.id)!
          const before = tasks.find(({ id }) => id === after)
          if (before) expect(task.fromMs).toBeGreaterThanOrEqual(before.readyMs)
          expect(task.fromMs).toBeGreaterThanOrEqual(at(now))
        }
        for (const { readyMs } of tasks) expect(freeMs).toBeGreaterThanOrEqual(readyMs)
        expect(isDone).toBe(ahead.length === 0 && freeMs <= at(now))
        if (ahead.length > 0)
          expect(
            ahead.filter(({ status }) => status === 'next' || status === 'waits'),
          ).toHaveLength(1)
      }),
      { numRuns: runs(300) },
    )
  })
})
