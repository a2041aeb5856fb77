import { peopleElsewhere } from '../../db/branch.sql'
import { defineDoor } from '../../utils/door'

/** Who works in another salon of the house that whoever asks owns too, and not yet here. */
export default defineDoor({ can: 'people.write' }, ({ db, account }) =>
  peopleElsewhere(db, account.id),
)
