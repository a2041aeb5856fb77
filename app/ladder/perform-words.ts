import type { FittedPlan, PlacedSegment } from '#core/adapt'
import { levelOf, mayComeOff, type Layer, type Live, type LiveSegment } from '#core/perform'
import { movementSeconds, PATH_WORDS, type Movement, type Segment, type Step } from '#core/protocol'
import { zoneName } from '#core/skin'
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

/** Which movement the hands are in when this share of the work is done: a shortened massage runs through all of them faster. */
export function strokeAt(
  movements: readonly Movement[],
  share: number,
): { readonly at: number; readonly movement: Movement } | undefined {
  const total = movements.reduce((sum, movement) => sum + movementSeconds(movement), 0)
  let until = 0
  for (const [at, movement] of movements.entries()) {
    until += movementSeconds(movement)
    if (share * total < until) return { at, movement }
  }
  const last = movements.at(-1)
  return last && { at: movements.length - 1, movement: last }
}

/** The movement of this moment and the way of the device, a line each; what else is done stands in the guide. */
export function strokeWords(plan: FittedPlan, placed: PlacedSegment, elapsedS: number): string[] {
  const step = plan.steps.find(({ id }) => id === placed.stepId)
  if (!step || placed.kind !== 'apply') return []
  const seconds = Math.max(1, placed.endS - placed.startS)
  const stroke = step.movements && strokeAt(step.movements, elapsedS / seconds)
  return [
    ...(stroke ? [movementWords(stroke, step.movements!.length)] : []),
    ...(step.passes ? [wayOf(step.passes)] : []),
  ]
}

function movementWords(
  { at, movement }: NonNullable<ReturnType<typeof strokeAt>>,
  of: number,
): string {
  const { path, repetitions, pressure, sides } = movement
  const other = sides === 'each' ? ', then the other side' : ''
  return `${at + 1} of ${of}: ${PATH_WORDS[path]}, ${repetitions}×, ${pressure}${other}`
}

type Passes = NonNullable<FittedPlan['steps'][number]['passes']>
/** A device's way and what it is set to. */
function wayOf({ zones, pattern, setting, level }: Passes): string {
  const set = setting ? [`${setting.setting} ${setting.value} ${setting.unit}`] : []
  return [`${zones.map(zoneName).join(' → ')}: ${pattern}`, ...set, ...(level ? [level] : [])].join(
    ', ',
  )
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

export type Primary =
  | { readonly kind: 'start' | 'finish'; readonly words: string }
  | { readonly kind: 'done' | 'begin'; readonly words: string; readonly segmentId: string }
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

/** The one thing the big target does now. Early removal is a hold; everything else is a tap. */
export function primaryOf(plan: FittedPlan, live: Live, started: boolean, nowMs: number): Primary {
  const title = (stepId: string) => plan.steps.find((step) => step.id === stepId)?.title ?? ''
  if (!started) return { kind: 'start', words: 'Start the visit' }
  const gate = live.hands?.segment.gate
  if (live.hands && gate)
    return {
      kind: 'gate',
      words: gate === 'lamp' ? 'Read the skin' : 'Stays calm',
      segmentId: live.hands.segment.id,
      stepId: live.hands.segment.stepId,
      gate,
    }
  if (live.hands)
    return {
      kind: 'done',
      words: `Done: ${title(live.hands.segment.stepId)}`,
      segmentId: live.hands.segment.id,
    }
  if (!live.next) return { kind: 'finish', words: 'Finish the visit' }
  const { segment } = live.next
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
