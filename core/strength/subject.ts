import { usableOn } from '../catalog/batches'
import { readInci, type InciReading } from '../catalog/inci'
import { ALKALINE_PH } from '../chemistry'
import type { Product, Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import type { Pick, Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { acidPercentOf, acidRung } from './acid'
import { leversOfParts, type LeverRung } from './levers'
import {
  governedMinutes,
  isPickLeftOn,
  picksOf,
  segmentsOfPick,
  zonesOfPick,
  type StepPart,
} from './parts'
import { firmestOf, pressureRung } from './pressure'
import { exfoliationPoints, isOutsideReview } from './points'

/** What rules see of a step: everything that touches the skin, read off product, use, device, minutes, zones and movements. */
export interface Subject {
  readonly step: Step
  /** The step's own product. */
  readonly product: Product | undefined
  /** What each of its products does on its zones; one part where there is one product or none. */
  readonly parts: readonly StepPart[]
  /** Of all parts together. */
  readonly properties: ReadonlySet<Property>
  readonly inci: InciReading
  /** Every lever it pulls, and how far up it really stands. */
  readonly levers: readonly LeverRung[]
  /** Exfoliation points where they are most. */
  readonly points: number
}

/** Above this percentage a leave-on salicylic product counts as strong (rule A04). */
const SALICYLIC_STRONG_PERCENT = 2
/** From this much free acid on a product is an acid, whatever its label calls it. */
const ACID_FROM_PERCENT = 0.5
const NOTHING: InciReading = {
  state: 'read',
  families: new Map(),
  actives: [],
  unknown: [],
  count: 0,
}

/** A batch past its date, or open for longer than it keeps (rule D22). `date` ISO. */
export const isExpired = (
  product: {
    bestBefore?: string | undefined
    openedOn?: string | undefined
    afterOpeningMonths?: number | undefined
  },
  date: string,
): boolean => !usableOn(product, product.afterOpeningMonths, date)

/** Properties that follow from what a product is, whatever its label says. */
function derived(product: Product, inci: InciReading, date: string | undefined): Property[] {
  const found: Property[] = inci.actives.flatMap(({ active }) => active.property ?? [])
  const put = (when: boolean, ...properties: Property[]) => {
    if (when) found.push(...properties)
  }
  put(product.pH !== undefined && product.pH > ALKALINE_PH, 'alkaline')
  put(product.vehicle === 'alcohol', 'flammable')
  put(product.skin === 'dry', 'wants-dry')
  put(product.skin === 'damp', 'wants-damp')
  put(product.openSkinUse, 'open-skin-use')
  put(product.time === 'evening', 'evening-only')
  put(product.actives.some(isStrongSalicylic), 'salicylic-strong')
  put((acidPercentOf(product) ?? 0) >= ACID_FROM_PERCENT, 'acid', 'exfoliating')
  put(isOutsideReview(product), 'outside-review')
  put(date !== undefined && isExpired(product, date), 'expired')
  return found
}

const isStrongSalicylic = ({ name, percent }: Product['actives'][number]): boolean =>
  name === 'salicylic' && percent > SALICYLIC_STRONG_PERCENT

/** Reads a shelf once, so that ingredient lists are not parsed again for every step. `date`: the visit's, for what has gone off. */
export function subjectReader(shelf: Shelf, date?: string): (step: Step) => Subject {
  const lists = new Map<string, InciReading>()
  const known = new WeakMap<Step, Subject>()
  const inciOf = (product: Product | undefined): InciReading => {
    if (!product) return NOTHING
    const reading = lists.get(product.id) ?? readInci(product.inci)
    lists.set(product.id, reading)
    return reading
  }
  return (step) => {
    const subject = known.get(step) ?? readStep(step, { shelf, date, inciOf })
    known.set(step, subject)
    return subject
  }
}

/** What steps work with, together: every property of what touches the skin in them. */
export const workOf = (steps: readonly Step[], shelf: Shelf): Property[] => [
  ...new Set(steps.map(subjectReader(shelf)).flatMap(({ properties }) => [...properties])),
]

interface Reader {
  readonly shelf: Shelf
  readonly date: string | undefined
  readonly inciOf: (product: Product | undefined) => InciReading
}

function readStep(step: Step, reader: Reader): Subject {
  const parts = picksOf(step).map((pick) => partOf(step, pick, reader))
  return {
    step,
    product: productById(reader.shelf, step.product?.productId),
    parts,
    properties: new Set(parts.flatMap((part) => [...part.properties])),
    inci: parts.length === 1 ? parts[0]!.inci : together(parts.map((part) => part.inci)),
    levers: leversOfParts(parts, step),
    points: pointsOf(parts, step),
  }
}

function partOf(step: Step, pick: Pick | undefined, { shelf, date, inciOf }: Reader): StepPart {
  const product = productById(shelf, pick?.productId)
  const use = useOf(product, pick?.useId)
  const device = deviceById(shelf, step.deviceId)
  const inci = inciOf(product)
  const segments = segmentsOfPick(step, pick)
  const zones = zonesOfPick(step, pick)
  const bare = { product, use, device, segments, inci, zones, isLeftOn: isPickLeftOn(step, pick) }
  const properties = new Set([
    ...step.properties,
    ...(product?.properties ?? []),
    ...(use?.properties ?? []),
    ...(device?.properties ?? []),
    ...(segments.some((segment) => segment.workingS !== undefined) ? (['sets'] as const) : []),
    ...(product ? derived(product, inci, date) : []),
  ])
  return { ...bare, properties: ofWork(properties, bare, step) }
}

/** What follows from how it is worked with: firm only where a movement is, strong where the acid stands above the first rung. */
function ofWork(
  properties: Set<Property>,
  part: Omit<StepPart, 'properties'>,
  step: Step,
): ReadonlySet<Property> {
  const firmest = firmestOf(step)
  if (firmest !== undefined) {
    properties.delete('firm-pressure')
    if (firmest >= pressureRung('firm')) properties.add('firm-pressure')
  }
  const percent = acidPercentOf(part.product)
  const isAcid = properties.has('acid') && properties.has('exfoliating')
  const minutes = governedMinutes(part.segments)
  const isMild =
    percent !== undefined && acidRung({ percent, minutes, isLeftOn: part.isLeftOn }) < 2
  if (
    (isAcid && part.product && !isMild) ||
    properties.has('retinoid') ||
    properties.has('warming')
  )
    properties.add('strong-active')
  return properties
}

function together(readings: readonly InciReading[]): InciReading {
  const families = new Map<string, readonly string[]>()
  for (const reading of readings)
    for (const [family, names] of reading.families)
      families.set(family, [...(families.get(family) ?? []), ...names])
  return {
    state: readings.some(({ state }) => state === 'unread') ? 'unread' : 'read',
    families: families as InciReading['families'],
    actives: readings.flatMap(({ actives }) => actives),
    unknown: readings.flatMap(({ unknown }) => unknown),
    count: readings.reduce((sum, { count }) => sum + count, 0),
  }
}

/** Points where the parts of a step lie on one another. */
function pointsOf(parts: readonly StepPart[], step: Step): number {
  const own = parts.map((part) => ({ part, points: exfoliationPoints(part, step) }))
  return Math.max(
    0,
    ...step.zones.map((zone) =>
      own
        .filter(({ part }) => part.zones.includes(zone))
        .reduce((sum, { points }) => sum + points, 0),
    ),
  )
}
