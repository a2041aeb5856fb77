import type { FittedPlan, PlacedSegment } from '#core/adapt'
import type { Step } from '#core/protocol'
import { ELSEWHERE, EYE_CONTOUR, EYES, type ZoneId } from '#core/skin'

/** Anything on the ladder, in the drawing's own pixels. */
export interface Block {
  readonly id: string
  readonly stepId: string
  readonly kind: PlacedSegment['kind']
  readonly y: number
  readonly height: number
  readonly lane: number
}
export interface Row {
  readonly stepId: string
  readonly title: string
  readonly seconds: number
  readonly anchorY: number
  readonly y: number
  readonly hung: boolean
  readonly inserted: boolean
}
export interface Thread {
  readonly stepId: string
  readonly y: number
  readonly lane: number
}
export interface LadderLayout {
  readonly height: number
  readonly pixelsPerSecond: number
  readonly hands: readonly Block[]
  readonly skin: readonly Block[]
  readonly threads: readonly Thread[]
  readonly rows: readonly Row[]
}

const LOCAL: ReadonlySet<ZoneId> = new Set([...EYE_CONTOUR, ...EYES, 'lips', 'ears'])

/** Skin lanes: face and neck, eyes and lips, elsewhere on the body. */
function laneOf(segment: PlacedSegment): number {
  if (segment.zones.length > 0 && segment.zones.every((zone) => ELSEWHERE.includes(zone))) return 2
  return segment.zones.length > 0 && segment.zones.every((zone) => LOCAL.has(zone)) ? 1 : 0
}

/**
 * Rows as near to their true time as reading allows: least squares under a least distance, in order (pool adjacent violators),
 * so that leaders never cross. All in pixels; `anchors` must not decrease.
 */
export function spread(anchors: readonly number[], distance: number, height: number): number[] {
  const pools: { sum: number; count: number }[] = []
  for (const [at, anchor] of anchors.entries()) {
    pools.push({ sum: anchor - at * distance, count: 1 })
    while (pools.length > 1 && mean(pools.at(-2)!) > mean(pools.at(-1)!)) {
      const last = pools.pop()!
      pools[pools.length - 1] = {
        sum: pools.at(-1)!.sum + last.sum,
        count: pools.at(-1)!.count + last.count,
      }
    }
  }
  const most = height - distance * anchors.length
  const placed = pools.flatMap((pool) =>
    Array.from({ length: pool.count }, () => Math.max(0, Math.min(most, mean(pool)))),
  )
  return placed.map((value, at) => value + at * distance)
}
const mean = (pool: { sum: number; count: number }): number => pool.sum / pool.count

export interface LadderFigures {
  readonly height: number
  readonly rowHeight: number
  /** Scale, so that two ladders share it; default: the whole fills the height. */
  readonly pixelsPerSecond?: number
}

/** Where everything of a ladder stands, to scale. */
export function layoutLadder(
  steps: readonly Step[],
  segments: readonly PlacedSegment[],
  leaveOn: ReadonlySet<string>,
  figures: LadderFigures,
): LadderLayout {
  const height = Math.max(figures.height, steps.length * figures.rowHeight)
  const pixelsPerSecond = figures.pixelsPerSecond ?? height / Math.max(1, lastEndOf(segments))
  const block = (segment: PlacedSegment) => blockOf(segment, pixelsPerSecond)
  const onSkin = segments.filter(({ kind }) => kind !== 'prepare' && kind !== 'hygiene')
  return {
    height,
    pixelsPerSecond,
    hands: segments.filter((segment) => segment.hands).map(block),
    skin: onSkin.map(block),
    threads: threadsOf(steps, segments, leaveOn, pixelsPerSecond),
    rows: rowsOf(steps, segments, pixelsPerSecond, height, figures.rowHeight),
  }
}

const lastEndOf = (segments: readonly PlacedSegment[]): number =>
  segments.reduce((latest, segment) => Math.max(latest, segment.endS), 0)

const blockOf = (segment: PlacedSegment, pixelsPerSecond: number): Block => ({
  id: segment.id,
  stepId: segment.stepId,
  kind: segment.kind,
  y: segment.startS * pixelsPerSecond,
  height: (segment.endS - segment.startS) * pixelsPerSecond,
  lane: laneOf(segment),
})

/** What stays on the skin hangs down from the end of its step. */
const threadsOf = (
  steps: readonly Step[],
  segments: readonly PlacedSegment[],
  leaveOn: ReadonlySet<string>,
  pixelsPerSecond: number,
): LadderLayout['threads'] =>
  steps
    .filter((step) => leaveOn.has(step.id))
    .map(({ id }, lane) => {
      const own = segments.filter((segment) => segment.stepId === id)
      return { stepId: id, lane, y: lastEndOf(own) * pixelsPerSecond }
    })

/** A line of words for every step, as near its beginning as the others let it stand. */
function rowsOf(
  steps: readonly Step[],
  segments: readonly PlacedSegment[],
  pixelsPerSecond: number,
  height: number,
  rowHeight: number,
): LadderLayout['rows'] {
  const starts = steps
    .map((step) => ({ step, parts: segments.filter((segment) => segment.stepId === step.id) }))
    .filter(({ parts }) => parts.length > 0)
    .map(({ step, parts }) => ({
      step,
      anchorY: startOfWork(parts) * pixelsPerSecond,
      seconds: parts.reduce((sum, part) => sum + part.endS - part.startS, 0),
    }))
    .sort((a, b) => a.anchorY - b.anchorY)
  const anchors = starts.map(({ anchorY }) => anchorY)
  const ys = spread(anchors, rowHeight, height)
  return starts.map(({ step, anchorY, seconds }, at) => ({
    stepId: step.id,
    title: step.title,
    seconds,
    anchorY,
    y: ys[at]!,
    hung: step.floating !== undefined,
    inserted: (step.insertedBy?.length ?? 0) > 0,
  }))
}

/** A step begins where its work on the client begins; mixing may be earlier. */
const startOfWork = (parts: readonly PlacedSegment[]): number =>
  parts
    .filter((part) => part.kind !== 'prepare')
    .reduce((first, part) => Math.min(first, part.startS), Infinity)

/** Steps whose product stays on the skin. */
export function leaveOnSteps(
  steps: readonly Step[],
  products: readonly { id: string; leaves: string }[],
): ReadonlySet<string> {
  const staying = new Set(
    products.filter((product) => product.leaves === 'leave-on').map((product) => product.id),
  )
  return new Set(
    steps
      .filter((step) => step.product && staying.has(step.product.productId))
      .map((step) => step.id),
  )
}

/** Clock marks every `everyMinutes`, with their height. */
export function clockMarks(
  startMs: number,
  totalS: number,
  pixelsPerSecond: number,
  everyMinutes: number,
): { y: number; atMs: number; major: boolean }[] {
  const step = everyMinutes * 60_000
  const first = Math.ceil(startMs / step) * step
  const count = Math.max(0, Math.floor((startMs + totalS * 1000 - first) / step) + 1)
  return Array.from({ length: count }, (_, at) => first + at * step).map((atMs) => ({
    atMs,
    y: ((atMs - startMs) / 1000) * pixelsPerSecond,
    major: (atMs / step) % 3 === 0,
  }))
}

/** Where a written step stands and where it went: for the bands between two ladders. Undefined `to`: it was left out. */
export interface Match {
  readonly stepId: string
  readonly from: readonly [number, number]
  readonly to: readonly [number, number] | undefined
  readonly changed: boolean
}

/** Pairs the rungs of the written and the fitted ladder, on one scale. */
export function matchRungs(
  plan: Pick<FittedPlan, 'written' | 'steps' | 'segments' | 'changes'>,
  pixelsPerSecond: number,
): Match[] {
  const span = (
    segments: readonly PlacedSegment[],
    stepId: string,
  ): readonly [number, number] | undefined => {
    const own = segments.filter(
      (segment) => segment.stepId === stepId && segment.kind !== 'prepare',
    )
    return own.length === 0
      ? undefined
      : [
          Math.min(...own.map((segment) => segment.startS)) * pixelsPerSecond,
          Math.max(...own.map((segment) => segment.endS)) * pixelsPerSecond,
        ]
  }
  const changed = new Set(
    plan.changes.filter((change) => change.kind !== 'hung').map((change) => change.stepId),
  )
  return plan.written.steps
    .filter((step) => !step.floating)
    .flatMap((step) => {
      const from = span(plan.written.segments, step.id)
      return from
        ? [
            {
              stepId: step.id,
              from,
              to: span(plan.segments, step.id),
              changed: changed.has(step.id),
            },
          ]
        : []
    })
}
