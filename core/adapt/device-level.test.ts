import { describe, expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { input, readingOf, seen } from '../../tests/situations'
import { again, performed } from '../../tests/under-way'
import type { LevelUse, PastVisit } from '../climb'
import { FACE } from '../skin'
import { compile, type CompileInput, type FittedPlan } from '.'

const all = { scope: ['rf', 'needling', 'blade', 'high-suction'] as const, hazards: [] }
const given = (more: Partial<CompileInput> = {}) =>
  input({
    protocol: CARDS.find(({ protocolId }) => protocolId === 'seven-tides')!,
    practitioner: { ...all, scope: [...all.scope] },
    slotMinutes: 240,
    reading: readingOf(),
    ...more,
  })
const FLUSHING = readingOf(seen('flushing', 2, FACE))
const levelled = (plan: FittedPlan) =>
  plan.steps.flatMap((step) => (step.deviceLevel ? [{ step, level: step.deviceLevel }] : []))
describe('what a device may be set to', () => {
  test('begins within its range, never above the mark, the mark never above the most', () => {
    const seenLevels = CARDS.flatMap((protocol) => levelled(compile(given({ protocol }))))
    expect(seenLevels.length).toBeGreaterThan(2)
    for (const { level, step } of seenLevels) {
      const { least, start, mark, most } = level
      expect(least <= start && start <= mark && mark <= most, step.title).toBe(true)
    }
  })
  test.each([2, 1])(
    'a rule about the skin is hard, also where the card stands no higher: nothing above the start (written on rung %i)',
    (rung) => {
      const protocol = given().protocol
      const steps = protocol.steps.map((step) =>
        step.id === 'suction' ? { ...step, lever: { lever: 'suction' as const, rung } } : step,
      )
      const at = (reading: CompileInput['reading']) =>
        levelled(compile(given({ protocol: { ...protocol, steps }, reading }))).find(
          ({ step }) => step.id === 'suction',
        )!.level
      expect(at(readingOf())).toMatchObject({ most: 80, mostBy: 'maker' })
      // Rule C01: suction on rung 1 at the most, which is the device's own start.
      expect(at(FLUSHING)).toMatchObject({ start: 40, mark: 40, most: 40, mostBy: 'rule' })
    },
  )
})

test('what a rule stops stays stopped where the rest is fitted again while the device works', () => {
  const visit = given({ reading: FLUSHING })
  const plan = compile(visit)
  const capped = levelled(plan).filter(({ level }) => level.mostBy === 'rule')
  expect(capped.length).toBeGreaterThan(0)
  for (const { step, level } of capped) {
    const work = plan.segments.find(({ stepId, kind }) => stepId === step.id && kind === 'apply')!
    const next = again(visit, plan, performed(plan, work.startS + 20), work.startS + 20)
    const after = levelled(next).find((other) => other.step.id === step.id)!.level
    expect({ most: after.most, mostBy: after.mostBy }).toEqual({ most: level.most, mostBy: 'rule' })
  }
})

describe('what it was set to is remembered', () => {
  const first = levelled(compile(given()))[0]!
  const { deviceId } = first.step
  const { setting, start, by, mark } = first.level
  const use = (more: Partial<LevelUse>): LevelUse => ({
    ...{ deviceId: deviceId!, setting, value: start - by, why: 'too strong' },
    ...more,
  })
  const past = (on: string, ...levels: LevelUse[]): PastVisit => ({
    ...{ on, levers: [], answer: null, levels },
  })
  const fitted = (...visits: PastVisit[]) => {
    const history = [...given().history, ...visits]
    const plan = compile(given({ history }))
    const { step, level } = levelled(plan).find(({ step: { id } }) => id === first.step.id)!
    return { step, level }
  }

  test('lowered everywhere: the next plan begins there and says why', () => {
    const { step, level } = fitted(past('2026-11-01', use({})))
    expect(level.start).toBe(start - by)
    expect(step.deviceLevel!.says).toContain('too strong')
  })
  test('lowered at a place: it begins as fitted and says the place', () => {
    const { step, level } = fitted(past('2026-11-01', use({ zones: ['nose-bridge'] })))
    expect(level.start).toBe(start)
    expect(step.deviceLevel!.says).toMatch(/at (?:the )?nose/)
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
    expect(level.start).toBe(Math.max(level.least, start - 2 * by))
    expect(level.says).toContain('1 Nov 2026')
    expect(level.says!.match(/too strong/g)).toHaveLength(1)
  })
  test('another device, or a visit without, says nothing', () =>
    expect(fitted(past('2026-11-01', use({ deviceId: 'another' }))).level.says).toBeUndefined())
})
