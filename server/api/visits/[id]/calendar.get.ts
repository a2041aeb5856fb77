import { defineVisitDoor } from '../../../utils/door'
import { visitCalendar } from '../../../utils/messages'

/** A visit as a calendar file. */
export default defineVisitDoor({ can: 'booking' }, async ({ db, event, visit }) => {
  setResponseHeader(event, 'content-type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="visit.ics"')
  return visitCalendar(db, visit)
})
