import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { book, withDatabase } from './http'
import { newClient } from './new-client'
import { owner } from './people'
import { event, signed } from './signed'

interface Traced {
  readonly treated: readonly {
    visitId: string
    client: string
    what: string
    amount: number | null
  }[]
}
const trace = async (lot: string) =>
  (await owner.ask<Traced>('GET', `/api/shelf/lots?lot=${encodeURIComponent(lot)}`)).body

test('who was treated with a lot of a product: by the whole lot alone, on the record of the visit', async () => {
  const client = await newClient()
  const visitId = await signed(client)
  const { rows } = await withDatabase((db) =>
    db.query<{ lot: string; name: string }>(
      `SELECT u.lot, p.name
        FROM visit_use u
          JOIN product p ON p.id = u.product_id
        WHERE u.visit_id = $1`,
      [visitId],
    ),
  )
  const { lot, name } = rows[0]!
  const { treated } = await trace(` ${lot} `)
  expect(treated).toContainEqual(expect.objectContaining({ visitId, client, what: name }))
  expect((await trace(lot.slice(0, -1))).treated.map((one) => one.visitId)).not.toContain(visitId)
  expect((await owner.ask('GET', '/api/shelf/lots?lot=%20')).status).toBe(400)
})

test('a cartridge by its lot, unless it was taken back', async () => {
  const client = await newClient()
  const visitId = await book(owner, client, 'brightening', 3)
  await owner.ask('POST', `/api/visits/${visitId}/plan`)
  const lot = `N-${randomUUID().slice(0, 8)}`
  const cartridge = event({ type: 'cartridge', stepId: 'x', lot, depthMm: 0.5 }, 1)
  await owner.ask('POST', `/api/visits/${visitId}/events`, {
    events: [event({ type: 'start' }), cartridge],
  })
  expect((await trace(lot)).treated).toMatchObject([
    { visitId, client, what: 'Cartridge', amount: null },
  ])
  await owner.ask('POST', `/api/visits/${visitId}/events`, {
    events: [event({ type: 'retract', eventId: cartridge.id }, 2)],
  })
  expect((await trace(lot)).treated).toEqual([])
})
