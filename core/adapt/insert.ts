import type { Product } from '../catalog/model'
import type { Segment, Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import type { Phase, Property } from '../protocol/words'
import type { Constraint, Requirement } from '../safety/rule'
import { touches, type Subject } from '../safety/subject'
import { FACE, sharedZones, withoutZones, type ZoneId } from '../skin/zones'
import { distinctWhy, type Change } from './change'
import { fitStep, type OptionContext } from './options'
import { sparkClash } from './together'

interface Inserted { readonly steps: readonly Step[]; readonly changes: readonly Change[] }

/**
 * Puts in what the rules require and the ladder lacks: neutraliser (D12), toning after an alkaline step (D02), blotting before
 * a product that wants dry skin (D03), sun filter at the end (D17 and others). A step put in says by which rules.
 */
export function insertRequired(steps: readonly Step[], context: OptionContext, constraints: readonly Constraint[]): Inserted {
  const changes: Change[] = []
  const out: Step[] = []
  for (const [at, step] of steps.entries()) {
    const subject = context.read(step)
    const needsDry = required('skin-dry', subject, constraints)
    if (needsDry.length > 0 && isDamp(out, step, context)) add(out, blotStep(step, needsDry), changes, needsDry, `Blot dry before ${step.title}`)
    const needsDamp = required('skin-damp', subject, constraints)
    if (needsDamp.length > 0 && !isDamp(out, step, context)) add(out, dampStep(step, needsDamp), changes, needsDamp, `Dampen before ${step.title}`)
    out.push(step)
    for (const [name, property] of AFTER) {
      const needed = required(name, subject, constraints)
      if (needed.length === 0 || followedBy(steps, at, property, context)) continue
      insertProduct(out, step, property, needed, context, changes, steps.slice(at + 1))
    }
  }
  insertSunFilter(out, context, constraints, changes)
  return { steps: out, changes }
}

const AFTER: readonly (readonly [Requirement, Property])[] = [['neutralise-after', 'neutralising'], ['tone-after', 'toning']]

const required = (name: Requirement, subject: Subject, constraints: readonly Constraint[]): Constraint[] =>
  constraints.filter((constraint) => constraint.effect === 'require' && constraint.require === name && touches(constraint, subject))

/** The next step that puts something on these zones has the property. */
function followedBy(steps: readonly Step[], at: number, property: Property, context: OptionContext): boolean {
  const { zones } = steps[at]!
  const next = steps.slice(at + 1).find((step) => step.product && sharedZones(step.zones, zones).length > 0)
  return next !== undefined && context.read(next).properties.has(property)
}

function insertProduct(out: Step[], after: Step, property: Property, because: readonly Constraint[], context: OptionContext, changes: Change[], following: readonly Step[]) {
  for (const product of context.shelf.products) {
    const step = stepFrom(product, property, after, because, context)
    const sparks = step && sparkClash(context.read(step), following.map(context.read), (one) => (one.id === step.id ? 0 : 1))
    if (step && !sparks) return add(out, step, changes, because, `${step.title} put in after ${after.title}`)
  }
  changes.push({ kind: 'unmet', stepId: after.id, what: `Nothing on the shelf may follow ${after.title} here: put a ${property} product on the shelf`, why: distinctWhy(because) })
}

function stepFrom(product: Product, property: Property, after: Step, because: readonly Constraint[], context: OptionContext): Step | undefined {
  const use = product.uses.find((candidate) => product.properties.includes(property) || candidate.properties?.includes(property))
  if (!use || product.stock <= 0) return undefined
  const zones = after.zones.filter((zone) => use.zones.includes(zone))
  if (zones.length === 0) return undefined
  const step: Step = {
    id: `${after.id}+${property}`, phase: use.phase, title: product.name, zones, product: { productId: product.id, useId: use.id }, properties: [],
    segments: use.segments, essential: true, priority: 5, closes: after.id, insertedBy: because.map((constraint) => constraint.ruleId),
  }
  const fitted = fitStep(step, step, context)
  return fitted.ok ? fitted.option.step : undefined
}

function add(out: Step[], step: Step, changes: Change[], because: readonly Constraint[], what: string) {
  out.push(step)
  changes.push({ kind: 'inserted', stepId: step.id, what, why: distinctWhy(because) })
}

/** Damp: the last thing done on a zone was a cleanse, a tone, or a removal with water, and nothing has dried it. */
function isDamp(before: readonly Step[], step: Step, context: OptionContext): boolean {
  const last = before.findLast((other) => sharedZones(other.zones, step.zones).length > 0)
  if (!last) return false
  const { properties } = context.read(last)
  if (properties.has('blotting')) return false
  const wet: readonly (Segment['tool'])[] = ['sponge', 'towel', 'compress', 'mitt', 'water']
  return properties.has('cleansing') || last.segments.some((part) => part.kind === 'remove' && wet.includes(part.tool))
}

function blotStep(before: Step, because: readonly Constraint[]): Step {
  return {
    id: `${before.id}+blot`, phase: 'tone', title: 'Blot dry', zones: before.zones, properties: ['blotting'], essential: true, priority: 5, closes: before.id,
    segments: [segment('press', 'apply', 0.5)], tray: ['tissue with an opening'], insertedBy: because.map((constraint) => constraint.ruleId),
  }
}

function dampStep(before: Step, because: readonly Constraint[]): Step {
  return { ...blotStep(before, because), id: `${before.id}+damp`, title: 'Dampen with a wet sponge', properties: ['cleansing'], segments: [segment('press', 'apply', 0.5)], tray: ['damp sponges, pair'] }
}

function insertSunFilter(out: Step[], context: OptionContext, constraints: readonly Constraint[], changes: Change[]) {
  const because = constraints.filter((constraint) => constraint.require === 'sun-filter' && constraint.effect === 'require')
  const treated = out.filter((step) => step.product && !step.floating).flatMap((step) => step.zones)
  const filters = out.filter((step) => context.read(step).properties.has('sun-filter'))
  const open = withoutZones(FACE.filter((zone) => treated.includes(zone)), filters.flatMap((step) => step.zones))
  if (because.length === 0 || open.length === 0) return
  const before = LAST_PHASES.map((phase) => out.findIndex((step) => step.phase === phase)).find((at) => at !== -1) ?? out.length
  for (const product of context.shelf.products) {
    const step = stepFrom(product, 'sun-filter', { ...out[0]!, id: 'end', zones: open as ZoneId[] }, because, context)
    if (!step) continue
    const { closes: _cause, ...alone } = step
    out.splice(before, 0, alone)
    changes.push({ kind: 'inserted', stepId: alone.id, what: `${alone.title} put in at the end`, why: distinctWhy(because) })
    return
  }
  changes.push({ kind: 'unmet', stepId: out.at(-1)?.id ?? 'end', what: 'No permitted sun filter on the shelf: shade and a hat today, and put one on the shelf', why: distinctWhy(because) })
}

const LAST_PHASES: readonly Phase[] = ['lip', 'close']
