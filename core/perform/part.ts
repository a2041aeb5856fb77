import type { FittedPlan, PlacedSegment } from '../adapt/plan'
import type { Device, Product, Shelf } from '../catalog/model'
import { deviceById, productById } from '../catalog/shelf'
import type { Segment, Step } from '../protocol/model'
import type { FaceSize } from '../skin/areas'
import { singlesOf } from '../strength'

/** What a guide is read from: the ladder in force and what it was fitted from. */
export interface Guided {
  readonly plan: Pick<FittedPlan, 'steps'>
  /** The card as written: words of a product that something stands in for go with it. */
  readonly written: readonly Step[]
  readonly shelf: Shelf
  readonly size?: FaceSize
  /** Water temperature chosen for a bowl, by step, °C. */
  readonly waterC?: Readonly<Record<string, number>>
}

/** One segment of a ladder with what it is made of. */
export interface Part {
  readonly step: Step
  readonly segment: Segment
  readonly product: Product | undefined
  readonly device: Device | undefined
  readonly original: Step | undefined
  /** The card speaks of what is used today, not of what it replaced. */
  readonly isAsWritten: boolean
}

/** A segment of the ladder read: its step, product and device; undefined for a segment that is none of it. */
export function partOf({ plan, written, shelf }: Guided, placed: PlacedSegment): Part | undefined {
  const whole = plan.steps.find(({ id }) => id === placed.stepId)
  const isPlaced = (segment: Segment) => `${placed.stepId}/${segment.id}` === placed.id
  const step = whole && singlesOf(whole).find((single) => single.segments.some(isPlaced))
  const segment = step?.segments.find(isPlaced)
  if (!step || !segment) return undefined
  const original = written.find(({ id }) => id === step.id)
  return {
    ...{ step, segment, original },
    product: productById(shelf, pickOf(step, segment)?.productId),
    device: deviceById(shelf, step.deviceId),
    isAsWritten: original === undefined || isSame(original, step, segment),
  }
}

export const pickOf = (step: Step, segment: Segment | undefined) => segment?.product ?? step.product
/** The card has the same product at this part, and the same device. */
function isSame(original: Step, step: Step, segment: Segment): boolean {
  const before = original.segments.find(({ id }) => id === segment.id)
  const [was, is] = [pickOf(original, before), pickOf(step, segment)]
  return was?.productId === is?.productId && original.deviceId === step.deviceId
}
