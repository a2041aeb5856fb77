import { loadClient } from '../../../db/client.sql'
import { listNotes } from '../../../db/note.sql'
import { clientDetails, formerDetails, visitLines } from '../../../db/clients.sql'
import { listPhotos } from '../../../db/photo.sql'
import { productNames } from '../../../db/product.sql'
import { salonById } from '../../../db/salon.sql'
import { canDo } from '../../../utils/capabilities'
import { defineClientDoor } from '../../../utils/door'
import type { PoolClient } from 'pg'

const FIRST_VISITS = 20

/** The record of a client: who they are, for everybody who books; what concerns their health, for those who may read it. */
export default defineClientDoor(
  { can: 'booking', atRest: true, action: 'client.read' },
  async ({ db, account, client }) => {
    const salon = (await salonById(db, account.salon_id))!
    const into = client.mergedInto
      ? await clientDetails(db, account.salon_id, client.mergedInto)
      : undefined
    // A record that rests shows whose it is, and nothing of it.
    const mayRead = canDo(account.role, 'health.read') && client.restricted === null
    const visits =
      client.restricted === null ? await visitLines(db, client.id, null, FIRST_VISITS + 1) : []
    return {
      ...client,
      mergedInto: into ? { id: into.id, name: into.name } : null,
      today: salon.today,
      timeZone: salon.time_zone,
      was: client.restricted === null ? await formerDetails(db, client.id) : [],
      visits: visits
        .slice(0, FIRST_VISITS)
        .map((visit) => (mayRead ? visit : { ...visit, answer: null, note: null, levers: null })),
      hasMoreVisits: visits.length > FIRST_VISITS,
      health: mayRead ? await healthOf(db, account.salon_id, client.id, salon.time_zone) : null,
    }
  },
)

async function healthOf(db: PoolClient, salonId: string, id: string, timeZone: string) {
  const client = (await loadClient(db, id))!
  const productIds = [
    ...client.memories.map(({ productId }) => productId),
    ...client.patchTests.map(({ productId }) => productId),
  ]
  return {
    facts: client.facts,
    memories: client.memories,
    clearances: client.clearances,
    patchTests: client.patchTests,
    concerns: client.concerns,
    goalDetails: client.goalDetails ?? {},
    notes: await listNotes(db, id),
    photos: (await listPhotos(db, id, timeZone)).length,
    productNames: await productNames(db, salonId, productIds),
  }
}
