import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { runs } from '../../tests/runs'
import { withoutRoom } from './capacity'
import { place } from './place'
import type { Chain, Part } from './problem'

const part = (id: string, more: Partial<Part> = {}): Part => ({
  id,
  leastS: 60,
  mostS: 60,
  hands: true,
  at: 'client',
  needs: 'away',
  zones: [],
  mayStretch: false,
  ...more,
})
const mask = (at: number, seconds: number): Chain => ({
  id: `mask${at}`,
  parts: [
    part(`mask${at}/on`, { zones: ['forehead'] }),
    part(`mask${at}/dwell`, {
      hands: false,
      leastS: seconds,
      mostS: seconds,
      zones: ['forehead'],
    }),
    part(`mask${at}/off`, { zones: ['forehead'] }),
  ],
})
const hung = (at: number, seconds: number, masks: number): Chain => ({
  id: `hung${at}`,
  hosts: Array.from({ length: masks }, (_, n) => ({
    chainId: `mask${n}`,
    partId: `mask${n}/dwell`,
  })),
  parts: [part(`hung${at}/work`, { leastS: seconds, mostS: seconds, zones: ['hands'] })],
})
const family = (enhancements: readonly number[], dwells: readonly number[]) => ({
  chains: [
    ...dwells.map((seconds, at) => mask(at, seconds)),
    ...enhancements.map((seconds, at) => hung(at, seconds, dwells.length)),
  ],
  lags: [],
})
const times = (count: number, seconds: number) => Array.from({ length: count }, () => seconds)

describe('room under the dwells', () => {
  test.each([5, 6, 7, 8, 9, 10, 11, 12])(
    '%i enhancements under one mask less that hold one each: impossible at once, and by name',
    (m) => {
      const placing = place(family(times(m, 300), times(m - 1, 400)))
      expect(placing).toMatchObject({ kind: 'infeasible' })
      expect(placing.nodes).toBeLessThan(20)
      expect(placing.kind === 'infeasible' && placing.clash.join()).toContain('hung0, hung1')
    },
  )
  test.each([5, 8, 12])('%i big and three tiny ones: the big ones alone say it', (m) => {
    const placing = place(family([...times(m, 300), 30, 30, 30], times(m - 1, 330)))
    expect(placing).toMatchObject({ kind: 'infeasible' })
    expect(placing.nodes).toBeLessThan(20)
  })
  test('two to a mask, unequal ones', () => {
    expect(place(family([200, 200, 200, 100], [300, 300]))).toMatchObject({ kind: 'infeasible' })
    expect(place(family([200, 200, 100, 100], [300, 300])).kind).toBe('optimal')
  })
  test('every branch counts, the choice of hosts too', () => {
    const loose = family(times(7, 100), times(7, 400))
    expect(place(loose, 3)).toMatchObject({ kind: 'unfinished' })
  })

  // Brute force over every way of hanging: the test never calls impossible what has a way.
  const hangs = (loads: readonly number[], rooms: readonly number[]): boolean => {
    const [load, ...rest] = loads
    if (load === undefined) return true
    return rooms.some(
      (room, at) =>
        room >= load &&
        hangs(
          rest,
          rooms.map((other, n) => (n === at ? other - load : other)),
        ),
    )
  }
  test('it never names steps that could all hang', () => {
    const loads = fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 6 })
    const dwells = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 })
    let refused = 0
    let impossible = 0
    fc.assert(
      fc.property(loads, dwells, (some, rooms) => {
        const problem = family(some, rooms)
        const waiting = problem.chains.filter((chain) => chain.hosts)
        const isRefused = withoutRoom(problem, waiting, new Map()) !== undefined
        const isPossible = hangs(some, rooms)
        if (isRefused) refused++
        if (!isPossible) impossible++
        expect(isRefused && isPossible).toBe(false)
      }),
      { numRuns: runs(2000), seed: 41 },
    )
    // It sees most of what is impossible, without searching.
    expect(refused).toBeGreaterThan(impossible * 0.7)
  })
})
