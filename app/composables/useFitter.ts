import { wrap, type Remote } from 'comlink'
import type { CompileInput, FittedPlan } from '#core/adapt'

interface Fitter { compile: (input: CompileInput) => FittedPlan }
let fitter: Remote<Fitter> | undefined

/** Fits in a worker, so that typing never waits. The same core runs on the server, whose plan is the one that is kept. */
export function useFitter() {
  fitter ??= wrap<Fitter>(new Worker(new URL('../workers/fit.worker.ts', import.meta.url), { type: 'module' }))
  const worker = fitter
  return { fit: (input: CompileInput): Promise<FittedPlan> => worker.compile(JSON.parse(JSON.stringify(input)) as CompileInput) }
}
