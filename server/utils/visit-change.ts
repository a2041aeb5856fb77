import type { PoolClient } from 'pg'
import type { H3Event } from 'h3'
import type { z } from 'zod'
import { writeAudit, type Account } from '../db/access.sql'
import { inTransaction } from '../db/rows'
import type { VisitRow } from '../db/visit.sql'
import { requireVisit } from './access'
import type { Capability } from './capabilities'
import { useDb } from './db'
import { readJson } from './body'
import { explainDatabase, parsed } from './problem'

interface Change<Body extends z.ZodType> {
  readonly capability: Capability
  readonly body: Body
  /** Name of the audit row that every such change leaves with the client. */
  readonly action: string
}
interface Scene<Body> {
  readonly db: PoolClient
  readonly event: H3Event
  readonly account: Account
  readonly visit: VisitRow
  readonly body: Body
}

/** A route that changes something of a visit's client: parse, authorise, all of it or none in one transaction, audited, refusals in words.
 * What `work` gives is the reply; nothing: 204. */
export function defineVisitChange<Body extends z.ZodType, Result>(
  { capability, body, action }: Change<Body>,
  work: (scene: Scene<z.infer<Body>>) => Promise<Result>,
) {
  return defineEventHandler(async (event) => {
    const { account, visit } = await requireVisit(event, capability)
    const given = parsed(body, await readJson(event))
    try {
      const result = await inTransaction(useDb(), async (db) => {
        const told = await work({ db, event, account, visit, body: given })
        await writeAudit(db, account.id, action, 'client', visit.client_id, { visit: visit.id })
        return told
      })
      if (result === undefined) await sendNoContent(event)
      return result
    } catch (error) {
      throw explainDatabase(error)
    }
  })
}
