import { z } from 'zod'
import { folded } from '#core/client'
import { IsoDate } from '#core/client/model'
import { alikeClients } from '../../db/clients.sql'
import { defineDoor } from '../../utils/door'

const MOST = 5
const Query = z.object({
  name: z.string().trim().min(2).max(120),
  bornOn: IsoDate.optional(),
  phone: z.string().max(40).default(''),
  /** Whom they are not to be compared with: themselves. */
  not: z.uuid().optional(),
})

/** Who may be here already under that name, birthday or number. */
export default defineDoor({ can: 'booking', query: Query }, async ({ db, query }) => {
  const { name, bornOn, phone, not } = query
  const wish = { search: folded(name), bornOn: bornOn ?? null, digits: phone.replaceAll(/\D/g, '') }
  const alike = await alikeClients(db, wish, MOST + 1)
  return alike.filter(({ id }) => id !== not).slice(0, MOST)
})
