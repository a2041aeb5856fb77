import type { Product } from '../catalog/model'
import type { Segment, Step } from '../protocol/model'
import { segment } from '../protocol/segments'
import type { Phase, Property } from '../protocol/words'
import type { Constraint, Requirement } from '../safety/rule'
import { ruleById } from '../safety/rules'
import { isLeaveOn } from '../safety/strength'
import { touches, type Subject } from '../safety/subject'
import { EYE_CONTOUR, FACE, zonesMeet, withoutZones, type ZoneId } from '../skin/zones'
import { distinctWhy, ownWhy, type Change, type Why } from './change'
import { fitStep, type OptionContext } from './options'
import { wouldClash } from './together'

interface Inserted {
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
}
interface Work {
  readonly context: OptionContext
  readonly out: Step[]
  readonly changes: Change[]
}
/** Why a step is put in: rule ids for the step, words for the card. */
interface Cause {
  readonly ruleIds: readonly string[]
  readonly why: readonly Why[]
}

const causeOf = (constraints: readonly Constraint[]): Cause => ({
  ruleIds: [...new Set(constraints.map((constraint) => constraint.ruleId))],
  why: distinctWhy(constraints),
})

/**
 * Puts in what the rules require and the ladder lacks: neutraliser (D12), toning (D02, D20), blotting or dampening (D03), wiping off
 * oil (D05), eye gel under a mask that tightens (C09), something hydrating before an extraction (C08), sun filter at the end (D17 and
 * others). A step put in says by which rules.
 */
export function insertRequired(
  steps: readonly Step[],
  context: OptionContext,
  constraints: readonly Constraint[],
): Inserted {
  const work: Work = { context, out: [], changes: [] }
  for (const [at, step] of steps.entries()) {
    const subject = context.read(step)
    const needed = (name: Requirement) => required(name, subject, constraints)
    for (const before of BEFORE) before(work, step, needed, subject)
    work.out.push(step)
    for (const [name, property] of AFTER) {
      const because = needed(name)
      if (because.length > 0 && !followedBy(steps, at, property, context))
        insertProduct(
          work,
          step,
          property,
          causeOf(because),
          steps.slice(at + 1),
          `after ${step.title}`,
        )
    }
  }
  insertSunFilter(work, constraints)
  return { steps: work.out, changes: work.changes }
}

const AFTER: readonly (readonly [Requirement, Property])[] = [
  ['neutralise-after', 'neutralising'],
  ['tone-after', 'toning'],
]

const required = (
  name: Requirement,
  subject: Subject,
  constraints: readonly Constraint[],
): Constraint[] =>
  constraints.filter(
    (constraint) =>
      constraint.effect === 'require' &&
      constraint.require === name &&
      touches(constraint, subject),
  )

type Before = (
  work: Work,
  step: Step,
  needed: (name: Requirement) => Constraint[],
  subject: Subject,
) => void
const BEFORE: readonly Before[] = [
  (work, step, needed) => {
    const because = needed('no-oil')
    if (because.length > 0 && isOily(work, step))
      put(
        work,
        handStep(
          step,
          'wipe',
          'Wipe the oil off',
          ['cleansing'],
          1,
          'damp sponges, pair',
          causeOf(because),
        ),
        causeOf(because),
        `Wipe the oil off before ${step.title}`,
      )
  },
  (work, step, needed) => {
    const because = needed('hydrate-before')
    if (
      because.length > 0 &&
      !earlier(work, step).some(
        (other) =>
          other.step.product &&
          other.properties.has('softening') &&
          !other.properties.has('exfoliating'),
      )
    )
      insertProduct(work, step, 'softening', causeOf(because), [step], `before ${step.title}`, [
        'concentrate',
      ])
  },
  (work, step, needed) => {
    const because = needed('eye-gel-before')
    if (
      because.length === 0 ||
      !zonesMeet(step.zones, FACE) ||
      work.out.some(
        (other) =>
          zonesMeet(other.zones, EYE_CONTOUR) &&
          work.context.read(other).properties.has('eye-work'),
      )
    )
      return
    insertProduct(
      work,
      { ...step, zones: [...EYE_CONTOUR] },
      'eye-work',
      causeOf(because),
      [step],
      `before ${step.title}`,
    )
  },
  (work, step, _needed, subject) => {
    // D20 speaks of a pair: an enzyme before, a self-heating mask now, and nothing that tones between.
    if (!subject.properties.has('self-heating')) return
    const before = earlier(work, step)
    const enzyme = before.findLastIndex(
      (other) => other.properties.has('enzyme') && other.properties.has('exfoliating'),
    )
    if (enzyme === -1 || before.slice(enzyme + 1).some((other) => other.properties.has('toning')))
      return
    const { reason, instead } = ruleById('D20')
    insertProduct(
      work,
      step,
      'toning',
      { ruleIds: ['D20'], why: [ownWhy('D20', reason, instead)] },
      [step],
      `before ${step.title}`,
    )
  },
  (work, step, needed) => {
    const because = needed('skin-dry')
    if (because.length > 0 && isDamp(work, step))
      put(
        work,
        handStep(
          step,
          'blot',
          'Blot dry',
          ['blotting'],
          0.5,
          'tissue with an opening',
          causeOf(because),
        ),
        causeOf(because),
        `Blot dry before ${step.title}`,
      )
  },
  (work, step, needed) => {
    const because = needed('skin-damp')
    if (because.length > 0 && !isDamp(work, step))
      put(
        work,
        handStep(
          step,
          'damp',
          'Dampen with a wet sponge',
          ['cleansing'],
          0.5,
          'damp sponges, pair',
          causeOf(because),
        ),
        causeOf(because),
        `Dampen before ${step.title}`,
      )
  },
]

const earlier = ({ out, context }: Work, step: Step): Subject[] =>
  out.filter((other) => zonesMeet(other.zones, step.zones)).map(context.read)

/** The next step that puts something on these zones has the property. */
function followedBy(
  steps: readonly Step[],
  at: number,
  property: Property,
  context: OptionContext,
): boolean {
  const { zones } = steps[at]!
  const next = steps.slice(at + 1).find((step) => step.product && zonesMeet(step.zones, zones))
  return next !== undefined && context.read(next).properties.has(property)
}

function insertProduct(
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
    (one) => !kinds || kinds.includes(one.kind),
  )) {
    const step = stepFrom(product, property, beside, cause, context)
    if (step && !wouldClash(context.read(step), following.map(context.read)))
      return put(work, step, cause, `${step.title} put in ${where}`)
  }
  work.changes.push({
    kind: 'unmet',
    stepId: beside.id,
    what: `Nothing on the shelf may go ${where} here: put a ${property} product on the shelf`,
    why: cause.why,
  })
}

function stepFrom(
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
  const fitted = fitStep(step, step, context)
  return fitted.ok ? fitted.option.step : undefined
}

function put({ out, changes }: Work, step: Step, cause: Cause, what: string) {
  out.push(step)
  changes.push({ kind: 'inserted', stepId: step.id, what, why: cause.why })
}

function handStep(
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
function isDamp(work: Work, step: Step): boolean {
  const last = earlier(work, step).at(-1)
  if (!last || last.properties.has('blotting')) return false
  return (
    last.properties.has('cleansing') ||
    last.step.segments.some((part) => part.kind === 'remove' && WET.includes(part.tool))
  )
}

/** An oil lies on a zone and nothing since has washed it off. */
function isOily(work: Work, step: Step): boolean {
  const before = earlier(work, step)
  const oil = before.findLastIndex(
    (other) => other.product?.leaves === 'oil' && isLeaveOn(other.step),
  )
  return oil !== -1 && !before.slice(oil + 1).some((other) => other.properties.has('cleansing'))
}

function insertSunFilter(work: Work, constraints: readonly Constraint[]) {
  const { out, changes, context } = work
  const because = constraints.filter(
    (constraint) => constraint.require === 'sun-filter' && constraint.effect === 'require',
  )
  const treated = out.filter((step) => step.product && !step.floating).flatMap((step) => step.zones)
  const filters = out.filter((step) => context.read(step).properties.has('sun-filter'))
  const open = withoutZones(
    FACE.filter((zone) => treated.includes(zone)),
    filters.flatMap((step) => step.zones),
  )
  if (because.length === 0 || open.length === 0) return
  const before =
    LAST_PHASES.map((phase) => out.findIndex((step) => step.phase === phase)).find(
      (at) => at !== -1,
    ) ?? out.length
  for (const product of context.shelf.products) {
    const step = stepFrom(
      product,
      'sun-filter',
      { ...out[0]!, id: 'end', zones: open as ZoneId[] },
      causeOf(because),
      context,
    )
    if (!step || out.some((other) => wouldClash(context.read(other), [context.read(step)])))
      continue
    const { closes: _cause, ...alone } = step
    out.splice(before, 0, alone)
    changes.push({
      kind: 'inserted',
      stepId: alone.id,
      what: `${alone.title} put in at the end`,
      why: distinctWhy(because),
    })
    return
  }
  changes.push({
    kind: 'unmet',
    stepId: out.at(-1)?.id ?? 'end',
    what: 'No permitted sun filter on the shelf: shade and a hat today, and put one on the shelf',
    why: distinctWhy(because),
  })
}

const LAST_PHASES: readonly Phase[] = ['lip', 'close']
