import type { Client, Concern, Fact, PatchTest } from '../client/model'
import { ageOn, dateInWords, daysBetween, factsInForce } from '../client/facts'
import { KNOWN, type Known } from '../client/medicines'
import { questionByCode, type Question } from '../client/questions'
import { waitingWork } from '../climb/intervals'
import type { PastVisit } from '../climb/model'
import { clearFirst, notMoving } from '../climb/progress'
import { suggest, type Suggestion } from '../climb/suggest'
import { familyById } from '../catalog/families'
import type { LeverId } from '../protocol/words'
import { LEVER_WORDS } from '../protocol/words'
import type { Reading } from '../skin/model'
import { FINDINGS } from '../skin/findings'
import { LESION_WORDS } from '../skin/lesions'
import { zonesInWords, type ZoneId } from '../skin/zones'
import type {
  Condition,
  Constraint,
  Effect,
  Evidence,
  Limit,
  Rule,
  RuleEffect,
  Selector,
  Technique,
} from './rule'

/** What the practitioner may do and what must be minded about them. Left out: nothing beyond the plain scope. */
export interface Practitioner {
  readonly scope: readonly Technique[]
  readonly hazards: readonly string[]
}

/** Everything `constrain` may know. `date` is the visit's ISO date in the salon's zone; `daytime` false for an evening visit. */
export interface Situation {
  readonly client: Pick<Client, 'facts' | 'memories' | 'clearances' | 'bornOn' | 'patchTests'> & {
    readonly concerns?: readonly Concern[]
  }
  readonly reading: Reading
  readonly history: readonly PastVisit[]
  readonly levers: readonly LeverId[]
  readonly date: string
  readonly daytime: boolean
  readonly practitioner?: Practitioner | undefined
  /** The salon's list of medicines and conditions; default: the one that ships. */
  readonly medicines?: readonly Known[] | undefined
}

export interface Constraints {
  /** Sorted by key; no key twice. */
  readonly inForce: readonly Constraint[]
  readonly suggestions: readonly Suggestion[]
  readonly checked: readonly string[]
  readonly notChecked: readonly string[]
  /** Asked at an earlier visit only; to be asked again today (rule E10). */
  readonly askAgain: readonly string[]
}

/** One reason a condition holds: in words, with the zones and product it names. */
interface Cause {
  readonly because: string
  readonly zones?: readonly ZoneId[]
  readonly productId?: string
  readonly unasked: boolean
}
interface Told {
  readonly fact: Fact
  /** What the fact is called: the question, or the medicine's name. */ readonly name: string
}
interface KnownFacts {
  readonly situation: Situation
  /** Answers in force by code. */
  readonly facts: ReadonlyMap<string, Fact>
  /** Answers in force by the question they belong to: its own, and those of medicines that lead to it. */
  readonly told: ReadonlyMap<string, readonly Told[]>
  readonly firsts: readonly LeverId[]
}

/**
 * The law's first half: facts and evidence become constraints. Order-independent and idempotent; for a fixed date and
 * evidence, more hazards give constraints at least as tight. `book` is the rule book, as data.
 */
export function constrain(book: readonly Rule[], situation: Situation): Constraints {
  const facts = factsInForce(situation.client.facts)
  const suggestions = suggest(
    situation.levers,
    situation.history,
    situation.date,
    ageOn(situation.client.bornOn, situation.date),
  )
  const known: KnownFacts = {
    situation,
    facts,
    told: toldBy(facts, situation),
    firsts: suggestions.filter((one) => one.move === 'first').map((one) => one.lever),
  }
  const words = new Map(book.map((rule) => [rule.id, rule]))
  const byKey = new Map<string, Constraint>()
  const found = [
    ...book.flatMap((rule) => fire(rule, known)),
    ...suggestions.flatMap(climbConstraints),
    ...historyConstraints(known, words),
  ]
  for (const constraint of found) byKey.set(constraint.key, constraint)
  const inForce = [...byKey.values()].sort((a, b) => (a.key < b.key ? -1 : 1))
  return { inForce, suggestions, ...coverage(known) }
}

function toldBy(
  facts: ReadonlyMap<string, Fact>,
  { medicines = KNOWN, history }: Situation,
): Map<string, Told[]> {
  const told = new Map<string, Told[]>()
  const put = (code: string, one: Told) => told.set(code, [...(told.get(code) ?? []), one])
  const byId = new Map(medicines.map((one) => [`medicine:${one.id}`, one]))
  for (const fact of facts.values()) {
    const medicine = byId.get(fact.code)
    if (medicine) put(medicine.code, { fact, name: medicine.name })
    else put(fact.code, { fact, name: questionByCode.get(fact.code)?.ask ?? fact.code })
  }
  // E13: a cold sore that came after a visit is a history of cold sores, whatever was answered.
  for (const visit of history)
    if (visit.answer?.coldSore)
      put('cold-sore-history', {
        fact: { code: 'cold-sore-history', answer: 'yes', askedOn: visit.on },
        name: `A cold sore after ${dateInWords(visit.on)}`,
      })
  return told
}

const INTERRUPTS: ReadonlySet<Effect> = new Set([
  'stop',
  'omit-zone',
  'postpone',
  'refer',
  'clearance',
])

function fire(rule: Rule, known: KnownFacts): Constraint[] {
  const causes = causesOf(rule.when, known)
  return causes.flatMap((cause) =>
    rule.effects.flatMap((effect, at) => {
      if (cause.unasked && (!INTERRUPTS.has(effect.effect) || effect.soft)) return []
      if (effect.unless && !cause.unasked && holds(effect.unless, known))
        return effect.effect === 'clearance'
          ? [cleared(instantiate(rule, effect, at, cause, known))]
          : []
      if (effect.limit?.kind === 'first-time-rung')
        return firstTimes(rule, effect.limit.max, at, cause, known)
      return [instantiate(rule, effect, at, cause, known)]
    }),
  )
}

/** A clearance that has been recorded: from then on a caution. */
const cleared = (constraint: Constraint): Constraint => ({
  ...constraint,
  key: `${constraint.key}|cleared`,
  effect: 'caution',
  reason: `${constraint.reason} Cleared: with care.`,
})

/** A limit for every lever that has no tolerated history. */
function firstTimes(
  rule: Rule,
  max: number,
  at: number,
  cause: Cause,
  known: KnownFacts,
): Constraint[] {
  return known.firsts.map((lever) => {
    const limit: Limit = { kind: 'rung', lever, max }
    const constraint = instantiate(
      rule,
      { effect: 'limit', target: { lever }, limit },
      at,
      cause,
      known,
    )
    return { ...constraint, key: `${constraint.key}|${lever}` }
  })
}

function instantiate(
  rule: Rule,
  effect: RuleEffect,
  at: number,
  cause: Cause,
  known: KnownFacts,
): Constraint {
  const zones = effect.zones === 'because' ? cause.zones : effect.zones
  const target = targetOf(effect, cause, known)
  // Not asked: the steps it is about stop until it is; where that would be the whole visit, it is asked first instead.
  const kind: Effect =
    cause.unasked || (effect.effect === 'omit-zone' && !zones) ? 'stop' : effect.effect
  return {
    key: [
      rule.id,
      at,
      cause.productId ?? '',
      zones?.join('+') ?? '',
      cause.unasked ? 'unasked' : '',
      cause.because,
    ].join('|'),
    ruleId: rule.id,
    title: rule.title,
    effect: target.everything && cause.unasked ? 'caution' : kind,
    target,
    ...(zones ? { zones } : {}),
    ...(effect.limit ? { limit: effect.limit } : {}),
    ...(effect.require ? { require: effect.require } : {}),
    ...(effect.soft ? { soft: true as const } : {}),
    ...(effect.unless?.kind === 'clearance' ? { clearance: effect.unless.id } : {}),
    reason: cause.unasked ? `Not asked yet: ${cause.because}. Unknown is not no.` : rule.reason,
    instead: cause.unasked ? 'Ask on Consult.' : rule.instead,
    basis: rule.basis,
    ...(rule.source ? { source: rule.source } : {}),
    overridable: cause.unasked ? 'no' : rule.overridable,
    because: cause.because,
    unasked: cause.unasked,
  }
}

function targetOf(effect: RuleEffect, cause: Cause, { situation }: KnownFacts): Selector {
  const target: Selector = cause.productId
    ? { productId: cause.productId }
    : (effect.target ?? { everything: true })
  return effect.unless?.kind === 'patch-test'
    ? { ...target, exceptProducts: passedTests(situation.client.patchTests, situation.date) }
    : target
}

/** E09: a patch test counts for this many days. */
const PATCH_TEST_DAYS = 183
/** Products whose delayed patch test was read, calm, and is not too old; sorted. A quick check is no allergy test. */
export function passedTests(tests: readonly PatchTest[], date: string): string[] {
  const calm = tests.filter(
    (test) =>
      test.kind === 'delayed' &&
      test.result === 'calm' &&
      test.readOn !== undefined &&
      test.readOn <= date &&
      daysBetween(test.readOn, date) <= PATCH_TEST_DAYS,
  )
  const reacted = new Set(
    tests.filter((test) => test.result === 'reacted').map((test) => test.productId),
  )
  return [...new Set(calm.map((test) => test.productId))].filter((id) => !reacted.has(id)).sort()
}

function holds(evidence: Evidence, { situation, facts }: KnownFacts): boolean {
  switch (evidence.kind) {
    case 'clearance':
      return situation.client.clearances.some(
        (c) =>
          c.clearance === evidence.id &&
          c.on <= situation.date &&
          (c.until === undefined || c.until >= situation.date),
      )
    case 'guardian-consent': {
      const consent = facts.get('guardian-consent')
      return consent?.answer === 'yes' && consent.on !== undefined && consent.on <= situation.date
    }
    case 'resilient':
      return situation.reading.findings.some((finding) => finding.kind === 'resilient')
    case 'scope':
      return situation.practitioner?.scope.includes(evidence.technique) ?? false
    case 'said-yes':
      return facts.get(evidence.code)?.answer === 'yes'
    // Product by product: see `targetOf`.
    case 'patch-test':
      return false
  }
}

const asked = (because: string): Cause => ({ because, unasked: false })

function causesOf(condition: Condition, known: KnownFacts): Cause[] {
  const { situation, facts } = known
  switch (condition.kind) {
    case 'always':
      return [asked('always')]
    case 'history':
      return []
    case 'day':
      return situation.daytime ? [asked('a visit by day')] : []
    case 'fact':
      return factCauses(condition, known)
    case 'finding':
      return findingCauses(condition, situation.reading)
    case 'lesions':
      return lesionCauses(condition, situation.reading)
    case 'practitioner':
      return situation.practitioner?.hazards.includes(condition.code)
        ? [asked('about yourself')]
        : []
    case 'age-below': {
      const age = ageOn(situation.client.bornOn, situation.date)
      return age < condition.years ? [asked(`${age} years old`)] : []
    }
    case 'allergy':
      return allergyCauses(condition, facts)
    case 'any-allergy':
      return [...facts.values()].some(
        (fact) =>
          fact.code.startsWith('allergy:') && fact.answer === 'yes' && fact.reaction !== 'dislike',
      )
        ? [asked('an allergy is known')]
        : []
    case 'unasked':
      return unknownAllergies(facts) ? [{ because: 'allergies', unasked: true }] : []
    case 'memory':
      return situation.client.memories
        .filter((memory) => memory.memory === condition.memory)
        .map((memory) => ({
          ...asked(`${memory.memory} on ${dateInWords(memory.on)}`),
          productId: memory.productId,
        }))
    case 'any':
      return condition.of.flatMap((part) => causesOf(part, known))
    case 'all': {
      const parts = condition.of.map((part) =>
        causesOf(part, known).filter((cause) => !cause.unasked),
      )
      // Every combination is a cause of its own, so that one more of a kind adds and never rewrites.
      return parts.reduce((done, causes) =>
        done.flatMap((a) =>
          causes.map((b) => ({
            ...a,
            because: `${a.because}, ${b.because}`,
            ...(b.zones ? { zones: b.zones } : {}),
          })),
        ),
      )
    }
  }
}

/** Allergies are unknown until the general question, or at least one family, has been answered. */
function unknownAllergies(facts: ReadonlyMap<string, Fact>): boolean {
  return ![...facts.values()].some(
    (fact) => fact.code.startsWith('allergy:') && fact.answer !== 'unknown',
  )
}

type FactCondition = Extract<Condition, { kind: 'fact' }>

function factCauses(condition: FactCondition, { situation, facts, told }: KnownFacts): Cause[] {
  const question = questionByCode.get(condition.code)
  const own = facts.get(condition.code)
  const open = question?.level === 'stop' && (own === undefined || own.answer === 'unknown')
  const causes = (told.get(condition.code) ?? []).flatMap(
    (one) => factCause(condition, one, situation.date) ?? [],
  )
  return open ? [...causes, { because: question.ask, unasked: true }] : causes
}

function factCause(
  condition: FactCondition,
  { fact, name }: Told,
  date: string,
): Cause | undefined {
  const days = fact.on === undefined ? 0 : daysBetween(fact.on, date)
  const because = fact.on ? `${name} (${dateInWords(fact.on)})` : name
  if (fact.answer === 'no')
    return condition.afterDays !== undefined && fact.on !== undefined && days <= condition.afterDays
      ? asked(because)
      : undefined
  if (fact.answer === 'unknown') return undefined
  if (
    condition.aheadDays !== undefined &&
    fact.on !== undefined &&
    (days > 0 || -days > condition.aheadDays)
  )
    return undefined
  const window =
    condition.withinDays === undefined
      ? undefined
      : Math.max(condition.withinDays, condition.floorDays ?? 0)
  if (window !== undefined && fact.on !== undefined && days > window) return undefined
  return {
    ...asked(because),
    ...(fact.zones && fact.zones.length > 0 ? { zones: fact.zones } : {}),
  }
}

function findingCauses(
  condition: Extract<Condition, { kind: 'finding' }>,
  reading: Reading,
): Cause[] {
  const name = FINDINGS.find((words) => words.kind === condition.finding)?.name ?? condition.finding
  return reading.findings
    .filter((finding) => finding.kind === condition.finding && finding.grade >= condition.minGrade)
    .map((finding) => ({
      ...asked(`${name}, ${zonesInWords(finding.zones)}`),
      zones: finding.zones,
    }))
}

/** One cause per pinned lesion, so that one more adds and never rewrites; for a count, one cause for reaching it. */
function lesionCauses(
  { types, atLeast }: Extract<Condition, { kind: 'lesions' }>,
  { lesions }: Reading,
): Cause[] {
  const counted = lesions.filter((lesion) => types.includes(lesion.type))
  if (counted.length < atLeast) return []
  if (atLeast > 1) return [asked(`${atLeast} or more inflamed lesions on the map`)]
  return counted.map((lesion) => ({
    ...asked(`${LESION_WORDS[lesion.type]}, ${zonesInWords([lesion.zone])}`),
    zones: [lesion.zone],
  }))
}

function allergyCauses(
  condition: Extract<Condition, { kind: 'allergy' }>,
  facts: ReadonlyMap<string, Fact>,
): Cause[] {
  const fact = facts.get(`allergy:${condition.family}`)
  if (fact?.answer !== 'yes') return []
  if (
    condition.reaction === undefined
      ? fact.reaction === 'dislike'
      : fact.reaction !== condition.reaction
  )
    return []
  const name = (familyById.get(condition.family)?.name ?? condition.family).toLowerCase()
  return [
    asked(
      `${fact.reaction === 'dislike' ? 'Dislikes' : 'Allergy to'} ${name}${fact.reaction === 'breathing' ? ', with breathing trouble or swelling' : ''}`,
    ),
  ]
}

function climbConstraints(suggestion: Suggestion): Constraint[] {
  const { lever } = suggestion
  const base = {
    target: { lever },
    title: `The climb: ${LEVER_WORDS[lever]}`,
    reason: suggestion.why,
    because: suggestion.why,
    instead:
      suggestion.move === 'stop'
        ? 'Leave it out; advise a physician.'
        : suggestion.move === 'wait'
          ? 'Soothe and hydrate until then.'
          : 'One rung at a time.',
    basis: 'house' as const,
    unasked: false,
  }
  const ruleId = suggestion.ruleIds[0]!
  if (suggestion.move === 'stop')
    return [{ ...base, key: `${ruleId}|${lever}|stop`, ruleId, effect: 'stop', overridable: 'no' }]
  if (suggestion.move === 'wait')
    return [
      { ...base, key: `${ruleId}|${lever}|wait`, ruleId, effect: 'replace', overridable: 'reason' },
    ]
  const first = suggestion.move === 'first'
  const rung: Constraint = {
    ...base,
    key: `${ruleId}|${lever}|rung|${suggestion.rung}`,
    ruleId,
    effect: 'limit',
    overridable: 'reason',
    limit: { kind: 'rung', lever, max: suggestion.rung, ...(first ? { belowWritten: 1 } : {}) },
  }
  if (!first || lever !== 'acid') return [rung]
  return [
    rung,
    {
      ...base,
      key: 'E02|acid|layers',
      ruleId: 'E02',
      effect: 'limit',
      overridable: 'no',
      limit: { kind: 'acid-layers', max: 1 },
    },
  ]
}

/** Rules of family E that are no lever's: what still waits (E01), what comes first (E08), what does not move (E12). */
function historyConstraints(
  { situation }: KnownFacts,
  words: ReadonlyMap<string, Rule>,
): Constraint[] {
  const concern = situation.client.concerns?.[0]
  const plain = (
    ruleId: string,
    key: string,
    because: string,
    more: Partial<Constraint>,
  ): Constraint[] => {
    const rule = words.get(ruleId)
    return rule
      ? [
          {
            key: `${ruleId}|${key}`,
            ruleId,
            title: rule.title,
            effect: 'advice',
            target: { everything: true },
            reason: rule.reason,
            instead: rule.instead,
            basis: rule.basis,
            overridable: rule.overridable,
            because,
            unasked: false,
            ...more,
          },
        ]
      : []
  }
  return [
    ...waitingWork(
      situation.history,
      situation.date,
      ageOn(situation.client.bornOn, situation.date),
    ).flatMap((one) =>
      plain('E01', one.property, one.why, {
        effect: 'replace',
        target: { any: [one.property] },
        reason: one.why,
      }),
    ),
    ...(clearFirst(concern, situation.reading.findings)
      ? plain('E08', 'brighten', 'Inflamed lesions, and the first wish is to brighten', {})
      : []),
    ...(notMoving(concern, situation.history, situation.reading)
      ? plain(
          'E12',
          String(concern),
          `The first concern, ${concern}, is as it was three visits ago`,
          {},
        )
      : []),
  ]
}

function coverage({
  facts,
  situation,
}: KnownFacts): Pick<Constraints, 'checked' | 'notChecked' | 'askAgain'> {
  const age = ageOn(situation.client.bornOn, situation.date)
  const wanted = [...questionByCode.values()].filter(
    (question) => question.belowAge === undefined || age < question.belowAge,
  )
  const isKnown = (question: Question): boolean =>
    (facts.get(question.code)?.answer ?? 'unknown') !== 'unknown'
  const checked = wanted.filter(isKnown).map((question) => question.ask)
  const notChecked = wanted.filter((question) => !isKnown(question)).map((question) => question.ask)
  if (unknownAllergies(facts)) notChecked.push('Allergies')
  else checked.push('Allergies, against every ingredient list on the shelf')
  if (situation.reading.done) checked.push('Skin read today')
  else notChecked.push('Skin not read yet today')
  if (situation.practitioner) checked.push('Scope of practice')
  else notChecked.push('Scope of practice: no practitioner named')
  const askAgain = wanted
    .filter(
      (question) =>
        question.eachVisit &&
        isKnown(question) &&
        facts.get(question.code)!.askedOn < situation.date,
    )
    .map((question) => question.ask)
  return { checked, notChecked, askAgain }
}
