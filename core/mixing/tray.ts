import { singlesOf } from '../strength'
import type { Product, Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import type { Segment, Step } from '../protocol/model'
import { SUPPLY_NAMES, supplyNamed, type Laid, type SupplyId } from '../protocol/tray'
import { inMeasures, measureInWords } from '../quantity/measure'
import { inMinutes } from '../quantity/time'
import { quantity } from '../quantity/quantity'
import type { FaceSize } from '../skin/areas'
import { doseFor } from './dose'
import { cabinetCloth, clothName, forApplying, forRemoval, isHeated } from './supplies'

export interface TrayEntry {
  readonly id: string
  readonly name: string
  readonly count: number
  readonly for: string
  readonly stepId: string
  readonly note?: string
  /** The supply it is taken from, and how many: what costs and stock count. */
  readonly supply?: { readonly id: string; readonly count: number }
  /** A towel out of the cabinet is ready so many seconds later, never sooner. */
  readonly readyInS?: number
}

/** The tray in order of use: what the bed needs; at each step its product with its dose, what it is put on, mixed and taken off with, its device, and what the card names. */
export function trayFor(steps: readonly Step[], shelf: Shelf, size: FaceSize = 'M'): TrayEntry[] {
  const first = steps[0]
  return [
    ...(first ? setUp(first, steps, shelf) : []),
    ...steps.flatMap((step) => [
      ...singlesOf(step).flatMap((single, at) => productItems(single, { steps, shelf, size, at })),
      ...deviceItems(step, shelf),
      ...applyItems(step, shelf),
      ...mixItems(step, shelf),
      ...removalItems(step, shelf),
      ...spareItems(step, shelf),
      ...namedItems(step),
    ]),
  ]
}

/** Where the cloth of a removal lies on the tray. */
export const trayId = (step: Pick<Step, 'id'>, segment: Pick<Segment, 'id'>): string =>
  `${step.id}:${segment.id}`
const entry = (
  step: Step,
  suffix: string,
  laid: Laid,
  more: Partial<TrayEntry> = {},
): TrayEntry => ({
  id: `${step.id}:${suffix}`,
  name: SUPPLY_NAMES[laid.id],
  count: laid.count,
  for: step.title,
  stepId: step.id,
  supply: { id: laid.id, count: laid.count },
  ...more,
})

/** What lies ready before the first step, whatever the card says: linen, headband, water where sponges are wrung, a fan where something may sting. */
function setUp(first: Step, steps: readonly Step[], shelf: Shelf): TrayEntry[] {
  const wrung = steps.some((step) =>
    step.segments.some((segment) => segment.tool === 'sponge' || segment.tool === 'mitt'),
  )
  const stings = steps.some((step) =>
    productById(shelf, step.product?.productId)?.expected.some(
      (other) => other.sensation === 'stinging' || other.sensation === 'warm',
    ),
  )
  const ids: SupplyId[] = [
    'linen',
    'headband',
    ...(wrung ? ['water-bowl' as const] : []),
    ...(stings ? ['fan' as const] : []),
  ]
  return ids.map((id) => entry(first, `setup-${id}`, { id, count: 1 }))
}

interface Laying {
  readonly steps: readonly Step[]
  readonly shelf: Shelf
  readonly size: FaceSize
  /** Which of a step's products it is. */
  readonly at: number
}

function productItems(step: Step, { steps, shelf, size, at }: Laying): TrayEntry[] {
  const product = productById(shelf, step.product?.productId)
  if (!product) return []
  const dose = doseFor(product, useOf(product, step.product?.useId), step.zones, step.share, size)
  const later =
    step.share === undefined
      ? []
      : steps
          .slice(steps.findIndex((other) => other.id === step.id) + 1)
          .filter((other) => other.share !== undefined && other.product?.productId === product.id)
  const part =
    step.share === undefined
      ? ''
      : ` (${Math.round(step.share * 100)} % of the dose)${later.length > 0 ? `, the rest for ${later[0]!.title}` : ''}`
  return [
    {
      id: at === 0 ? `${step.id}:product` : `${step.id}:product${at}`,
      name: product.name,
      count: 1,
      for: step.title,
      stepId: step.id,
      ...(dose
        ? {
            note: `${dose.by === 'film' ? 'about ' : ''}${doseInWords(dose, product.measure)}${part}`,
          }
        : {}),
    },
  ]
}

/** Rounding to what a hand can give is told from this share of the dose on. */
const TOLD_ABOVE = 0.1
type Amount = { readonly amount: number; readonly unit: 'g' | 'mL' }
type Measure = Parameters<typeof inMeasures>[1]

/** A dose in the product's own measure and in grams or millilitres: "3 pumps · 2.4 mL". */
export function doseInWords(dose: Amount, measure: Measure | undefined): string {
  const plain = `${dose.amount} ${dose.unit}`
  const counted =
    measure &&
    inMeasures(
      dose.unit === 'g' ? quantity(dose.amount, 'g') : quantity(dose.amount, 'mL'),
      measure,
    )
  if (!counted) return plain
  const gives = Math.round((dose.amount + counted.error) * 100) / 100
  const off =
    Math.abs(counted.error) > dose.amount * TOLD_ABOVE ? `, gives ${gives} ${dose.unit}` : ''
  return `${measureInWords(counted.count, measure.name)} · ${plain}${off}`
}

function deviceItems(step: Step, shelf: Shelf): TrayEntry[] {
  const device = deviceById(shelf, step.deviceId)
  if (!device) return []
  const parts = (device.consumables ?? []).map(({ supplyId, count }, at): TrayEntry => ({
    id: `${step.id}:part${at}`,
    name: SUPPLY_NAMES[supplyId as SupplyId] ?? supplyId,
    count,
    for: step.title,
    stepId: step.id,
    supply: { id: supplyId, count },
  }))
  return [
    {
      id: `${step.id}:device`,
      name: device.name,
      count: 1,
      for: step.title,
      stepId: step.id,
      note: [device.setting, ...device.setup].join(' · '),
    },
    ...parts.filter(
      (part) => !step.tray?.some((name) => supplyNamed(name)?.id === part.supply!.id),
    ),
  ]
}

function applyItems(step: Step, shelf: Shelf): TrayEntry[] {
  const product = productById(shelf, step.product?.productId)
  const laid =
    product && step.segments.some((segment) => segment.kind === 'apply')
      ? forApplying(product)
      : undefined
  // Its wand or brush may be named on the card, or belong to the bowl it is mixed in.
  if (
    !laid ||
    step.tray?.some((name) => supplyNamed(name)?.id === laid.id) ||
    (mixing(step) && laid.id === 'brush')
  )
    return []
  return [entry(step, 'lay-with', laid)]
}

const mixing = (step: Step): Segment | undefined =>
  step.segments.find((segment) => segment.kind === 'prepare')
const isMixed = (step: Step, product: Product | undefined): boolean =>
  product !== undefined &&
  (mixing(step) !== undefined || product.recipe !== undefined || product.mixing !== undefined)

/** What sets is stirred in a flexible bowl with a spatula and measured water; the rest in a bowl with its brush, covered where it must rest. */
function mixItems(step: Step, shelf: Shelf): TrayEntry[] {
  const product = productById(shelf, step.product?.productId)
  if (!isMixed(step, product)) return []
  const note = coverNote(product?.mixing)
  const sets = isSetting(step, product)
  const items = [
    entry(step, 'bowl', { id: sets ? 'flexible-bowl' : 'bowl', count: 1 }, note ? { note } : {}),
    entry(step, 'stir', { id: sets ? 'spatula' : 'brush', count: 1 }),
    ...(product?.mixing?.waterMlPerG ? [entry(step, 'cup', { id: 'cup', count: 1 })] : []),
  ]
  // What the card itself names is not laid out twice.
  const named = new Set(step.tray?.map((name) => supplyNamed(name)?.id))
  return items.filter((item) => !named.has(item.supply!.id as SupplyId))
}

const isSetting = (step: Step, product: Product | undefined): boolean =>
  mixing(step)?.workingS !== undefined || product?.mixing?.bowl === 'flexible bowl'

function coverNote(mixed: Product['mixing']): string | undefined {
  if (mixed?.restS) return `let it rest ${inMinutes(mixed.restS)} min, covered`
  return mixed?.bowl === 'covered bowl' ? 'cover it' : undefined
}

function removalItems(step: Step, shelf: Shelf): TrayEntry[] {
  const product = productById(shelf, step.product?.productId)
  return step.segments.flatMap((segment) => {
    const laid = segment.kind === 'remove' ? forRemoval(segment, product) : undefined
    return laid ? [clothOf(step, segment, laid)] : []
  })
}

function clothOf(step: Step, segment: Segment, laid: Laid): TrayEntry {
  const suffix = segment.id
  if (!isHeated(laid)) return entry(step, suffix, laid)
  const name = clothName(segment, laid)
  const cabinet = cabinetCloth(segment, laid)
  if (!cabinet) return entry(step, suffix, laid, { name })
  const { targetC, readyInS } = cabinet
  return entry(step, suffix, laid, {
    name,
    readyInS,
    note: `${targetC} °C at the wrist; ready ${inMinutes(readyInS)} min out of the cabinet`,
  })
}

/** Where a mask hardens one towel more is at hand: if an edge resists it is softened, never scraped. */
function spareItems(step: Step, shelf: Shelf): TrayEntry[] {
  const properties = new Set([
    ...step.properties,
    ...(productById(shelf, step.product?.productId)?.properties ?? []),
  ])
  const hardens =
    step.phase === 'mask' &&
    (mixing(step)?.workingS !== undefined ||
      properties.has('tightening') ||
      properties.has('film-peel'))
  return hardens
    ? [
        entry(
          step,
          'spare',
          { id: 'towel', count: 1 },
          { name: 'spare towel, wet', note: 'if an edge resists' },
        ),
      ]
    : []
}

const namedItems = (step: Step): TrayEntry[] =>
  (step.tray ?? []).map((name, at) => {
    const laid = supplyNamed(name)
    return {
      id: `${step.id}:tray${at}`,
      name,
      count: 1,
      for: step.title,
      stepId: step.id,
      ...(laid ? { supply: laid } : {}),
    }
  })
