import { allRooms, listClosedDays, listOpenings, salonById } from '../../db/salon.sql'
import { worldOf, worlds } from '../../utils/db'
import { defineDoor } from '../../utils/door'

/** What the salon has set: where it is, when it is open, its rooms. */
export default defineDoor({ can: 'salon.write' }, async ({ db, event, account }) => {
  const salon = (await salonById(db, account.salon_id))!
  return {
    facts: {
      name: salon.name,
      address: salon.address,
      emergencyNumber: salon.emergency_number,
      timeZone: salon.time_zone,
      currency: salon.currency,
      measures: salon.measures,
    },
    today: salon.today,
    choices: salon.choices,
    turnoverMinutes: salon.turnover_minutes,
    hours: await listOpenings(db, account.salon_id),
    closedDays: await listClosedDays(db, account.salon_id, salon.today),
    rooms: await allRooms(db, account.salon_id),
    /** There is a demo studio beside this salon, to be taken away. */
    hasDemo: worldOf(event) === 'own' && worlds().includes('demo'),
  }
})
