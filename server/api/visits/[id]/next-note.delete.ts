import { sendNoContent } from 'h3'
import { tickNextNote } from '../../../db/outcome.sql'
import { defineVisitDoor } from '../../../utils/door'

/** Ticks what a visit noted for the next one: it has been seen to. The record keeps it. */
export default defineVisitDoor(
  { can: 'health.write', action: 'next_note.done' },
  async ({ db, event, account, visit }) => {
    await tickNextNote(db, visit.id, account.id)
    return sendNoContent(event)
  },
)
