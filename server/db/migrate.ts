import { fileURLToPath } from 'node:url'
import type { Client } from 'pg'
import Postgrator from 'postgrator'

/** Any number: the same in every instance, so that two starting together wait for each other. */
const MIGRATION_LOCK = 7_305_112

/** Brings the schema up to date: forward only, in one transaction, under an advisory lock. Gives the names of what ran. */
export async function migrate(
  client: Client,
  folder = fileURLToPath(new URL('./migrations', import.meta.url)),
): Promise<string[]> {
  await client.query('BEGIN')
  try {
    await client.query('SELECT pg_advisory_xact_lock($1)', [MIGRATION_LOCK])
    const postgrator = new Postgrator({
      migrationPattern: `${folder}/*.sql`,
      driver: 'pg',
      schemaTable: 'schema_version',
      currentSchema: 'public',
      execQuery: (query) => client.query(query),
    })
    const applied = await postgrator.migrate()
    await client.query('COMMIT')
    return applied.map((migration) => migration.name)
  } catch (error) {
    await client.query('ROLLBACK')
    throw error
  }
}
