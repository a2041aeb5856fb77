import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { readIntake } from '../../../../core/formats/intake'
import { addFact, setGoals } from '../../../db/client.sql'
import { listKnown } from '../../../db/rules.sql'
import { setStage } from '../../../db/visit.sql'
import { knownCodes } from '../../../utils/known-codes'
import { problem } from '../../../utils/problem'
import { defineVisitChange } from '../../../utils/visit-change'

const SHOWN_FAULTS = 5

/** Takes an intake file for this visit's client: every answer in it, or none. Name and birthday stay as the salon has them. */
export default defineVisitChange({ capability: 'health.write', action: 'intake.import', body: z.unknown() }, async ({ db, account, visit, body }) => {
  const list = await listKnown(db, visit.salon_id)
  const read = readIntake(body, knownCodes(list.length > 0 ? list : undefined))
  if (!read.ok) throw problem(400, { code: 'bad_intake', detail: `This file cannot be taken. ${read.faults.slice(0, SHOWN_FAULTS).map((fault) => `${fault.path}: ${fault.says}`).join('; ')}${read.faults.length > SHOWN_FAULTS ? `; and ${read.faults.length - SHOWN_FAULTS} more` : ''}. Nothing was changed.`, faults: read.faults })
  for (const fact of read.intake.facts) await addFact(db, randomUUID(), visit.client_id, fact, account.id)
  if (read.intake.client.concerns.length > 0) await setGoals(db, visit.client_id, read.intake.client.concerns)
  if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  return { taken: read.intake.facts.length }
})
