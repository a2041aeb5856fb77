import { NotFound } from '#core/fault'
import { takeNoteBack } from '../../../../db/note.sql'
import { defineClientDoor, uuidParam } from '../../../../utils/door'

/** Takes a note back: it is no longer shown, and stays in the record. */
export default defineClientDoor(
  { can: 'health.write', action: 'client.note_back' },
  async ({ db, event, account, client }) => {
    const id = uuidParam(event, 'noteId')
    if (!id || (await takeNoteBack(db, client.id, id, account.id)) === 0)
      throw new NotFound({
        code: 'not_here',
        detail: 'That note was taken back already.',
        path: 'noteId',
      })
  },
)
