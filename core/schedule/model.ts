import { isReserved, partsOf } from './chain'
import type { DifferenceGraph } from './graph'
import { pairsOfProblem, type Pair } from './pairs'
import { nameOf, type Chain, type Part, type Placed, type PlacingProblem } from './problem'

interface PartOfModel {
  readonly part: Part
  readonly chain: Chain
}

/** A placing problem as nodes of a difference graph. */
export interface Model {
  readonly problem: PlacingProblem
  /** Part id → node of its start; its end is the next node. Node 0 is time 0. */
  readonly node: ReadonlyMap<string, number>
  readonly parts: ReadonlyMap<string, PartOfModel>
  /** Pairs that may not overlap, undecided by written order, in written order. */
  readonly pairs: readonly Pair[]
  readonly size: number
}

export function modelOf(problem: PlacingProblem): Model {
  const node = new Map<string, number>()
  const parts = new Map<string, PartOfModel>()
  let next = 1
  for (const chain of problem.chains) {
    for (const part of partsOf(chain)) {
      node.set(part.id, next)
      parts.set(part.id, { part, chain })
      next += 2
    }
  }
  return { problem, node, parts, pairs: pairsOfProblem(problem), size: next }
}

export const startOf = (model: Model, partId: string): number => model.node.get(partId)!
export const endOf = (model: Model, partId: string): number => model.node.get(partId)! + 1
export const nameIn = (model: Model, partId: string): string =>
  nameOf(model.parts.get(partId)!.part)

/** Seconds to the end of the last part that belongs to the visit. */
export function makespan(model: Model, graph: DifferenceGraph): number {
  let span = 0
  for (const [id, { chain }] of model.parts) {
    if (!isReserved(chain)) span = Math.max(span, graph.least[endOf(model, id)]!)
  }
  return span
}

/** Seconds by which dwells last longer than fitted. */
export function stretchedSeconds(model: Model, graph: DifferenceGraph): number {
  let sum = 0
  for (const [id, { part }] of model.parts) {
    sum += graph.least[endOf(model, id)]! - graph.least[startOf(model, id)]! - part.leastS
  }
  return sum
}

export const placedIn = (model: Model, graph: DifferenceGraph): Placed[] =>
  [...model.parts]
    .filter(([, { chain }]) => !isReserved(chain))
    .map(([partId]) => ({
      partId,
      startS: graph.least[startOf(model, partId)]!,
      endS: graph.least[endOf(model, partId)]!,
    }))
