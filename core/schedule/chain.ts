import { ZONES, type ZoneId } from '../skin/zones'
import { nameOf, type Chain, type Part, type Placed, type PlacingProblem } from './problem'

/** Two stretches that may not overlap are each from the start of `first` to the end of `last`. */
export interface Stretch {
  readonly first: string
  readonly last: string
  readonly name: string
}

export const stretchOf = (part: Part): Stretch => ({
  first: part.id,
  last: part.id,
  name: nameOf(part),
})

/** From the first part that takes zones to the last one; undefined for a step that takes none. */
export function onSkin(chain: Chain): Stretch | undefined {
  const taking = chain.parts.filter((part) => part.zones.length > 0)
  const [first, last] = [taking[0], taking.at(-1)]
  return first && last && { first: first.id, last: last.id, name: nameOf(chain) }
}

export const isFloating = (chain: Chain): boolean => chain.hosts !== undefined
export const isReserved = (chain: Chain): boolean => chain.reservedFromS !== undefined
export const isPinned = ({ pins }: PlacingProblem, part: Part | undefined): boolean =>
  part !== undefined && (pins?.has(part.id) ?? false)

export const handsOf = (chain: Chain): readonly Part[] => chain.parts.filter((part) => part.hands)

/** All parts of a chain, its preparation first. */
export const partsOf = ({ prepare, parts }: Chain): readonly Part[] =>
  prepare ? [prepare.part, ...parts] : parts

export const zonesOf = (chain: Chain): ZoneId[] => [
  ...new Set(chain.parts.flatMap((part) => part.zones)),
]

export const leastSecondsOf = (parts: readonly Part[]): number =>
  parts.reduce((sum, part) => sum + part.leastS, 0)

/** Two fixed steps that are written to lie side by side, and can. */
export const liesBeside = (a: Chain, b: Chain): boolean =>
  a.beside !== undefined && a.beside === b.beside && !chainsMeet(a, b)

/** Two chains that share a zone. */
export function chainsMeet(a: Chain, b: Chain): boolean {
  const [one, other] = [maskOf(a), maskOf(b)]
  return ((one[0] & other[0]) | (one[1] & other[1])) !== 0
}

type ZoneMask = readonly [low: number, high: number]
const BITS = 30
const ZONE_BITS: ReadonlyMap<ZoneId, number> = new Map(ZONES.map((zone, at) => [zone, at]))
/** Zones of a chain as bits, thirty to a number; asked of every pair, so worked out once. */
const masks = new WeakMap<Chain, ZoneMask>()

function maskOf(chain: Chain): ZoneMask {
  const known = masks.get(chain)
  if (known) return known
  let [low, high] = [0, 0]
  for (const zone of chain.parts.flatMap((part) => part.zones)) {
    const bit = ZONE_BITS.get(zone)!
    if (bit < BITS) low |= 1 << bit
    else high |= 1 << (bit - BITS)
  }
  const mask = [low, high] as const
  masks.set(chain, mask)
  return mask
}

/** Devices and hands that are needed elsewhere stand where they stand. */
export const reservedIn = ({ chains }: PlacingProblem): Placed[] =>
  chains.flatMap(({ reservedFromS, parts }) =>
    reservedFromS === undefined
      ? []
      : parts.map(({ id, leastS }) => ({
          partId: id,
          startS: reservedFromS,
          endS: reservedFromS + leastS,
        })),
  )
