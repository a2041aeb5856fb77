import { leafletOf, printedName } from '#core/homecare'
import { Conflict } from '#core/fault'
import { homeOf } from '../../../db/home.sql'
import { salonById } from '../../../db/salon.sql'
import { defineVisitDoor } from '../../../utils/door'
import { leafletHead, leafletPdf } from '../../../utils/leaflet-pdf'

/** The plan for home that was given at a visit, as a page for the client (PDF). */
export default defineVisitDoor(
  { can: 'health.read', action: 'home.leaflet' },
  async ({ db, event, visit }) => {
    const { given } = await homeOf(db, visit)
    if (!given)
      throw new Conflict({
        code: 'no_home_plan',
        detail: 'Give the plan for home first; the leaflet says what was given.',
      })
    const salon = (await salonById(db, visit.salon_id))!
    const sender = { ...salon, salon: salon.name, emergencyNumber: salon.emergency_number }
    const who = printedName(visit.client_name, visit.client_id)
    setResponseHeader(event, 'content-type', 'application/pdf')
    setResponseHeader(event, 'content-disposition', 'inline; filename="at-home.pdf"')
    return leafletPdf(
      leafletOf(given, sender),
      given,
      leafletHead(salon.name, salon.address, who, given.on),
    )
  },
)
