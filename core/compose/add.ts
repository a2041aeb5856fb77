import type { Product, Shelf } from '../catalog/model'
import { freshId } from '../protocol/family'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { subjectReader } from '../safety/subject'
import { STEP_CATALOGUE, type CatalogueRow } from './catalogue'

/** Rows of the catalogue for what was typed: names that begin with it first, then words that do, then anything that holds it. */
export function searchCatalogue(
  typed: string,
  rows: readonly CatalogueRow[] = STEP_CATALOGUE,
): CatalogueRow[] {
  const text = typed.trim().toLowerCase()
  if (text === '') return [...rows]
  const rank = ({ name, also, phase }: CatalogueRow): number => {
    const words = name.toLowerCase()
    if (words.startsWith(text)) return 0
    if (words.split(/[ ,]+/).some((word) => word.startsWith(text))) return 1
    if (also.split(' ').some((word) => word.startsWith(text))) return 2
    return words.includes(text) || phase.includes(text) ? 3 : 9
  }
  return rows
    .map((row, at) => ({ row, at, rank: rank(row) }))
    .filter((one) => one.rank < 9)
    .sort((a, b) => a.rank - b.rank || a.at - b.at)
    .map(({ row }) => row)
}

/** A step of a catalogue row with what stands on the shelf; the product's own times win. Its id is new among `steps`. */
export function stepFrom(
  row: CatalogueRow,
  steps: readonly Step[],
  shelf: Shelf,
  after?: Step,
): Step {
  const product = productFor(row, shelf)
  const use = product?.uses.find((one) => one.phase === row.product!.phase)
  const owned =
    row.device === undefined
      ? undefined
      : shelf.devices.find(
          (device) =>
            device.properties.includes(row.device!) &&
            row.properties.every(
              (property) =>
                device.properties.includes(property) || !OWN_TO_DEVICES.includes(property),
            ),
        )
  const found = product ? product.properties : owned ? owned.properties : []
  const zones = use ? row.zones.filter((zone) => use.zones.includes(zone)) : row.zones
  return {
    id: freshId(steps, row.id),
    phase: row.phase,
    title: row.name,
    zones: zones.length > 0 ? [...zones] : [...row.zones],
    essential: false,
    priority: 3,
    properties: row.properties.filter(
      (property) => !found.includes(property) && !DERIVED.includes(property),
    ),
    segments: (use && row.id !== 'cleanser-mask' ? use.segments : row.segments).map((part) => ({
      ...part,
    })),
    ...(product && use ? { product: { productId: product.id, useId: use.id } } : {}),
    ...(owned ? { deviceId: owned.id } : {}),
    ...(row.lever ? { lever: { lever: row.lever[0], rung: row.lever[1] } } : {}),
    ...(row.closesBefore && after ? { closes: after.closes ?? after.id } : {}),
    ...structuredClone(row.more ?? {}),
  }
}

/** What tells one device from another with the same energy. */
const OWN_TO_DEVICES: readonly Property[] = [
  'infusion',
  'exfoliating',
  'spark',
  'ultrasound',
  'measured-infusion',
  'rf',
  'mechanical',
]
/** Read off a product or its use, never written on a step. */
const DERIVED: readonly Property[] = ['sets']

function productFor({ product: wish }: CatalogueRow, shelf: Shelf): Product | undefined {
  if (!wish) return undefined
  const read = subjectReader(shelf)
  return shelf.products.find((product) => {
    const use = product.uses.find((one) => one.phase === wish.phase)
    if (!use || product.stock <= 0 || !wish.kinds.includes(product.kind)) return false
    const { properties } = read({
      id: 'x',
      phase: use.phase,
      title: 'x',
      zones: use.zones,
      properties: [],
      segments: use.segments,
      essential: false,
      priority: 1,
      product: { productId: product.id, useId: use.id },
    })
    return (
      (!wish.property || properties.has(wish.property)) &&
      !wish.without?.some((property) => properties.has(property))
    )
  })
}
