import { paceOf } from '#core/risk'
import { runsOf } from '../../../db/run.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'

/** Older visits say little about how hands go today. */
const VISITS = 30

/** How the practitioner of a visit has been going lately, by kind of step; no client is in it. */
export default defineEventHandler(async (event) => {
  const { visit } = await requireVisit(event, 'health.read')
  return paceOf(await runsOf(useDb(), visit.practitioner_id, VISITS))
})
