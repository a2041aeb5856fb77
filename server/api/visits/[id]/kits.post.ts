import { z } from 'zod'
import { restOfKit, usedBy } from '#core/costing'
import { Infeasible, NotFound } from '#core/fault'
import { addOpening, listKits, openingsOf, takeKit } from '../../../db/things.sql'
import { latestPlan } from '../../../db/plan.sql'
import { defineVisitDoor } from '../../../utils/door'
import { compileInputOf } from '../../../utils/visit-input'
import { created } from '../../../utils/reply'

/** Opens a kit for the client of this visit: what the plan uses of it stays here, the rest is theirs for at home. */
export default defineVisitDoor(
  {
    can: 'perform',
    action: 'kit.open',
    body: z.strictObject({ id: z.uuid(), kitId: z.string().max(60) }),
  },
  async ({ db, event, account, visit, body }) => {
    const kit = (await listKits(db, visit.salon_id)).find(
      (candidate) => candidate.id === body.kitId,
    )
    if (!kit)
      throw new NotFound({
        code: 'no_kit',
        detail: 'There is no such kit on this shelf.',
        path: 'kitId',
      })
    const plan = await latestPlan(db, visit.id)
    const { shelf } = await compileInputOf(db, visit)
    const isNew = await addOpening(db, {
      id: body.id,
      salonId: visit.salon_id,
      kitId: kit.id,
      clientId: visit.client_id,
      visitId: visit.id,
      rest: restOfKit(
        kit,
        (plan?.plan.steps ?? []).flatMap((step) => usedBy(step, shelf)),
      ),
      accountId: account.id,
    })
    // Sent twice it is opened once.
    if (isNew && (await takeKit(db, visit.salon_id, kit.id)) === 0)
      throw new Infeasible({ code: 'out', detail: `${kit.name} is out.`, path: 'kitId' })
    return created(event, { id: body.id, openings: await openingsOf(db, visit.client_id) })
  },
)
