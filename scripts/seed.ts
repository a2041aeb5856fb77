import { parseArgs } from 'node:util'
import pg from 'pg'
import { seedClients, seedVisits } from '../server/db/seed.sql'

// Fills a salon with invented clients and signed visits, the same ones every time: to see how a large salon feels. ZEN_SEED_URL: who owns the tables.

const { values } = parseArgs({
  options: {
    clients: { type: 'string', default: '1000' },
    visits: { type: 'string', default: '0' },
  },
})

/** A whole number that was typed. */
function countOf(name: 'clients' | 'visits', most: number): number {
  const count = Number(values[name])
  if (Number.isInteger(count) && count >= 0 && count <= most) return count
  console.error(`--${name} is a whole number from 0 to ${most}, not “${values[name]}”.`)
  process.exit(1)
}
const [clients, visits] = [countOf('clients', 1_000_000), countOf('visits', 10_000_000)]

const db = new pg.Client({ connectionString: process.env.ZEN_SEED_URL })
await db.connect()
try {
  const { rows } = await db.query<{ id: string }>('SELECT id FROM salon ORDER BY id LIMIT 1')
  const salonId = rows[0]?.id
  if (!salonId) throw new Error('There is no salon yet: set one up, or open the demo, first.')
  await db.query("SELECT set_config('zen.salon', $1, false)", [salonId])
  const asDb = db as unknown as pg.PoolClient
  console.log(`${await seedClients(asDb, salonId, clients)} clients`)
  console.log(`${await seedVisits(asDb, salonId, visits)} visits`)
  await db.query('ANALYZE client, visit, outcome')
} finally {
  await db.end()
}
