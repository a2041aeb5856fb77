import { defineVisitDoor } from '../../../utils/door'
import { visitData } from '../../../utils/visit-data'

/** Everything one visit's six stages show. */
export default defineVisitDoor(
  { can: 'health.read', handed: 'visit', action: 'visit.read' },
  ({ db, visit }) => visitData(db, visit),
)
