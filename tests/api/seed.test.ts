import { expect, test } from 'vitest'
import { seedClients, seedVisits } from '../../server/db/seed.sql'
import { withDatabase } from './http'
import { furnishedSalon } from './other-salon'

// Invented clients and visits by the thousand: the same ones every time, found like any other.

test('a salon is filled once, however often it is asked, and its clients are found', async () => {
  const salon = await furnishedSalon()
  const seed = () =>
    withDatabase(async (db) => {
      await db.query("SELECT set_config('zen.salon', $1, false)", [salon.id])
      const asDb = db as never
      return [await seedClients(asDb, salon.id, 1500), await seedVisits(asDb, salon.id, 2000)]
    })
  expect(await seed()).toEqual([1500, 2000])
  expect(await seed()).toEqual([0, 0])
  const { body } = await salon.owner.ask<{
    clients: { id: string; name: string; lastOn: string }[]
  }>('GET', '/api/clients?find=wren+castel')
  expect(body.clients.length).toBeGreaterThan(1)
  expect(body.clients.every(({ name }) => name.startsWith('Wren Castellane'))).toBe(true)
  expect(body.clients.some(({ lastOn }) => lastOn !== null)).toBe(true)
  const record = await salon.owner.ask<{ visits: { stage: string }[] }>(
    'GET',
    `/api/clients/${body.clients[0]!.id}`,
  )
  expect(record.body.visits.every(({ stage }) => stage === 'closed')).toBe(true)
  // Nobody is booked with the hands that were seeded.
  const day = await salon.owner.ask<{ choices: { rooms: unknown[]; practitioners: unknown[] } }>(
    'GET',
    '/api/day',
  )
  expect([day.body.choices.rooms.length, day.body.choices.practitioners.length]).toEqual([1, 1])
})
