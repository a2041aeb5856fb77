import { z } from 'zod'
import { Step } from '../../../../core/protocol/model'
import { writeAudit } from '../../../db/access.sql'
import { newestVersion, publishVersion } from '../../../db/protocol.sql'
import { requireCan } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { explainDatabase, parseOr400, problem } from '../../../utils/problem'

const Body = z.strictObject({ basedOn: z.number().int(), note: z.string().trim().min(1).max(500), steps: z.array(Step).min(1).max(60) })

/** Publishes the next version of a protocol; visits keep pointing to the version they used. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'protocol.write')
  const protocolId = getRouterParam(event, 'id') ?? ''
  const body = parseOr400(Body, await readBody(event))
  const newest = await newestVersion(useDb(), account.salon_id, protocolId)
  if (!newest) throw problem(404, { code: 'no_protocol', detail: 'There is no such protocol.', path: 'id' })
  if (newest.version !== body.basedOn) throw problem(409, { code: 'published_meanwhile', detail: `Version ${newest.version} was published meanwhile. Open it again and repeat your change.`, path: 'basedOn' })
  const version = { ...newest, id: `${protocolId}-v${newest.version + 1}`, version: newest.version + 1, note: body.note, steps: body.steps }
  try {
    await publishVersion(useDb(), version, account.id)
  } catch (error) {
    throw explainDatabase(error)
  }
  await writeAudit(useDb(), account.id, 'protocol.publish', 'protocol', protocolId, { version: version.version })
  setResponseStatus(event, 201)
  return { version: version.version }
})
