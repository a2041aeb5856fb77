import { Prep } from '../../../../core/adapt/wish'
import { setPrep } from '../../../db/visit.sql'
import { defineVisitChange } from '../../../utils/visit-change'
import { problem } from '../../../utils/problem'

/** What is decided while the tray is laid: the size of the face, the water of each bowl, what stands in. Rules are asked again at the next fit. */
export default defineVisitChange({ capability: 'perform', action: 'visit.prepare', body: Prep }, async ({ db, visit, body }) => {
  if (visit.stage === 'performing' || visit.stage === 'closed') throw problem(409, { code: 'underway', detail: 'This visit has begun: what is used is changed in Perform.' })
  await setPrep(db, visit.id, body)
  return { saved: true }
})
