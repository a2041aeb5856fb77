import type { Shelf } from '../catalog/model'
import { lint, type LintFinding } from '../protocol/linter'
import type { Step } from '../protocol/model'
import { presenceOf } from '../protocol/segments'
import { unrolled } from '../protocol/unroll'
import { subjectReader } from '../safety/subject'
import { makespanOf, placeKeeping, segmentsOf, withHygiene } from './lay'
import { mend } from './mend'
import type { PlacedSegment } from './plan'

/** A written ladder as it stands while it is being written. */
export interface Sketch {
  readonly segments: readonly PlacedSegment[]
  /** Undefined while no order keeps every limit; `problem` then says which clash. */
  readonly totalS: number | undefined
  readonly problem: string | undefined
  /** Seconds in which the practitioner's hands have nothing to do, and those of them in which they may leave the client. */
  readonly handsFreeS: number
  readonly mayLeaveS: number
  readonly findings: readonly (LintFinding & { readonly mended?: readonly Step[] })[]
  /** Enhancements that hang nowhere. */
  readonly withoutHost: readonly string[]
}

/** Places and checks a written ladder: loops as often as usual, hygiene where hands come back, one touch for what it can mend. */
export function sketch(steps: readonly Step[], shelf: Shelf, daytime: boolean): Sketch {
  const laid = placeKeeping(withHygiene(steps.map(unrolled)))
  const segments = segmentsOf(laid.steps, laid.placing)
  const read = subjectReader(shelf)
  const findings =
    steps.length === 0
      ? []
      : lint(steps.map(read), daytime).map((finding) => {
          const mended = mend(finding, steps, shelf, read)
          return mended ? { ...finding, mended } : finding
        })
  const totalS = makespanOf(laid.placing)
  const problem =
    laid.placing.kind === 'infeasible'
      ? `These limits clash: ${laid.placing.clash.join('; ')}.`
      : laid.placing.kind === 'stopped'
        ? 'No order was found in time.'
        : undefined
  return {
    segments,
    totalS,
    problem,
    ...freeOf(segments, laid.steps, totalS ?? 0),
    findings,
    withoutHost: laid.left.map((change) => change.stepId),
  }
}

function freeOf(
  segments: readonly PlacedSegment[],
  steps: readonly Step[],
  totalS: number,
): { handsFreeS: number; mayLeaveS: number } {
  const busy = segments.filter((part) => part.hands).sort((a, b) => a.startS - b.startS)
  const gaps: [number, number][] = []
  let now = 0
  for (const part of [...busy, { startS: totalS, endS: totalS }]) {
    if (part.startS > now) gaps.push([now, part.startS])
    now = Math.max(now, part.endS)
  }
  const held = new Set(
    steps.flatMap((step) =>
      step.segments
        .filter((part) => presenceOf(part) === 'client')
        .map((part) => `${step.id}/${part.id}`),
    ),
  )
  const heldS = segments
    .filter((part) => held.has(part.id))
    .reduce(
      (sum, part) =>
        sum +
        gaps.reduce(
          (inner, [from, to]) =>
            inner + Math.max(0, Math.min(to, part.endS) - Math.max(from, part.startS)),
          0,
        ),
      0,
    )
  const handsFreeS = gaps.reduce((sum, [from, to]) => sum + to - from, 0)
  return { handsFreeS, mayLeaveS: Math.max(0, handsFreeS - heldS) }
}
