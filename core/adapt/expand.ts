import { productById, setProduct } from '../catalog/shelf'
import type { Shelf } from '../catalog/model'
import type { Concern } from '../client/model'
import { goneWith } from '../protocol/family'
import type { ChoiceOption, Segment, Step } from '../protocol/model'
import { LOCAL_TOOLS } from '../protocol/words'
import { withoutZones } from '../skin/zones'
import { ownWhy, type Change } from './change'

/** What decides conditions and choice slots before any rule is asked. */
export interface Occasion {
  readonly goals: readonly Concern[]
  readonly daytime: boolean
  readonly firstVisit: boolean
  readonly shelf: Shelf
}
export interface Expanded {
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
}

const RANKS = ['first', 'second', 'third'] as const
const rankWords = (at: number): string => RANKS[at] ?? `${at + 1}th`

/** Conditions of time, visit and goal; groups follow their members; then every choice slot takes its picks. Pure and deterministic. */
export function expand(steps: readonly Step[], occasion: Occasion): Expanded {
  const failed = steps.flatMap((step) => {
    const why = notNow(step, occasion)
    return why ? [{ step, why }] : []
  })
  const gone = goneWith(steps, new Set(failed.map(({ step }) => step.id)))
  const changes: Change[] = steps
    .filter((step) => gone.has(step.id))
    .map((step) => {
      const own = failed.find((fault) => fault.step.id === step.id)
      return {
        kind: 'dropped',
        stepId: step.id,
        what: `${step.title} left out`,
        why: [
          ownWhy(
            'S04',
            own?.why ?? 'What it belongs to is left out.',
            'It comes back when its condition holds.',
          ),
        ],
      }
    })
  const chosen = steps.filter((step) => !gone.has(step.id)).map((step) => choose(step, occasion))
  return {
    steps: chosen.flatMap((choice) => choice.steps),
    changes: [...changes, ...chosen.flatMap((choice) => choice.changes)],
  }
}

function notNow({ when }: Step, { goals, daytime, firstVisit }: Occasion): string | undefined {
  if (when?.time && (when.time === 'day') !== daytime)
    return when.time === 'day'
      ? 'Written for visits that end by daylight.'
      : 'Written for the evening.'
  if (when?.visit && (when.visit === 'first') !== firstVisit)
    return when.visit === 'first' ? 'Written for a first visit.' : 'Not on a first visit.'
  if (when?.goal && !goals.includes(when.goal))
    return `Written for the goal “${when.goal}”, which the client did not name.`
  return undefined
}

function choose({ choice, ...step }: Step, occasion: Occasion): Expanded {
  if (!choice) return { steps: [step], changes: [] }
  const rank = (option: ChoiceOption) => {
    const at = occasion.goals.indexOf(option.concern)
    return at === -1 ? 99 : at
  }
  const ordered = choice.options
    .map((option, at) => ({ option, at }))
    .sort((a, b) => rank(a.option) - rank(b.option) || a.at - b.at)
    .map(({ option }) => option)
  const wanted = ordered.filter((option) => rank(option) < 99)
  const picks =
    choice.several && wanted.length > 1
      ? sideBySide(step, wanted, choice.options[0]!)
      : [{ option: ordered[0]!, zones: step.zones }]
  const steps = picks.map(({ option, zones }, at) =>
    filled(step, option, zones, at, { ordered, shelf: occasion.shelf, together: picks.length > 1 }),
  )
  const words = picks
    .filter(({ option }) => rank(option) < 99 && (picks.length > 1 || option !== choice.options[0]))
    .map(
      ({ option }) =>
        `${productById(occasion.shelf, option.pick.productId)?.name ?? option.pick.productId} for “${option.concern}”, the ${rankWords(rank(option))} goal`,
    )
  if (words.length === 0) return { steps, changes: [] }
  return {
    steps,
    changes: [
      {
        kind: 'chosen',
        stepId: step.id,
        what: `${step.title}: ${words.join('; ')}`,
        why: [
          {
            ...ownWhy(
              'S05',
              'The slot is filled by what the client wants most.',
              'Rank the goals in Consult, or choose on the card.',
            ),
            basis: 'house',
          },
        ],
      },
    ],
  }
}

/** Several picks at once: the higher the goal, the earlier its zones are taken; the card's own takes what is left. */
function sideBySide(
  step: Step,
  wanted: readonly ChoiceOption[],
  own: ChoiceOption,
): { option: ChoiceOption; zones: Step['zones'] }[] {
  let left = [...step.zones]
  const taken = wanted.flatMap((option) => {
    const zones = left.filter((zone) => !option.zones || option.zones.includes(zone))
    left = withoutZones(left, zones)
    return zones.length > 0 ? [{ option, zones }] : []
  })
  if (left.length === 0) return taken
  const mine = taken.find(({ option }) => option === own)
  return mine
    ? taken.map((use) => (use === mine ? { ...use, zones: [...use.zones, ...left] } : use))
    : [...taken, { option: own, zones: left }]
}

interface Slot {
  readonly ordered: readonly ChoiceOption[]
  readonly shelf: Shelf
  readonly together: boolean
}

function filled(
  step: Step,
  option: ChoiceOption,
  zones: Step['zones'],
  at: number,
  slot: Slot,
): Step {
  const others = slot.ordered.filter((other) => other !== option).map((other) => other.pick)
  const base: Step = {
    ...step,
    ...(slot.together ? { beside: step.id } : {}),
    id: at === 0 ? step.id : `${step.id}.${at + 1}`,
    zones: [...zones],
    concern: option.concern,
    otherPicks: [...others, ...(step.otherPicks ?? [])],
  }
  const isAsWritten = at === 0 && step.product?.productId === option.pick.productId
  const picked = isAsWritten && !step.deviceId ? base : withOption(base, option, slot.shelf)
  return slot.together ? { ...picked, segments: picked.segments.map(locally) } : picked
}

function withOption(base: Step, { pick, concern }: ChoiceOption, shelf: Shelf): Step {
  // With a machine the product is its gel: the step keeps its own name and times.
  if (base.deviceId) return { ...base, product: pick }
  const { otherPicks } = base
  return { ...setProduct(base, pick, shelf.products), concern, otherPicks }
}

/** While another mask still lies only local tools are possible. */
const locally = (part: Segment): Segment =>
  part.kind === 'remove' && part.tool !== undefined && !LOCAL_TOOLS.includes(part.tool)
    ? { ...part, tool: 'sponge' }
    : part
