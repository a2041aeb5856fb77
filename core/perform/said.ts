import type { CompileInput } from '../adapt/input'
import type { Reading } from '../skin/model'
import { withOutcomes } from './extracting'
import { beyondOf, type RunState } from './state'

/** What a visit under way is fitted from: what the run has said goes before what was known when it was opened. */
export const inputUnderway = (input: CompileInput, state: RunState): CompileInput => ({
  ...input,
  reading: readingUnderway(input, state),
  gates: Object.fromEntries(state.checks),
  stung: state.stung,
  felt: beyondOf(state),
  ...endOf(state),
})

/** The reading as last given, with what came of what was to be emptied. */
export const readingUnderway = (
  input: Pick<CompileInput, 'reading'>,
  { reading, outcomes }: Pick<RunState, 'reading' | 'outcomes'>,
): Reading => withOutcomes(reading ?? input.reading, outcomes)

function endOf({ endsMs, startedMs }: RunState): Pick<CompileInput, 'endS'> {
  if (endsMs === undefined || startedMs === undefined) return {}
  return { endS: Math.max(0, Math.round((endsMs - startedMs) / 1000)) }
}
