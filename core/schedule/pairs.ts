import {
  chainsMeet,
  handsOf,
  isFloating,
  isPinned,
  isReserved,
  liesBeside,
  onSkin,
  stretchOf,
  type Stretch,
} from './chain'
import { nameOf, present, type Chain, type Part, type PlacingProblem } from './problem'

/** Two stretches that may not overlap. */
export interface Pair {
  readonly a: Stretch
  readonly b: Stretch
  readonly why: string
  /** May overlap while this floating step hangs under that chain and lies over it. */
  readonly over?: { readonly chainId: string; readonly hostId: string }
}

/** Every pair that may not overlap and whose order neither the card nor what has begun decides, in written order. */
export function pairsOfProblem(problem: PlacingProblem): Pair[] {
  const pairs = [
    ...handPairs(problem),
    ...presencePairs(problem),
    ...zonePairs(problem),
    ...devicePairs(problem),
  ]
  return pairs.filter((pair) => !bothBegun(problem, pair))
}

/** What has begun together is on the skin together: no order is left to decide. */
const bothBegun = ({ pins }: PlacingProblem, { a, b }: Pair): boolean =>
  (pins?.has(a.first) ?? false) && (pins?.has(b.first) ?? false)

interface HandPart {
  readonly part: Part
  readonly chain: Chain
  /** Its place among the others' hands is the search's to find. */
  readonly free: boolean
}

/** Hands-on parts whose order the ladder does not fix: those of floating steps, of other clients, and all preparations. */
function handPairs(problem: PlacingProblem): Pair[] {
  const parts = problem.chains.flatMap((chain) => handPartsOf(chain, problem))
  const undecided = (a: HandPart, b: HandPart): boolean =>
    a.chain !== b.chain &&
    (a.free || b.free || liesBeside(a.chain, b.chain)) &&
    !(isReserved(a.chain) && isReserved(b.chain))
  return pairsOf(parts, undecided).map(([a, b]) => ({
    a: stretchOf(a.part),
    b: stretchOf(b.part),
    why: 'one pair of hands',
  }))
}

function handPartsOf(chain: Chain, problem: PlacingProblem): HandPart[] {
  // What has begun side by side is ordered by nothing but its hands; what hands do at another client by its clock.
  const free = isFloating(chain) || isReserved(chain) || isPinned(problem, chain.parts[0])
  const preparing = chain.prepare ? [{ part: chain.prepare.part, chain, free: true }] : []
  return [...preparing, ...handsOf(chain).map((part) => ({ part, chain, free }))]
}

/** One device in one place at a time: what is reserved elsewhere, and floating steps that need it too. Fixed steps of one visit follow one another anyway. */
function devicePairs(problem: PlacingProblem): Pair[] {
  const using = problem.chains.flatMap((chain) =>
    chain.parts.filter((part) => part.device !== undefined).map((part) => ({ part, chain })),
  )
  const isOpen = (chain: Chain) => isFloating(chain) || isReserved(chain)
  const undecided = pairsOf(
    using,
    (a, b) =>
      a.chain !== b.chain &&
      a.part.device === b.part.device &&
      (isOpen(a.chain) || isOpen(b.chain)) &&
      !(isReserved(a.chain) && isReserved(b.chain)),
  )
  return undecided.map(([a, b]) => ({
    a: stretchOf(a.part),
    b: stretchOf(b.part),
    why: 'the device is needed elsewhere',
  }))
}

/** A dwell that needs somebody near, and hands-on parts that are too far from it. */
function presencePairs(problem: PlacingProblem): Pair[] {
  const watched = problem.chains.flatMap((chain) =>
    chain.parts
      .filter((part) => !part.hands && part.needs !== 'away')
      .map((part) => ({ part, chain })),
  )
  const hands = problem.chains.flatMap((chain) => {
    const preparing = chain.prepare ? [chain.prepare.part] : []
    return [...preparing, ...handsOf(chain)].map((part) => ({ part, chain }))
  })
  return watched.flatMap((dwell) =>
    hands
      .filter((hand) => hand.chain !== dwell.chain && !present(hand.part.at, dwell.part.needs))
      .map((hand) => ({
        a: stretchOf(dwell.part),
        b: stretchOf(hand.part),
        why: `somebody stays during ${nameOf(dwell.part)}`,
      })),
  )
}

/** Steps on shared zones follow one another; the written order decides for two fixed steps (see `fixedEdges`). */
function zonePairs(problem: PlacingProblem): Pair[] {
  const undecided = pairsOf(problem.chains, (a, b) => isFloating(a) || isFloating(b))
  return undecided.flatMap(([a, b]) => zonePair(a, b) ?? [])
}

function zonePair(a: Chain, b: Chain): Pair | undefined {
  const [first, second] = [onSkin(a), onSkin(b)]
  if (!first || !second || !chainsMeet(a, b)) return undefined
  const why = 'one layer at a time on a zone'
  return { a: first, b: second, why, ...liesOver(a, b), ...liesOver(b, a) }
}

const liesOver = (a: Chain, b: Chain): Pick<Pair, 'over'> =>
  a.over && a.hosts?.some((host) => host.chainId === b.id)
    ? { over: { chainId: a.id, hostId: b.id } }
    : {}

function pairsOf<T>(items: readonly T[], wanted: (a: T, b: T) => boolean): [T, T][] {
  return items.flatMap((a, at) => {
    const later = items.slice(at + 1).filter((b) => wanted(a, b))
    return later.map((b): [T, T] => [a, b])
  })
}
