import { DEMO_PROTOCOLS } from '../demo/protocols'
import { DEMO_SHELF } from '../demo/shelf'
import { compile, type CompileInput, type FittedPlan } from '#core/adapt'
import { input, readingOf, TOLERATED } from './situations'

/** A visit as it is fitted before it begins. */
export interface DemoVisit {
  readonly given: CompileInput
  readonly plan: FittedPlan
}
const known = new Map<string, DemoVisit>()

/** Every card of the demo, by its id. */
export const DEMO_CARDS: readonly string[] = DEMO_PROTOCOLS.map(({ protocolId }) => protocolId)

/** A visit with time on a card of the demo, on calm skin that has borne every lever; fitted once. */
export function visitOn(cardId: string): DemoVisit {
  const protocol = DEMO_PROTOCOLS.find(({ protocolId }) => protocolId === cardId)!
  const found = known.get(cardId)
  if (found) return found
  const given = input({
    ...{ protocol, slotMinutes: 240, history: TOLERATED },
    ...{ practitioner: { scope: ['needling' as const], hazards: [] } },
    ...{ shelf: DEMO_SHELF, reading: readingOf() },
  })
  const visit = { given, plan: compile(given) }
  known.set(cardId, visit)
  return visit
}
