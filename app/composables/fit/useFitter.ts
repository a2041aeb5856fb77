import { wrap, type Remote } from 'comlink'
import type {
  CompileInput,
  FittedPlan,
  Running,
  Shortage,
  Sketch,
  sketch,
  SlotOptions,
  standIns,
} from '#core/adapt'
import type { Shelf } from '#core/catalog'
import type { Rewritten } from '#core/compose'
import type { Course, Step } from '#core/protocol'
import type { LaidOut, layOut } from '#core/costing'
import type { ChanceInput, Chances } from '#core/risk'
import { plain } from '~/support/plain'
import type { weighCard } from '~/workers/weigh-card'

type WeighedCard = ReturnType<typeof weighCard>

interface Fitter {
  compile: (input: CompileInput, running?: Running) => FittedPlan
  chances: (input: Omit<ChanceInput, 'spread'>) => Chances
  sketch: typeof sketch
  slotOptions: (input: CompileInput, slotsMinutes: readonly number[]) => SlotOptions | undefined
  layOut: typeof layOut
  standIns: typeof standIns
  weighCard: typeof weighCard
  applyMethod: (steps: readonly Step[], question: string, school: string, shelf: Shelf) => Rewritten
}
let fitter: Remote<Fitter> | undefined
let second: Remote<Fitter> | undefined
let third: Remote<Fitter> | undefined
const start = () =>
  wrap<Fitter>(
    new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), { type: 'module' }),
  )

/** Fits in a worker, so that typing never waits. The same core runs on the server, whose plan is the one that is kept before a visit starts. */
export function useFitter() {
  fitter ??= start()
  const worker = fitter
  return {
    /** The chance of running over, from many runs of the plan. */
    chances: (input: Omit<ChanceInput, 'spread'>): Promise<Chances> => worker.chances(plain(input)),
    fit: (input: CompileInput, running?: Running): Promise<FittedPlan> =>
      worker.compile(
        plain(input),
        running && {
          plan: plain({ steps: running.plan.steps, changes: running.plan.changes }),
          underway: running.underway,
        },
      ),
    /** A ladder that is being written: placed and checked. */
    sketch: (steps: readonly Step[], shelf: Shelf, course: Course | null): Promise<Sketch> =>
      worker.sketch(plain(steps), plain(shelf), true, course ? plain(course) : undefined),
    rewrite: (
      steps: readonly Step[],
      question: string,
      school: string,
      shelf: Shelf,
    ): Promise<Rewritten> => worker.applyMethod(plain(steps), question, school, plain(shelf)),
    /** What laying out a plan needs: mixing cards, shortages, cost. */
    layOut: (
      input: CompileInput,
      plan: FittedPlan,
      money: Parameters<typeof layOut>[2],
    ): Promise<LaidOut> => worker.layOut(plain(input), plain(plan), plain(money)),
    /** What may stand in for something short; each is compiled into the whole visit, so it has the second worker. */
    standIns: (input: CompileInput, short: Shortage): Promise<ReturnType<typeof standIns>> => {
      second ??= start()
      return second.standIns(plain(input), plain(short))
    },
    /** One card of the library for this visit: all of them take a while, in a worker of their own. */
    weighCard: (...[visit, card, whole]: Parameters<typeof weighCard>): Promise<WeighedCard> => {
      third ??= start()
      return third.weighCard(plain(visit), plain(card), whole)
    },
    /** The frontier takes longest: it has a worker of its own, so that a fit never waits for it. */
    slotOptions: (
      input: CompileInput,
      slotsMinutes: readonly number[],
    ): Promise<SlotOptions | undefined> => {
      second ??= start()
      return second.slotOptions(plain(input), [...slotsMinutes])
    },
  }
}
