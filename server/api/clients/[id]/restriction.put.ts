import { z } from 'zod'
import { restrictClient } from '../../../db/rights.sql'
import { defineClientDoor } from '../../../utils/door'

const Body = z.strictObject({
  /** Why, in the client's words; null: it is opened again. */
  why: z.string().trim().min(2).max(200).nullable(),
})

/** Closes a record at the client's wish, or opens it again: nothing is booked, read or changed in it meanwhile. */
export default defineClientDoor(
  { can: 'client.rights', atRest: true, action: 'client.restrict', body: Body },
  async ({ db, client, body }) => {
    await restrictClient(db, client.id, body.why)
  },
)
