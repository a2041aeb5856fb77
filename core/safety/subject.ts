import { usableOn } from '../catalog/batches'
import { readInci, type InciReading } from '../catalog/inci'
import { ALKALINE_PH } from '../chemistry'
import type { Product, Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import type { ZoneId } from '../skin/zones'
import { zonesMeet } from '../skin/zones'
import type { Constraint, Selector } from './rule'
import { exfoliationPoints, isOutsideReview, strengthRung } from './strength'

/** What rules see of a step: its properties from product, use, device and itself. */
export interface Subject {
  readonly step: Step
  readonly product: Product | undefined
  readonly properties: ReadonlySet<Property>
  readonly inci: InciReading
  /** Exfoliation points on each of its zones. */
  readonly points: number
}

/** Above this percentage a leave-on salicylic product counts as strong (rule A04). */
const SALICYLIC_STRONG_PERCENT = 2
const NOTHING: InciReading = {
  state: 'read',
  families: new Map(),
  actives: [],
  unknown: [],
  count: 0,
}

/** A batch past its date, or open for longer than it keeps (rule D22). `date` ISO. */
export const isExpired = (
  product: Pick<Product, 'bestBefore' | 'openedOn' | 'afterOpeningMonths'>,
  date: string,
): boolean => !usableOn(product, product.afterOpeningMonths, date)

/** Properties that follow from what a product is, whatever its label says. */
function derived(
  product: Product,
  step: Step,
  inci: InciReading,
  date: string | undefined,
): Property[] {
  const found: Property[] = inci.actives.flatMap(({ active }) => active.property ?? [])
  const put = (when: boolean, property: Property) => {
    if (when) found.push(property)
  }
  put(product.pH !== undefined && product.pH > ALKALINE_PH, 'alkaline')
  put(product.vehicle === 'alcohol', 'flammable')
  put(product.skin === 'dry', 'wants-dry')
  put(product.skin === 'damp', 'wants-damp')
  put(product.openSkinUse, 'open-skin-use')
  put(product.time === 'evening', 'evening-only')
  put(
    product.actives.some(
      (active) => active.name === 'salicylic' && active.percent > SALICYLIC_STRONG_PERCENT,
    ),
    'salicylic-strong',
  )
  put(isOutsideReview(product), 'outside-review')
  put(date !== undefined && isExpired(product, date), 'expired')
  put(
    product.properties.includes('acid') &&
      product.properties.includes('exfoliating') &&
      strengthRung(step, product) >= 2,
    'strong-active',
  )
  put(
    [...product.properties, ...found].some(
      (property) => property === 'retinoid' || property === 'warming',
    ),
    'strong-active',
  )
  return found
}

/** Reads a shelf once, so that ingredient lists are not parsed again for every step. `date`: the visit's, for what has gone off. */
export function subjectReader(shelf: Shelf, date?: string): (step: Step) => Subject {
  const lists = new Map<string, InciReading>()
  const known = new WeakMap<Step, Subject>()
  const inciOf = (product: Product): InciReading => {
    const reading = lists.get(product.id) ?? readInci(product.inci)
    lists.set(product.id, reading)
    return reading
  }
  const read = (step: Step): Subject => {
    const product = productById(shelf, step.product?.productId)
    const device = deviceById(shelf, step.deviceId)
    const use = useOf(product, step.product?.useId)
    const inci = product ? inciOf(product) : NOTHING
    const sets: Property[] = step.segments.some((segment) => segment.workingS !== undefined)
      ? ['sets']
      : []
    const properties = new Set([
      ...step.properties,
      ...(product?.properties ?? []),
      ...(use?.properties ?? []),
      ...(device?.properties ?? []),
      ...sets,
      ...(product ? derived(product, step, inci, date) : []),
    ])
    return { step, product, properties, inci, points: exfoliationPoints(step, product, properties) }
  }
  return (step) => {
    const subject = known.get(step) ?? read(step)
    known.set(step, subject)
    return subject
  }
}

/** True when a selector is about this step. */
export const selects = (target: Selector, subject: Subject): boolean =>
  selectsProperties(target, subject.properties) &&
  selectsProduct(target, subject) &&
  (target.lever === undefined || subject.step.lever?.lever === target.lever)

const selectsProperties = (
  { any, all, not }: Selector,
  properties: ReadonlySet<Property>,
): boolean =>
  (any?.some((property) => properties.has(property)) ?? true) &&
  (all?.every((property) => properties.has(property)) ?? true) &&
  !not?.some((property) => properties.has(property))

const needsProduct = ({ unread, product }: Selector): boolean => unread ?? product ?? false

function selectsProduct(target: Selector, { product, inci }: Subject): boolean {
  const { family, productId, exceptProducts, unread } = target
  if (family !== undefined && !inci.families.has(family)) return false
  if (productId !== undefined && product?.id !== productId) return false
  if (product && exceptProducts?.includes(product.id)) return false
  if (unread && inci.state !== 'unread') return false
  return product !== undefined || !needsProduct(target)
}

/** True when a constraint touches this step on the zones it now has. */
export function touches(
  constraint: Constraint,
  subject: Subject,
  zones: readonly ZoneId[] = subject.step.zones,
): boolean {
  if (constraint.zones && !zonesMeet(zones, constraint.zones)) return false
  return selects(constraint.target, subject)
}
