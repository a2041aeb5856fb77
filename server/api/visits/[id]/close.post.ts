import { z } from 'zod'
import { SkinAnswer } from '#core/climb/model'
import { canonical } from '#core/perform'
import { writeAudit } from '../../../db/access.sql'
import { inTransaction } from '../../../db/rows'
import { takeSupplies } from '../../../db/shelf.sql'
import { latestPlan, listEvents, signVisit } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { plannedUse, strangerIn, suppliesOf, takeOffShelf } from '../../../utils/use'
import { useDb } from '../../../utils/db'
import { explainDatabase, parseOr400, problem } from '../../../utils/problem'

/** `used`: what was really taken of each product; left out, what the plan takes. */
const Used = z
  .array(z.strictObject({ productId: z.string().max(60), amount: z.number().min(0).max(100_000) }))
  .max(200)
const Body = z.strictObject({
  answer: SkinAnswer.nullable(),
  note: z.string().max(4000),
  used: Used.optional(),
})

/** Signs and locks the visit: the skin's answer, the note, the levers of the plan that was performed, and what it took off the shelf with its lots. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'sign')
  const { answer, note, used } = parseOr400(Body, await readBody(event))
  const stored = await latestPlan(useDb(), visit.id)
  if (!stored)
    throw problem(409, {
      code: 'not_fitted',
      detail: 'This visit has not been fitted yet. Fit and perform it first.',
    })
  const log = canonical(await listEvents(useDb(), visit.id))
  const [begun, ended] = [
    log.find((one) => one.body.type === 'start')?.wallMs,
    log.findLast((one) => one.body.type === 'finish')?.wallMs,
  ]
  if (begun === undefined)
    throw problem(409, {
      code: 'not_performed',
      detail: 'This visit has not been performed yet. Start it on Perform.',
    })
  const skipped = new Set(
    log.flatMap((one) => (one.body.type === 'skipped' ? [one.body.stepId] : [])),
  )
  const done = stored.plan.steps
    .filter((step) => step.lever && !skipped.has(step.id))
    .map((step) => ({ lever: step.lever!.lever, rung: step.lever!.rung }))
  const stranger = used && (await strangerIn(useDb(), visit.salon_id, used))
  if (stranger)
    throw problem(400, {
      code: 'no_product',
      detail: `“${stranger}” is not on this shelf. Nothing was signed.`,
      path: 'used',
    })
  try {
    const signed = await inTransaction(useDb(), async (db) => {
      if (!visit.locked_at) {
        const performed = stored.plan.steps.filter((step) => !skipped.has(step.id))
        await takeOffShelf(db, visit, used ?? (await plannedUse(db, visit, performed)), account.id)
        await takeSupplies(
          db,
          visit.salon_id,
          suppliesOf(stored.plan.tray.filter((item) => !skipped.has(item.stepId))),
        )
      }
      const first = await signVisit(
        db,
        visit.id,
        {
          answer,
          levers: done,
          note,
          plannedS: stored.plan.totalS,
          actualS: ended === undefined ? null : Math.round((ended - begun) / 1000),
        },
        account.id,
        account.name,
      )
      if (first)
        await writeAudit(db, account.id, 'visit.sign', 'client', visit.client_id, {
          visit: visit.id,
        })
      return first
    })
    if (!signed)
      throw problem(409, {
        code: 'locked',
        detail: 'This visit is signed already. Add a check-in instead.',
      })
  } catch (error) {
    throw explainDatabase(error)
  }
  return sendNoContent(event)
})
