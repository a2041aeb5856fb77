import type { CompileInput } from '../adapt/input'
import { beyondOf, type RunState } from './state'

/** What a visit under way is fitted from: what the run has said goes before what was known when it was opened. */
export const inputUnderway = (input: CompileInput, state: RunState): CompileInput => ({
  ...input,
  reading: state.reading ?? input.reading,
  gates: Object.fromEntries(state.checks),
  stung: state.stung,
  felt: beyondOf(state),
  ...endOf(state),
})

function endOf({ endsMs, startedMs }: RunState): Pick<CompileInput, 'endS'> {
  if (endsMs === undefined || startedMs === undefined) return {}
  return { endS: Math.max(0, Math.round((endsMs - startedMs) / 1000)) }
}
