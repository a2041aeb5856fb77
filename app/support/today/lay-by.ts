import { call, mayRetry, refusalOf } from '~/support/api'
import { dropOldVisits, holdDay, holdVisit } from '~/support/held-visits'
import type { Day, DayVisit } from './board'

/** First the day itself comes up. */
const BEGINS_MS = 1500
/** What was laid by is fetched anew after so long: others answer and fit too. */
const STALE_MS = 20 * 60_000

interface Laid {
  readonly as: string
  readonly atMs: number
}
const laid = new Map<string, Laid>()
let timer = 0
let running = Promise.resolve()

interface Whose {
  readonly practitionerId: string | null
  readonly roomId: string | null
}
/** Visits that this tablet may have to do without a network: its own room's and its own person's, as long as they are not done. */
export const ownVisits = (
  { visits }: Pick<Day, 'visits'>,
  { practitionerId, roomId }: Whose,
): DayVisit[] =>
  visits.filter(
    (visit) =>
      visit.stage !== 'closed' &&
      (visit.practitionerId === practitionerId || visit.roomId === roomId),
  )

/** Lays today and its own visits by, sealed, so that the day goes on when the network does not: one after another, and not before the day is on the screen. */
export async function layByDay(day: Day): Promise<void> {
  if (day.date !== day.today) return
  await holdDay(day)
  await dropOldVisits()
  const { account, tablet, can } = useSessionStore()
  if (!account || !can('health.read')) return
  const whose = { practitionerId: account.practitionerId, roomId: tablet?.roomId ?? null }
  const visits = ownVisits(day, whose)
  window.clearTimeout(timer)
  timer = window.setTimeout(() => {
    running = running.then(() => layByAll(account.id, visits))
  }, BEGINS_MS)
}

async function layByAll(accountId: string, visits: readonly DayVisit[]): Promise<void> {
  for (const visit of visits) {
    const session = useSessionStore()
    if (session.account?.id !== accountId) return
    const as = JSON.stringify([accountId, visit])
    const before = laid.get(visit.id)
    if (before?.as === as && Date.now() - before.atMs < STALE_MS) continue
    if (!(await layBy(visit.id))) return
    laid.set(visit.id, { as, atMs: Date.now() })
  }
}

/** False where the server cannot be reached: the next opening of the day goes on. */
async function layBy(visitId: string): Promise<boolean> {
  const outbox = useOutboxStore()
  // What is open on the screen lays itself by.
  if (useVisitStore().data?.visit.id === visitId) return true
  try {
    const data = await call('/api/visits/:id/held', { params: { id: visitId } })
    // What was said here and waits is newer than what the server has.
    if ((await outbox.waitsFor(visitId)).length === 0) await holdVisit(data)
    return true
  } catch (error) {
    const { status } = refusalOf(error)
    // Called off, or at rest meanwhile: nothing to lay by.
    return !mayRetry(status)
  }
}
