import { z } from 'zod'
import { Reading } from '#core/skin/model'
import { addReading, isReading, latestReading } from '../../../db/reading.sql'
import { setStage } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'
import { asSeen } from '../../../utils/seen'

/** Appends what was read; the latest counts. Sent twice it is taken once. */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'reading.write',
    body: z.strictObject({ id: z.uuid(), reading: Reading, seen: Reading.optional() }),
  },
  async ({ db, account, visit, body }) => {
    const before = await latestReading(db, visit.id)
    if (!(await isReading(db, body.id)))
      asSeen(body.seen, before, body.reading, 'The reading of the skin')
    await addReading(db, body.id, visit.id, body.reading, account.id)
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  },
)
