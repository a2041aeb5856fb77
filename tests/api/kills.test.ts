import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { runs } from '../runs'

// The server, its database, or both are killed while several tablets write: what was answered is there afterwards, whole.

/** A note as a tablet says it. */
const noted = (text: string, seq: number) => ({
  ...{ id: randomUUID(), deviceId: 'tablet', seq, wallMs: Date.now() + seq, elapsedMs: seq },
  body: { type: 'note', text },
})

interface Database {
  readonly url: string
  readonly demo: { readonly url: string; readonly adminUrl: string }
  readonly adminUrl: string
  readonly stop: () => Promise<void>
  readonly revive: () => Promise<void>
  readonly gone: () => Promise<void>
}
interface Running {
  readonly address: string
  readonly child: { kill: (signal: string) => void }
  readonly ended: Promise<unknown>
  readonly stop: () => Promise<void>
}
/** The scripts have no types. */
const script = async <T>(name: string): Promise<T> =>
  (await import(new URL(`../../scripts/lib/${name}`, import.meta.url).href)) as T

const isRoot = process.getuid?.() === 0
const ROOT = join(import.meta.dirname, '../..')
const SECRET = 'a-secret-for-kills-only-0123456789abcdef'
const KINDS = ['server', 'database', 'both'] as const
const WRITERS = 4
const PATIENT_MS = 3_600_000

let home: string
let database: Database
let app: Running
let begin: () => Promise<Running>
let cookie: string
let visitId: string

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => resolve(port))
    })
  })
const ask = (method: string, path: string, body?: unknown) =>
  fetch(`${app.address}${path}`, {
    method,
    headers: { ...(cookie ? { cookie } : {}), 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })

beforeAll(async () => {
  home = mkdtempSync(join(isRoot ? '/var/tmp' : tmpdir(), 'zen-kills-'))
  chmodSync(home, 0o755)
  const { startPostgres } = await script<{
    startPostgres: (home: string, how: object) => Promise<Database>
  }>('postgres.mjs')
  const { prepareDatabase, startApplication } = await script<{
    prepareDatabase: (root: string, database: Database) => Promise<unknown>
    startApplication: (root: string, settings: object) => Promise<Running>
  }>('application.mjs')
  database = await startPostgres(join(home, 'data'), { durable: true })
  await prepareDatabase(ROOT, database)
  const port = await freePort()
  begin = () =>
    startApplication(ROOT, {
      ...{
        url: database.url,
        demoUrl: database.demo.url,
        secret: SECRET,
        host: '127.0.0.1',
        port,
        quiet: true,
      },
      env: { ZEN_LOG_LEVEL: 'silent' },
    })
  app = await begin()
  cookie = ''
  const opened = await ask('POST', '/api/session/demo')
  cookie = opened.headers.getSetCookie()[0]!.split(';')[0]!
  const day = (await (await ask('GET', '/api/day')).json()) as { visits: { id: string }[] }
  visitId = day.visits[0]!.id
}, PATIENT_MS)
afterAll(async () => {
  await app.stop()
  await database.stop()
  rmSync(home, { recursive: true, force: true })
}, PATIENT_MS)

/** Writes until it is told to stop; gives what was answered. */
async function write(isOver: () => boolean): Promise<string[]> {
  const answered: string[] = []
  while (!isOver()) {
    const text = randomUUID()
    const events = [noted(text, 0), noted(`${text} too`, 1)]
    const status = await ask('POST', `/api/visits/${visitId}/events`, { events }).then(
      (reply) => reply.status,
      () => 0,
    )
    if (status === 200) answered.push(text)
    else expect([0, 503]).toContain(status)
  }
  return answered
}

async function kill(kind: (typeof KINDS)[number]) {
  const postmaster = Number(
    readFileSync(join(home, 'data/postgres/postmaster.pid'), 'utf8').split('\n')[0],
  )
  if (kind !== 'server') process.kill(postmaster, 'SIGKILL')
  if (kind !== 'database') app.child.kill('SIGKILL')
  if (kind !== 'server') {
    await database.gone()
    await database.revive()
  }
  if (kind !== 'database') {
    await app.ended
    app = await begin()
  }
}

const written = async (): Promise<string[]> => {
  const client = new pg.Client({ connectionString: database.demo.adminUrl })
  await client.connect()
  try {
    const { rows } = await client.query<{ text: string }>(
      `SELECT body ->> 'text' AS text FROM run_event WHERE visit_id = $1`,
      [visitId],
    )
    return rows.map(({ text }) => text)
  } finally {
    await client.end()
  }
}

test(
  'whatever is killed while tablets write, nothing that was answered is lost, and nothing is half there',
  async () => {
    const answered: string[] = []
    const kills = runs(9, 22)
    for (let n = 0; n < kills; n++) {
      let isOver = false
      const writers = Array.from({ length: WRITERS }, () => write(() => isOver))
      await new Promise((resolve) => setTimeout(resolve, 60 + ((n * 37) % 240)))
      await kill(KINDS[n % KINDS.length]!)
      isOver = true
      answered.push(...(await Promise.all(writers)).flat())
    }
    const there = new Set(await written())
    expect(answered.length).toBeGreaterThan(kills)
    expect(answered.filter((text) => !there.has(text) || !there.has(`${text} too`))).toEqual([])
    // Of two that were sent together never one alone, also of what was not answered any more.
    const halves = [...there].filter((text) =>
      text.endsWith(' too') ? !there.has(text.slice(0, -4)) : !there.has(`${text} too`),
    )
    expect(halves).toEqual([])
  },
  PATIENT_MS,
)
