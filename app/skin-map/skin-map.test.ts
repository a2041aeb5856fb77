import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { FINDINGS, READ_ZONES, type FindingKind, type Reading, type ZoneId } from '#core/skin'
import { findingsInWords, gradesOf, othersOn, painted } from './reading'
import { MAP_HEIGHT, MAP_SHOWN, MAP_WIDTH, neighbour, VIEWS } from './shapes'

const EMPTY: Reading = { done: false, findings: [], lesions: [], meters: [] }

describe('the drawn map', () => {
  test.each(VIEWS.map((view) => [view.name, view] as const))(
    '%s: arrow keys come to every zone from every other',
    (_name, view) => {
      for (const start of view.zones) {
        const reached = new Set<ZoneId>([start.zone])
        const open: ZoneId[] = [start.zone]
        for (let zone = open.pop(); zone; zone = open.pop()) {
          for (const key of ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'] as const) {
            const next = neighbour(view.zones, zone, key)
            if (next && !reached.has(next)) {
              reached.add(next)
              open.push(next)
            }
          }
        }
        expect([...reached].sort()).toEqual(view.zones.map((shape) => shape.zone).sort())
      }
    },
  )
  test('an arrow goes the way it points, and stays at the edge', () => {
    const front = VIEWS[0]!.zones
    const at = (zone: ZoneId) => front.find((shape) => shape.zone === zone)!.label
    expect(at(neighbour(front, 'forehead', 'ArrowDown')!)[1]).toBeGreaterThan(at('forehead')[1])
    expect(at(neighbour(front, 'nose-bridge', 'ArrowLeft')!)[0]).toBeLessThan(at('nose-bridge')[0])
    expect(neighbour(front, 'forehead', 'ArrowUp')).toBeUndefined()
  })
  test('every zone that is read is on some view, and every grade stands in the part that is shown', () => {
    const drawn = new Set(VIEWS.flatMap((view) => view.zones.map((shape) => shape.zone)))
    expect(READ_ZONES.filter((zone) => !drawn.has(zone))).toEqual([])
    for (const { zones } of VIEWS) {
      for (const {
        label: [x, y],
      } of zones) {
        expect(
          x > 0 &&
            x < MAP_WIDTH &&
            y > MAP_SHOWN.top &&
            y < MAP_SHOWN.top + MAP_SHOWN.height &&
            y < MAP_HEIGHT,
        ).toBe(true)
      }
      expect(new Set(zones.map((shape) => shape.zone)).size).toBe(zones.length)
    }
  })
})

describe('painting', () => {
  test('paints, takes off what has the grade already, and takes off with grade 0', () => {
    const once = painted(EMPTY, 'flushing', ['cheek-left', 'chin'], 2)
    expect(Object.fromEntries(gradesOf(once, 'flushing'))).toEqual({ 'cheek-left': 2, chin: 2 })
    const more = painted(once, 'flushing', ['chin'], 3)
    expect(Object.fromEntries(gradesOf(more, 'flushing'))).toEqual({ 'cheek-left': 2, chin: 3 })
    expect(
      Object.fromEntries(gradesOf(painted(more, 'flushing', ['chin'], 3), 'flushing')),
    ).toEqual({ 'cheek-left': 2 })
    expect(painted(more, 'flushing', ['cheek-left', 'chin'], 0).findings).toEqual([])
    expect([EMPTY.done, more.done]).toEqual([false, true])
  })
  test('whatever is painted, no zone has two grades of one kind and other kinds stay', () => {
    const strokes = fc.array(
      fc.record({
        kind: fc.constantFrom<FindingKind>(...FINDINGS.slice(0, 6).map((finding) => finding.kind)),
        zones: fc.uniqueArray(fc.constantFrom(...READ_ZONES), { minLength: 1, maxLength: 6 }),
        grade: fc.integer({ min: 0, max: 4 }),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(strokes, (all) => {
        let reading = EMPTY
        for (const { kind, zones, grade } of all) {
          const others = reading.findings.filter((finding) => finding.kind !== kind)
          reading = painted(reading, kind, zones, grade)
          expect(reading.findings.filter((finding) => finding.kind !== kind)).toEqual(others)
          const listed = reading.findings
            .filter((finding) => finding.kind === kind)
            .flatMap((finding) => finding.zones)
          expect(new Set(listed).size).toBe(listed.length)
          expect(
            reading.findings.every((finding) => finding.grade >= 1 && finding.zones.length > 0),
          ).toBe(true)
        }
      }),
    )
  })
  test('in words, the strongest first; what else is on a zone', () => {
    const reading = painted(
      painted(EMPTY, 'congestion', ['chin'], 1),
      'flushing',
      ['chin', 'cheek-left'],
      3,
    )
    expect(findingsInWords(reading).map((word) => `${word.words}: ${word.where}`)).toEqual([
      expect.stringMatching(/^Flushing.* 3 of 4: /),
      expect.stringMatching(/^Congestion 1 of 4: chin$/),
    ])
    expect(othersOn(reading, 'congestion').get('chin')?.[0]).toMatch(/^flushing.* 3$/)
    expect(othersOn(reading, 'congestion').has('forehead')).toBe(false)
  })
})
