import type { VisitData } from '~/stores/visit'
import type { AskedGroup } from './consult'

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

/** Open where a plan was given that nobody has asked about today. */
function homeState({ home, visit }: VisitData): State {
  const isAsked = home?.told?.visitId === visit.id
  if (isAsked) return DONE
  return home?.before ? { state: 'ask', isOpen: true } : NOTHING
}

/** The parts of a consultation in the order in which they are asked. `wanted`: clearances asked for today. */
export function consultParts(
  data: VisitData,
  groups: readonly AskedGroup[],
  { isMinor, wanted }: { readonly isMinor: boolean; readonly wanted: number },
): ConsultPart[] {
  const waiting = groups.filter(({ isNeeded, isDone }) => isNeeded && !isDone)
  return [
    { id: 'groups', name: 'Questions', ...openState(waiting.length) },
    { id: 'goals', name: 'Goals', ...goalState(data.input.client.concerns) },
    { id: 'home', name: 'At home', ...homeState(data) },
    { id: 'clearances', name: 'Clearances', ...wantedState(wanted) },
    { id: 'tests', name: 'Patch tests', ...testState(data.patchTests) },
    { id: 'consent', name: 'Consent', ...consentState(data.consents, isMinor) },
    { id: 'allergies', name: 'All allergens', ...NOTHING },
    { id: 'file', name: 'As a file', ...NOTHING },
  ]
}
