import type { Product } from '../catalog/model'
import { slugOf } from '../catalog/slug'
import { segment } from '../protocol/segments'
import type { Segment, Step } from '../protocol/model'
import { ZONES, type ZoneId } from '../skin/zones'
import { amountIn, BadCell, listOf, numberIn, yesNoIn } from './cells'
import { GROUPS, type Cells } from './columns'

export interface CsvSetting {
  readonly minorDigits: number
  /** ISO: when a batch without a day of its own was received. */
  readonly today: string
  readonly onProgress?: (done: number, of: number) => void
}

type Reader = (cells: Cells, setting: CsvSetting) => unknown

/** How each field of a product is read; in this order, so that the first fault is the one that is told. */
const READERS: Readonly<Partial<Record<keyof Product, Reader>>> = {
  pack: packFrom,
  gramsPerTeaspoon: (cells) => numberIn(cells, 'grams_per_teaspoon'),
  pH: (cells) => numberIn(cells, 'ph'),
  afterOpeningMonths: (cells) => numberIn(cells, 'after_opening_months'),
  measure: measureFrom,
  id: ({ id, name }) => id || slugOf(name ?? ''),
  name: ({ name }) => name ?? '',
  kind: ({ kind }) => kind ?? '',
  unit: ({ unit }) => unit || undefined,
  vehicle: ({ vehicle }) => vehicle || 'water',
  actives: activesFrom,
  concerns: ({ concerns }) => listOf(concerns),
  inci: ({ inci }) => inci || undefined,
  properties: ({ properties }) => listOf(properties),
  skin: ({ skin }) => skin || 'any',
  leaves: ({ leaves }) => leaves || 'nothing',
  emergencyOff: (cells) => cells.emergency_off || 'rinse',
  openSkinUse: (cells) => yesNoIn(cells, 'open_skin_use'),
  expected: () => [],
  texture: ({ texture }) => texture || undefined,
  time: ({ time }) => time || undefined,
  substitutes: ({ substitutes }) => (substitutes ? listOf(substitutes) : undefined),
  note: ({ note }) => note || undefined,
  stock: () => 0,
  uses: usesFrom,
}

/** The product as a row alone would have it, not yet checked against its model. A cell that cannot be read throws BadCell. */
export function productFrom(cells: Cells, setting: CsvSetting): unknown {
  const fields = Object.entries(READERS).map(([field, read]) => [field, read(cells, setting)])
  return Object.fromEntries(fields.filter(([, value]) => value !== undefined))
}

/** The batch a row names; undefined when it says nothing of what is left. */
export function batchFrom(cells: Cells, productId: string, { today }: CsvSetting): unknown {
  const left = numberIn(cells, 'left')
  if (left === undefined) return undefined
  const lot = cells.lot ?? ''
  return {
    id: `${productId}-${slugOf(lot) || 'stock'}`.slice(0, 60),
    lot,
    receivedOn: cells.received_on || today,
    ...(cells.best_before ? { bestBefore: cells.best_before } : {}),
    ...(cells.opened_on ? { openedOn: cells.opened_on } : {}),
    left,
  }
}

const millionths = (value: number): number => Math.round(value * 1e6) / 1e6

function packFrom(cells: Cells, { minorDigits }: CsvSetting): unknown {
  const amount = numberIn(cells, 'pack_amount')
  const price = numberIn(cells, 'pack_price')
  if (amount === undefined && price === undefined) return undefined
  if (amount === undefined || price === undefined) {
    const column = amount === undefined ? 'pack_amount' : 'pack_price'
    throw new BadCell(column, 'A pack needs both its amount and its price.')
  }
  const priceMinor = millionths(price * 10 ** minorDigits)
  if (!Number.isInteger(priceMinor))
    throw new BadCell('pack_price', `“${cells.pack_price}” has more than ${minorDigits} decimals.`)
  return { amount, priceMinor }
}

function activesFrom(cells: Cells): { name: string; percent: number }[] {
  return listOf(cells.actives).map((part) => {
    const found = /^(.+?)\s+(\d+(?:[.,]\d+)?)\s*%?$/.exec(part)
    if (!found)
      throw new BadCell(
        'actives',
        `“${part}” is not an active with its percentage; write for instance “lactic 12; niacinamide 4”.`,
      )
    const [, name, percent] = found
    return { name: name!.toLowerCase(), percent: Number(percent!.replace(',', '.')) }
  })
}

function measureFrom(cells: Cells): unknown {
  const name = cells.measure
  if (!name) return undefined
  const per = amountIn(cells, 'measure_amount')
  if (!per)
    throw new BadCell('measure_amount', `How much is one ${name}? Write for instance “0.8 mL”.`)
  return { name, unit: per.unit, per: per.amount }
}

function usesFrom(cells: Cells): unknown[] {
  if (!cells.use_phase) return []
  const zones = zonesFrom(cells)
  const [apply, dwell, remove] = (['apply_min', 'dwell_min', 'remove_min'] as const).map((column) =>
    numberIn(cells, column),
  )
  const dose = amountIn(cells, 'use_dose')
  const dwelling = dwell
    ? [segment('dwell', 'dwell', dwell, { presence: 'room', admits: ['quiet'] })]
    : []
  return [
    {
      id: 'use',
      phase: cells.use_phase as Step['phase'],
      zones,
      segments: [
        segment('on', 'apply', apply ?? 1),
        ...dwelling,
        ...(remove ? [segment('off', 'remove', remove, removalFrom(cells))] : []),
      ],
      ...(dose ? { dose } : {}),
    },
  ]
}

const removalFrom = (cells: Cells): Partial<Segment> => ({
  ...(cells.remove_tool ? { tool: cells.remove_tool as Segment['tool'] } : {}),
  ...(cells.remove_temperature
    ? { temperature: cells.remove_temperature as Segment['temperature'] }
    : {}),
})

/** Zones of a cell, groups by their members; what is no zone is told. */
function zonesFrom(cells: Cells): string[] {
  const membersOf = (name: string): readonly ZoneId[] | undefined =>
    [...GROUPS].find(([group]) => group.toLowerCase() === name.toLowerCase())?.[1]
  const zones = listOf(cells.use_zones).flatMap(
    (name): readonly string[] => membersOf(name) ?? [name],
  )
  if (zones.length === 0) throw new BadCell('use_zones', 'A use needs its zones.')
  const unknownZone = zones.find((zone) => !(ZONES as readonly string[]).includes(zone))
  if (unknownZone !== undefined) {
    const groups = [...GROUPS.keys()].join(', ')
    throw new BadCell('use_zones', `“${unknownZone}” is no zone. Groups: ${groups}.`)
  }
  return zones
}
