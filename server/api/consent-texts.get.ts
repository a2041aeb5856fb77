import { newestTexts } from '../db/consent.sql'
import { defineDoor } from '../utils/door'

/** The newest words of every kind of consent. */
export default defineDoor({ can: 'rules.write' }, ({ db, account }) =>
  newestTexts(db, account.salon_id),
)
