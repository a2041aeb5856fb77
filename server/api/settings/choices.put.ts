import { METHODS } from '#core/compose'
import { Invalid } from '#core/fault'
import { SalonChoices } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { setChoices } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

/** What the salon chooses beyond its facts, all of it. */
export default defineDoor(
  { can: 'salon.write', body: SalonChoices },
  async ({ db, account, body: choices }) => {
    requireSchools(choices.methods)
    await setChoices(db, account.salon_id, choices)
    await writeAudit(db, account.id, 'salon.choices', 'salon', account.salon_id)
  },
)

/** Throws a 400 for a question nobody asks, or a school it does not have. */
function requireSchools(methods: SalonChoices['methods']): void {
  for (const [question, school] of Object.entries(methods)) {
    const asked = METHODS.find(({ id }) => id === question)
    if (!asked?.schools.some(({ id }) => id === school))
      throw new Invalid({
        code: 'no_school',
        detail: `There is no way “${school}” to answer “${question}”.`,
        path: `methods.${question}`,
      })
  }
}
