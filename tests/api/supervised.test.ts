import {
  chownSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { freshStart } from './started'

// `npm start` keeps both the server and its database running, whoever ends them, and leaves nothing behind when it is ended itself.

const { folder, start, address } = freshStart()
const isRoot = process.getuid?.() === 0
const LONG = { timeout: 90_000, interval: 200 }
const PATIENT_MS = 240_000
let running: ReturnType<typeof start>
let where: string

beforeAll(async () => {
  running = start()
  where = await address(running)
}, PATIENT_MS)
afterAll(async () => {
  running.child.kill('SIGINT')
  await running.ended
}, PATIENT_MS)

/** Processes that somebody started, by what they run. */
const childrenOf = (parent: number, of: string): number[] =>
  readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((pid) => {
      try {
        const [, , , ppid] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(' ')
        const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8')
        return Number(ppid) === parent && command.includes(of)
      } catch {
        return false // It has ended meanwhile.
      }
    })
    .map(Number)
const serverPid = (): number | undefined => childrenOf(running.child.pid!, '/server/index.mjs')[0]
const databasePid = (): number =>
  Number(readFileSync(join(folder, 'data/postgres/postmaster.pid'), 'utf8').split('\n')[0])

const health = () =>
  fetch(`${where}/api/health`).then(
    async (reply) => [reply.status, await reply.json()] as const,
    () => 'nobody answers' as const,
  )
const READY = [200, { live: true, ok: true }]

interface User {
  readonly name: string
}
/** How root hands the server over; the scripts have no types. */
const handing = async () =>
  (await import(new URL('../../scripts/lib/unprivileged.mjs', import.meta.url).href)) as {
    serverUser: () => Promise<User>
    handedOver: (root: string, home: string, user: User, node: string) => Promise<string>
  }

/** Whose a process is: the first figure that `/proc` gives. */
const userOf = (pid: number): number =>
  Number(/^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1])

test.skipIf(!isRoot)(
  'for root neither the server nor the database runs as root, and each as its own user',
  () => {
    const [server, database] = [userOf(serverPid()!), userOf(databasePid())]
    expect([server, database]).not.toContain(0)
    expect(server).not.toBe(database)
    // What the server reads is a copy; the secrets beside it are not its own.
    for (const name of ['secret', 'session-secret']) {
      const { uid, mode } = statSync(join(folder, 'data', name))
      expect([uid === server, mode & 0o077]).toEqual([false, 0])
    }
  },
)
test.skipIf(!isRoot)('a Node that the server’s user may not run is told in words', async () => {
  const hidden = mkdtempSync(join('/var/tmp', 'zen-hidden-'))
  try {
    const { handedOver, serverUser } = await handing()
    const user = await serverUser()
    await expect(handedOver('.', folder, user, join(hidden, 'node'))).rejects.toThrow(
      'Install Node where everybody may run it',
    )
  } finally {
    rmSync(hidden, { recursive: true, force: true })
  }
})

describe('killed', () => {
  test('the server comes back by itself, at the same address', async () => {
    const before = serverPid()!
    const uploads = join(tmpdir(), `zen-uploads-${before}`)
    mkdirSync(uploads, { recursive: true })
    if (isRoot) chownSync(uploads, userOf(before), userOf(before))
    writeFileSync(join(uploads, 'half'), 'of a photograph')
    process.kill(before, 'SIGKILL')
    await expect.poll(serverPid, LONG).not.toBe(before)
    await expect.poll(health, LONG).toEqual(READY)
    expect(running.said()).toContain('The server ended (SIGKILL); starting it again')
    // What it was looking at is gone with it.
    await expect.poll(() => existsSync(uploads), LONG).toBe(false)
  }, 240_000)
  test('the database comes back; until then the server lives, and says that it is not ready', async () => {
    const server = serverPid()
    process.kill(databasePid(), 'SIGKILL')
    const seen: unknown[] = []
    const told: unknown[] = []
    await expect
      .poll(async () => {
        seen.push(await health())
        const reply = await fetch(`${where}/api/session`)
        if (reply.status === 503)
          told.push([
            reply.headers.get('retry-after'),
            ((await reply.json()) as { code: string }).code,
          ])
        return seen.length > 1 && told.length > 0 ? seen.at(-1) : 'not seen away yet'
      }, LONG)
      .toEqual(READY)
    expect(seen).toContainEqual([503, { live: true, ok: false }])
    expect(told[0]).toEqual(['5', 'unavailable'])
    expect(serverPid()).toBe(server)
    expect(running.said()).toContain('The database ended (it is gone); starting it again')
  }, 240_000)
  test('itself, it takes the server along; started again it finds its data and its port', async () => {
    const port = new URL(where).port
    running.child.kill('SIGKILL')
    await running.ended
    await expect.poll(health, LONG).toBe('nobody answers')
    running = start({ ZEN_PORT: port })
    where = await address(running)
    expect(running.said()).not.toContain('Loaded the demo studio')
    expect(new URL(where).port).toBe(port)
    expect(await health()).toEqual(READY)
  }, 240_000)
})
