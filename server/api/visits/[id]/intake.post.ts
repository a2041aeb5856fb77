import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { readIntake } from '#core/formats'
import { Invalid } from '#core/fault'
import { addFact, setGoals } from '../../../db/client.sql'
import { setStage } from '../../../db/visit.sql'
import { faultsOf } from '../../../utils/fact-faults'
import { defineVisitDoor } from '../../../utils/door'

const SHOWN_FAULTS = 5

/** Takes an intake file for this visit's client: every answer in it, or none. Name and birthday stay as the salon has them. */
export default defineVisitDoor(
  { can: 'health.write', action: 'intake.import', body: z.unknown() },
  async ({ db, account, visit, body }) => {
    const read = readIntake(body)
    const faults = read.ok
      ? (await faultsOf(db, visit, read.intake.facts)).map((fault) => ({
          path: `$.facts[${fault.at}].${fault.field}`,
          says: fault.says,
        }))
      : read.faults
    if (!read.ok || faults.length > 0) {
      const more = faults.length > SHOWN_FAULTS ? ` And ${faults.length - SHOWN_FAULTS} more.` : ''
      throw new Invalid({
        code: 'bad_intake',
        detail: `This file cannot be taken, and nothing was changed. ${faults
          .slice(0, SHOWN_FAULTS)
          .map((fault) => `${fault.path}: ${fault.says.replace(/\.$/, '')}.`)
          .join(' ')}${more}`,
        faults,
      })
    }
    for (const fact of read.intake.facts)
      await addFact(db, randomUUID(), visit.client_id, fact, account.id)
    if (read.intake.client.concerns.length > 0)
      await setGoals(db, visit.client_id, read.intake.client)
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  },
)
