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
  actingMinutes,
  isPickLeftOn,
  picksOf,
  segmentsOfPick,
  zonesOfPick,
  type StepPart,
} from './parts'
import { firmestOf, pressureRung } from './pressure'
import { exfoliationPoints, freeAcidOf, isOutsideReview } from './points'

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
  const skin = product.maker?.skin ?? product.skin
  put(skin === 'dry', 'wants-dry')
  put(skin === 'damp', 'wants-damp')
  put(product.openSkinUse, 'open-skin-use')
  put(product.time === 'evening' || found.includes('retinoid'), 'evening-only')
  put(product.actives.some(isStrongSalicylic), 'salicylic-strong')
  put((acidPercentOf(product) ?? 0) >= ACID_FROM_PERCENT, 'acid', 'exfoliating')
  put(isOutsideReview(product), 'outside-review')
  put(mayComeOffWarm(product, found), 'off-warm')
  put(product.maker?.warmRemoval === false, 'off-lukewarm')
  put(product.maker?.minutes !== undefined, 'printed-minutes')
  put(inci.families.has('fragrance'), 'scented')
  put(isMineral(inci), 'mineral')
  put(...sunFilter(product))
  put(isMildAcid(product), 'mild-acid')
  put(date !== undefined && isExpired(product, date), 'expired')
  return found
}

/** SPF 30 or more, broad: advice of dermatological societies (value from memory). */
const LEAST_SPF = 30
function sunFilter({ properties, spf, broadSpectrum }: Product): [boolean, Property] {
  const isUnread = spf === undefined || broadSpectrum === undefined
  const isWeak = (spf !== undefined && spf < LEAST_SPF) || broadSpectrum === false
  const isFilter = properties.includes('sun-filter')
  return isWeak || !isUnread
    ? [isFilter && isWeak, 'weak-sun-filter']
    : [isFilter && isUnread, 'spf-unread']
}

/** So little free acid in what is washed off at once that lukewarm water does no harm (rule D01). */
const MILD_ACID_PERCENT = 3
const WASHED_OFF: ReadonlySet<Product['kind']> = new Set(['cleanser', 'scrub'])
function isMildAcid(product: Product): boolean {
  const free = freeAcidOf(product)
  return (
    free !== undefined &&
    free <= MILD_ACID_PERCENT &&
    WASHED_OFF.has(product.kind) &&
    !product.properties.includes('stings')
  )
}

/** A sun protection of minerals alone: zinc or titanium, and nothing that takes up light otherwise. Without a list nobody knows. */
function isMineral({ actives }: InciReading): boolean {
  const ids = actives.map(({ active }) => active.id)
  return (
    (ids.includes('zinc-oxide') || ids.includes('titanium')) && !ids.includes('organic-filters')
  )
}

/** Nothing that warmth wakes: an acid, or what heats by itself. */
const WOKEN_BY_WARMTH: readonly Property[] = ['acid', 'warming', 'self-heating', 'retinoid']

/** Only an enzyme's maker may say so (law 15): warmth is never loosened for anything else. */
function mayComeOffWarm({ maker, properties }: Product, found: readonly Property[]): boolean {
  const all = [...properties, ...found]
  return (
    maker?.warmRemoval === true &&
    all.includes('enzyme') &&
    !WOKEN_BY_WARMTH.some((property) => all.includes(property))
  )
}

/** Properties of the product itself: whether it wants dry or damp skin its maker knows better (rule D03). */
function ownProperties({ properties, maker }: Product): readonly Property[] {
  if (maker?.skin === undefined) return properties
  return properties.filter((property) => property !== 'wants-dry' && property !== 'wants-damp')
}

/** Above this a peel, or what is rinsed off, is no bystander any more (rule A04). */
const SALICYLIC_RINSE_PERCENT = 0.5
const isSalicylicRinse = ({ product, isLeftOn }: Omit<StepPart, 'properties'>): boolean =>
  !isLeftOn &&
  product !== undefined &&
  product.actives.some(
    ({ name, percent }) => name === 'salicylic' && percent > SALICYLIC_RINSE_PERCENT,
  )

const isStrongSalicylic = ({ name, percent }: Product['actives'][number]): boolean =>
  name === 'salicylic' && percent > SALICYLIC_STRONG_PERCENT

/** Ingredient lists by their products, which never change: read once, however many plans are made. */
const lists = new WeakMap<Product, InciReading>()

function inciOf(product: Product | undefined): InciReading {
  if (!product) return NOTHING
  const reading = lists.get(product) ?? readInci(product.inci)
  lists.set(product, reading)
  return reading
}

/** Reads every step once. `date`: the visit's, for what has gone off. */
export function subjectReader(shelf: Shelf, date?: string): (step: Step) => Subject {
  const known = new WeakMap<Step, Subject>()
  return (step) => {
    const subject = known.get(step) ?? readStep(step, { shelf, date })
    known.set(step, subject)
    return subject
  }
}

interface Reader {
  readonly shelf: Shelf
  readonly date: string | undefined
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

function partOf(step: Step, pick: Pick | undefined, { shelf, date }: Reader): StepPart {
  const product = productById(shelf, pick?.productId)
  const use = useOf(product, pick?.useId)
  const device = deviceById(shelf, step.deviceId)
  const inci = inciOf(product)
  const segments = segmentsOfPick(step, pick)
  const zones = zonesOfPick(step, pick)
  const bare = { product, use, device, segments, inci, zones, isLeftOn: isPickLeftOn(step, pick) }
  const said = [
    ...step.properties,
    ...(product ? ownProperties(product) : []),
    ...(use?.properties ?? []),
    ...(device?.properties ?? []),
  ]
  const properties = new Set([
    // What only a maker may loosen counts from its printed word alone.
    ...said.filter((property) => property !== 'off-warm'),
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
  if (isSalicylicRinse(part)) properties.add('salicylic-rinse')
  const percent = acidPercentOf(part.product)
  const isAcid = properties.has('acid') && properties.has('exfoliating')
  const minutes = actingMinutes({ properties, segments: part.segments })
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
