import { readInci, type InciReading } from '../catalog/inci'
import type { Product, Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import type { ZoneId } from '../skin/zones'
import { sharedZones } from '../skin/zones'
import type { Constraint, Selector } from './rule'

/** What rules see of a step: its properties from product, use, device and itself. */
export interface Subject {
  readonly step: Step
  readonly product: Product | undefined
  readonly properties: ReadonlySet<Property>
  readonly inci: InciReading
}

/** Above this pH a product leaves the skin alkaline (rule D02). */
const ALKALINE_PH = 8
/** Above this percentage a leave-on salicylic product counts as strong (rule A04). */
const SALICYLIC_STRONG_PERCENT = 2

function derived(product: Product | undefined, step: Step): Property[] {
  const found: Property[] = []
  if (step.segments.some((segment) => segment.workingS !== undefined)) found.push('sets')
  if (!product) return found
  if (product.pH !== undefined && product.pH > ALKALINE_PH) found.push('alkaline')
  if (product.vehicle === 'alcohol') found.push('flammable')
  if (product.skin === 'dry') found.push('wants-dry')
  if (product.skin === 'damp') found.push('wants-damp')
  if (product.actives.some((active) => active.name === 'salicylic' && active.percent > SALICYLIC_STRONG_PERCENT)) found.push('salicylic-strong')
  return found
}

/** Reads a shelf once, so that ingredient lists are not parsed again for every step. */
export function subjectReader(shelf: Shelf): (step: Step) => Subject {
  const lists = new Map<string, InciReading>()
  const inciOf = (product: Product): InciReading => {
    const known = lists.get(product.id)
    if (known) return known
    const reading = readInci(product.inci)
    lists.set(product.id, reading)
    return reading
  }
  return (step) => {
    const product = productById(shelf, step.product?.productId)
    const device = deviceById(shelf, step.deviceId)
    const use = useOf(product, step.product?.useId)
    return {
      step,
      product,
      properties: new Set([...step.properties, ...(product?.properties ?? []), ...(use?.properties ?? []), ...(device?.properties ?? []), ...derived(product, step)]),
      inci: product ? inciOf(product) : { state: 'read', families: new Map() },
    }
  }
}

/** True when a selector is about this step. */
export function selects(target: Selector, subject: Subject): boolean {
  const { properties } = subject
  if (target.any && !target.any.some((property) => properties.has(property))) return false
  if (target.all && !target.all.every((property) => properties.has(property))) return false
  if (target.not?.some((property) => properties.has(property))) return false
  if (target.family !== undefined && !subject.inci.families.has(target.family)) return false
  if (target.productId !== undefined && subject.product?.id !== target.productId) return false
  if (target.lever !== undefined && subject.step.lever?.lever !== target.lever) return false
  if (target.unread && !(subject.product && subject.inci.state === 'unread')) return false
  if (target.product && !subject.product) return false
  return true
}

/** True when a constraint touches this step on the zones it now has. */
export function touches(constraint: Constraint, subject: Subject, zones: readonly ZoneId[] = subject.step.zones): boolean {
  if (constraint.zones && sharedZones(zones, constraint.zones).length === 0) return false
  return selects(constraint.target, subject)
}
