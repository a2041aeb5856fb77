import { z } from 'zod'
import { readingFault } from '#core/client'
import { IsoDate } from '#core/client/model'
import { NotFound } from '#core/fault'
import { readPatchTest, waitingPatchTest } from '../../../../db/evidence.sql'
import { defineVisitDoor, uuidParam } from '../../../../utils/door'
import { daysOf, refuseEvidence } from '../../../../utils/fact-faults'

/** Reads a delayed patch test, once. */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'patch_test.read',
    body: z.strictObject({ result: z.enum(['calm', 'reacted']), readOn: IsoDate }),
  },
  async ({ db, event, visit, body }) => {
    const id = uuidParam(event, 'testId')
    const waiting = id && (await waitingPatchTest(db, id, visit.client_id))
    if (!waiting)
      throw new NotFound({
        code: 'no_test',
        detail: 'There is no patch test of this client that waits under this id.',
        path: 'testId',
      })
    refuseEvidence(readingFault(waiting, body.readOn, await daysOf(db, visit)))
    await readPatchTest(db, id, visit.client_id, body.result, body.readOn)
  },
)
