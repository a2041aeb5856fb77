import { causesOf, type Cause } from './causes'
import { holds, passedTests } from './evidence'
import type { Constraint, Effect, Limit, Rule, RuleEffect, Selector } from './rule'
import type { KnownFacts } from './situation'
import { ZONES } from '../skin/zones'

/** What a yes would stop, omit, limit or need a clearance for holds until it is asked. */
const HOLDS_UNASKED: ReadonlySet<Effect> = new Set([
  'stop',
  'omit-zone',
  'postpone',
  'refer',
  'clearance',
  'limit',
])

/** A rule of the book with one of its effects and one cause for which it fires. */
interface Firing {
  readonly rule: Rule
  readonly effect: RuleEffect
  /** Place of the effect in its rule. */
  readonly at: number
  readonly cause: Cause
  readonly known: KnownFacts
}

/** What one rule asks of this visit: a constraint per cause and effect. */
export function fire(rule: Rule, known: KnownFacts): Constraint[] {
  return causesOf(rule.when, known).flatMap((cause) =>
    rule.effects.flatMap((effect, at) => effectOf({ rule, effect, at, cause, known })),
  )
}

function effectOf(firing: Firing): Constraint[] {
  const { effect, cause, known } = firing
  if (cause.unasked && (!HOLDS_UNASKED.has(effect.effect) || effect.soft)) return []
  if (effect.unless?.kind === 'resilient') return elsewhere(firing)
  if (effect.unless && !cause.unasked && holds(effect.unless, known))
    return effect.effect === 'clearance' ? [cleared(constraintOf(firing))] : []
  if (effect.limit?.kind === 'first-time-rung') return firstTimes(firing, effect.limit.max)
  return [constraintOf(firing)]
}

/** What resilient skin lifts holds wherever the skin was not read as resilient. */
function elsewhere(firing: Firing): Constraint[] {
  const { findings } = firing.known.situation.reading
  const resilient = findings
    .filter(({ kind }) => kind === 'resilient')
    .flatMap(({ zones }) => zones)
  const zones = ZONES.filter((zone) => !resilient.includes(zone))
  if (zones.length === 0) return []
  const constraint = constraintOf(firing)
  return [resilient.length === 0 ? constraint : { ...constraint, zones }]
}

/** A clearance that has been recorded: from then on a caution. */
const cleared = (constraint: Constraint): Constraint => ({
  ...constraint,
  key: `${constraint.key}|cleared`,
  effect: 'caution',
  reason: `${constraint.reason} Cleared: with care.`,
})

/** A limit for every lever that has no tolerated history. */
function firstTimes(firing: Firing, max: number): Constraint[] {
  return firing.known.firsts.map((lever) => {
    const limit: Limit = { kind: 'rung', lever, max }
    const effect: RuleEffect = { effect: 'limit', target: { lever }, limit }
    const constraint = constraintOf({ ...firing, effect })
    return { ...constraint, key: `${constraint.key}|${lever}` }
  })
}

function constraintOf(firing: Firing): Constraint {
  const { rule, effect, cause } = firing
  const zones = effect.zones === 'because' ? cause.zones : effect.zones
  const target = targetOf(firing)
  return {
    key: keyOf(firing, zones),
    ruleId: rule.id,
    title: rule.title,
    ...(rule.stopsAs ? { stopsAs: rule.stopsAs } : {}),
    effect: kindOf(firing, target, zones),
    target,
    ...(zones ? { zones } : {}),
    ...(effect.limit ? { limit: effect.limit } : {}),
    ...(effect.require ? { require: effect.require } : {}),
    ...(effect.soft ? { soft: true as const } : {}),
    ...(effect.unless?.kind === 'clearance' ? { clearance: effect.unless.id } : {}),
    ...(cause.unasked ? unaskedWords(cause, effect) : wordsOf(rule)),
    basis: rule.basis,
    ...(rule.source ? { source: rule.source } : {}),
    because: cause.because,
    ...(cause.facts ? { facts: cause.facts } : {}),
    unasked: cause.unasked,
  }
}

type Words = Pick<Constraint, 'reason' | 'instead' | 'overridable'>

const wordsOf = ({ reason, instead, overridable }: Rule): Words => ({
  reason,
  instead,
  overridable,
})

/** Where the client does not know, a limit may be kept back with a reason; a stop stays. */
const unaskedWords = ({ because, notKnown }: Cause, { effect }: RuleEffect): Words => ({
  reason: notKnown
    ? `The client does not know: ${because}. Unknown is not no.`
    : `Not asked yet: ${because}. Unknown is not no.`,
  instead: notKnown ? 'Keep to it, or say why not.' : 'Ask on Consult.',
  overridable: notKnown && effect === 'limit' ? 'reason' : 'no',
})

const keyOf = ({ rule, at, cause }: Firing, zones: Cause['zones']): string =>
  [
    rule.id,
    at,
    cause.productId ?? cause.stepId ?? '',
    zones?.join('+') ?? '',
    cause.unasked ? 'unasked' : '',
    cause.because,
  ].join('|')

/**
 * Not asked: the steps it is about stop until it is, and zones that the rule names are left out; where it would be the whole visit, it is asked
 * first instead.
 */
function kindOf({ effect, cause }: Firing, target: Selector, zones: Cause['zones']): Effect {
  if (cause.unasked && effect.effect !== 'limit') {
    if (!target.everything) return 'stop'
    return effect.zones !== undefined && effect.zones !== 'because' ? 'omit-zone' : 'caution'
  }
  return effect.effect === 'omit-zone' && !zones ? 'stop' : effect.effect
}

function targetOf({ effect, cause, known }: Firing): Selector {
  const target: Selector = cause.productId
    ? { productId: cause.productId }
    : (effect.target ?? { everything: true })
  if (cause.word) return { word: cause.word }
  if (cause.stepId !== undefined && !effect.target) return { stepId: cause.stepId }
  if (effect.unless?.kind !== 'patch-test') return target
  const { client, date } = known.situation
  return { ...target, exceptProducts: passedTests(client.patchTests, date) }
}
