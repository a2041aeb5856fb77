import type { PlacedSegment } from '../adapt/plan'

/** One pass more of what is repeated until its sign shows. `fitted`: a fit made since then has it in its lengths. */
export interface PassSaid {
  readonly segmentId: string
  readonly atMs: number
  readonly fitted?: true
}

/** Where a loop stands: which pass is in hand, and how many there may be. */
export interface LoopNow {
  readonly pass: number
  readonly most: number
}

const saidOf = (passes: readonly PassSaid[], { id }: Pick<PlacedSegment, 'id'>): PassSaid[] =>
  passes.filter(({ segmentId }) => segmentId === id)

/** The pass in hand of a segment that is repeated; undefined for one that is not. */
export function loopNow(
  passes: readonly PassSaid[],
  segment: Pick<PlacedSegment, 'id' | 'loop'>,
): LoopNow | undefined {
  const { loop } = segment
  if (!loop) return undefined
  return { pass: Math.min(loop.most, 1 + saidOf(passes, segment).length), most: loop.most }
}

/** How much longer a segment takes by passes that no fit knows of yet; milliseconds. What is said beyond its most adds nothing. */
export function morePassesMs(
  passes: readonly PassSaid[],
  segment: Pick<PlacedSegment, 'id' | 'loop'>,
): number {
  const { loop } = segment
  if (!loop) return 0
  const counted = saidOf(passes, segment).slice(0, loop.most - 1)
  return counted.filter(({ fitted }) => !fitted).length * loop.passS * 1000
}
