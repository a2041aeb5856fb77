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

/** What is drawn from one seed, in the order in which it is asked for: a seed names a ladder for good. */
interface Dice {
  readonly chance: (share: number) => boolean
  readonly int: (least: number, most: number) => number
  readonly some: <T>(items: readonly T[]) => T
}
function diceOf(seed: number): Dice {
  const random = seeded(seed)
  const int = (least: number, most: number) => least + Math.floor(random() * (most - least + 1))
  return {
    chance: (share) => random() < share,
    int,
    some: (items) => items[int(0, items.length - 1)]!,
  }
}

interface Size {
  readonly fixed: number
  readonly floating: number
}
const ZONES: readonly ZoneId[] = ['forehead', 'chin', 'lips', 'hands', 'scalp']

function drawnPart(
  { some }: Dice,
  id: string,
  kind: 'hands' | 'dwell',
  zones: readonly ZoneId[],
  [leastS, mostS]: readonly [number, number],
): Part {
  return {
    id,
    leastS,
    mostS,
    hands: kind === 'hands',
    at: 'client',
    needs: kind === 'dwell' ? some(['away', 'away', 'room', 'client'] as const) : 'away',
    zones,
    mayStretch: mostS > leastS,
  }
}
const exactly = (seconds: number) => [seconds, seconds] as const

/** A fixed step: hands, often a dwell that may stretch and its removal, sometimes a mix before it. */
function fixedChain(dice: Dice, at: number): Chain {
  const { chance, int, some } = dice
  const id = `f${at}`
  const zones = chance(0.75) ? (['forehead', 'chin'] as const) : [some(ZONES)]
  const dwells = chance(0.7)
  const least = int(4, 20)
  const parts = [drawnPart(dice, `${id}a`, 'hands', zones, exactly(int(1, 4)))]
  if (dwells) {
    const most = chance(0.6) ? least + int(0, 8) : least
    parts.push(drawnPart(dice, `${id}b`, 'dwell', zones, [least, most]))
    parts.push(drawnPart(dice, `${id}c`, 'hands', zones, exactly(int(1, 3))))
  }
  return chance(0.45) ? { id, parts, prepare: drawnMix(dice, id, at) } : { id, parts }
}

/** A mix: how long it stands, whether it rests, and whether it sets. */
function drawnMix(dice: Dice, id: string, at: number): NonNullable<Chain['prepare']> {
  const { chance, int } = dice
  const part = drawnPart(dice, `${id}p`, 'hands', [], exactly(int(1, 3)))
  return {
    part: { ...part, at: 'room' },
    potLifeS: int(0, 6),
    ...(at % 2 === 1 ? { restS: 1 } : {}),
    ...(chance(0.4) ? { workingS: int(2, 8) } : {}),
  }
}

type Hosts = NonNullable<Chain['hosts']>

/** A floating step, with the dwells it may hang under. */
function floatingChain(dice: Dice, at: number, dwells: Hosts): Chain {
  const { chance, int, some } = dice
  const id = `g${at}`
  const zones = [some(['lips', 'hands', 'scalp'] as const)]
  const inner = chance(0.5)
    ? [
        drawnPart(dice, `${id}b`, 'dwell', zones, exactly(int(2, 5))),
        drawnPart(dice, `${id}c`, 'hands', zones, exactly(1)),
      ]
    : []
  return {
    id,
    parts: [drawnPart(dice, `${id}a`, 'hands', zones, exactly(int(1, 4))), ...inner],
    hosts: dwells.filter(() => chance(0.8)),
    over: chance(0.3),
  }
}

/** A random small ladder: fixed steps with and without dwells, mixes with pot life and setting time, floating steps with hosts. */
export function randomLadder(seed: number, size: Size = { fixed: 4, floating: 2 }): PlacingProblem {
  const dice = diceOf(seed)
  const fixed = Array.from({ length: size.fixed }, (_, at) => fixedChain(dice, at))
  const dwells = fixed.flatMap((chain) =>
    chain.parts
      .filter((part) => !part.hands)
      .map((part) => ({ chainId: chain.id, partId: part.id })),
  )
  const count = dwells.length > 0 ? size.floating : 0
  const floating = Array.from({ length: count }, (_, at) => floatingChain(dice, at, dwells))
  return { chains: [...fixed, ...floating], lags: [] }
}

/** A device that is needed in another room at one moment. */
const nextDoor = (fromS: number): Chain => ({
  id: 'next-door',
  reservedFromS: fromS,
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
})

const besideOn = (chain: Chain, zone: ZoneId): Chain => ({
  ...chain,
  beside: 'pair',
  parts: chain.parts.map((part) => ({ ...part, zones: [zone] })),
})

/** The chain with the shared device in its first part. */
const usingDevice = (chain: Chain): Chain => ({
  ...chain,
  parts: chain.parts.map((part, at) => (at === 0 ? { ...part, device: 'panel' } : part)),
})

/** The same ladder with everything else a real day brings: steps side by side, a device that is needed next door, and times between steps. */
export function busyLadder(seed: number, size: Size = { fixed: 3, floating: 1 }): PlacingProblem {
  const { chains } = randomLadder(seed, size)
  const { chance, int } = diceOf(seed + 99_991)
  const fixed = chains.filter((chain) => !chain.hosts)
  const isBeside = chance(0.6) && fixed.length > 2
  const [first, other] = [int(0, fixed.length - 2), int(0, 1)]
  const [left, right] = isBeside ? [fixed[first], fixed[first + 1]] : []
  const laid = chains.map((chain) => {
    if (chain === left) return besideOn(chain, 'forehead')
    return chain === right ? besideOn(chain, 'chin') : chain
  })
  const user = laid[int(0, fixed.length - 1)]!
  const isReserved = chance(0.6)
  const next = nextDoor(int(0, 30))
  const withDevice = isReserved
    ? [...laid.map((chain) => (chain === user ? usingDevice(chain) : chain)), next]
    : laid
  const fromPart = fixed[other]!.parts.at(-1)!.id
  const toPart = fixed[other + 1]!.parts[0]!.id
  const lags = chance(0.5) ? [{ fromPart, toPart, minS: 0, maxS: int(0, 12) }] : []
  return { chains: withDevice, lags }
}
