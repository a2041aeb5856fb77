import type { InciReading } from '../catalog/inci'
import type { Device, Product, Use } from '../catalog/model'
import type { Pick, Segment, Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { toMinutes } from '../quantity/time'
import type { ZoneId } from '../skin/zones'

/** What one product of a step does on its zones: a step of three products has three parts, any other step has one. */
export interface StepPart {
  readonly product: Product | undefined
  readonly use: Use | undefined
  readonly device: Device | undefined
  readonly zones: readonly ZoneId[]
  readonly segments: readonly Segment[]
  readonly properties: ReadonlySet<Property>
  readonly inci: InciReading
  /** Nothing takes it off again within its step. */
  readonly isLeftOn: boolean
}

/** Every product of a step once, with the segments that are its own; what names no product belongs to the step's. */
export function picksOf(step: WithProducts): readonly (Pick | undefined)[] {
  const picks = [step.product, ...step.segments.map((part) => part.product)]
  const named = picks.filter((pick) => pick !== undefined)
  const distinct = [...new Map(named.map((pick) => [keyOf(pick), pick])).values()]
  return distinct.length > 0 ? distinct : [undefined]
}

type WithProducts = globalThis.Pick<Step, 'product' | 'segments'>

/** A step of several products as one step for each: its own segments on its own zones. Any other step as it is. */
export function singlesOf(step: Step): Step[] {
  const picks = picksOf(step)
  if (picks.length < 2) return [step]
  return picks.map((pick) => ({
    ...step,
    product: pick,
    zones: [...zonesOfPick(step, pick)],
    segments: segmentsOfPick(step, pick),
  }))
}

const keyOf = ({ productId, useId }: Pick): string => `${productId}/${useId}`

const isOf = (part: Segment, pick: Pick | undefined, step: WithProducts): boolean => {
  const own = part.product ?? step.product
  return own === undefined ? pick === undefined : pick !== undefined && keyOf(own) === keyOf(pick)
}

/** The segments of a step in which one of its products is worked with. */
export const segmentsOfPick = (step: WithProducts, pick: Pick | undefined): Segment[] =>
  step.segments.filter((part) => isOf(part, pick, step))

/** Zones of one product of a step: those its segments name, else the step's. */
export function zonesOfPick(step: Step, pick: Pick | undefined): readonly ZoneId[] {
  const own = segmentsOfPick(step, pick).filter((part) => part.kind !== 'prepare')
  const named = own.map((part) => part.zones)
  if (named.length === 0 || named.some((zones) => zones === undefined)) return step.zones
  return step.zones.filter((zone) => named.some((zones) => zones!.includes(zone)))
}

/** True where nothing takes the product off after it went on. */
export function isPickLeftOn(step: WithProducts, pick: Pick | undefined): boolean {
  const lastOn = step.segments.findLastIndex(
    (part) => isOf(part, pick, step) && part.kind !== 'remove' && part.kind !== 'prepare',
  )
  return !step.segments.slice(lastOn + 1).some((part) => part.kind === 'remove')
}

/** The segments whose minutes a lever governs: the dwell where there is one, else the work itself. */
export function governed(segments: readonly Segment[]): Segment[] {
  const dwells = segments.filter((segment) => segment.kind === 'dwell')
  return dwells.length > 0 ? dwells : segments.filter((segment) => segment.kind === 'apply')
}

/** Seconds of work that a lever governs. */
export const governedSeconds = (segments: readonly Segment[]): number =>
  governed(segments).reduce((sum, segment) => sum + segment.usualS, 0)

/** What acts from its first touch on; a self-heating mask acts in its heat alone, machines and steam in their own minutes. */
const ACTS: readonly Property[] = ['acid', 'enzyme', 'warming']

type Acting = globalThis.Pick<StepPart, 'properties' | 'segments'>

/** Seconds in which an active layer is put on: they count as its own (rule D24). 0 for anything else, and where it only is put on. */
export function puttingOnSeconds({ properties, segments }: Acting): number {
  if (!ACTS.some((property) => properties.has(property))) return 0
  if (!segments.some(({ kind }) => kind === 'dwell')) return 0
  return segments
    .filter(({ kind }) => kind === 'apply')
    .reduce((sum, { usualS }) => sum + usualS, 0)
}

/** True for a dwell whose minutes run from the first touch: what is put on before it acts at once (rule D24). */
export const runsFromTouch = (parts: readonly Acting[], { id, kind }: Segment): boolean =>
  kind === 'dwell' &&
  parts.some((part) => part.segments.some((own) => own.id === id) && puttingOnSeconds(part) > 0)

/** Seconds from the first touch to the start of removal (rule D24); of what does not act from its first touch, those a lever governs. */
export const actingSeconds = (part: Acting): number =>
  puttingOnSeconds(part) + governedSeconds(part.segments)
export const actingMinutes = (part: Acting): number => toMinutes(actingSeconds(part))

/**
 * Seconds its maker says are usual for one product of a step: as printed, with its source, else as its use is kept on the shelf. An acid's
 * printed minutes only ever make them fewer (law 15). 0: nobody says.
 */
export function usualSecondsOf({
  product,
  use,
  properties,
}: globalThis.Pick<StepPart, 'product' | 'use' | 'properties'>): number {
  const keptS = actingSeconds({ properties, segments: use?.segments ?? [] })
  const printed = product?.maker?.minutes
  if (!printed) return keptS
  const printedS = Math.round(printed.usual * 60)
  return properties.has('acid') && keptS > 0 ? Math.min(keptS, printedS) : printedS
}

/** Minutes of work that a lever governs. */
export const governedMinutes = (segments: readonly Segment[]): number =>
  toMinutes(governedSeconds(segments))
