import { z } from 'zod'
import { IsoDate } from '#core/client/model'
import { NotFound } from '#core/fault'
import { readPatchTest } from '../../../../db/client.sql'
import { defineVisitChange } from '../../../../utils/visit-change'

/** Reads a delayed patch test, once. */
export default defineVisitChange(
  {
    capability: 'health.write',
    action: 'patch_test.read',
    body: z.strictObject({ result: z.enum(['calm', 'reacted']), readOn: IsoDate }),
  },
  async ({ db, event, visit, body }) => {
    const id = getRouterParam(event, 'testId') ?? ''
    const read = z.uuid().safeParse(id).success
      ? await readPatchTest(db, id, visit.client_id, body.result, body.readOn)
      : 0
    if (read === 0)
      throw new NotFound({
        code: 'no_test',
        detail: 'There is no patch test of this client that waits under this id.',
        path: 'testId',
      })
  },
)
