import { runs } from '../../tests/runs'
import fc from 'fast-check'
import Color from 'colorjs.io'
import { describe, expect, test } from 'vitest'
import {
  deltaE2000,
  hexOf,
  labOf,
  METER_SCALE,
  METERS,
  probeSamples,
  suggestDecision,
  summarise,
  ZONE_GROUPS,
  ZONES,
  zonesInWords,
  zonesMeet,
  sharedZones,
  type Reading,
  type ZoneId,
  FACE,
  NOSE,
} from '.'

describe('colour', () => {
  // Sharma, Wu & Dalal, Color Res Appl 2005;30:21–30, pairs of table 1 (values from memory).
  test.each([
    [[50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    [[50, 3.1571, -77.2803], [50, 0, -82.7485], 2.8615],
    [[50, 2.8361, -74.02], [50, 0, -82.7485], 3.4412],
    [[50, -1.3802, -84.2814], [50, 0, -82.7485], 1],
    [[50, 0, 0], [50, -1, 2], 2.3669],
    [[50, 2.5, 0], [50, 0, -2.5], 4.3065],
  ] as const)('ΔE2000 of %o and %o is %f', ([L1, a1, b1], [L2, a2, b2], expected) =>
    expect(deltaE2000({ L: L1, a: a1, b: b1 }, { L: L2, a: a2, b: b2 })).toBeCloseTo(expected, 4),
  )
  test('ΔE2000 is that of an independent colour library', () => {
    const lab = fc.record({
      L: fc.double({ min: 10, max: 95, noNaN: true }),
      a: fc.double({ min: -60, max: 60, noNaN: true }),
      b: fc.double({ min: -60, max: 60, noNaN: true }),
    })
    // The library takes a chroma of nearly nothing for none; greys are in the published pairs above.
    const coloured = lab.filter(({ a, b }) => Math.hypot(a, b) > 0.01)
    fc.assert(
      fc.property(coloured, coloured, (one, two) => {
        // Its "lab" is D50 by name, but the formula takes the three numbers as they are.
        const theirs = new Color('lab', [one.L, one.a, one.b]).deltaE2000(
          new Color('lab', [two.L, two.a, two.b]),
        )
        expect(deltaE2000(one, two)).toBeCloseTo(theirs, 6)
      }),
      { numRuns: runs(300), seed: 41 },
    )
  })
  test('sRGB to CIELAB and back, against an independent colour library', () => {
    for (const hex of ['#f1d3be', '#c68863', '#8d5524', '#4a2c17', '#ffffff', '#000000']) {
      const ours = labOf(hex)!
      const theirs = new Color(hex).to('lab-d65').coords
      for (const [at, value] of [ours.L, ours.a, ours.b].entries())
        expect(value).toBeCloseTo(Number(theirs[at]), 2)
      expect(hexOf(ours)).toBe(hex)
    }
    expect(labOf('no colour')).toBeUndefined()
  })
})

describe('one lesion', () => {
  // Ready: superficial, white or open. Leave: deep, painful, no head. Refer: changed (common practice, no source).
  test.each([
    ['open-comedone', false, false, true, 'ready'],
    ['closed-comedone', false, false, false, 'ready'],
    ['pustule', false, false, true, 'ready'],
    ['pustule', true, false, true, 'ready'],
    ['pustule', true, false, false, 'leave'],
    ['papule', true, false, false, 'leave'],
    ['papule', false, false, false, 'leave'],
    ['pustule', false, true, true, 'leave'],
    ['nodule', true, true, false, 'leave'],
    ['nodule', false, false, true, 'leave'],
    ['ingrown', false, false, false, 'ready'],
    ['milium', false, false, false, 'leave'],
    ['mark', false, false, false, 'leave'],
    ['changed', false, false, true, 'refer'],
  ] as const)('%s, painful %s, deep %s, head %s: %s', (type, painful, deep, head, decision) => {
    const suggested = suggestDecision({ type, painful, deep, head })
    expect(suggested.decision).toBe(decision)
    expect(suggested.why).toMatch(/\.$/)
  })
})

describe('the skin in words', () => {
  const reading = (more: Partial<Reading>): Reading => ({
    done: true,
    findings: [],
    lesions: [],
    meters: [],
    ...more,
  })
  const words = (more: Partial<Reading>) => {
    const { type, conditions } = summarise(reading(more))
    return [type.word, ...conditions.map((condition) => condition.word)]
  }
  test('oily and dehydrated stand side by side, each with its evidence', () => {
    const summary = summarise(
      reading({
        findings: [
          { kind: 'oily', grade: 3, zones: [...FACE] },
          { kind: 'dehydrated', grade: 2, zones: ['cheek-left', 'cheek-right'] },
        ],
      }),
    )
    expect([summary.type.word, summary.conditions.map((condition) => condition.word)]).toEqual([
      'oily',
      ['dehydrated'],
    ])
    expect(summary.conditions[0]!.evidence).toEqual([
      'Dehydrated, lacks water 2 of 4, left cheek, right cheek',
    ])
  })
  test('oil on the T-zone alone is combination', () =>
    expect(
      words({ findings: [{ kind: 'oily', grade: 2, zones: [...NOSE, 'forehead', 'chin'] }] }),
    ).toEqual(['combination']))
  test('meters speak too', () =>
    expect(
      words({
        meters: [
          { kind: 'sebum', zone: 'cheek-left', value: 20, source: 'probe' },
          { kind: 'hydration', zone: 'cheek-left', value: 30, source: 'typed' },
          { kind: 'redness', zone: 'cheek-left', value: 61, source: 'probe' },
        ],
      }),
    ).toEqual(['dry', 'dehydrated', 'reactive']))
  test('on the edge a meter is silent', () =>
    expect(
      words({
        meters: [
          { kind: 'sebum', zone: 'cheek-left', value: 35, source: 'probe' },
          { kind: 'redness', zone: 'chin', value: 60, source: 'probe' },
        ],
      }),
    ).toEqual(['normal']))
  test('a few vessels of grade 1 are not reactive', () =>
    expect(words({ findings: [{ kind: 'vessels', grade: 1, zones: ['nose-side-left'] }] })).toEqual(
      ['normal'],
    ))
  test('nothing read says so', () =>
    expect(summarise({ done: false, findings: [], lesions: [], meters: [] }).type).toEqual({
      word: 'not read',
      evidence: [],
    }))
  test('pins are evidence of inflammation', () => {
    const pin = {
      id: 'a',
      view: 'front' as const,
      x: 0.5,
      y: 0.5,
      zone: 'chin' as const,
      type: 'papule' as const,
      painful: false,
      deep: false,
      head: false,
      decision: 'leave' as const,
    }
    expect(summarise(reading({ lesions: [pin] })).conditions).toEqual([
      { word: 'inflamed', evidence: ['1 inflamed lesion on the map'] },
    ])
  })
})

describe('zones', () => {
  const some = fc.uniqueArray(fc.constantFrom(...ZONES), { maxLength: 12 })
  test('two lists meet exactly when they share a zone', () => {
    fc.assert(
      fc.property(some, some, (a: ZoneId[], b: ZoneId[]) => {
        expect(zonesMeet(a, b)).toBe(sharedZones(a, b).length > 0)
      }),
      { numRuns: runs(500), seed: 42 },
    )
  })
  test('groups are made of zones, and said before single ones', () => {
    for (const group of ZONE_GROUPS) for (const zone of group.zones) expect(ZONES).toContain(zone)
    expect(zonesInWords([...FACE, 'chin', 'decollete'])).toBe('face, décolleté')
    expect(zonesInWords(['nose-side-right', 'nose-bridge', 'nose-side-left', 'lips'])).toBe(
      'nose, lips',
    )
  })
})

describe('the simulated probe', () => {
  const settled = (
    kind: (typeof METERS)[number],
    zone: ZoneId,
    seed: number,
    noise = () => 0.5,
  ) => {
    for (const sample of probeSamples(kind, zone, seed, noise))
      if (sample.steady) return sample.value
    throw new Error('never steady')
  }
  test.each(METERS.map((kind) => [kind]))(
    '%s settles on one value of its scale, the same for one skin, another for others',
    (kind) => {
      const { least, most } = METER_SCALE[kind]
      const values = [1, 2, 3, 4, 5].map((seed) => settled(kind, 'chin', seed))
      for (const value of values) expect(value >= least && value <= most).toBe(true)
      expect(settled(kind, 'chin', 3)).toBe(values[2])
      expect(new Set(values).size).toBeGreaterThan(1)
      expect(settled(kind, 'forehead', 3)).not.toBe(values[2])
    },
  )
  test('comes from away and stays within its noise', () => {
    const samples = probeSamples('hydration', 'chin', 7, () => 0.5)
    const values = Array.from(
      { length: 20 },
      () => (samples.next().value as { value: number }).value,
    )
    expect(values[0]! - values[19]!).toBeCloseTo(20, 0)
    expect(new Set(values.slice(8)).size).toBe(1)
    const [low, high] = [
      settled('hydration', 'chin', 7, () => 0),
      settled('hydration', 'chin', 7, () => 1),
    ]
    expect(high - low).toBeLessThanOrEqual(1.1)
  })
})
