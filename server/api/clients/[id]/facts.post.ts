import { z } from 'zod'
import { Fact } from '#core/client/model'
import { Invalid } from '#core/fault'
import { addFact } from '../../../db/client.sql'
import { faultsOf } from '../../../utils/fact-faults'
import { defineClientDoor } from '../../../utils/door'

/** Appends dated answers outside of a visit: told on the telephone, or found in old papers. Earlier ones stay. */
export default defineClientDoor(
  {
    can: 'health.write',
    action: 'health.write',
    body: z.strictObject({
      facts: z
        .array(z.strictObject({ id: z.uuid(), fact: Fact }))
        .min(1)
        .max(400),
    }),
  },
  async ({ db, account, client, body }) => {
    const asked = { salon_id: account.salon_id, client_id: client.id, starts_at: new Date() }
    const facts = body.facts.map(({ fact }) => fact)
    const [fault] = await faultsOf(db, asked, facts)
    if (fault) {
      const path = `facts.${fault.at}.fact.${fault.field}`
      throw new Invalid({ code: fault.code, detail: fault.says, path })
    }
    for (const [at, { id, fact }] of body.facts.entries())
      await addFact(db, id, client.id, fact, account.id, `facts.${at}.id`)
  },
)
