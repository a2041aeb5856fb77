import { z } from 'zod'
import { Fact } from '../../../../core/client/model'
import { FAMILIES } from '../../../../core/catalog/families'
import { questionByCode } from '../../../../core/client/questions'
import { writeAudit } from '../../../db/access.sql'
import { addFact } from '../../../db/client.sql'
import { setStage } from '../../../db/visit.sql'
import { inTransaction } from '../../../db/rows'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { parseOr400, problem } from '../../../utils/problem'

const Body = z.strictObject({ facts: z.array(z.strictObject({ id: z.uuid(), fact: Fact })).min(1).max(80) })
const known = new Set([...questionByCode.keys(), 'allergy:any', ...FAMILIES.map((family) => `allergy:${family.id}`)])

/** Appends dated answers. A date in the future is refused: what has not happened is not a fact. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const { facts } = parseOr400(Body, await readBody(event))
  const latest = new Date(Math.max(Date.now(), visit.starts_at.getTime()) + 86_400_000).toISOString().slice(0, 10)
  for (const [at, { fact }] of facts.entries()) {
    if (!known.has(fact.code)) throw problem(400, { code: 'unknown_question', detail: `There is no question "${fact.code}".`, path: `facts.${at}.fact.code` })
    if ((fact.on ?? '') > latest) throw problem(400, { code: 'future', detail: `${questionByCode.get(fact.code)?.ask ?? fact.code}: ${fact.on} is in the future. Check the date.`, path: `facts.${at}.fact.on` })
  }
  await inTransaction(useDb(), async (db) => {
    for (const [at, { id, fact }] of facts.entries()) {
      if (!await addFact(db, id, visit.client_id, fact, account.id)) throw problem(409, { code: 'id_taken', detail: 'This answer has the id of another one. Make a new id for it.', path: `facts.${at}.id` })
    }
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
    await writeAudit(db, account.id, 'health.write', 'client', visit.client_id, { codes: facts.map(({ fact }) => fact.code) })
  })
  return { saved: facts.length }
})
