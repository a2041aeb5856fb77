import { getRouterParam } from 'h3'
import { z } from 'zod'
import { Conflict } from '#core/fault'
import { Password } from '#core/salon/model'
import { accountById, callOffSessionsOf, writeAudit } from '../../../db/access.sql'
import { setPassword, useLink } from '../../../db/people.sql'
import { inSalon } from '../../../db/rows'
import { signIn } from '../../../utils/access'
import { readJson } from '../../../utils/body'
import { poolOf } from '../../../utils/db'
import { workingLink } from '../../../utils/links'
import { newPasswordHash } from '../../../utils/new-password'
import { parsed } from '../../../utils/problem'
import { passSecondStep } from '../../../utils/second-step'

const Body = z.strictObject({ password: Password, code: z.string().max(40).optional() })

/** Sets the password that a link is for, once, and signs its person in. A second step that is on is asked here too. */
export default defineEventHandler(async (event) => {
  const { world, link } = await workingLink(event, getRouterParam(event, 'token') ?? '')
  const pool = poolOf(world)
  const { password, code } = parsed(Body, await readJson(event))
  const account = (await accountById(pool, link.accountId))!
  const hash = await newPasswordHash(password, [account.name, account.email], 'password')
  await inSalon(pool, link.salonId, async (db) => {
    await passSecondStep(db, account.id, code)
    if (!(await useLink(db, link.id)))
      throw new Conflict({ code: 'link_used', detail: 'This link was used a moment ago. Sign in.' })
    await setPassword(db, account.id, hash)
    await callOffSessionsOf(db, account.id)
    await writeAudit(db, account.id, `person.${link.purpose}_used`, 'account', account.id)
  })
  await signIn(event, world, account, 'link')
  return sendNoContent(event)
})
