import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { APP_DATABASE, DATABASE, OWNER_DATABASE, withDatabase } from './http'
import { owner } from './people'

// Copies of everything, put back into an empty database.

const ROOT = join(import.meta.dirname, '../..')
const folder = mkdtempSync(join(tmpdir(), 'zen-copies-'))
const home = mkdtempSync(join(tmpdir(), 'zen-home-'))
const made: string[] = []
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  rmSync(home, { recursive: true, force: true })
  await withDatabase(async (db) => {
    for (const name of made) await db.query(`DROP DATABASE ${name} WITH (FORCE)`)
  })
})

interface Done {
  readonly code: number
  readonly said: string
}
/** One of the two commands, to its end. `limit`: the most that a file may hold, in KiB, as on a disk that is full. */
function command(script: string, argument: string, env: Record<string, string>, limit?: number) {
  const [shell, line] = ['bash', `${limit ? `ulimit -f ${limit}; ` : ''}exec node ${script} "$1"`]
  const child = spawn(shell, ['-c', line, 'zen', argument], {
    cwd: ROOT,
    env: { ...process.env, ZEN_DATA: home, ...env },
  })
  return new Promise<Done>((resolve) => {
    let said = ''
    const take = (chunk: Buffer) => {
      said += chunk.toString()
    }
    child.stdout.on('data', take)
    child.stderr.on('data', take)
    child.on('close', (code) => resolve({ code: code ?? 1, said }))
  })
}
const backUp = (env: Record<string, string> = {}, limit?: number) =>
  command('scripts/backup.mjs', folder, { ZEN_MIGRATE_URL: OWNER_DATABASE, ...env }, limit)
const copies = () =>
  readdirSync(folder)
    .filter((name) => name.startsWith('zen-'))
    .toSorted()

const there = (url: string, name: string) => {
  const to = new URL(url)
  to.pathname = `/${name}`
  return to.href
}
/** An empty database of the owner's. */
async function emptyDatabase(): Promise<string> {
  const name = `zen_restored_${made.length + 1}_${process.pid}`
  await withDatabase((db) => db.query(`CREATE DATABASE ${name} OWNER zen_owner`))
  made.push(name)
  return name
}
const restore = (name: string, file: string, env: Record<string, string> = {}) =>
  command('scripts/restore.mjs', join(folder, file), {
    DATABASE_URL: there(APP_DATABASE, name),
    ZEN_MIGRATE_URL: there(OWNER_DATABASE, name),
    ...env,
  })

/** Every row of every table as one text, hashed: photographs are rows too. */
async function everything(url: string): Promise<Record<string, string>> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    await client.query("SET bytea_output = 'hex'")
    const { rows: tables } = await client.query<{ name: string }>(
      `SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r' ORDER BY 1`,
    )
    const found: Record<string, string> = {}
    for (const { name } of tables) {
      const { rows } = await client.query<{ hash: string }>(
        `SELECT count(*) || ' ' || COALESCE(md5(string_agg(x::text, E'\n' ORDER BY x::text)), '') AS hash FROM ${name} x`,
      )
      found[name] = rows[0]!.hash
    }
    return found
  } finally {
    await client.end()
  }
}
/** What a copy writes down of itself, and what tests beside this one write all the time. */
const MOVING = ['backup_run', 'session', 'sign_in_attempt', 'audit', 'audit_seal']
const still = (all: Record<string, string>) =>
  Object.fromEntries(Object.entries(all).filter(([name]) => !MOVING.includes(name)))

describe('a copy', () => {
  let first: string
  let before: Record<string, string>
  beforeAll(async () => {
    before = await everything(DATABASE)
    const { code, said } = await backUp()
    expect([code, said]).toEqual([0, expect.stringContaining('MB')])
    first = copies()[0]!
  })

  test('put back into an empty database is the same, row by row and picture by picture', async () => {
    const name = await emptyDatabase()
    const { code, said } = await restore(name, first)
    expect([code, said]).toEqual([0, expect.stringContaining('Restored the salon')])
    const after = await everything(there(DATABASE, name))
    expect(Object.keys(after)).toEqual(Object.keys(before))
    expect(still(after)).toEqual(still(before))
    expect(after.photo!.split(' ')[0]).not.toBe('0')
    // Whoever serves may what they may, and what is kept as it was written is guarded as before.
    const app = new pg.Client({ connectionString: there(APP_DATABASE, name) })
    await app.connect()
    expect((await app.query('SELECT FROM client')).rowCount).toBe(0)
    await expect(app.query('DELETE FROM audit')).rejects.toThrow('permission denied')
    await app.end()
    const again = await restore(name, first)
    expect([again.code, again.said]).toEqual([
      1,
      expect.stringContaining('nothing is restored over it'),
    ])
  })

  test('is nobody’s without its passphrase, and opens with it', async () => {
    const sealed = { ZEN_BACKUP_PASSPHRASE: 'seven quiet lanterns' }
    expect((await backUp(sealed)).said).toContain('sealed')
    const file = copies().find((name) => name.endsWith('.age'))!
    const bytes = readFileSync(join(folder, file))
    expect(bytes.subarray(0, 21).toString()).toBe('age-encryption.org/v1')
    expect(bytes.includes('PGDMP')).toBe(false)
    const name = await emptyDatabase()
    expect((await restore(name, file)).said).toContain('ZEN_BACKUP_PASSPHRASE')
    const wrong = await restore(name, file, { ZEN_BACKUP_PASSPHRASE: 'another' })
    expect([wrong.code, wrong.said]).toEqual([1, expect.stringContaining('cannot be opened')])
    expect((await restore(name, file, sealed)).code).toBe(0)
    expect(still(await everything(there(DATABASE, name)))).toEqual(still(before))
  }, 90_000)

  test('that was damaged, or is none, changes nothing', async () => {
    const bytes = readFileSync(join(folder, first))
    bytes[Math.floor(bytes.length / 2)]! ^= 0xff
    writeFileSync(join(folder, 'damaged.tar'), bytes)
    writeFileSync(join(folder, 'none.tar'), 'hello')
    const name = await emptyDatabase()
    expect((await restore(name, 'damaged.tar')).said).toContain('does not fit its checksum')
    expect((await restore(name, 'none.tar')).said).toContain('is no copy')
    expect((await restore(name, 'nowhere.tar')).said).toContain('is not there')
    expect(await everything(there(DATABASE, name))).toEqual({})
  })

  test('on a full disk is not made: it says so, and those before it stay', async () => {
    const there = copies()
    const { code, said } = await backUp({}, 64)
    expect([code, said]).toEqual([1, expect.stringContaining('is full: no copy was made')])
    expect(copies()).toEqual(there)
    expect(readdirSync(folder).filter((name) => name.startsWith('.making'))).toEqual([])
    const { rows } = await withDatabase((db) =>
      db.query('SELECT ok, says FROM backup_run ORDER BY started_at DESC LIMIT 1'),
    )
    expect(rows[0]).toMatchObject({ ok: false, says: expect.stringContaining('is full') as string })
  })

  test('brings nobody back who was erased after it was made', async () => {
    const added = { name: 'Nettle Quarrington', bornOn: '1977-07-07' }
    const { body } = await owner.ask<{ id: string }>('POST', '/api/clients', added)
    await backUp()
    const file = copies().findLast((name) => name.endsWith('.tar'))!
    const erasing = { why: 'asked', password: 'quiet-tide' }
    const gone = await owner.ask('POST', `/api/clients/${body.id}/erasure`, erasing)
    expect(gone.status).toBe(200)
    // The next copy lays beside it who is gone by now, and names nobody.
    await backUp()
    expect(readFileSync(join(folder, 'erasures.jsonl'), 'utf8')).toContain(body.id)
    const name = await emptyDatabase()
    expect((await restore(name, file)).said).toContain('Erased again whoever was erased since: 1')
    const client = new pg.Client({ connectionString: there(DATABASE, name) })
    await client.connect()
    const { rows } = await client.query<{ name: string }>('SELECT name FROM client WHERE id = $1', [
      body.id,
    ])
    await client.end()
    expect(rows[0]!.name).toBe(`Erased ${body.id.slice(0, 8)}`)
  }, 60_000)
})
