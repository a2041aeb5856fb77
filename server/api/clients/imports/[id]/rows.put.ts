import { z } from 'zod'
import { searchText } from '#core/client'
import { IsoDate } from '#core/client/model'
import { PersonName } from '#core/salon/model'
import { stageClients } from '../../../../db/clients.sql'
import { BODY_MOST } from '../../../../utils/body'
import { requireClientImport } from '../../../../utils/client-import'
import { defineDoor } from '../../../../utils/door'

const MOST_AT_ONCE = 1000
const Row = z.strictObject({
  name: PersonName,
  bornOn: IsoDate,
  phone: z.string().max(40),
  email: z.union([z.literal(''), z.email().max(200)]),
  address: z.string().max(300),
})
const Body = z.strictObject({
  from: z.number().int().min(0).max(200_000),
  rows: z.array(Row).min(1).max(MOST_AT_ONCE),
})

/** Some rows of a file, counted from `from`. Sent twice they are there once. */
export default defineDoor(
  { can: 'client.files', body: Body, most: BODY_MOST.file },
  async ({ db, event, body: { from, rows } }) => {
    const id = await requireClientImport(db, event)
    await stageClients(
      db,
      id,
      from,
      rows.map((row) => ({ ...row, search: searchText(row) })),
    )
  },
)
