import { loadClient } from '../../../db/client.sql'
import { rungsOf } from '../../../db/ladder.sql'
import { listPhotos } from '../../../db/photo.sql'
import { productNames } from '../../../db/product.sql'
import { salonById } from '../../../db/salon.sql'
import { defineClientDoor } from '../../../utils/door'

/** A client's long ladder: every visit with its levers and reading, facts that came and went, products that were refused, photographs. */
export default defineClientDoor(
  { can: 'health.read', action: 'client.ladder' },
  async ({ db, account, client }) => {
    const salon = (await salonById(db, account.salon_id))!
    const { facts, memories, concerns } = (await loadClient(db, client.id))!
    const memoryIds = memories.map(({ productId }) => productId)
    return {
      today: salon.today,
      timeZone: salon.time_zone,
      rungs: await rungsOf(db, client.id),
      facts,
      memories,
      concerns,
      photos: await listPhotos(db, client.id, salon.time_zone),
      productNames: await productNames(db, account.salon_id, memoryIds),
    }
  },
)
