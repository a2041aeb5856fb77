import { describe, expect, test } from 'vitest'
import { readingOf, seen } from '../../tests/situations'
import { asLastTime, READING_PRESETS, withPreset, type Finding, type Reading } from '.'

const gradeAt = ({ findings }: Reading, kind: Finding['kind'], zone: Finding['zones'][number]) =>
  findings.filter((one) => one.kind === kind && one.zones.includes(zone)).map(({ grade }) => grade)

describe('what is often seen together', () => {
  test('each preset once, with a name of its own, and nothing in it that has to be looked for', () => {
    expect(new Set(READING_PRESETS.map(({ name }) => name)).size).toBe(READING_PRESETS.length)
    const kinds = READING_PRESETS.flatMap(({ findings }) => findings.map(({ kind }) => kind))
    for (const kind of ['new-change', 'new-scars', 'deep-lesion', 'resilient'] as const)
      expect(kinds).not.toContain(kind)
  })
  test('puts its grades on its zones and leaves what else was seen; twice is once', () => {
    const preset = READING_PRESETS.find(({ id }) => id === 'congested-centre')!
    const before = readingOf(seen('congestion', 4, ['chin', 'forehead']), seen('lines', 1))
    const read = withPreset({ ...before, done: false }, preset)
    expect(read.done).toBe(true)
    expect(gradeAt(read, 'congestion', 'chin')).toEqual([2])
    expect(gradeAt(read, 'congestion', 'forehead')).toEqual([4])
    expect(gradeAt(read, 'lines', 'cheek-left')).toEqual([1])
    expect(withPreset(read, preset)).toEqual(read)
  })
  test('every preset leaves each zone one grade of a kind', () => {
    for (const first of READING_PRESETS)
      for (const second of READING_PRESETS) {
        const read = withPreset(withPreset(readingOf(), first), second)
        for (const { kind, zones } of read.findings)
          for (const zone of zones) expect(gradeAt(read, kind, zone)).toHaveLength(1)
      }
  })
})

test('as last time: the findings of then; a changed spot, new scars, deep lesions and pins are looked for anew', () => {
  const last = readingOf(seen('oily', 2), seen('new-change', 1), seen('deep-lesion', 1, ['chin']))
  const pinned = {
    ...{ id: 'a', view: 'front' as const, x: 0.5, y: 0.5, zone: 'chin' as const },
    ...{ type: 'papule' as const, painful: false, deep: false, head: false },
    decision: 'leave' as const,
  }
  const read = asLastTime({ ...readingOf(), done: false }, { ...last, lesions: [pinned] })
  expect(read.findings).toEqual([seen('oily', 2)])
  expect([read.done, read.lesions]).toEqual([true, []])
  read.findings[0]!.zones.push('chin')
  expect(last.findings[0]!.zones).not.toContain('chin')
})
