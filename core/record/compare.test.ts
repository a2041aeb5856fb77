import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compareReadings, lesionWords, moveWords, pairRungs, railsOf, signsSeen } from '.'
import { CHEEKS, FINDING_KINDS, ZONES, type Finding } from '../skin'

const seen = (kind: Finding['kind'], grade: number, zones: Finding['zones']): Finding => ({
  kind,
  grade,
  zones,
})

describe('two readings', () => {
  test('what fell, rose and stayed, zones that moved alike together', () => {
    const { fell, rose, same } = compareReadings(
      [
        seen('patchy-pigment', 3, [...CHEEKS]),
        seen('flushing', 1, ['chin']),
        seen('dry', 2, ['chin']),
      ],
      [
        seen('marks', 2, [...CHEEKS]),
        seen('vessels', 2, ['chin']),
        seen('dehydrated', 2, ['chin']),
      ],
    )
    expect(fell.map(moveWords)).toEqual(['pigment, cheeks: 3, then 2'])
    expect(rose.map(moveWords)).toEqual(['redness, chin: 1, then 2'])
    expect(same.map(moveWords)).toEqual(['dryness, chin: 2'])
  })
  test('what went and what came are said as not seen', () => {
    expect(compareReadings([seen('oily', 2, ['chin'])], []).fell.map(moveWords)).toEqual([
      'oil, chin: 2, then not seen',
    ])
    expect(compareReadings([], [seen('oily', 2, ['chin'])]).rose.map(moveWords)).toEqual([
      'oil, chin: not seen, then 2',
    ])
  })
  test('turned round, what fell rose; every zone of every sign is told once', () => {
    const finding = fc.record({
      kind: fc.constantFrom(...FINDING_KINDS),
      grade: fc.integer({ min: 1, max: 4 }),
      zones: fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 6 }),
    })
    const reading = fc.array(finding, { maxLength: 6 })
    fc.assert(
      fc.property(reading, reading, (before, after) => {
        const there = compareReadings(before, after)
        const back = compareReadings(after, before)
        const turned = (moves: typeof there.fell) =>
          moves
            .map(({ sign, zones, from, to }) => `${sign} ${[...zones].sort()} ${to} ${from}`)
            .sort()
        const plain = (moves: typeof there.fell) =>
          moves
            .map(({ sign, zones, from, to }) => `${sign} ${[...zones].sort()} ${from} ${to}`)
            .sort()
        expect(turned(there.fell)).toEqual(plain(back.rose))
        const told = [...there.fell, ...there.rose, ...there.same].flatMap(({ sign, zones }) =>
          zones.map((zone) => `${sign} ${zone}`),
        )
        expect(new Set(told).size).toBe(told.length)
        expect(new Set(told.map((one) => one.split(' ')[0]))).toEqual(
          new Set(signsSeen([before, after])),
        )
      }),
      { numRuns: 800 },
    )
  })
})

describe('two ladders', () => {
  const rungs = (names: string) => [...names].map((title) => ({ title }))
  const shown = (pairs: ReturnType<typeof pairRungs<{ title: string }>>) =>
    pairs.map(({ before, after }) => `${before?.title ?? '-'}${after?.title ?? '-'}`).join(' ')

  test('the same rungs stand level, what came and went between them', () => {
    expect(shown(pairRungs(rungs('acemn'), rungs('abemn')))).toBe('aa c- -b ee mm nn')
  })
  test('every rung once, in both orders, with as many level as brute force finds', () => {
    const names = fc.string({ unit: fc.constantFrom('a', 'b', 'c', 'd'), maxLength: 8 })
    const common = (one: string, other: string): number => {
      if (one === '' || other === '') return 0
      const [first, ...rest] = one
      const at = other.indexOf(first!)
      const without = common(rest.join(''), other)
      return at === -1 ? without : Math.max(without, 1 + common(rest.join(''), other.slice(at + 1)))
    }
    fc.assert(
      fc.property(names, names, (one, other) => {
        const pairs = pairRungs(rungs(one), rungs(other))
        expect(pairs.flatMap(({ before }) => before?.title ?? []).join('')).toBe(one)
        expect(pairs.flatMap(({ after }) => after?.title ?? []).join('')).toBe(other)
        expect(pairs.filter(({ before, after }) => before && after)).toHaveLength(
          common(one, other),
        )
      }),
      { numRuns: 1500 },
    )
  })
})

test('lesions by what became of them', () => {
  const lesion = { id: 'a', view: 'front', x: 0.5, y: 0.5, zone: 'chin', type: 'papule' } as const
  const flags = { painful: false, deep: false, head: true }
  expect(
    lesionWords([
      { ...lesion, ...flags, decision: 'ready', outcome: 'emptied' },
      { ...lesion, ...flags, decision: 'ready', outcome: 'emptied' },
      { ...lesion, ...flags, decision: 'leave' },
    ]),
  ).toBe('2 emptied, 1 left alone')
  expect(lesionWords([])).toBe('')
})

test('a lever that two steps used stands as high as the higher, and stung where one did', () => {
  const levers = [
    { lever: 'acid' as const, rung: 1 },
    { lever: 'acid' as const, rung: 3, stung: true as const },
    { lever: 'acid' as const, rung: 2 },
  ]
  const [rail, ...others] = railsOf([{ id: 'v', on: '2026-10-01', levers, suggestions: [] }])
  expect(rail!.points).toMatchObject([{ rung: 3, stung: true }])
  expect(others).toEqual([])
})

test('a rail for each lever that was used: what it stood on, what held it, where it fell', () => {
  const visit = (id: string, rung: number | undefined, move: 'hold' | 'up' | 'down' = 'up') => ({
    id,
    on: `2026-0${id}-01`,
    levers: rung === undefined ? [] : [{ lever: 'acid' as const, rung }],
    suggestions: [{ lever: 'acid' as const, move, rung: rung ?? 1 }],
  })
  const [rail, ...others] = railsOf([
    visit('1', 1),
    visit('2', 2),
    visit('3', undefined),
    visit('4', 1, 'down'),
  ])
  expect(others).toEqual([])
  expect(
    rail!.points.map(({ visitId, rung, isHeld, wentDown }) => [visitId, rung, isHeld, wentDown]),
  ).toEqual([
    ['1', 1, false, false],
    ['2', 2, false, false],
    ['4', 1, true, true],
  ])
})
