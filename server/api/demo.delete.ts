import { Conflict, NotFound } from '#core/fault'
import { writeAudit } from '../db/access.sql'
import { closeWorld, openWorld, worldOf, worlds } from '../utils/db'
import { defineDoor } from '../utils/door'
import { askStarter } from '../utils/starter'

/** The owner of a salon takes the demo studio away for good: its database is dropped. */
export default defineDoor({ can: 'salon.write' }, async ({ db, event, account }) => {
  if (worldOf(event) === 'demo')
    throw new Conflict({
      code: 'not_removed',
      detail: 'The demo studio is taken away from your own salon, in Settings.',
    })
  if (!worlds().includes('demo'))
    throw new NotFound({ code: 'no_demo', detail: 'There is no demo studio on this server.' })
  await closeWorld('demo')
  const done = await askStarter('remove-demo')
  if (done !== true) {
    openWorld('demo')
    throw new Conflict({ code: 'not_removed', detail: String(done) })
  }
  await writeAudit(db, account.id, 'demo.remove', 'salon', account.salon_id)
})
