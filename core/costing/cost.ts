import { singlesOf } from '../strength'
import type { FittedPlan } from '../adapt/plan'
import type { Product, Shelf, Supply } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import { composedShelf } from '../mixing/house-mix'
import { doseFor } from '../mixing/dose'
import { partsOf } from '../mixing/recipe'
import type { Step } from '../protocol/model'
import { apportion } from '../quantity/apportion'
import type { FaceSize } from '../skin/areas'
import type { Rates } from './model'

/** One line of what a visit costs, in whole minor units. */
export interface CostLine {
  readonly kind: 'product' | 'supply' | 'practitioner' | 'room'
  readonly stepId: string
  readonly what: string
  readonly minor: number
}
export interface StepCost {
  readonly stepId: string
  readonly title: string
  readonly goodsMinor: number
  /** Seconds of the visit that are its own: none for what hangs under another's dwell. */
  readonly ownS: number
  readonly timeMinor: number
}
export interface VisitCost {
  readonly lines: readonly CostLine[]
  readonly steps: readonly StepCost[]
  readonly goodsMinor: number
  readonly timeMinor: number
  /** Sum of all lines, exactly. */
  readonly totalMinor: number
  /** What has no price: not in the sum, and said. */
  readonly unpriced: readonly string[]
}

/** What costs are reckoned from: the plan, the shelf with its packs, supplies by pack or wash, and the salon's rates. */
export interface CostInput {
  readonly plan: Pick<FittedPlan, 'steps' | 'segments' | 'tray' | 'totalS'>
  readonly shelf: Shelf
  readonly supplies: readonly Supply[]
  readonly rates: Rates
  readonly size?: FaceSize | undefined
}

interface Exact {
  readonly kind: CostLine['kind']
  readonly stepId: string
  readonly what: string
  readonly exact: number
}

/**
 * What a visit costs to perform: doses at pack price (house mixes by their parts), supplies and laundry from the tray, and the minutes of
 * practitioner and room, turnover included in the room's. Each line is a whole number of minor units and the lines add up to the
 * total, which is the exact sum rounded once (largest remainder).
 */
export function costOf(input: CostInput): VisitCost {
  const { plan } = input
  const { goods, unpriced } = goodsOf(input)
  const own = ownSeconds(plan)
  const lines = inMinor([...goods, ...timeOf(input, own), ...turnoverOf(input)])
  return {
    lines,
    steps: plan.steps.map((step) => stepCost(step, lines, own.get(step.id) ?? 0)),
    goodsMinor: sumOf(lines.filter((line) => !isTime(line))),
    timeMinor: sumOf(lines.filter(isTime)),
    totalMinor: sumOf(lines),
    unpriced,
  }
}

const TURNOVER = 'Turnover'
const isTime = (line: CostLine): boolean => line.kind === 'practitioner' || line.kind === 'room'
const sumOf = (lines: readonly CostLine[]): number =>
  lines.reduce((sum, line) => sum + line.minor, 0)

/** The minutes of practitioner and room that each step takes. */
function timeOf({ plan, rates }: CostInput, own: ReadonlyMap<string, number>): Exact[] {
  return plan.steps.flatMap(({ id, title }): Exact[] => {
    const ownS = own.get(id) ?? 0
    const line = { stepId: id, what: title }
    return [
      { ...line, kind: 'practitioner', exact: (ownS * rates.practitionerPerHourMinor) / 3600 },
      { ...line, kind: 'room', exact: (ownS * rates.roomPerHourMinor) / 3600 },
    ]
  })
}

function turnoverOf({ plan, rates }: CostInput): Exact[] {
  const last = plan.steps.at(-1)
  const exact = (rates.turnoverMinutes * rates.roomPerHourMinor) / 60
  return last ? [{ kind: 'room', stepId: last.id, what: TURNOVER, exact }] : []
}

function stepCost({ id, title }: Step, lines: readonly CostLine[], ownS: number): StepCost {
  const here = lines.filter((line) => line.stepId === id && line.what !== TURNOVER)
  return {
    stepId: id,
    title,
    goodsMinor: sumOf(here.filter((line) => !isTime(line))),
    ownS,
    timeMinor: sumOf(here.filter(isTime)),
  }
}

function inMinor(exact: readonly Exact[]): CostLine[] {
  if (exact.length === 0) return []
  const total = Math.round(exact.reduce((sum, line) => sum + line.exact, 0))
  const parts = apportion(
    total,
    exact.map((line) => line.exact),
  )
  return exact.map(({ kind, stepId, what }, at) => ({ kind, stepId, what, minor: parts[at]! }))
}

interface Goods {
  readonly goods: readonly Exact[]
  /** Names of what has no price, sorted. */
  readonly unpriced: readonly string[]
}

function goodsOf(input: CostInput): Goods {
  const goods = [...productsOf(input), ...suppliesOf(input)]
  const unpriced = goods.flatMap((line) => (line.exact === undefined ? [line.what] : []))
  return {
    goods: goods.flatMap((line) =>
      line.exact === undefined ? [] : [{ ...line, exact: line.exact }],
    ),
    unpriced: [...new Set(unpriced)].sort(),
  }
}

/** A line whose price may not be known. */
type Priced = Omit<Exact, 'exact'> & { readonly exact: number | undefined }

function productsOf({ plan, shelf: raw, size }: CostInput): Priced[] {
  const shelf = composedShelf(raw)
  return plan.steps.flatMap((step) =>
    usedBy(step, shelf, size).map(({ productId, amount }) => {
      const product = productById(shelf, productId)
      const { pack } = product ?? {}
      return {
        kind: 'product' as const,
        stepId: step.id,
        what: product?.name ?? productId,
        exact: pack && (amount * pack.priceMinor) / pack.amount,
      }
    }),
  )
}

function suppliesOf({ plan, supplies }: CostInput): Priced[] {
  return plan.tray.flatMap(({ supply: laid, stepId, name }) => {
    if (!laid) return []
    const supply = supplies.find(({ id }) => id === laid.id)
    const exact = supply && supplyPrice(supply, laid.count)
    return [{ kind: 'supply' as const, stepId, what: name, exact }]
  })
}

const supplyPrice = (supply: Supply, count: number): number =>
  supply.kind === 'kept' ? 0 : (count * supply.packMinor) / supply.pack

/** What goods cost at pack price, in whole minor units, and what of them has no price. */
export function goodsMinor(
  uses: readonly { readonly productId: string; readonly amount: number }[],
  products: readonly Product[],
): { readonly minor: number; readonly unpriced: readonly string[] } {
  let exact = 0
  const unpriced: string[] = []
  for (const { productId, amount } of uses) {
    const product = products.find(({ id }) => id === productId)
    if (product?.pack) exact += (amount * product.pack.priceMinor) / product.pack.amount
    else unpriced.push(product?.name ?? productId)
  }
  return { minor: Math.round(exact), unpriced }
}

/** What a step takes off the shelf, by product, each in its own unit; parts of a house mix apart. */
export function usedBy(step: Step, shelf: Shelf, size?: FaceSize): Use[] {
  const singles = singlesOf(step)
  if (singles.length > 1) return singles.flatMap((single) => usedBy(single, shelf, size))
  const product = productById(shelf, step.product?.productId)
  const dose =
    product && doseFor(product, useOf(product, step.product?.useId), step.zones, step.share, size)
  return product && dose
    ? partsOf(product, { amount: dose.amount, unit: dose.unit }, shelf.products)
    : []
}

export interface Use {
  readonly productId: string
  readonly amount: number
  readonly unit: 'g' | 'mL'
}
/** Uses of the same product added up, in the order in which they first come; to thousandths. */
export function summedUses<T extends Pick<Use, 'productId' | 'amount'>>(uses: readonly T[]): T[] {
  const sums = new Map<string, T>()
  for (const use of uses)
    sums.set(use.productId, {
      ...use,
      amount: Math.round(((sums.get(use.productId)?.amount ?? 0) + use.amount) * 1000) / 1000,
    })
  return [...sums.values()]
}

/**
 * Whose every second of the visit is: the step on the hands, else the one that dwells longest already. What floats under another's dwell
 * owns none: the visit would take as long without it. Adds up to the visit.
 */
export function ownSeconds({ steps, segments, totalS }: CostInput['plan']): Map<string, number> {
  const floating = new Set(steps.filter((step) => step.floating).map((step) => step.id))
  const solid = segments.filter((segment) => !floating.has(segment.stepId))
  const cuts = [
    ...new Set([0, totalS, ...solid.flatMap((segment) => [segment.startS, segment.endS])]),
  ]
    .filter((at) => at >= 0 && at <= totalS)
    .sort((a, b) => a - b)
  const own = new Map<string, number>()
  for (const [at, fromS] of cuts.slice(0, -1).entries()) {
    const toS = cuts[at + 1]!
    const owner = ownerOf(solid, fromS, toS)
    if (owner) own.set(owner.stepId, (own.get(owner.stepId) ?? 0) + toS - fromS)
  }
  return own
}

type Segments = CostInput['plan']['segments']

/** Whose a stretch of the visit is in which nothing begins or ends. */
function ownerOf(solid: Segments, fromS: number, toS: number): Segments[number] | undefined {
  const here = solid.filter((segment) => segment.startS <= fromS && segment.endS >= toS)
  const waiting = here.filter(({ kind }) => kind === 'dwell' || kind === 'settle')
  return (
    here.find((segment) => segment.hands && segment.kind !== 'prepare') ??
    waiting.sort((a, b) => a.startS - b.startS)[0] ??
    here[0] ??
    solid.findLast((segment) => segment.endS <= fromS) ??
    solid[0]
  )
}
