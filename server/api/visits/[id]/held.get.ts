import { defineVisitDoor } from '../../../utils/door'
import { visitData } from '../../../utils/visit-data'

/** The same as opening the visit, for a tablet that lays it by for a network that goes: the log says that nobody has looked into it. */
export default defineVisitDoor({ can: 'health.read', action: 'visit.hold' }, ({ db, visit }) =>
  visitData(db, visit),
)
