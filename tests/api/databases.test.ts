import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { dropDatabase, ensureDatabases } from '../../scripts/lib/databases'
import { DATABASE, withDatabase } from './http'

// The salon's database and the demo's beside it: made, renamed where a house had only the demo, dropped.

const tag = randomUUID().slice(0, 8)
const urlOf = (name: string) => {
  const there = new URL(DATABASE)
  there.pathname = `/${name}`
  return there.href
}
const urls = (name: string) => ({ url: '', ownerUrl: '', adminUrl: urlOf(name) })
const [own, demo] = [urls(`own_${tag}`), urls(`demo_${tag}`)]

async function inside<T extends pg.QueryResultRow>(name: string, sql: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: urlOf(name) })
  await client.connect()
  try {
    return (await client.query<T>(sql)).rows
  } finally {
    await client.end()
  }
}
const there = async () =>
  (
    await withDatabase((db) =>
      db.query<{ name: string }>(
        `SELECT datname AS name FROM pg_database WHERE datname LIKE $1 ORDER BY 1`,
        [`%${tag}`],
      ),
    )
  ).rows.map(({ name }) => name)
const dropBoth = async () => {
  await dropDatabase(own.adminUrl)
  await dropDatabase(demo.adminUrl)
}
beforeAll(dropBoth)
afterAll(dropBoth)

test('in an empty cluster both are made, the demo only where it is wanted', async () => {
  expect(await ensureDatabases(own, demo, false)).toBe(false)
  expect(await there()).toEqual([`own_${tag}`])
  expect(await ensureDatabases(own, demo, true)).toBe(true)
  expect(await there()).toEqual([`demo_${tag}`, `own_${tag}`])
  expect(await ensureDatabases(own, demo, true)).toBe(true)
})
test('a house whose one database is the demo’s has it renamed, with all that is in it', async () => {
  await dropBoth()
  await ensureDatabases(own, demo, false)
  await inside(`own_${tag}`, 'CREATE TABLE account (name text, demo boolean)')
  await inside(`own_${tag}`, `INSERT INTO account VALUES ('Invented', true)`)
  expect(await ensureDatabases(own, demo, false)).toBe(true)
  expect(await inside(`demo_${tag}`, 'SELECT name FROM account')).toEqual([{ name: 'Invented' }])
  const tables = await inside(`own_${tag}`, `SELECT to_regclass('public.account') AS name`)
  expect(tables).toEqual([{ name: null }])
})
test('one that holds a salon of somebody’s own stays where it is', async () => {
  await dropBoth()
  await ensureDatabases(own, demo, false)
  await inside(`own_${tag}`, 'CREATE TABLE account (name text, demo boolean)')
  await inside(`own_${tag}`, `INSERT INTO account VALUES ('Real', false)`)
  expect(await ensureDatabases(own, demo, false)).toBe(false)
  expect(await inside(`own_${tag}`, 'SELECT name FROM account')).toEqual([{ name: 'Real' }])
})
test('a demo is dropped while somebody still looks at it', async () => {
  await ensureDatabases(own, demo, true)
  const looking = new pg.Client({ connectionString: demo.adminUrl })
  looking.on('error', () => undefined)
  await looking.connect()
  await dropDatabase(demo.adminUrl)
  expect(await there()).toEqual([`own_${tag}`])
  await looking.end().catch(() => undefined)
})
test('where nobody may make databases, what is named is taken to be there', async () => {
  const named = { url: 'x', ownerUrl: 'x' }
  expect(await ensureDatabases(named, named, true)).toBe(true)
  expect(await ensureDatabases(named, undefined, true)).toBe(false)
})
