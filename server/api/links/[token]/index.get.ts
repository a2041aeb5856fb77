import { getRouterParam } from 'h3'
import { accountById } from '../../../db/access.sql'
import { salonById } from '../../../db/salon.sql'
import { inSalon } from '../../../db/rows'
import { poolOf } from '../../../utils/db'
import { workingLink } from '../../../utils/links'

/** Whose password a link sets: for whoever holds it. */
export default defineEventHandler(async (event) => {
  const { world, link } = await workingLink(event, getRouterParam(event, 'token') ?? '')
  const pool = poolOf(world)
  const account = (await accountById(pool, link.accountId))!
  const salon = await inSalon(pool, link.salonId, (db) => salonById(db, link.salonId))
  return { purpose: link.purpose, name: account.name, email: account.email, salon: salon!.name }
})
