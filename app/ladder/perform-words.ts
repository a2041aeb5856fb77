import type { FittedPlan, PlacedSegment } from '#core/adapt'
import {
  levelOf,
  mayComeOff,
  type Fetch,
  type Layer,
  type Live,
  type LiveSegment,
  type Played,
} from '#core/perform'
import { PATH_WORDS, type Segment, type Step } from '#core/protocol'
import { minutesSeconds } from '~/support/time'

export interface Planned {
  readonly step: Step
  readonly segment: Segment
}

/** The step and written segment behind a placed one. */
export function plannedOf(plan: FittedPlan, segmentId: string): Planned | undefined {
  for (const step of plan.steps) {
    const segment = step.segments.find((part) => `${step.id}/${part.id}` === segmentId)
    if (segment) return { step, segment }
  }
  return undefined
}

/** How a device is led and what it is set to, in a line, while it is worked with; where it is stands beside. */
export const wayWords = (
  step: Pick<Step, 'passes'> | undefined,
  { kind }: Pick<PlacedSegment, 'kind'>,
): string[] => (step?.passes && kind === 'apply' ? [wayOf(step.passes)] : [])

/** A movement in words: "jaw to cheek, both at once". */
export function movementWords({ movement, side }: Pick<Played, 'movement' | 'side'>): string {
  const sides = { both: 'both at once', first: 'one side', second: 'the other side' }[side]
  return `${PATH_WORDS[movement.path]}, ${sides}`
}

type Passes = NonNullable<FittedPlan['steps'][number]['passes']>
const wayOf = ({ pattern, setting, level }: Passes): string => {
  const set = setting ? [`${setting.setting} ${setting.value} ${setting.unit}`] : []
  return [pattern, ...set, ...(level ? [level] : [])].join(', ')
}

/** What a layer asks of the hands now; undefined while it only lies there. */
export function levelWords(layer: Layer, nowMs: number): string | undefined {
  const overS = (nowMs - layer.latestMs) / 1000
  switch (levelOf(layer, nowMs)) {
    case 'on':
      return undefined
    case 'ready':
      return 'Get ready: it comes off when its time is over'
    case 'due':
      return 'Take it off'
    case 'past':
      return layer.active
        ? `Take it off now: its time is over; at most ${minutesSeconds(-overS)} more`
        : `Past its time; at most ${minutesSeconds(-overS)} more`
    case 'most':
      return `Take it off now: ${minutesSeconds(overS)} past its maximum`
  }
}

/** When a towel comes out of the cabinet, and how long until it may touch. */
export function fetchWords({ cloth, outMs, readyInS, targetC }: Fetch, nowMs: number): string {
  const soonS = Math.ceil((outMs - nowMs) / 1000)
  if (soonS > 0) return `In ${minutesSeconds(soonS)}: ${cloth} out of the cabinet`
  const readyS = readyInS + soonS
  const when = readyS > 0 ? `ready in ${minutesSeconds(readyS)}, ` : ''
  return `${cloth} out of the cabinet now: ${when}${targetC} °C at your wrist`
}

export type Primary =
  | { readonly kind: 'start' | 'finish' | 'resume' | 'come'; readonly words: string }
  | {
      readonly kind: 'lot'
      readonly words: string
      readonly segmentId: string
      readonly stepId: string
    }
  | {
      readonly kind: 'done' | 'begin' | 'area'
      readonly words: string
      readonly segmentId: string
    }
  | {
      readonly kind: 'gate'
      readonly words: string
      readonly segmentId: string
      readonly stepId: string
      readonly gate: 'lamp' | 'quick-check'
    }
  | {
      readonly kind: 'off' | 'early'
      readonly words: string
      readonly segmentId: string
      readonly layer: Layer
    }

/** The one thing the big target does now. `nextArea`: of an extraction, where hands go next. Early removal is a hold; everything else is a tap. */
export function primaryOf(
  plan: FittedPlan,
  live: Live,
  started: boolean,
  nowMs: number,
  nextArea?: string,
): Primary {
  const title = (stepId: string) => plan.steps.find((step) => step.id === stepId)?.title ?? ''
  if (!started) return { kind: 'start', words: 'Start the visit' }
  if (live.hands) return atHands(live.hands.segment, title, nextArea)
  if (!live.next) return { kind: 'finish', words: 'Finish the visit' }
  const { segment } = live.next
  if (live.lot) {
    const { id: segmentId, stepId } = segment
    return { kind: 'lot', words: `Lot and depth: ${title(stepId)}`, segmentId, stepId }
  }
  const layer = live.layers.find((layer) => layer.removalId === segment.id)
  if (!layer) {
    const verb = live.touch ? 'First touch' : 'Begin'
    return { kind: 'begin', words: `${verb}: ${title(segment.stepId)}`, segmentId: segment.id }
  }
  return mayComeOff(layer, nowMs)
    ? { kind: 'off', words: `Take off: ${title(segment.stepId)}`, segmentId: segment.id, layer }
    : {
        kind: 'early',
        words: `Hold: ${title(segment.stepId)} off early`,
        segmentId: segment.id,
        layer,
      }
}

function atHands(
  { id: segmentId, stepId, gate, loop }: PlacedSegment,
  title: (stepId: string) => string,
  nextArea: string | undefined,
): Primary {
  if (gate) {
    const words = gate === 'lamp' ? 'Read the skin' : 'Stays calm'
    return { kind: 'gate', words, segmentId, stepId, gate }
  }
  // What is repeated until its sign shows is over when it is clean.
  const verb = loop ? 'Clean' : 'Done'
  return nextArea === undefined
    ? { kind: 'done', words: `${verb}: ${title(stepId)}`, segmentId }
    : { kind: 'area', words: `Next: ${nextArea}`, segmentId }
}

/** What free hands can do before the next thing: mixing and laying out first, then what is written for later. */
export function hintsFor(plan: FittedPlan, live: Live): string[] {
  const { next } = live
  if (!next) return []
  const upcoming = live.segments
    .filter((part) => part.status === 'ahead' && part.segment.hands)
    .sort((a, b) => a.fromMs - b.fromMs)
    .slice(0, 4)
  const items = [...new Set(upcoming.map((visit) => visit.segment.stepId))].flatMap((stepId) =>
    plan.tray
      .filter(
        (item) => item.stepId === stepId && /towel|sponge|gauze|compress|bowl/.test(item.name),
      )
      .map((item) => `${item.count > 1 ? `${item.count} ` : ''}${item.name}`),
  )
  return [...new Set(items)].slice(0, 3)
}

/** Steps that are on the hands or on the skin now. */
export const currentSteps = (live: Live): string[] => [
  ...new Set(
    [live.hands?.segment.stepId, ...live.layers.map((layer) => layer.stepId)].filter(
      (id): id is string => id !== undefined,
    ),
  ),
]

/** The run drawn on the plan's own ladder: segments with the times they really have, in seconds from the start. */
export function asPerformed(live: Live, startMs: number): PlacedSegment[] {
  const secondOf = (ms: number) => Math.round((ms - startMs) / 1000)
  return live.segments
    .filter((part: LiveSegment) => part.status !== 'skipped')
    .map((part) => ({
      ...part.segment,
      startS: secondOf(part.fromMs),
      endS: Math.max(secondOf(part.fromMs), secondOf(part.toMs)),
    }))
}
