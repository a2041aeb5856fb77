import { ageOn } from '../client/facts'
import { waitingWork } from '../climb/intervals'
import { clearFirst, notMoving } from '../climb/progress'
import type { Suggestion } from '../climb/suggest'
import { LEVER_WORDS } from '../protocol/words'
import type { Constraint, Rule } from './rule'
import type { Situation } from './situation'

const INSTEAD: Readonly<Partial<Record<Suggestion['move'], string>>> = {
  stop: 'Leave it out; advise a physician.',
  wait: 'Soothe and hydrate until then.',
}

/** What the climb asks of one lever today. */
export function climbConstraints(suggestion: Suggestion): Constraint[] {
  const { lever, move, why } = suggestion
  const ruleId = suggestion.ruleIds[0]!
  const base = {
    ruleId,
    target: { lever },
    title: `The climb: ${LEVER_WORDS[lever]}`,
    reason: why,
    because: why,
    instead: INSTEAD[move] ?? 'One rung at a time.',
    basis: 'house' as const,
    unasked: false,
  }
  if (move === 'free') return []
  if (move === 'stop')
    return [{ ...base, key: `${ruleId}|${lever}|stop`, effect: 'stop', overridable: 'no' }]
  if (move === 'wait')
    return [{ ...base, key: `${ruleId}|${lever}|wait`, effect: 'replace', overridable: 'reason' }]
  return [
    rungLimit(base, suggestion),
    ...(move === 'first' && lever === 'acid' ? [oneAcidLayer(base)] : []),
  ]
}

type Base = Omit<Constraint, 'key' | 'effect' | 'overridable'>

function rungLimit(base: Base, { lever, rung, move }: Suggestion): Constraint {
  const belowWritten = move === 'first' ? { belowWritten: 1 } : {}
  return {
    ...base,
    key: `${base.ruleId}|${lever}|rung|${rung}`,
    effect: 'limit',
    overridable: 'reason',
    limit: { kind: 'rung', lever, max: rung, ...belowWritten },
  }
}

const oneAcidLayer = (base: Base): Constraint => ({
  ...base,
  key: 'E02|acid|layers',
  ruleId: 'E02',
  effect: 'limit',
  overridable: 'no',
  limit: { kind: 'acid-layers', max: 1 },
})

/** Rules of family E that are no lever's: what still waits (E01), what comes first (E08), what does not move (E12). */
export function historyConstraints(
  situation: Situation,
  rules: ReadonlyMap<string, Rule>,
): Constraint[] {
  return [
    ...stillWaiting(situation, rules.get('E01')),
    ...firstClear(situation, rules.get('E08')),
    ...withoutMoving(situation, rules.get('E12')),
  ]
}

function stillWaiting({ history, date, client }: Situation, rule: Rule | undefined): Constraint[] {
  if (!rule) return []
  const waiting = waitingWork(history, date, ageOn(client.bornOn, date))
  return waiting.map(({ property, why }) => ({
    ...advice(rule, property, why),
    effect: 'replace',
    target: { any: [property] },
    reason: why,
  }))
}

function firstClear({ client, reading }: Situation, rule: Rule | undefined): Constraint[] {
  if (!rule || !clearFirst(client.concerns?.[0], reading.findings)) return []
  return [advice(rule, 'brighten', 'Inflamed lesions, and the first wish is to brighten')]
}

function withoutMoving(
  { client, history, reading, date }: Situation,
  rule: Rule | undefined,
): Constraint[] {
  const concern = client.concerns?.[0]
  if (!rule || !notMoving(concern, history, reading, date)) return []
  const because = `The first concern, ${concern}, is as it was four visits ago`
  return [advice(rule, String(concern), because)]
}

const advice = (rule: Rule, key: string, because: string): Constraint => ({
  key: `${rule.id}|${key}`,
  ruleId: rule.id,
  title: rule.title,
  effect: 'advice',
  target: { everything: true },
  reason: rule.reason,
  instead: rule.instead,
  basis: rule.basis,
  overridable: rule.overridable,
  because,
  unasked: false,
})
