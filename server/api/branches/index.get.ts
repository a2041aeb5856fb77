import { salonsOf } from '../../db/branch.sql'
import { defineDoor } from '../../utils/door'

/** The salons of the house in which whoever asks works. */
export default defineDoor({ can: 'own.write' }, ({ db, account }) => salonsOf(db, account.id))
