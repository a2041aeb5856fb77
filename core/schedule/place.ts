import { handsOf, isFloating, isPinned, isReserved, leastSecondsOf, reservedIn } from './chain'
import { fixedEdges } from './edges'
import { DifferenceGraph } from './graph'
import { mixLate } from './mixing-time'
import { makespan, modelOf } from './model'
import type { Placed, Placing, PlacingProblem } from './problem'
import { beginSearch, runSearch, type Search } from './search'
import { withActualTimes } from './underway'

/** Search nodes before `place` stops and says so. */
export const PLACE_NODE_LIMIT = 20_000

/**
 * Places a ladder: the shortest visit that keeps every limit, proven where the search ends by itself. Among equally short ones
 * it looks for less stretching of dwells within a limit (not proven), then takes written order first by the order of branching.
 * Method: difference constraints solved by longest paths; branch over hosts and over pairs that still overlap; a branch whose
 * least makespan is no better than the best found is cut.
 */
export function place(given: PlacingProblem, nodeLimit = PLACE_NODE_LIMIT): Placing {
  const problem = withActualTimes(given)
  const model = modelOf(problem)
  const graph = new DifferenceGraph(model.size)
  for (const edge of fixedEdges(model)) {
    const clash = graph.add(edge)
    if (clash) return { kind: 'infeasible', clash, nodes: 1 }
  }
  const bound = Math.max(
    makespan(model, graph),
    handsLoad(problem),
    withoutFloating(problem, nodeLimit),
  )
  const search = beginSearch(model, bound, nodeLimit)
  runSearch(search, graph)
  return answerOf(search)
}

function answerOf({ model, best, bound, nodes, stopped, clash }: Search): Placing {
  if (!best) return stopped ? { kind: 'unfinished', nodes } : { kind: 'infeasible', clash, nodes }
  const gapS = stopped ? best.makespanS - bound : 0
  const kind = gapS > 0 ? 'feasible' : 'optimal'
  return { ...best, placed: mixedLate(model.problem, best.placed), kind, gapS, nodes }
}

/** What has been mixed stands where it was; everything else is mixed as late as it may be. */
function mixedLate(problem: PlacingProblem, placed: readonly Placed[]): Placed[] {
  const ahead = problem.chains.filter((chain) => !isPinned(problem, chain.prepare?.part))
  const elsewhere = reservedIn(problem)
  return mixLate(ahead, [...placed, ...elsewhere]).slice(0, placed.length)
}

/** One pair of hands: no visit is shorter than all its own hands-on work. */
const handsLoad = (problem: PlacingProblem): number =>
  problem.chains
    .filter((chain) => !isReserved(chain))
    .reduce(
      (sum, chain) => sum + leastSecondsOf(handsOf(chain)) + (chain.prepare?.part.leastS ?? 0),
      0,
    )

/** Without its enhancements a visit is no longer: the optimum of the fixed ladder alone bounds the whole. 0 when that says nothing. */
function withoutFloating(problem: PlacingProblem, nodeLimit: number): number {
  const fixed = problem.chains.filter((chain) => !isFloating(chain))
  if (fixed.length === problem.chains.length) return 0
  const known = new Set(fixed.flatMap((chain) => chain.parts.map((part) => part.id)))
  const lags = problem.lags.filter((lag) => known.has(lag.fromPart) && known.has(lag.toPart))
  const alone = place({ ...problem, chains: fixed, lags }, nodeLimit)
  return alone.kind === 'optimal' ? alone.makespanS : 0
}
