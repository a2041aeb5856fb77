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
  /** Seconds of the visit that are its own: none for what hangs under another's dwell. */ readonly ownS: number
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
  const { plan, rates } = input
  const { goods, unpriced } = goodsOf(input)
  const own = ownSeconds(plan)
  const time = plan.steps.flatMap((step): Exact[] => [
    {
      kind: 'practitioner',
      stepId: step.id,
      what: step.title,
      exact: ((own.get(step.id) ?? 0) * rates.practitionerPerHourMinor) / 3600,
    },
    {
      kind: 'room',
      stepId: step.id,
      what: step.title,
      exact: ((own.get(step.id) ?? 0) * rates.roomPerHourMinor) / 3600,
    },
  ])
  const last = plan.steps.at(-1)
  const turnover: Exact[] = last
    ? [
        {
          kind: 'room',
          stepId: last.id,
          what: 'Turnover',
          exact: (rates.turnoverMinutes * rates.roomPerHourMinor) / 60,
        },
      ]
    : []
  const lines = inMinor([...goods, ...time, ...turnover])
  const sum = (some: readonly CostLine[]) => some.reduce((all, line) => all + line.minor, 0)
  const isTime = (line: CostLine) => line.kind === 'practitioner' || line.kind === 'room'
  const steps = plan.steps.map((step): StepCost => {
    const here = lines.filter((line) => line.stepId === step.id && line.what !== 'Turnover')
    return {
      stepId: step.id,
      title: step.title,
      goodsMinor: sum(here.filter((line) => !isTime(line))),
      ownS: own.get(step.id) ?? 0,
      timeMinor: sum(here.filter(isTime)),
    }
  })
  return {
    lines,
    steps,
    goodsMinor: sum(lines.filter((line) => !isTime(line))),
    timeMinor: sum(lines.filter(isTime)),
    totalMinor: sum(lines),
    unpriced,
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

function goodsOf({ plan, shelf: raw, supplies, size }: CostInput): {
  goods: Exact[]
  unpriced: string[]
} {
  const shelf = composedShelf(raw)
  const unpriced = new Set<string>()
  const products = plan.steps.flatMap((step) =>
    usedBy(step, shelf, size).flatMap(({ productId, amount }): Exact[] => {
      const product = productById(shelf, productId)
      if (!product?.pack) {
        unpriced.add(product?.name ?? productId)
        return []
      }
      return [
        {
          kind: 'product',
          stepId: step.id,
          what: product.name,
          exact: (amount * product.pack.priceMinor) / product.pack.amount,
        },
      ]
    }),
  )
  const laid = plan.tray.flatMap((item): Exact[] => {
    if (!item.supply) return []
    const supply = supplies.find((one) => one.id === item.supply!.id)
    if (!supply) {
      unpriced.add(item.name)
      return []
    }
    return [
      {
        kind: 'supply',
        stepId: item.stepId,
        what: item.name,
        exact: supply.kind === 'kept' ? 0 : (item.supply.count * supply.packMinor) / supply.pack,
      },
    ]
  })
  return { goods: [...products, ...laid], unpriced: [...unpriced].sort() }
}

/** What goods cost at pack price, in whole minor units, and what of them has no price. */
export function goodsMinor(
  uses: readonly { readonly productId: string; readonly amount: number }[],
  products: readonly Product[],
): { readonly minor: number; readonly unpriced: readonly string[] } {
  const packs = uses.map((use) => ({
    use,
    product: products.find((one) => one.id === use.productId),
  }))
  const minor = Math.round(
    packs.reduce(
      (sum, { use, product }) =>
        sum + (product?.pack ? (use.amount * product.pack.priceMinor) / product.pack.amount : 0),
      0,
    ),
  )
  return {
    minor,
    unpriced: packs
      .filter(({ product }) => !product?.pack)
      .map(({ use, product }) => product?.name ?? use.productId),
  }
}

/** What a step takes off the shelf, by product, each in its own unit; parts of a house mix apart. */
export function usedBy(step: Step, shelf: Shelf, size?: FaceSize): Use[] {
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
  for (const [at, from] of cuts.slice(0, -1).entries()) {
    const to = cuts[at + 1]!
    const here = solid.filter((segment) => segment.startS <= from && segment.endS >= to)
    const whose =
      here.find((segment) => segment.hands && segment.kind !== 'prepare') ??
      here
        .filter((segment) => segment.kind === 'dwell' || segment.kind === 'settle')
        .sort((a, b) => a.startS - b.startS)[0] ??
      here[0] ??
      solid.findLast((segment) => segment.endS <= from) ??
      solid[0]
    if (whose) own.set(whose.stepId, (own.get(whose.stepId) ?? 0) + to - from)
  }
  return own
}
