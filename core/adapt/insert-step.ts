import type { Product } from '../catalog/model'
import type { Segment, Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import type { Property } from '../protocol/words'
import type { Constraint } from '../safety/rule'
import { isLeaveOn } from '../strength'
import type { Subject } from '../strength'
import { zonesMeet } from '../skin/zones'
import { distinctWhy, type Change, type Why } from './change'
import { fitStep } from './fit-step'
import type { OptionContext } from './option'
import { addsOnly } from './replacing'
import { wouldClash } from './together'

export interface Work {
  readonly context: OptionContext
  readonly out: Step[]
  readonly changes: Change[]
}
/** Why a step is put in: rule ids for the step, words for the card. */
interface Cause {
  readonly ruleIds: readonly string[]
  readonly why: readonly Why[]
}

export const causeOf = (constraints: readonly Constraint[]): Cause => ({
  ruleIds: [...new Set(constraints.map((constraint) => constraint.ruleId))],
  why: distinctWhy(constraints),
})

export const earlier = ({ out, context }: Work, step: Step): Subject[] =>
  out.filter((other) => zonesMeet(other.zones, step.zones)).map(context.read)

/** The next step that puts something on these zones has the property. */
export function followedBy(
  steps: readonly Step[],
  at: number,
  property: Property,
  context: OptionContext,
): boolean {
  const { zones } = steps[at]!
  const next = steps.slice(at + 1).find((step) => step.product && zonesMeet(step.zones, zones))
  return next !== undefined && context.read(next).properties.has(property)
}

export function insertProduct(
  work: Work,
  beside: Step,
  property: Property,
  cause: Cause,
  following: readonly Step[],
  where: string,
  kinds?: readonly Product['kind'][],
) {
  const { context } = work
  for (const product of context.shelf.products.filter(
    (product) => !kinds || kinds.includes(product.kind),
  )) {
    const step = stepFrom(product, property, beside, cause, context)
    if (step && !wouldClash(context.read(step), following.map(context.read)))
      return insertStep(work, step, cause, `${step.title} put in ${where}`)
  }
  work.changes.push({
    kind: 'unmet',
    stepId: beside.id,
    what: `Nothing on the shelf may go ${where} here: put a ${property} product on the shelf`,
    why: cause.why,
  })
}

export function stepFrom(
  product: Product,
  property: Property,
  beside: Step,
  cause: Cause,
  context: OptionContext,
): Step | undefined {
  const use = product.uses.find(
    (candidate) =>
      product.properties.includes(property) || candidate.properties?.includes(property),
  )
  if (!use || product.stock <= 0) return undefined
  const zones = beside.zones.filter((zone) => use.zones.includes(zone))
  if (zones.length === 0) return undefined
  const step: Step = {
    id: `${beside.id}+${property}`,
    phase: use.phase,
    title: product.name,
    zones,
    product: { productId: product.id, useId: use.id },
    properties: [],
    segments: use.segments,
    essential: true,
    priority: 5,
    closes: beside.id,
    insertedBy: [...cause.ruleIds],
  }
  if (!addsOnly(context.read(step), property)) return undefined
  const fitted = fitStep(step, step, context)
  return fitted.ok ? fitted.option.step : undefined
}

export function insertStep({ out, changes }: Work, step: Step, cause: Cause, what: string) {
  out.push(step)
  changes.push({ kind: 'inserted', stepId: step.id, what, why: cause.why })
}

export function handStep(
  before: Step,
  suffix: string,
  title: string,
  properties: Property[],
  time: number,
  tray: string,
  cause: Cause,
): Step {
  return {
    id: `${before.id}+${suffix}`,
    phase: 'tone',
    title,
    zones: before.zones,
    properties,
    essential: true,
    priority: 5,
    closes: before.id,
    segments: [segment('press', 'apply', time)],
    tray: [tray],
    insertedBy: [...cause.ruleIds],
  }
}

const WET: readonly Segment['tool'][] = ['sponge', 'towel', 'compress', 'mitt', 'water']

/** Damp: the last thing done on a zone was a cleanse, a tone, or a removal with water, and nothing has dried it. */
export function isDamp(work: Work, step: Step): boolean {
  const last = earlier(work, step).at(-1)
  if (!last || last.properties.has('blotting')) return false
  return (
    last.properties.has('cleansing') ||
    last.step.segments.some((part) => part.kind === 'remove' && WET.includes(part.tool))
  )
}

/** An oil lies on a zone and nothing since has washed it off. */
export function isOily(work: Work, step: Step): boolean {
  const before = earlier(work, step)
  const oil = before.findLastIndex(
    (other) => other.product?.leaves === 'oil' && isLeaveOn(other.step),
  )
  return oil !== -1 && !before.slice(oil + 1).some((other) => other.properties.has('cleansing'))
}
