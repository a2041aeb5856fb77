import { z } from 'zod'
import { isPossible, knownBefore, refusalsIn, withOutcomes, withPossibleTimes } from '#core/perform'
import { RunEvent } from '#core/perform/model'
import { writeAudit, type Account } from '../../../db/access.sql'
import { dropRefusal, keepRefusal } from '../../../db/note.sql'
import { addEvents, listEvents } from '../../../db/run.sql'
import { addReading, latestReading } from '../../../db/reading.sql'
import { setStage } from '../../../db/visit.sql'
import { canDo } from '../../../utils/capabilities'
import { BODY_MOST } from '../../../utils/body'
import { defineVisitDoor } from '../../../utils/door'
import { Forbidden } from '#core/fault'
import { takeReplans, type Taking } from '../../../utils/replans'
import { compileInputOf } from '../../../utils/visit-input'
import { dayOf, formatInTimeZone } from '../../../utils/zone'

const onlyServer = { error: 'only the server says this' }
/** An event as a tablet may say it. */
const Told = RunEvent.refine(
  ({ body }) => body.type !== 'replanned' || body.instead === undefined,
  { ...onlyServer, path: ['body', 'instead'] },
).refine(({ clockSaidMs }) => clockSaidMs === undefined, {
  ...onlyServer,
  path: ['clockSaidMs'],
})
/** `clockMs`: what the tablet's own clock says while it sends; a fit of ours is made from that moment. */
const Body = z.strictObject({
  events: z.array(Told).max(500),
  clockMs: z.number().int().optional(),
})

/**
 * Takes events of a run, each once whatever the retries, and answers with the whole log. What was read under the lamp becomes the visit's
 * reading; a ladder fitted again on the tablet its next plan, once it was read against every limit. After signing events are a late appendix
 * and change nothing. `isDoubtful`: the clock that was told cannot be; a tablet that follows then goes by `now`.
 */
export default defineVisitDoor(
  { can: 'perform', body: Body, most: BODY_MOST.events },
  async ({ db, account, visit, body }) => {
    const { events, clockMs } = body
    requireMayFit(events, account)
    const { starts_at, time_zone } = visit
    const day = { ...dayOf(starts_at, time_zone), nowMs: Date.now(), clockMs }
    const possible = withPossibleTimes(events, await listEvents(db, visit.id), day)
    const fresh = await addEvents(db, visit.id, possible, account.id)
    const isDoubtful = clockMs !== undefined && !isPossible(clockMs, day)
    const nowMs = clockMs === undefined || isDoubtful ? day.nowMs : clockMs
    if (visit.locked_at === null) await keep({ db, account, visit, nowMs }, fresh)
    if (fresh.some((product) => product.body.type === 'start'))
      await setStage(db, visit.id, 'performing')
    // The whole log goes back: also who only asks for it has read it.
    const action = events.length > 0 ? 'run.write' : 'run.read'
    await writeAudit(db, account.id, action, 'client', visit.client_id, {
      visit: visit.id,
      events: events.length,
    })
    return { now: Date.now(), isDoubtful, events: await listEvents(db, visit.id) }
  },
)

/** What speaks of the skin, or of what the rest is made of. */
const READS: ReadonlySet<RunEvent['body']['type']> = new Set([
  'read',
  'extracted',
  'refused',
  'replanned',
])

/** What is read under the lamp and what is fitted belong to those who may do so beside a run too. The event is named: what else was sent can go without it. */
function requireMayFit(events: readonly RunEvent[], { role }: Account) {
  if (canDo(role, 'health.write')) return
  const at = events.findIndex(({ body }) => READS.has(body.type))
  if (at === -1) return
  throw new Forbidden({
    code: 'not_allowed',
    detail: 'Reading the skin and fitting the rest is for a practitioner. It waits on this tablet.',
    path: `events.${at}`,
  })
}

/** The reading that an event makes: its own, or the last one with what came of its lesions. */
async function readingOf(db: Taking['db'], visitId: string, body: RunEvent['body']) {
  if (body.type === 'read') return body.reading
  if (body.type !== 'extracted') return undefined
  return withOutcomes(await latestReading(db, visitId), new Map(Object.entries(body.outcomes)))
}

/** What was refused falls out of this client's choices from now on, until somebody says otherwise; what was taken back does not. */
async function rememberRefused(
  { db, visit }: Pick<Taking, 'db' | 'visit'>,
  fresh: readonly RunEvent[],
) {
  if (!fresh.some(({ body }) => body.type === 'refused' || body.type === 'retract')) return
  const { stands, takenBack } = refusalsIn(await listEvents(db, visit.id))
  const { date: on } = formatInTimeZone(visit.starts_at, visit.time_zone)
  for (const { productId, why } of stands)
    await keepRefusal(db, visit.client_id, { productId, on, note: why })
  for (const productId of takenBack) await dropRefusal(db, visit.client_id, productId, on)
}

async function keep(keeping: Omit<Taking, 'input'>, fresh: readonly RunEvent[]) {
  const { db, visit, account } = keeping
  const isFitted = fresh.some(({ body }) => body.type === 'replanned')
  // Before the readings of this run: those it says itself, each from its own moment on.
  const input = isFitted
    ? knownBefore(await compileInputOf(db, visit), await listEvents(db, visit.id))
    : undefined
  for (const { id, body } of fresh) {
    const reading = await readingOf(db, visit.id, body)
    if (reading) await addReading(db, id, visit.id, reading, account.id)
  }
  await rememberRefused(keeping, fresh)
  if (input) await takeReplans({ ...keeping, input }, fresh)
}
