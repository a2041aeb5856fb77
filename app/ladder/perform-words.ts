import type { FittedPlan, PlacedSegment } from '#core/adapt'
import type { Layer, Live, LiveSegment } from '#core/perform'
import type { Segment, Step } from '#core/protocol'

const VERBS: Readonly<Record<PlacedSegment['kind'], string>> = { prepare: 'Mix', apply: 'On', dwell: 'Working', remove: 'Take off', settle: 'Drying', hygiene: 'Wash hands' }

export interface Planned { readonly step: Step; readonly segment: Segment }

/** The step and written segment behind a placed one. */
export function plannedOf(plan: FittedPlan, segmentId: string): Planned | undefined {
  for (const step of plan.steps) {
    const segment = step.segments.find((one) => `${step.id}/${one.id}` === segmentId)
    if (segment) return { step, segment }
  }
  return undefined
}

/** What a segment asks of the hands: "Take off, damp sponge, cool". */
export function verbOf(plan: FittedPlan, placed: PlacedSegment): string {
  const segment = plannedOf(plan, placed.id)?.segment
  if (placed.kind !== 'remove' || !segment) return VERBS[placed.kind]
  return [VERBS.remove, segment.tool === 'lift-off' ? 'in one piece' : segment.tool === 'none' ? '' : `with ${segment.tool}`, segment.temperature ?? ''].filter(Boolean).join(', ')
}

export type Primary =
  | { readonly kind: 'start' | 'finish'; readonly words: string }
  | { readonly kind: 'done' | 'begin'; readonly words: string; readonly segmentId: string }
  | { readonly kind: 'gate'; readonly words: string; readonly segmentId: string; readonly stepId: string; readonly gate: 'lamp' | 'quick-check' }
  | { readonly kind: 'off' | 'early'; readonly words: string; readonly segmentId: string; readonly layer: Layer }

/** The one thing the big target does now. Early removal is a hold; everything else is a tap. */
export function primaryOf(plan: FittedPlan, live: Live, started: boolean, nowMs: number): Primary {
  const title = (stepId: string) => plan.steps.find((step) => step.id === stepId)?.title ?? ''
  if (!started) return { kind: 'start', words: 'Start the visit' }
  const gate = live.hands?.segment.gate
  if (live.hands && gate) return { kind: 'gate', words: gate === 'lamp' ? 'Read the skin' : 'Stays calm', segmentId: live.hands.segment.id, stepId: live.hands.segment.stepId, gate }
  if (live.hands) return { kind: 'done', words: `Done: ${title(live.hands.segment.stepId)}`, segmentId: live.hands.segment.id }
  if (!live.next) return { kind: 'finish', words: 'Finish the visit' }
  const { segment } = live.next
  const layer = live.layers.find((one) => one.removalId === segment.id)
  if (!layer) return { kind: 'begin', words: `Begin: ${title(segment.stepId)}`, segmentId: segment.id }
  return nowMs >= layer.dueMs ? { kind: 'off', words: `Take off: ${title(segment.stepId)}`, segmentId: segment.id, layer } : { kind: 'early', words: `Hold: ${title(segment.stepId)} off early`, segmentId: segment.id, layer }
}

/** What free hands can do before the next thing: mixing and laying out first, then what is written for later. */
export function hintsFor(plan: FittedPlan, live: Live): string[] {
  const { next } = live
  if (!next) return []
  const upcoming = live.segments.filter((one) => one.status === 'ahead' && one.segment.hands).sort((a, b) => a.fromMs - b.fromMs).slice(0, 4)
  const items = [...new Set(upcoming.map((one) => one.segment.stepId))].flatMap((stepId) => plan.tray.filter((item) => item.stepId === stepId && /towel|sponge|gauze|compress|bowl/.test(item.name)).map((item) => `${item.count > 1 ? `${item.count} ` : ''}${item.name}`))
  return [...new Set(items)].slice(0, 3)
}

/** Steps that are on the hands or on the skin now. */
export const currentSteps = (live: Live): string[] => [...new Set([live.hands?.segment.stepId, ...live.layers.map((layer) => layer.stepId)].filter((id): id is string => id !== undefined))]

/** The run drawn on the plan's own ladder: segments with the times they really have, in seconds from the start. */
export function asPerformed(live: Live, startMs: number): PlacedSegment[] {
  const at = (ms: number) => Math.round((ms - startMs) / 1000)
  return live.segments.filter((one: LiveSegment) => one.status !== 'skipped').map((one) => ({ ...one.segment, startS: at(one.fromMs), endS: Math.max(at(one.fromMs), at(one.toMs)) }))
}
