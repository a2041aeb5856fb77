import { z } from 'zod'
import { Fact } from '../../../../core/client/model'
import { questionByCode } from '../../../../core/client/questions'
import { addFact } from '../../../db/client.sql'
import { listKnown } from '../../../db/rules.sql'
import { setStage } from '../../../db/visit.sql'
import { knownCodes } from '../../../utils/known-codes'
import { problem } from '../../../utils/problem'
import { defineVisitChange } from '../../../utils/visit-change'

const DAY_MS = 86_400_000
const OLDEST = '1900-01-01'
const isoDay = (ms: number): string => new Date(ms).toISOString().slice(0, 10)

/** Appends dated answers. A date in the future is refused, but for a day to come: what has not happened is not a fact. */
export default defineVisitChange({ capability: 'health.write', action: 'health.write', body: z.strictObject({ facts: z.array(z.strictObject({ id: z.uuid(), fact: Fact })).min(1).max(400) }) }, async ({ db, account, visit, body }) => {
  const list = await listKnown(db, visit.salon_id)
  const known = knownCodes(list.length > 0 ? list : undefined)
  const latest = isoDay(Math.max(Date.now(), visit.starts_at.getTime()) + DAY_MS)
  for (const [at, { id, fact }] of body.facts.entries()) {
    const question = questionByCode.get(fact.code)
    if (!known(fact.code)) throw problem(400, { code: 'unknown_question', detail: `There is no question "${fact.code}".`, path: `facts.${at}.fact.code` })
    if (question?.date !== 'ahead' && (fact.on ?? '') > latest) throw problem(400, { code: 'future', detail: `${question?.ask ?? fact.code}: ${fact.on} is in the future. Check the date.`, path: `facts.${at}.fact.on` })
    if ((fact.on ?? OLDEST) < OLDEST || fact.askedOn < OLDEST) throw problem(400, { code: 'long_ago', detail: `${question?.ask ?? fact.code}: ${fact.on ?? fact.askedOn} is more than a lifetime ago. Check the year.`, path: `facts.${at}.fact.on` })
    if (fact.askedOn > latest) throw problem(400, { code: 'future', detail: `${question?.ask ?? fact.code}: asked on ${fact.askedOn} is in the future. Check the date.`, path: `facts.${at}.fact.askedOn` })
    if (!await addFact(db, id, visit.client_id, fact, account.id)) throw problem(409, { code: 'id_taken', detail: 'This answer has the id of another one. Make a new id for it.', path: `facts.${at}.id` })
  }
  if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  return { saved: body.facts.length }
})
