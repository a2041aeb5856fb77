import { describe, expect, test } from 'vitest'
import { planFor } from '../../tests/situations'
import { event, performed, START } from '../../tests/under-way'
import { plannedAgainstActual } from './actual'
import { changeOvers } from './change-overs'
import { clashWords, isUrgent, nextWords, stayWords } from './room-words'

const titles: Readonly<Record<string, string>> = { clay: 'Clay mask', peel: 'Peel' }
const titleOf = (stepId: string) => titles[stepId] ?? ''

describe('another room in a line', () => {
  test('says what comes off and when, never whose it is', () => {
    const next = { kind: 'off' as const, stepId: 'clay', atMs: START + 372_000 }
    expect(nextWords({ ...next, level: 'on' }, titleOf, START)).toBe('Clay mask comes off in 6:12')
    expect(nextWords({ ...next, level: 'past' }, titleOf, START + 380_000)).toBe(
      'Clay mask comes off now, 0:08 past its time',
    )
    expect([isUrgent({ ...next, level: 'on' }), isUrgent({ ...next, level: 'ready' })]).toEqual([
      false,
      true,
    ])
  })
  test('says that hands are waited for, and that nothing is left', () => {
    expect(nextWords({ kind: 'hands', stepId: 'peel' }, titleOf, START)).toBe(
      'waits for your hands: Peel',
    )
    expect(nextWords({ kind: 'done' }, titleOf, START)).toBe('everything is done: finish it')
  })
})

describe('who may not be left', () => {
  test('each reason with the first whole minute at which it is over', () => {
    const freeMs = START + 12.4 * 60_000
    expect(
      (['hands', 'client', 'room', 'off'] as const).map((by) =>
        stayWords({ stepId: 'peel', by, freeMs }, titleOf, 'UTC'),
      ),
    ).toEqual([
      'Peel is half done: free at 08:13.',
      'Somebody stays at the client while Peel lies: free at 08:13.',
      'Somebody stays in the room while Peel lies: free at 08:13.',
      'Peel comes off first: free at 08:13.',
    ])
  })
  test('two that would want the same hands', () => {
    const clash = { there: 'clay', atMs: START + 60_000, here: 'peel', freeMs: START + 300_000 }
    expect(clashWords(clash, [titleOf, titleOf], 'UTC')).toBe(
      'Clay mask has to be off by 08:01; Peel keeps your hands until 08:05: go before it, or begin it later',
    )
  })
})

test('the record says how long the client was alone, and that the bell was within reach', () => {
  const plan = planFor()
  const at = plan.segments.find(({ id }) => id === 'kelp/dwell')!.startS + 30
  const events = [
    ...performed(plan, at),
    event(900, at, { type: 'left', bell: true }),
    event(901, at + 540, { type: 'came' }),
    event(902, at + 560, { type: 'resume' }),
  ]
  expect(plannedAgainstActual(plan, events).alone).toEqual([
    'Alone for 9 min, call bell within reach',
  ])
})

test('each change-over stands on the hands rail, from coming back until hands are clean', () => {
  const at = (second: number) => START + second * 1000
  const absences = [
    { leftMs: at(100), cameMs: at(400), readyMs: at(445) },
    { leftMs: at(900), cameMs: at(1200) },
    { leftMs: at(1500) },
  ]
  expect(
    changeOvers(absences, START, at(1220)).map(({ kind, hands, startS, endS }) => [
      ...[kind, hands],
      ...[startS, endS],
    ]),
  ).toEqual([
    ['hygiene', true, 400, 445],
    ['hygiene', true, 1200, 1220],
  ])
})
