import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { inTransaction } from '../../db/rows'
import { salonById, salonInstant } from '../../db/salon.sql'
import { bookVisit } from '../../db/visit.sql'
import { writeAudit } from '../../db/access.sql'
import { requireCan } from '../../utils/access'
import { bookableVersion } from '../../utils/bookable'
import { useDb } from '../../utils/db'
import { readJson } from '../../utils/body'
import { explainDatabase, parsed } from '../../utils/problem'
import { created } from '../../utils/reply'

const Body = z.strictObject({
  clientId: z.uuid(),
  roomId: z.uuid(),
  practitionerId: z.uuid(),
  protocolId: z.string().max(80),
  /** Day and time of day on the salon's own clock. */
  date: z.iso.date(),
  time: z.iso.time({ precision: -1 }),
  slotMinutes: z.number().int().min(15).max(240),
})

export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const body = parsed(Body, await readJson(event))
  const version = await bookableVersion(useDb(), account.salon_id, body.protocolId)
  const salon = (await salonById(useDb(), account.salon_id))!
  const id = randomUUID()
  try {
    await inTransaction(useDb(), async (db) => {
      const startsAt = await salonInstant(db, account.salon_id, body.date, body.time)
      await bookVisit(db, {
        ...body,
        id,
        salonId: account.salon_id,
        protocolVersionId: version.id,
        startsAt,
        turnoverMinutes: salon.turnover_minutes,
      })
      await writeAudit(db, account.id, 'visit.book', 'visit', id)
    })
  } catch (error) {
    throw explainDatabase(error)
  }
  return created(event, { id })
})
