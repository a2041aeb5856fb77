import { reduceRun } from '#core/perform'
import type { VisitData } from '~/stores/visit-data'
import { keptEvents } from './run-db'

/** A visit with what was said in it here and the server does not have yet: its log, and how far it is. */
export async function withKept(data: VisitData): Promise<VisitData> {
  const known = new Set(data.events.map(({ id }) => id))
  const kept = (await keptEvents(data.visit.id)).filter(
    ({ id, sent }) => sent !== 2 && !known.has(id),
  )
  if (kept.length === 0) return data
  const events = [...data.events, ...kept.map(({ event }) => event)]
  const hasBegun = data.plan && reduceRun(data.plan.plan, events).startedMs !== undefined
  const { stage } = data.visit
  const isRunning = hasBegun && stage !== 'closed'
  return { ...data, events, visit: { ...data.visit, stage: isRunning ? 'performing' : stage } }
}
