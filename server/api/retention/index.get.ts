import { clientsPast, photosPast } from '../../db/rights.sql'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

const MOST = 500

/** What has served its time by the years that the salon has chosen: listed, and nothing done. */
export default defineDoor({ can: 'client.rights' }, async ({ db, account }) => {
  const { choices } = (await salonById(db, account.salon_id))!
  const { recordYears, photoYears } = choices.keep
  return {
    clients: await clientsPast(db, account.salon_id, recordYears, MOST),
    photos: await photosPast(db, account.salon_id, photoYears, MOST),
  }
})
