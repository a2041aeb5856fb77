import type { CompileInput } from '../adapt/input'
import type { ProductMemory } from '../client/model'
import type { Reading } from '../skin/model'
import type { RunEvent } from './events'
import { withOutcomes } from './extracting'
import { inCalledOrder } from './order'
import { slowed } from './slower'
import { beyondOf, type RunState } from './state'

/** The rule that keeps what somebody refused out of the plan. */
const REFUSED = 'B02'

/** What a visit under way is fitted from: what the run has said goes before what was known when it was opened. */
export const inputUnderway = (input: CompileInput, state: RunState): CompileInput => ({
  ...input,
  protocol: protocolUnderway(input, state),
  reading: readingUnderway(input, state),
  gates: Object.fromEntries(state.checks),
  stung: state.stung,
  felt: beyondOf(state),
  ...refusedOf(input, state),
  ...endOf(state),
})

/** The card as it is done today: in the order that was called, at the pace that was said. */
function protocolUnderway({ protocol }: CompileInput, { slowerBy, called }: RunState) {
  const slow = slowed(protocol, slowerBy)
  return called.length === 0 ? slow : { ...slow, steps: [...inCalledOrder(slow.steps, called)] }
}

/**
 * What was known before the run: a product refused in it, or no more, is the run's own word (`log`: all of it, what was taken back too), each from
 * its own moment on.
 */
export function knownBefore(input: CompileInput, log: readonly RunEvent[]): CompileInput {
  const said = new Set(log.flatMap(({ body }) => (body.type === 'refused' ? [body.productId] : [])))
  const isOwn = ({ memory, productId, on }: ProductMemory) =>
    memory === 'refused' && on === input.date && said.has(productId)
  const memories = input.client.memories.filter((memory) => !isOwn(memory))
  return { ...input, client: { ...input.client, memories } }
}

/** What was refused today is remembered as what was refused before, and outranks what was decided then. */
function refusedOf(
  { client, overrides, date }: CompileInput,
  { refused }: RunState,
): Pick<CompileInput, 'client' | 'overrides'> {
  const ids = new Set(refused.map(({ productId }) => productId))
  const memories = [...new Map(refused.map((one) => [one.productId, one])).values()].map(
    ({ productId, why }): ProductMemory => ({ productId, memory: 'refused', on: date, note: why }),
  )
  const known = client.memories.filter(
    ({ productId, memory }) => memory !== 'refused' || !ids.has(productId),
  )
  const steps = new Set(refused.map(({ stepId }) => stepId))
  return {
    client: { ...client, memories: [...known, ...memories] },
    overrides: overrides.filter(({ ruleId, stepId }) => ruleId !== REFUSED || !steps.has(stepId)),
  }
}

/** The reading as last given, with what came of what was to be emptied. */
export const readingUnderway = (
  input: Pick<CompileInput, 'reading'>,
  { reading, outcomes }: Pick<RunState, 'reading' | 'outcomes'>,
): Reading => withOutcomes(reading ?? input.reading, outcomes)

function endOf({ endsMs, startedMs }: RunState): Pick<CompileInput, 'endS'> {
  if (endsMs === undefined || startedMs === undefined) return {}
  return { endS: Math.max(0, Math.round((endsMs - startedMs) / 1000)) }
}
