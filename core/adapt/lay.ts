import { goneWith } from '../protocol/family'
import type { Segment, Step } from '../protocol/model'
import { presenceOf, segment, usesHands } from '../protocol/segments'
import { place } from '../schedule/place'
import type { Placing } from '../schedule/problem'
import type { ZoneId } from '../skin/zones'
import { runsFromTouch, type Subject } from '../strength'
import { ownWhy, type Change } from './change'
import { hasBegun, hostsOf, needsHygiene, partId, placingOf, type Underway } from './ladder'
import type { PlacedSegment } from './plan'
import type { Reservation } from './wish'

/** Steps away from the face end with hand hygiene before the hands come back (rule H02). */
export function withHygiene(steps: readonly Step[]): Step[] {
  return steps.map((step) =>
    needsHygiene(step)
      ? { ...step, segments: [...step.segments, segment('hands', 'hygiene', 0.5)] }
      : step,
  )
}

export interface Kept {
  readonly steps: readonly Step[]
  readonly placing: Placing
  readonly left: readonly Change[]
}

/** Places a ladder; enhancements that find no host, or for which no order exists, are left out and say so. What has begun is never left out. */
export function placeKeeping(
  steps: readonly Step[],
  underway?: Underway,
  reserved: readonly Reservation[] = [],
): Kept {
  const free = (step: Step): boolean => step.floating !== undefined && !hasBegun(step, underway)
  const withoutHost = steps.filter((step) => free(step) && hostsOf(step, steps).length === 0)
  const left: Change[] = withoutHost.map((step) => ({
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out`,
    why: [
      ownWhy(
        'S01',
        'No mask or rest in this visit admits it.',
        'Choose a mask that leaves the hands free, or give it its own time.',
      ),
    ],
  }))
  let kept = steps.filter((step) => !withoutHost.includes(step))
  for (;;) {
    const placing = place(placingOf(kept, underway, reserved))
    const hung = kept.filter(free).sort((a, b) => a.priority - b.priority)
    if (placing.kind === 'optimal' || placing.kind === 'feasible')
      return { steps: kept, placing, left }
    if (hung.length === 0)
      return {
        steps: kept,
        placing: underway ? place({ ...placingOf(kept, underway), overrun: true }) : placing,
        left,
      }
    left.push({
      kind: 'dropped',
      stepId: hung[0]!.id,
      what: `${hung[0]!.title} left out`,
      why: [
        ownWhy(
          'S02',
          placing.kind === 'infeasible'
            ? `It does not fit under a mask in time: ${placing.clash.join('; ')}.`
            : `No order with it was found in ${placing.nodes} tries.`,
          'A shorter enhancement, or one mask that dwells longer.',
        ),
      ],
    })
    kept = kept.filter((step) => step !== hung[0])
  }
}

export const makespanOf = (placing: Placing): number | undefined =>
  placing.kind === 'infeasible' || placing.kind === 'unfinished' ? undefined : placing.makespanS

/** The ladder placed in time. `openGates`: steps that wait for an answer; `read`: tells what acts from its first touch. */
export function segmentsOf(
  steps: readonly Step[],
  placing: Placing,
  openGates: ReadonlySet<string> = new Set(),
  read?: (step: Step) => Subject,
): PlacedSegment[] {
  if (placing.kind === 'infeasible' || placing.kind === 'unfinished') return []
  const placedById = new Map(placing.placed.map((part) => [part.partId, part]))
  return steps
    .flatMap((step) => {
      const context = { isHeld: openGates.has(step.id), subject: read?.(step) }
      return step.segments.map((part) =>
        placedSegment(step, part, placedById.get(partId(step, part))!, context),
      )
    })
    .sort((a, b) => a.startS - b.startS || a.endS - b.endS)
}

function placedSegment(
  step: Step,
  part: Segment,
  at: { startS: number; endS: number },
  { isHeld, subject }: { readonly isHeld: boolean; readonly subject: Subject | undefined },
): PlacedSegment {
  const loop = loopOf(step, part)
  const holds = step.gate !== undefined && isHeld && part.id === step.segments.at(-1)!.id
  return {
    id: partId(step, part),
    stepId: step.id,
    kind: part.kind,
    startS: at.startS,
    endS: at.endS,
    maxS: part.maxS,
    active: part.active ?? false,
    ...(subject && runsFromTouch(subject.parts, part) ? { fromTouch: true as const } : {}),
    hands: usesHands(part),
    presence: presenceOf(part),
    zones: placedZones(step, part),
    ...(holds ? { gate: step.gate } : {}),
    ...(loop ? { loop } : {}),
    ...(subject && asksLot(subject, part) ? { asksLot: true as const } : {}),
  }
}

/** Where hands touch: nowhere while something is prepared or hands are washed. */
function placedZones({ zones }: Step, part: Segment): ZoneId[] {
  if (part.kind === 'prepare' || part.kind === 'hygiene') return []
  return [...(part.zones?.filter((zone) => zones.includes(zone)) ?? zones)]
}

/** What its sign may ask for again: a round is the parts that bear its number. */
function loopOf({ segments }: Step, part: Segment): PlacedSegment['loop'] {
  const most = part.end?.by === 'repeat' ? (part.end.maxCount ?? 1) : 1
  if (most <= 1) return undefined
  const round = /\.\d+$/.exec(part.id)?.[0]
  const parts = round ? segments.filter(({ id }) => id.endsWith(round)) : [part]
  return { most, passS: parts.reduce((sum, { usualS }) => sum + usualS, 0) }
}

/** The first touch of what opens the skin. */
const asksLot = ({ step, properties }: Subject, part: Segment): boolean =>
  properties.has('needling') && part === step.segments.find(({ kind }) => kind === 'apply')

/** How much longer a ladder is with one of its steps, and what goes with it, than without: 0 for what hangs in a gap. Whole seconds. */
export function extraSecondsOf(steps: readonly Step[], stepId: string): number {
  const gone = goneWith(steps, new Set([stepId]))
  const [whole, without] = [steps, steps.filter((step) => !gone.has(step.id))].map(
    (some) => makespanOf(placeKeeping(some).placing) ?? 0,
  )
  return Math.max(0, whole! - without!)
}
