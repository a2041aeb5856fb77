import type { Shelf } from '../catalog/model'
import { deviceById, productById, useOf } from '../catalog/shelf'
import type { Segment, Step } from '../protocol/model'
import { doseFor } from './dose'
import { inMeasures } from '../quantity/measure'
import { quantity } from '../quantity/quantity'

export interface TrayEntry { readonly id: string; readonly name: string; readonly count: number; readonly for: string; readonly stepId: string; readonly note?: string }

/** What a removal takes from the cupboard. */
function removalItem(segment: Segment): { name: string; count: number } | undefined {
  switch (segment.tool) {
    case 'towel': return { name: `${segment.temperature ?? 'warm'} towel`, count: 1 }
    case 'compress': return { name: `${segment.temperature ?? 'warm'} compress`, count: 1 }
    case 'sponge': return { name: 'damp sponges, pair', count: 1 }
    case 'gauze': return { name: 'gauze pads', count: 4 }
    case 'swab': return { name: 'swabs', count: 4 }
    case 'mitt': return { name: 'mitts, pair', count: 1 }
    case 'spatula': return { name: 'spatula', count: 1 }
    default: return undefined
  }
}

/** The tray in order of use: product with its dose, bowl and brush for a mix, removal cloths, and what the step names. */
export function trayFor(steps: readonly Step[], shelf: Shelf): TrayEntry[] {
  return steps.flatMap((step) => [...productItems(step, shelf), ...deviceItems(step, shelf), ...mixItems(step), ...removalItems(step), ...namedItems(step)])
}

function productItems(step: Step, shelf: Shelf): TrayEntry[] {
  const product = productById(shelf, step.product?.productId)
  if (!product) return []
  const dose = doseFor(product, useOf(product, step.product?.useId), step.zones, step.share)
  return [{ id: `${step.id}:product`, name: product.name, count: 1, for: step.title, stepId: step.id, ...(dose ? { note: `${dose.by === 'film' ? 'about ' : ''}${doseInWords(dose, product.measure)}${step.share === undefined ? '' : ` (${Math.round(step.share * 100)} % of the dose)`}` } : {}) }]
}

/** Rounding to half measures is told from this share of the dose on. */
const TOLD_ABOVE = 0.1
type Amount = { readonly amount: number; readonly unit: 'g' | 'mL' }
type Measure = Parameters<typeof inMeasures>[1]

/** A dose in the product's own measure and in grams or millilitres: "3 pumps · 2.4 mL". */
export function doseInWords(dose: Amount, measure: Measure | undefined): string {
  const plain = `${dose.amount} ${dose.unit}`
  const counted = measure && inMeasures(dose.unit === 'g' ? quantity(dose.amount, 'g') : quantity(dose.amount, 'mL'), measure)
  if (!counted) return plain
  const gives = Math.round((dose.amount + counted.error) * 100) / 100
  // A hand gives halves of a measure: what it then gives is said where it is more than a tenth off.
  const off = Math.abs(counted.error) > dose.amount * TOLD_ABOVE ? `, gives ${gives} ${dose.unit}` : ''
  return `${String(counted.count).replace('.5', '½').replace(/^0½/, '½')} ${measure.name}${counted.count > 1 ? 's' : ''} · ${plain}${off}`
}

function deviceItems(step: Step, shelf: Shelf): TrayEntry[] {
  const device = deviceById(shelf, step.deviceId)
  return device ? [{ id: `${step.id}:device`, name: device.name, count: 1, for: step.title, stepId: step.id, note: [device.setting, ...device.setup].join(' · ') }] : []
}

function mixItems(step: Step): TrayEntry[] {
  const mixing = step.segments.find((segment) => segment.kind === 'prepare')
  return mixing ? [{ id: `${step.id}:bowl`, name: mixing.workingS ? 'flexible bowl, spatula' : 'bowl, brush', count: 1, for: step.title, stepId: step.id }] : []
}

function removalItems(step: Step): TrayEntry[] {
  return step.segments.flatMap((segment) => {
    const item = segment.kind === 'remove' ? removalItem(segment) : undefined
    return item ? [{ id: `${step.id}:${segment.id}`, name: item.name, count: item.count, for: step.title, stepId: step.id }] : []
  })
}

const namedItems = (step: Step): TrayEntry[] => (step.tray ?? []).map((name, at) => ({ id: `${step.id}:tray${at}`, name, count: 1, for: step.title, stepId: step.id }))
