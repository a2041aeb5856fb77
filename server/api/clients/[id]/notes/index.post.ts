import { z } from 'zod'
import { addNote, NOTE_KINDS } from '../../../../db/note.sql'
import { defineClientDoor } from '../../../../utils/door'

const Body = z.strictObject({
  id: z.uuid(),
  kind: z.enum(NOTE_KINDS),
  body: z.string().trim().min(1).max(1000),
})

/** Something to remember of a client: a note, or how they like it here. */
export default defineClientDoor(
  { can: 'health.write', action: 'client.note', body: Body },
  async ({ db, account, client, body }) => {
    await addNote(db, { ...body, clientId: client.id, by: account.id })
  },
)
