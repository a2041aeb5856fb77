import { z } from 'zod'
import { Reading } from '#core/skin/model'
import { addReading } from '../../../db/reading.sql'
import { setStage } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'

/** Appends what was read; the latest counts. Sent twice it is taken once. */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'reading.write',
    body: z.strictObject({ id: z.uuid(), reading: Reading }),
  },
  async ({ db, account, visit, body }) => {
    await addReading(db, body.id, visit.id, body.reading, account.id)
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  },
)
