import { describe, expect, test } from 'vitest'
import { CARDS, SHELF } from '../../tests/fixtures'
import { input, readingOf, seen } from '../../tests/situations'
import type { LevelUse, PastVisit } from '../climb'
import { FACE } from '../skin'
import { compile, deviceLevelOf, type CompileInput, type FittedPlan } from '.'

const all = { scope: ['rf', 'needling', 'blade', 'high-suction'] as const, hazards: [] }
const given = (more: Partial<CompileInput> = {}) =>
  input({
    protocol: CARDS.find(({ protocolId }) => protocolId === 'seven-tides')!,
    practitioner: { ...all, scope: [...all.scope] },
    slotMinutes: 240,
    reading: readingOf(),
    ...more,
  })
const levelled = (plan: FittedPlan, history: readonly PastVisit[] = []) =>
  plan.steps.flatMap((step) => {
    const level = deviceLevelOf(step, SHELF, plan.changes, history)
    return level ? [{ step, level }] : []
  })
describe('what a device may be set to', () => {
  test('begins within its range, never above the mark, the mark never above the most', () => {
    const seenLevels = CARDS.flatMap((protocol) => levelled(compile(given({ protocol }))))
    expect(seenLevels.length).toBeGreaterThan(2)
    for (const { level, step } of seenLevels) {
      const { least, start, mark, most } = level
      expect(least <= start && start <= mark && mark <= most, step.title).toBe(true)
    }
  })
  test('a rule about the skin is hard: nothing above the fitted rung', () => {
    const plain = levelled(compile(given()))
    const tender = levelled(compile(given({ reading: readingOf(seen('sensitive', 2, FACE)) })))
    for (const { step, level } of tender) {
      const before = plain.find((other) => other.step.id === step.id)!.level
      expect(level.most).toBeLessThanOrEqual(before.most)
      const lowered = step.levers?.some(({ rung, writtenRung }) => rung < writtenRung)
      if (lowered && level.mostBy === 'rule') expect(level.most).toBe(level.mark)
    }
  })
})

describe('what it was set to is remembered', () => {
  const first = levelled(compile(given()))[0]!
  const { deviceId, setting, start, by, mark } = first.level
  const use = (more: Partial<LevelUse>): LevelUse => ({
    ...{ deviceId, setting, value: start - by, why: 'too strong' },
    ...more,
  })
  const past = (on: string, ...levels: LevelUse[]): PastVisit => ({
    ...{ on, levers: [], answer: null, levels },
  })
  const fitted = (...visits: PastVisit[]) => {
    const history = [...given().history, ...visits]
    const plan = compile(given({ history }))
    const { step, level } = levelled(plan, history).find(
      ({ step: { id } }) => id === first.step.id,
    )!
    return { step, level }
  }

  test('lowered everywhere: the next plan begins there and says why', () => {
    const { step, level } = fitted(past('2026-11-01', use({})))
    expect(level.start).toBe(start - by)
    expect(step.startAt).toMatchObject({ value: start - by })
    expect(step.startAt!.says).toContain('too strong')
  })
  test('lowered at a place: it begins as fitted and says the place', () => {
    const { step, level } = fitted(past('2026-11-01', use({ zones: ['nose-bridge'] })))
    expect(level.start).toBe(start)
    expect(step.startAt!.says).toMatch(/at (?:the )?nose/)
  })
  test('raised beyond the mark: the next begins at the mark at the most', () =>
    expect(fitted(past('2026-11-01', use({ value: 1000, why: 'not felt' }))).level.start).toBe(
      mark,
    ))
  test('of several visits the last counts, of one visit what was set last at a place', () => {
    const { level } = fitted(
      past('2026-10-01', use({ value: start })),
      past('2026-11-01', use({}), use({ value: start - 2 * by })),
    )
    expect([level.start, level.last?.on, level.last?.uses.length]).toEqual([
      Math.max(level.least, start - 2 * by),
      '2026-11-01',
      1,
    ])
  })
  test('another device, or a visit without, says nothing', () =>
    expect(fitted(past('2026-11-01', use({ deviceId: 'another' }))).step.startAt).toBeUndefined())
})
