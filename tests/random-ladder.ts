import type { Chain, Part, PlacingProblem } from '#core/schedule'
import type { ZoneId } from '#core/skin'

/** Mulberry32: small, seeded, good enough to vary test data. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

const ZONES: readonly ZoneId[] = ['forehead', 'chin', 'lips', 'hands', 'scalp']

/** A random small ladder: fixed steps with and without dwells, mixes with pot life and setting time, floating steps with hosts. */
export function randomLadder(seed: number, size = { fixed: 4, floating: 2 }): PlacingProblem {
  const random = seeded(seed)
  const int = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  const some = <T>(items: readonly T[]): T => items[int(0, items.length - 1)]!
  const part = (
    id: string,
    kind: 'hands' | 'dwell',
    zones: readonly ZoneId[],
    leastS: number,
    mostS = leastS,
  ): Part => ({
    id,
    leastS,
    mostS,
    hands: kind === 'hands',
    at: 'client',
    needs: kind === 'dwell' ? some(['away', 'away', 'room', 'client'] as const) : 'away',
    zones,
    mayStretch: mostS > leastS,
  })
  const fixed = Array.from({ length: size.fixed }, (_, at): Chain => {
    const id = `f${at}`
    const zones = random() < 0.75 ? (['forehead', 'chin'] as const) : [some(ZONES)]
    const dwells = random() < 0.7
    const least = int(4, 20)
    const parts = [
      part(`${id}a`, 'hands', zones, int(1, 4)),
      ...(dwells
        ? [
            part(`${id}b`, 'dwell', zones, least, random() < 0.6 ? least + int(0, 8) : least),
            part(`${id}c`, 'hands', zones, int(1, 3)),
          ]
        : []),
    ]
    if (random() < 0.45)
      return {
        id,
        parts,
        prepare: {
          part: { ...part(`${id}p`, 'hands', [], int(1, 3)), at: 'room' },
          potLifeS: int(0, 6),
          ...(at % 2 === 1 ? { restS: 1 } : {}),
          ...(random() < 0.4 ? { workingS: int(2, 8) } : {}),
        },
      }
    return { id, parts }
  })
  const dwellsOf = fixed.flatMap((chain) =>
    chain.parts.filter((one) => !one.hands).map((one) => ({ chainId: chain.id, partId: one.id })),
  )
  const floating = Array.from(
    { length: dwellsOf.length > 0 ? size.floating : 0 },
    (_, at): Chain => {
      const id = `g${at}`
      const zones = [some(['lips', 'hands', 'scalp'] as const)]
      const inner =
        random() < 0.5
          ? [part(`${id}b`, 'dwell', zones, int(2, 5)), part(`${id}c`, 'hands', zones, 1)]
          : []
      return {
        id,
        parts: [part(`${id}a`, 'hands', zones, int(1, 4)), ...inner],
        hosts: dwellsOf.filter(() => random() < 0.8),
        over: random() < 0.3,
      }
    },
  )
  return { chains: [...fixed, ...floating], lags: [] }
}

/** The same ladder with everything else a real day brings: steps side by side, a device that is needed next door, and times between steps. */
export function busyLadder(seed: number, size = { fixed: 3, floating: 1 }): PlacingProblem {
  const { chains } = randomLadder(seed, size)
  const random = seeded(seed + 99_991)
  const int = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  const fixed = chains.filter((chain) => !chain.hosts)
  const beside = random() < 0.6 && fixed.length > 2
  const [one, other] = [int(0, fixed.length - 2), int(0, 1)]
  const on = (chain: Chain, zone: ZoneId): Chain => ({
    ...chain,
    beside: 'pair',
    parts: chain.parts.map((part) => ({ ...part, zones: [zone] })),
  })
  const laid = chains.map((chain): Chain =>
    beside && chain === fixed[one]
      ? on(chain, 'forehead')
      : beside && chain === fixed[one + 1]
        ? on(chain, 'chin')
        : chain,
  )
  const user = laid[int(0, fixed.length - 1)]!
  const reserved = random() < 0.6
  const withDevice = laid.map((chain) =>
    reserved && chain === user
      ? {
          ...chain,
          parts: chain.parts.map((part, at) => (at === 0 ? { ...part, device: 'panel' } : part)),
        }
      : chain,
  )
  const next: Chain = {
    id: 'next-door',
    reservedFromS: int(0, 30),
    parts: [
      {
        id: 'next-door-use',
        leastS: 8,
        mostS: 8,
        hands: false,
        at: 'client',
        needs: 'away',
        zones: [],
        mayStretch: false,
        device: 'panel',
      },
    ],
  }
  const lags =
    random() < 0.5
      ? [
          {
            fromPart: fixed[other]!.parts.at(-1)!.id,
            toPart: fixed[other + 1]!.parts[0]!.id,
            minS: 0,
            maxS: int(0, 12),
          },
        ]
      : []
  return { chains: reserved ? [...withDevice, next] : withDevice, lags }
}
