import { z } from 'zod'
import { Conflict, NotFound } from '#core/fault'
import { accountById } from '../../db/access.sql'
import { salonsOf } from '../../db/branch.sql'
import { signIn } from '../../utils/access'
import { useDb, worldOf } from '../../utils/db'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({ accountId: z.uuid() })

/** Over into another salon of the house, as whoever one is there. A tablet stays in its own. */
export default defineDoor(
  {
    can: 'own.write',
    body: Body,
    before: async ({ event, account, body }) => {
      const there = (await salonsOf(useDb(event), account.id)).find(
        ({ accountId }) => accountId === body.accountId,
      )
      if (!there)
        throw new NotFound({
          code: 'no_salon',
          detail: 'You do not work in such a salon.',
          path: 'accountId',
        })
      if (account.tablet_id !== null)
        throw new Conflict({
          code: 'tablet_here',
          detail: 'This tablet belongs to this salon. Go over from another device.',
        })
      const other = (await accountById(useDb(event), there.accountId))!
      await signIn(event, worldOf(event), other, 'password')
    },
  },
  () => undefined,
)
