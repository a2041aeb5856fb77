import { isFloating, partsOf, reservedIn } from './chain'
import { fixedEdges } from './edges'
import { endOf, modelOf, startOf, type Model } from './model'
import type { Pair } from './pairs'
import { nameOf, type Chain, type Placed, type PlacingProblem } from './problem'
import { withActualTimes } from './underway'

/** What stands against times that somebody else found. Without breaches they keep every limit, and `hosts` says what hangs under what. */
export interface Reading {
  readonly breaches: readonly string[]
  /** Floating step → the dwell it hangs under. */
  readonly hosts: ReadonlyMap<string, string>
}

/** Seconds of the model's nodes, from the times that were told. */
type Seconds = ReadonlyMap<number, number>

/**
 * Reads given times against every limit of a placing problem, without any search: lengths, order, lags, what has begun, one pair of hands,
 * somebody near, one layer at a time, one device, and what hangs under what. Sentences; empty where all hold.
 */
export function readPlacing(given: PlacingProblem, placed: readonly Placed[]): Reading {
  const problem = withActualTimes(given)
  const model = modelOf(problem)
  const strange = otherParts(problem, placed)
  if (strange.length > 0) return { breaches: strange, hosts: new Map() }
  const seconds: Seconds = new Map([
    [0, 0],
    ...[...placed, ...reservedIn(problem)].flatMap(
      ({ partId, startS, endS }): [number, number][] => [
        [startOf(model, partId), startS],
        [endOf(model, partId), endS],
      ],
    ),
  ])
  const under = problem.chains.filter(isFloating).map((chain) => ({
    chain,
    dwells: dwellsOver(chain, model, seconds),
  }))
  const nowhere = under.filter(({ dwells }) => dwells.length === 0)
  return {
    breaches: [
      ...fixedBreaches(model, seconds),
      ...nowhere.map(({ chain }) => `${nameOf(chain)} hangs under nothing that admits it`),
      ...model.pairs.filter((pair) => overlaps(pair, model, seconds)).map(inWords),
    ],
    hosts: new Map(
      under.flatMap(({ chain, dwells }) => (dwells[0] ? [[chain.id, dwells[0].partId]] : [])),
    ),
  }
}

/** Parts that the ladder does not have, has not been told of, or was told of twice. */
function otherParts({ chains }: PlacingProblem, placed: readonly Placed[]): string[] {
  const wanted = chains.filter((chain) => chain.reservedFromS === undefined).flatMap(partsOf)
  const told = new Map(placed.map((part) => [part.partId, part]))
  const known = new Set(wanted.map((part) => part.id))
  return [
    ...wanted.filter((part) => !told.has(part.id)).map((part) => `${nameOf(part)} has no time`),
    ...placed.filter((part) => !known.has(part.partId)).map((part) => `${part.partId} is no part`),
    ...(told.size < placed.length ? ['a part has two times'] : []),
  ]
}

/** Every limit that the ladder itself fixes, as a difference of two times. */
const fixedBreaches = (model: Model, seconds: Seconds): string[] =>
  [...fixedEdges(model)]
    .filter(({ from, to, weight }) => secondOf(seconds, to) - secondOf(seconds, from) < weight)
    .map(({ why }) => why || 'something comes before its time')

const secondOf = (seconds: Seconds, node: number): number => seconds.get(node)!

/** Dwells that admit a step and within which it lies; where it may not lie over its host, only those on other zones. */
function dwellsOver(chain: Chain, model: Model, seconds: Seconds): NonNullable<Chain['hosts']> {
  const fromS = secondOf(seconds, startOf(model, chain.parts[0]!.id))
  const toS = secondOf(seconds, endOf(model, chain.parts.at(-1)!.id))
  return chain.hosts!.filter(
    ({ partId }) =>
      secondOf(seconds, startOf(model, partId)) <= fromS &&
      toS <= secondOf(seconds, endOf(model, partId)),
  )
}

function overlaps({ a, b, over }: Pair, model: Model, seconds: Seconds): boolean {
  const [fromA, toA] = [
    secondOf(seconds, startOf(model, a.first)),
    secondOf(seconds, endOf(model, a.last)),
  ]
  const [fromB, toB] = [
    secondOf(seconds, startOf(model, b.first)),
    secondOf(seconds, endOf(model, b.last)),
  ]
  if (Math.max(fromA, fromB) >= Math.min(toA, toB)) return false
  const chain = over && model.problem.chains.find(({ id }) => id === over.chainId)
  const lies =
    chain && dwellsOver(chain, model, seconds).some(({ chainId }) => chainId === over.hostId)
  return !lies
}

const inWords = ({ a, b, why }: Pair): string => `${a.name} and ${b.name} at once: ${why}`
