import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { isSameLadder, type CompileInput, type FittedPlan } from '#core/adapt'
import { canonical, type RunEvent, type RunLog } from '#core/perform'
import { writeAudit, type Account } from '../db/access.sql'
import { addPlan, openedPlan, planIds } from '../db/plan.sql'
import { addEvents, listEvents } from '../db/run.sql'
import type { VisitRow } from '../db/visit.sql'
import { inWorker } from './work'

type RunBody = RunEvent['body']
type Replan = RunEvent & { readonly body: Extract<RunBody, { type: 'replanned' }> }
const replansIn = (events: readonly RunEvent[]): Replan[] =>
  events.flatMap(({ body, ...event }) => (body.type === 'replanned' ? [{ ...event, body }] : []))

/** Whose name stands on an event that no tablet made. */
const SERVER = 'server'

export interface Taking {
  readonly db: PoolClient
  readonly visit: VisitRow
  readonly account: Account
  /** What the visit is fitted from, read before this run's own readings were added. */
  readonly input: CompileInput
  /** Now, by the clock of whoever sent them. */
  readonly nowMs: number
}

/**
 * Takes plans that a tablet fitted: each is read against every limit and, where it holds, becomes the visit's next plan in our own words. Where
 * the newest does not hold, the rest is fitted here, and an event of the server's own says so to every tablet. `fresh`: events just stored.
 */
export async function takeReplans(taking: Taking, fresh: readonly RunEvent[]): Promise<void> {
  const { db, visit, account, input } = taking
  const stored = new Set(fresh.map(({ id }) => id))
  const events = canonical(await listEvents(db, visit.id))
  const replans = replansIn(events).filter(({ id }) => stored.has(id))
  const opened = replans.length > 0 ? await openedPlan(db, visit.id) : undefined
  if (!opened) return
  const good = new Set(await planIds(db, visit.id))
  const log: RunLog = { opened, events, good, input }
  let last: readonly string[] = []
  for (const event of replans) {
    const { plan, faults } = await inWorker('judgeReplan', log, event)
    last = faults
    if (!plan) {
      await writeAudit(db, account.id, 'plan.refused', 'client', visit.client_id, {
        visit: visit.id,
        event: event.id,
        faults: faults.length,
      })
      continue
    }
    await addPlan(db, event.id, visit.id, plan, account.id)
    good.add(event.id)
  }
  const newest = replansIn(events).at(-1)
  if (newest && newest.id === replans.at(-1)?.id && last.length > 0)
    await fitInstead(taking, log, newest, last)
}

/** Our own fit in the place of one that does not hold; where both come to the same ladder nobody is told. */
async function fitInstead(
  { db, visit, account, nowMs: sentMs }: Taking,
  log: RunLog,
  refused: Replan,
  faults: readonly string[],
): Promise<void> {
  const told = refused.body.plan
  const same = await inWorker('refitHere', log, refused, refused.wallMs)
  if (isSameLadder(same, told)) return addPlanOf(refused.id, same)
  const nowMs = Math.max(sentMs, ...log.events.map((event) => event.wallMs))
  const id = randomUUID()
  const plan = await inWorker('refitHere', log, refused, nowMs)
  await addEvents(db, visit.id, [eventOf(id, plan, { log, refused, faults, nowMs })], null)
  return addPlanOf(id, plan)

  async function addPlanOf(planId: string, next: FittedPlan) {
    await addPlan(db, planId, visit.id, next, account.id)
  }
}

interface Telling {
  readonly log: RunLog
  readonly refused: Replan
  readonly faults: readonly string[]
  readonly nowMs: number
}

const MOST_FAULTS = 20
const MOST_WORDS = 400

const eventOf = (
  id: string,
  plan: FittedPlan,
  { log, refused, faults, nowMs }: Telling,
): RunEvent => ({
  id,
  deviceId: SERVER,
  seq: log.events.filter(({ deviceId }) => deviceId === SERVER).length,
  wallMs: nowMs,
  elapsedMs: 0,
  body: {
    type: 'replanned',
    plan,
    fromMs: nowMs,
    instead: {
      eventId: refused.id,
      faults: faults.slice(0, MOST_FAULTS).map((fault) => fault.slice(0, MOST_WORDS)),
    },
  },
})
