import { wrap, type Remote } from 'comlink'
import type { CompileInput, FittedPlan, Running } from '#core/adapt'
import type { ChanceInput, Chances } from '#core/risk'

interface Fitter { compile: (input: CompileInput, running?: Running) => FittedPlan; chances: (input: Omit<ChanceInput, 'spread'>) => Chances }
let fitter: Remote<Fitter> | undefined
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Fits in a worker, so that typing never waits. The same core runs on the server, whose plan is the one that is kept before a visit starts. */
export function useFitter() {
  fitter ??= wrap<Fitter>(new Worker(new URL('../workers/fit.worker.ts', import.meta.url), { type: 'module' }))
  const worker = fitter
  return {
    /** The chance of running over, from many runs of the plan. */
    chances: (input: Omit<ChanceInput, 'spread'>): Promise<Chances> => worker.chances(plain(input)),
    fit: (input: CompileInput, running?: Running): Promise<FittedPlan> => worker.compile(plain(input), running && { plan: plain(running.plan), underway: running.underway }),
  }
}
