import { factsOf, timesOf } from '#core/board'
import { shortages } from '#core/adapt'
import { listNotes } from '../../../db/note.sql'
import { nextNotes } from '../../../db/outcome.sql'
import { latestPlan } from '../../../db/plan.sql'
import { defineVisitDoor } from '../../../utils/door'
import { compileInputOf } from '../../../utils/visit-input'
import { inWorker } from '../../../utils/work'

const SECOND_MS = 1000

/** What matters of a visit before one opens the door to it: three facts, what was to be minded this time, what is mixed and warmed when. */
export default defineVisitDoor(
  { can: 'health.read', action: 'visit.brief' },
  async ({ db, visit }) => {
    const stored = await latestPlan(db, visit.id)
    const input = await compileInputOf(db, visit)
    const plan = stored?.plan ?? (await inWorker('compile', input))
    const startMs = visit.starts_at.getTime()
    return {
      /** Fitted and kept; else as it would be fitted now. */
      isFitted: stored !== undefined,
      facts: factsOf(plan),
      short: stored ? [] : shortages(input).map(({ name }) => name),
      notes: (await nextNotes(db, visit)).map(({ text }) => text),
      manner: (await listNotes(db, visit.client_id))
        .filter(({ kind }) => kind === 'manner')
        .map(({ body }) => body),
      times: timesOf(plan).map(({ atS, words }) => ({
        at: new Date(startMs + atS * SECOND_MS),
        words,
      })),
      doneAt: new Date(startMs + plan.totalS * SECOND_MS),
      roomUntil: visit.room_until,
    }
  },
)
