import type { Device, Product, Shelf, Use } from '../catalog/model'
import { freshId } from '../protocol/family'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { subjectReader } from '../strength'
import { STEP_CATALOGUE, type CatalogueRow } from './tables/catalogue'
import { isUsual, placeAfter, type Standing } from './tables/follows'

const NO_MATCH = 9
/** Behind everything that is found by its name or by another word for it. */
const SELDOM = 4

/**
 * Rows of the catalogue for what was typed: what usually comes next after where one stands first, then names that begin with it, then
 * words that do, then anything that holds it; of equal ones the plainer name.
 */
export function searchCatalogue(
  typed: string,
  standing?: Standing,
  rows: readonly CatalogueRow[] = STEP_CATALOGUE,
): CatalogueRow[] {
  const text = typed.trim().toLowerCase()
  if (text === '') return [...rows]
  const rank = (row: CatalogueRow): number => {
    const found = rankOf(row)
    return row.seldom && found < NO_MATCH ? found + SELDOM : found
  }
  const rankOf = ({ name, also, phase }: CatalogueRow): number => {
    const words = name.toLowerCase()
    if (words.startsWith(text)) return 0
    if (words.split(/[ ,]+/).some((word) => word.startsWith(text))) return 1
    if (also.split(' ').some((word) => word.startsWith(text))) return 2
    return words.includes(text) || phase.includes(text) ? 3 : NO_MATCH
  }
  const found = rows
    .map((row, at) => ({ row, at, rank: rank(row) }))
    .filter((match) => match.rank < NO_MATCH)
    .sort((a, b) => a.rank - b.rank || a.row.name.length - b.row.name.length || a.at - b.at)
    .map((match) => match.row)
  return standing === undefined ? found : usualFirst(found, standing)
}

/** The few that usually come next before all others, which stay as they are: nothing that was typed may vanish behind its like. */
function usualFirst(found: readonly CatalogueRow[], standing: Standing): CatalogueRow[] {
  const usual = found
    .filter(({ phase }) => isUsual(phase, standing))
    .sort((a, b) => placeAfter(a.phase, standing) - placeAfter(b.phase, standing))
    .slice(0, USUAL_MOST)
  return [...usual, ...found.filter((row) => !usual.includes(row))]
}
const USUAL_MOST = 3

/** A step of a catalogue row with what stands on the shelf; the product's own times win. Its id is new among `steps`. */
export function stepFrom(
  row: CatalogueRow,
  steps: readonly Step[],
  shelf: Shelf,
  after?: Step,
): Step {
  const product = productFor(row, shelf)
  const use = product?.uses.find((candidate) => candidate.phase === row.product!.phase)
  const device = deviceFor(row, shelf)
  const derived = new Set([...DERIVED, ...((product ?? device)?.properties ?? [])])
  const segments = use && row.id !== 'cleanser-mask' ? use.segments : row.segments
  return {
    id: freshId(steps, row.id),
    phase: row.phase,
    title: row.name,
    zones: zonesFor(row, use),
    essential: false,
    priority: 3,
    properties: row.properties.filter((property) => !derived.has(property)),
    segments: segments.map((part) => ({ ...part })),
    ...(product && use ? { product: { productId: product.id, useId: use.id } } : {}),
    ...(device ? { deviceId: device.id } : {}),
    ...rungAndCause(row, after),
    ...structuredClone(row.more ?? {}),
  }
}

function rungAndCause(
  { lever, closesBefore }: CatalogueRow,
  after: Step | undefined,
): Pick<Step, 'lever' | 'closes'> {
  return {
    ...(lever ? { lever: { lever: lever[0], rung: lever[1] } } : {}),
    ...(closesBefore && after ? { closes: after.closes ?? after.id } : {}),
  }
}

/** The row's zones that its product may be used on; all of them where that leaves none. */
function zonesFor(row: CatalogueRow, use: Use | undefined): Step['zones'] {
  const zones = row.zones.filter((zone) => use?.zones.includes(zone) ?? true)
  return zones.length > 0 ? zones : [...row.zones]
}

/** A device of the salon with the row's energy, and with all of its properties that tell one device from another. */
function deviceFor({ device: energy, properties }: CatalogueRow, shelf: Shelf): Device | undefined {
  if (energy === undefined) return undefined
  const telling = properties.filter((property) => OWN_TO_DEVICES.includes(property))
  return shelf.devices.find(
    (device) =>
      device.properties.includes(energy) &&
      telling.every((property) => device.properties.includes(property)),
  )
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
    const use = product.uses.find((use) => use.phase === wish.phase)
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
