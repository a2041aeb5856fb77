import { z } from 'zod'
import { setTick } from '../../../db/plan.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { readJson } from '../../../utils/body'
import { explainDatabase, parsed } from '../../../utils/problem'

const Body = z.strictObject({ itemId: z.string().max(160), ticked: z.boolean() })

export default defineEventHandler(async (event) => {
  const { visit } = await requireVisit(event, 'perform')
  const { itemId, ticked } = parsed(Body, await readJson(event))
  try {
    await setTick(useDb(), visit.id, itemId, ticked)
  } catch (error) {
    throw explainDatabase(error)
  }
  return sendNoContent(event)
})
