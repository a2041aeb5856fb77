import type { PoolClient } from 'pg'
import { z } from 'zod'
import { asLeaving } from '#core/climb'
import { LeavingSkin, SkinAnswer } from '#core/climb/model'
import type { FittedPlan } from '#core/adapt'
import { reduceRun } from '#core/perform'
import type { Step } from '#core/protocol'
import { Conflict, Infeasible, Invalid } from '#core/fault'
import { Letter } from '#core/formats'
import { takeSupplies } from '../../../db/things.sql'
import { latestPlan } from '../../../db/plan.sql'
import { listEvents } from '../../../db/run.sql'
import { addDoubt, outcomeOf, signVisit } from '../../../db/outcome.sql'
import type { VisitRow } from '../../../db/visit.sql'
import {
  plannedUse,
  firstUnknownProduct,
  suppliesOf,
  takeOffShelf,
  workDone,
} from '../../../utils/use'
import { defineVisitDoor } from '../../../utils/door'
import { signatureDoubt } from '../../../utils/signature'

/** `used`: what was really taken of each product; left out, what the plan takes. */
const Used = z
  .array(z.strictObject({ productId: z.string().max(60), amount: z.number().min(0).max(100_000) }))
  .max(200)
const Body = z.strictObject({
  id: z.uuid().optional(),
  /** What the skin shows as the client leaves; null: nobody looked. */
  leaving: LeavingSkin.nullable().optional(),
  /** As an earlier version asked it here; a tablet that was away may still bring it. */
  answer: SkinAnswer.nullable().optional(),
  note: z.string().max(4000),
  /** For the next visit. */
  nextNote: z.string().max(2000).optional(),
  used: Used.optional(),
  /** The PIN of whoever signs on a tablet, sealed to the server under the visit's id: the tablet that carries it cannot read it. */
  pin: Letter.optional(),
})

/** Signs and locks the visit: what the skin shows on leaving, the notes, the levers of the plan that was performed, and what it took off the shelf with its lots. */
export default defineVisitDoor(
  { can: 'sign', body: Body, action: 'visit.sign' },
  async ({ db, account, visit, body }) => {
    const { answer, leaving, note, nextNote, used } = body
    if (visit.locked_at) {
      // Sent again, because the answer to it was lost on its way.
      if (body.id !== undefined && (await outcomeOf(db, visit.id))?.sent_id === body.id) return
      throw isSigned()
    }
    const doubt = await signatureDoubt(db, account, visit.id, body.pin)
    const performed = await performedRun(db, visit)
    await requireKnownProducts(db, visit, used)
    await takeAll(db, visit, performed, used, account.id)
    const done = await workDone(db, visit, performed)
    const seen = leaving ?? (answer ? asLeaving(answer) : null)
    const said = { sentId: body.id, leaving: seen, answer, note, nextNote }
    const outcome = { ...said, ...done, ...figuresOf(performed) }
    if (!(await signVisit(db, visit.id, outcome, account.id, account.name))) throw isSigned()
    if (doubt !== undefined) await addDoubt(db, visit.id, account.id, doubt)
  },
)

const isSigned = () =>
  new Conflict({
    code: 'locked',
    detail: 'This visit is signed already. Add a check-in instead.',
  })

interface Performed {
  readonly plan: FittedPlan
  readonly startedMs: number
  readonly finishedMs: number | undefined
  /** What was done: what was left out is not, in the reducer's sense of it. */
  readonly steps: readonly Step[]
  /** Steps that the client said stung or burned. */
  readonly stung: ReadonlySet<string>
}

/** The visit as it was performed; a 409 while it was not. */
async function performedRun(db: PoolClient, visit: VisitRow): Promise<Performed> {
  const stored = await latestPlan(db, visit.id)
  if (!stored)
    throw new Infeasible({
      code: 'not_fitted',
      detail: 'This visit has not been fitted yet. Fit and perform it first.',
    })
  const { plan } = stored
  const run = reduceRun(plan, await listEvents(db, visit.id))
  if (run.startedMs === undefined)
    throw new Infeasible({
      code: 'not_performed',
      detail: 'This visit has not been performed yet. Start it on Perform.',
    })
  return {
    plan,
    startedMs: run.startedMs,
    finishedMs: run.finishedMs,
    steps: plan.steps.filter((step) => !run.skipped.has(step.id)),
    stung: new Set(
      run.sensations
        .filter(({ sensation }) => sensation === 'stinging' || sensation === 'burning')
        .map(({ stepId }) => stepId),
    ),
  }
}

async function requireKnownProducts(
  db: PoolClient,
  visit: VisitRow,
  used: z.infer<typeof Used> | undefined,
) {
  const unknown = used && (await firstUnknownProduct(db, visit.salon_id, used))
  if (unknown)
    throw new Invalid({
      code: 'no_product',
      detail: `“${unknown}” is not on this shelf. Nothing was signed.`,
      path: 'used',
    })
}

/** Products by what was used, or what the plan takes; supplies of the tray. */
async function takeAll(
  db: PoolClient,
  visit: VisitRow,
  { plan, steps }: Performed,
  used: z.infer<typeof Used> | undefined,
  accountId: string,
) {
  const uses = used ?? (await plannedUse(db, visit, steps))
  await takeOffShelf(db, visit, uses, accountId)
  const done = new Set(steps.map((step) => step.id))
  const tray = plan.tray.filter((item) => done.has(item.stepId))
  await takeSupplies(db, visit.salon_id, suppliesOf(tray))
}

/** No visit is longer: where the times say so, a clock was wrong, and the length is not known. */
const LONGEST_S = 24 * 3600

function figuresOf({ plan, startedMs, finishedMs }: Performed) {
  const lastedS = finishedMs === undefined ? undefined : Math.round((finishedMs - startedMs) / 1000)
  const isKnown = lastedS !== undefined && lastedS >= 0 && lastedS <= LONGEST_S
  return { plannedS: plan.totalS, actualS: isKnown ? lastedS : null }
}
