import { z } from 'zod'
import { visitLines } from '../../../db/clients.sql'
import { canDo } from '../../../utils/capabilities'
import { defineClientDoor } from '../../../utils/door'

const PAGE = 20
const Query = z.object({ before: z.iso.datetime() })

/** Older visits of a client, a page at a time. */
export default defineClientDoor(
  { can: 'booking', action: 'client.read', query: Query },
  async ({ db, account, client, query }) => {
    const visits = await visitLines(db, client.id, new Date(query.before), PAGE + 1)
    const mayRead = canDo(account.role, 'health.read')
    return {
      visits: visits
        .slice(0, PAGE)
        .map((visit) => (mayRead ? visit : { ...visit, answer: null, note: null, levers: null })),
      hasMore: visits.length > PAGE,
    }
  },
)
