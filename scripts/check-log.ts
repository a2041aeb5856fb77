import pg from 'pg'
import { checkLog } from '../server/db/seal.sql'

// Reads every seal of the log. ZEN_MIGRATE_URL: a role that sees all salons (the owner of the tables). Ends with 1 where something does not fit.

const client = new pg.Client({ connectionString: process.env.ZEN_MIGRATE_URL })
await client.connect()
try {
  const { faults, seals, unsealed, heads } = await checkLog(client as unknown as pg.PoolClient)
  for (const fault of faults) console.log(`✗ ${fault}`)
  console.log(`${seals} seals read, ${faults.length} faults, ${unsealed} rows not sealed yet`)
  for (const head of heads) console.log(`newest seal  ${head}`)
  process.exitCode = faults.length > 0 ? 1 : 0
} finally {
  await client.end()
}
