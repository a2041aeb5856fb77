import type { Fact } from '#core/client'
import type { VisitData } from '~/stores/visit'
import { cardState, LASTING_QUESTIONS, SINCE_CARDS, WALK_IN_QUESTIONS } from './consult'

/** One part of the consultation: its name, how it stands, and whether something is still to be done in it. */
export interface ConsultPart {
  readonly id: string
  readonly name: string
  readonly state: string
  readonly isOpen: boolean
}
type State = Pick<ConsultPart, 'state' | 'isOpen'>

const DONE: State = { state: '✓', isOpen: false }
const NOTHING: State = { state: '', isOpen: false }
const openState = (count: number): State =>
  count > 0 ? { state: `${count} open`, isOpen: true } : DONE

function sinceState(facts: ReadonlyMap<string, Fact>, today: string): State {
  return openState(SINCE_CARDS.filter((card) => !cardState(card, facts, today).asked).length)
}

function allergyState(facts: ReadonlyMap<string, Fact>): State {
  const answers = [...facts.values()].filter(({ code }) => code.startsWith('allergy:'))
  const known = answers.filter(({ answer }) => answer === 'yes').length
  if (known > 0) return { state: String(known), isOpen: false }
  const isAsked = answers.some(({ answer }) => answer !== 'unknown')
  return isAsked ? DONE : { state: 'open', isOpen: true }
}

function lastingState(facts: ReadonlyMap<string, Fact>, today: string): State {
  const { open, yes } = cardState({ questions: LASTING_QUESTIONS }, facts, today)
  if (open > 0) return openState(open)
  return yes.length > 0 ? { state: String(yes.length), isOpen: false } : DONE
}

function goalState(concerns: readonly string[]): State {
  const { length } = concerns
  return length > 0 ? { state: String(length), isOpen: false } : { state: 'open', isOpen: true }
}

function consentState(consents: VisitData['consents'], isMinor: boolean): State {
  const signed = consents.filter(({ withdrawnOn }) => !withdrawnOn)
  const needed = isMinor ? ['treatment', 'guardian'] : ['treatment']
  const isUnsigned = needed.some((kind) => !signed.some((consent) => consent.kind === kind))
  return isUnsigned
    ? { state: 'open', isOpen: true }
    : { state: `${signed.length} signed`, isOpen: false }
}

const wantedState = (count: number): State =>
  count > 0 ? { state: `${count} wanted`, isOpen: true } : NOTHING

const testState = (tests: VisitData['patchTests']): State =>
  tests.some(({ result }) => result === 'waiting') ? { state: 'to read', isOpen: true } : NOTHING

/** The parts of a consultation in the order in which they are asked. `wanted`: clearances asked for today. */
export function consultParts(
  data: VisitData,
  facts: ReadonlyMap<string, Fact>,
  { isMinor, wanted }: { readonly isMinor: boolean; readonly wanted: number },
): ConsultPart[] {
  const today = data.input.date
  const walkIn = cardState({ questions: WALK_IN_QUESTIONS }, facts, today)
  const since = data.lastVisit ? 'Since last time' : 'Today'
  const parts: ConsultPart[] = [
    { id: 'since', name: since, ...sinceState(facts, today) },
    { id: 'allergies', name: 'Allergies', ...allergyState(facts) },
    { id: 'lasting', name: 'Health and habits', ...lastingState(facts, today) },
    { id: 'goals', name: 'Goals', ...goalState(data.input.client.concerns) },
    { id: 'clearances', name: 'Clearances', ...wantedState(wanted) },
    { id: 'tests', name: 'Patch tests', ...testState(data.patchTests) },
    { id: 'consent', name: 'Consent', ...consentState(data.consents, isMinor) },
    { id: 'file', name: 'As a file', ...NOTHING },
  ]
  if (!data.visit.walkIn) return parts
  return [{ id: 'walk', name: 'Twelve questions', ...openState(walkIn.open) }, ...parts]
}
