import { z } from 'zod'
import { ProductMemory } from '#core/client/model'
import { addMemory, dropMemory } from '../../../db/note.sql'
import { defineClientDoor } from '../../../utils/door'

const Body = z.strictObject({
  memory: ProductMemory,
  /** False: taken back. */
  holds: z.boolean(),
})

/** A product that somebody refused or reacted to: written down, or taken back. */
export default defineClientDoor(
  { can: 'health.write', action: 'memory.write', body: Body },
  async ({ db, client, body: { memory, holds } }) => {
    if (holds) await addMemory(db, client.id, memory)
    else await dropMemory(db, client.id, memory.productId, memory.memory)
  },
)
