import { isPinned } from './chain'
import type { Part, Pin, PlacingProblem } from './problem'

const OVERRUN_S = 4 * 3600

/** Parts that have begun get the length they really had; one that still runs is as long as it has been, at least. */
export function withActualTimes(problem: PlacingProblem): PlacingProblem {
  if (!problem.pins) return problem
  const actual = (part: Part): Part =>
    isPinned(problem, part) ? atLength(part, problem.pins!.get(part.id)!, problem) : part
  return {
    ...problem,
    chains: problem.chains.map((chain) => ({
      ...chain,
      parts: chain.parts.map(actual),
      ...(chain.prepare ? { prepare: { ...chain.prepare, part: actual(chain.prepare.part) } } : {}),
    })),
  }
}

function atLength(part: Part, pin: Pin, { notBeforeS = 0, overrun }: PlacingProblem): Part {
  if (pin.endS !== undefined) {
    const lengthS = Math.max(0, pin.endS - pin.startS)
    return { ...part, leastS: lengthS, mostS: lengthS }
  }
  const leastS = Math.max(part.leastS, notBeforeS - pin.startS)
  const mostS = overrun ? leastS + OVERRUN_S : Math.max(part.mostS, leastS)
  return { ...part, leastS, mostS }
}
