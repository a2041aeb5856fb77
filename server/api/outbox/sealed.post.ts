import type { H3Event } from 'h3'
import { z } from 'zod'
import { Letter, type LetterText } from '#core/formats'
import { accountById, writeAudit, type Account } from '../../db/access.sql'
import { addWaiting, pastSession } from '../../db/outbox.sql'
import { inSalon } from '../../db/rows'
import { BODY_MOST, readJson } from '../../utils/body'
import { poolOf, type World } from '../../utils/db'
import { askAs } from '../../utils/inside'
import { opened, sessionOfPass } from '../../utils/letters'
import { parsed, Unavailable } from '../../utils/problem'

const Body = z.strictObject({ letters: z.array(Letter).max(200) })

/** So long after its session a letter is taken in by itself. */
const BY_ITSELF_MS = 24 * 3_600_000
/** Changes of a visit, and nothing else, come this way. */
const OF_A_VISIT = /^\/api\/visits\/[0-9a-f-]{36}(?:\/[0-9a-z-]+)+$/

/**
 * Takes what a tablet could not send before its session ended, whoever brings it: only this server can read it. Within a day of the session
 * it goes through the same door as ever, for whoever made it; else, or where that door refuses it, it waits for the owner. What nobody can read
 * is acknowledged too: it would never be otherwise.
 */
export default defineEventHandler(async (event: H3Event) => {
  const { letters } = parsed(Body, await readJson(event, BODY_MOST.events))
  const acknowledged: string[] = []
  for (const letter of letters) {
    const text = opened(letter)
    if (text) await takeIn(letter.id, text)
    acknowledged.push(letter.id)
  }
  return { acknowledged }
})

async function takeIn(id: string, text: LetterText): Promise<void> {
  const session = sessionOfPass(text.pass)
  if (!session) return
  const pool = poolOf(session.world)
  const past = await pastSession(pool, session.sessionId)
  const account = past && (await accountById(pool, past.accountId))
  // No tablet of ours makes any other: nothing to lay before anybody.
  if (!account || !OF_A_VISIT.test(text.path)) return
  const why = await refusalOf(session.world, account, text, past)
  if (why === undefined) return
  await inSalon(pool, account.salon_id, async (db) => {
    await addWaiting(db, id, account.id, text, why)
    await writeAudit(db, account.id, 'outbox.waits', 'change', id, { path: text.path })
  })
}

/** Why a letter is not taken in by itself; undefined where it was. A server without its database is told: it comes again. */
async function refusalOf(
  world: World,
  account: Account,
  text: LetterText,
  { endedAt, revoked }: NonNullable<Awaited<ReturnType<typeof pastSession>>>,
): Promise<string | undefined> {
  if (revoked) return 'The session that made it was called off.'
  if (Date.now() - endedAt.getTime() > BY_ITSELF_MS)
    return 'Its session ended more than a day before it came.'
  const { status, detail } = await askAs(world, account, text)
  if (status >= 500 || status === 408 || status === 429)
    throw new Unavailable({ code: 'unavailable', detail: detail || 'It is tried again later.' })
  return status < 300 ? undefined : detail
}
