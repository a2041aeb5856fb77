import { paceOf } from '#core/risk'
import { runsOf } from '../../../db/run.sql'
import { defineVisitDoor } from '../../../utils/door'

/** Older visits say little about how hands go today. */
const VISITS = 30

/** How the practitioner of a visit has been going lately, by kind of step; no client is in it. */
export default defineVisitDoor({ can: 'health.read' }, async ({ db, visit }) => {
  return paceOf(await runsOf(db, visit.practitioner_id, VISITS))
})
