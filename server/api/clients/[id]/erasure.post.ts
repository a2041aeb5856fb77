import { z } from 'zod'
import { Conflict } from '#core/fault'
import { Password } from '#core/salon/model'
import { eraseClient, ERASE_REASONS } from '../../../db/rights.sql'
import { defineClientDoor } from '../../../utils/door'
import { noteErasuresAfter } from '../../../utils/copies'
import { requirePassword } from '../../../utils/own'

const Body = z.strictObject({ why: z.enum(ERASE_REASONS), password: Password })

/** Erases a client for good, and gives how much went. What counts without a name stays; it is done again after every restore. */
export default defineClientDoor(
  {
    can: 'client.rights',
    atRest: true,
    action: 'client.erase',
    body: Body,
    before: (asked) => requirePassword(asked, asked.body.password),
  },
  async ({ db, event, account, client, body }) => {
    const counted = await eraseClient(db, client.id, account.id, body.why)
    if (!counted)
      throw new Conflict({
        code: 'not_two',
        detail: 'This client was made one with another: erase that one, and both go.',
      })
    noteErasuresAfter(event)
    return counted
  },
)
