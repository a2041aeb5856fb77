import { z } from 'zod'
import { KNOWN, questionByCode } from '#core/client'
import { Invalid } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { listKnown, saveKnown } from '../../db/rules.sql'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({
  kind: z.enum(['medicine', 'condition']),
  name: z.string().trim().min(2).max(120),
  synonyms: z.array(z.string().trim().min(1).max(80)).max(20),
  code: z.string(),
})

/** Adds or changes an entry of the salon's list. The first change makes the list that ships the salon's own. */
export default defineDoor(
  { can: 'rules.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = getRouterParam(event, 'id') ?? ''
    if (!/^[a-z0-9-]{2,60}$/.test(id))
      throw new Invalid({
        code: 'bad_id',
        detail: 'An entry needs a short name of small letters, figures and hyphens.',
        path: 'id',
      })
    if (!questionByCode.has(body.code))
      throw new Invalid({
        code: 'unknown_question',
        detail: `There is no question "${body.code}".`,
        path: 'code',
      })
    const own = await listKnown(db, account.salon_id)
    if (own.length === 0)
      for (const [at, one] of KNOWN.entries()) await saveKnown(db, account.salon_id, one, at)
    await saveKnown(db, account.salon_id, { id, ...body }, Math.max(own.length, KNOWN.length))
    await writeAudit(db, account.id, 'known.write', 'known', id)
  },
)
