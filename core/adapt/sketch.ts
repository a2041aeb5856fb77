import type { Shelf } from '../catalog/model'
import { shortRhythm, type ShortRhythm } from '../climb'
import { lint, type LintFinding } from '../protocol/linter'
import type { Course, Step } from '../protocol/model'
import { presenceOf } from '../protocol/segments'
import { unrolled } from '../protocol/unroll'
import type { Placing } from '../schedule/problem'
import { subjectReader } from '../strength'
import { partId } from './ladder'
import { makespanOf, placeKeeping, segmentsOf, withHygiene } from './lay'
import { mend } from './mend'
import type { PlacedSegment } from './plan'
import type { Reservation } from './wish'

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
  /** Its course is shorter than its own work allows. */
  readonly rhythm: ShortRhythm | undefined
  /** Enhancements that hang nowhere. */
  readonly withoutHost: readonly string[]
}

/** Places and checks a written ladder: loops as often as usual, hygiene where hands come back, one touch for what it can mend. */
export function sketch(
  steps: readonly Step[],
  shelf: Shelf,
  daytime: boolean,
  course?: Course,
): Sketch {
  const laid = placeKeeping(withHygiene(steps.map(unrolled)))
  const segments = segmentsOf(laid.steps, laid.placing)
  const totalS = makespanOf(laid.placing)
  return {
    segments,
    totalS,
    problem: problemOf(laid.placing),
    ...freeOf(segments, laid.steps, totalS ?? 0),
    findings: findingsOf(steps, shelf, daytime),
    rhythm: course && shortRhythm(course, steps.map(subjectReader(shelf))),
    withoutHost: laid.left.map((change) => change.stepId),
  }
}

/** A written ladder around what is needed elsewhere, hands above all; undefined where not all of it finds a place. */
export function ladderAround(
  steps: readonly Step[],
  reserved: readonly Reservation[],
): { readonly segments: readonly PlacedSegment[]; readonly totalS: number } | undefined {
  const laid = placeKeeping(withHygiene(steps.map(unrolled)), undefined, reserved)
  const totalS = makespanOf(laid.placing)
  if (totalS === undefined || laid.left.length > 0) return undefined
  return { segments: segmentsOf(laid.steps, laid.placing), totalS }
}

function findingsOf(steps: readonly Step[], shelf: Shelf, daytime: boolean): Sketch['findings'] {
  if (steps.length === 0) return []
  const read = subjectReader(shelf)
  return lint(steps.map(read), daytime).map((finding) => {
    const mended = mend(finding, steps, shelf, read)
    return mended ? { ...finding, mended } : finding
  })
}

function problemOf(placing: Placing): string | undefined {
  if (placing.kind === 'infeasible') return `These limits clash: ${placing.clash.join('; ')}.`
  return placing.kind === 'unfinished' ? 'No order was found in time.' : undefined
}

/** From one second to another. */
type Gap = readonly [fromS: number, toS: number]

const sum = (numbers: readonly number[]): number => numbers.reduce((all, number) => all + number, 0)

function freeOf(
  segments: readonly PlacedSegment[],
  steps: readonly Step[],
  totalS: number,
): Pick<Sketch, 'handsFreeS' | 'mayLeaveS'> {
  const gaps = gapsBetween(segments, totalS)
  const held = new Set(steps.flatMap(partsThatHold))
  const heldS = segments
    .filter((part) => held.has(part.id))
    .map((part) => sum(gaps.map((gap) => sharedSeconds(gap, part))))
  const handsFreeS = sum(gaps.map(([fromS, toS]) => toS - fromS))
  return { handsFreeS, mayLeaveS: Math.max(0, handsFreeS - sum(heldS)) }
}

/** When the hands have nothing to do. */
function gapsBetween(segments: readonly PlacedSegment[], totalS: number): Gap[] {
  const busy = segments.filter((part) => part.hands).sort((a, b) => a.startS - b.startS)
  const gaps: Gap[] = []
  let nowS = 0
  for (const part of [...busy, { startS: totalS, endS: totalS }]) {
    if (part.startS > nowS) gaps.push([nowS, part.startS])
    nowS = Math.max(nowS, part.endS)
  }
  return gaps
}

/** Parts during which somebody stays at the client. */
const partsThatHold = (step: Step): string[] =>
  step.segments.filter((part) => presenceOf(part) === 'client').map((part) => partId(step, part))

const sharedSeconds = ([fromS, toS]: Gap, part: PlacedSegment): number =>
  Math.max(0, Math.min(toS, part.endS) - Math.max(fromS, part.startS))
