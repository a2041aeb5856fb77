import type { Step } from '../protocol/model'
import type { Phase, Property } from '../protocol/words'
import type { Constraint, Requirement } from '../safety/rule'
import { ruleById } from '../safety/rules'
import type { Subject } from '../strength'
import { touches } from '../safety/touches'
import { EYE_CONTOUR, FACE, FACE_NECK, zonesMeet, withoutZones, type ZoneId } from '../skin/zones'
import { distinctWhy, ownWhy, type Change } from './change'
import type { OptionContext } from './option'
import { wouldClash } from './together'
import {
  type Work,
  causeOf,
  earlier,
  followedBy,
  insertProduct,
  stepFrom,
  insertStep,
  handStep,
  isDamp,
  isOily,
} from './insert-step'

interface Inserted {
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
}

/**
 * Puts in what the rules require and the ladder lacks: neutraliser (D12), toning (D02, D20), blotting or dampening (D03), wiping off
 * oil (D05), eye gel under a mask that tightens (C09), something hydrating before an extraction (C08), sun protection at the end (D17 and
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
  for (const [at, step] of steps.entries()) calmAfter(work, step, steps.slice(at + 1), constraints)
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
      insertStep(
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
      !zonesMeet(step.zones, EYE_CONTOUR) ||
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
      insertStep(
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
      insertStep(
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

/** C19: something soothing after what stung, unless something soothing comes anyway. It stands where it can still be done: see `begunFirst`. */
function calmAfter(
  work: Work,
  step: Step,
  later: readonly Step[],
  constraints: readonly Constraint[],
) {
  const { read } = work.context
  const because = required('calm-after', read(step), constraints)
  const soothes = (other: Step) =>
    other.product !== undefined &&
    zonesMeet(other.zones, step.zones) &&
    read(other).properties.has('calming')
  if (because.length === 0 || later.some(soothes)) return
  insertProduct(work, step, 'calming', causeOf(because), later, `after ${step.title}`)
}

function insertSunFilter(work: Work, constraints: readonly Constraint[]) {
  const { out, changes, context } = work
  const because = constraints.filter(
    (constraint) => constraint.require === 'sun-filter' && constraint.effect === 'require',
  )
  const wants = new Set(
    out.filter((step) => !step.floating).flatMap((step) => zonesToCover(step, context.read(step))),
  )
  const filters = out.filter((step) => context.read(step).properties.has('sun-filter'))
  const open = withoutZones(
    FACE_NECK.filter((zone) => wants.has(zone)),
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
    what: 'No permitted sun protection on the shelf: shade and a hat today, and put one on the shelf',
    why: distinctWhy(because),
  })
}

const OPENS_TO_LIGHT: readonly Property[] = ['exfoliating', 'retinoid', 'led']
/** Where the day wants its cover (D17): on the face wherever something was put on; anywhere, where the surface was taken off or light was used. */
const zonesToCover = (step: Step, { properties }: Subject): readonly ZoneId[] => {
  if (OPENS_TO_LIGHT.some((property) => properties.has(property))) return step.zones
  return step.product ? step.zones.filter((zone) => FACE.includes(zone)) : []
}

const LAST_PHASES: readonly Phase[] = ['lip', 'close']
