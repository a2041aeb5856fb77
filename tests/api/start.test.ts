import { execFile, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { describe, expect, test } from 'vitest'
import { APP_DATABASE, DATABASE, OWNER_DATABASE } from './http'
import { freshStart } from './started'

// The start command as a newcomer runs it, on data of its own.
const { folder, start, ends, address } = freshStart()

describe('an address that others can reach', () => {
  const tls = () => {
    for (const name of ['cert.pem', 'key.pem'])
      writeFileSync(join(folder, name), 'stands for a file')
    return { ZEN_TLS_CERT: join(folder, 'cert.pem'), ZEN_TLS_KEY: join(folder, 'key.pem') }
  }
  test('is refused without TLS', async () => {
    const { code, said } = await ends({ ZEN_HOST: '0.0.0.0' })
    expect([code, said.includes('set ZEN_TLS_CERT and ZEN_TLS_KEY')]).toEqual([1, true])
  })
  test('is refused with half of TLS, or with a file that is not there', async () => {
    expect((await ends({ ZEN_HOST: '0.0.0.0', ZEN_TLS_CERT: tls().ZEN_TLS_CERT })).said).toContain(
      'go together',
    )
    expect(
      (await ends({ ZEN_HOST: '0.0.0.0', ...tls(), ZEN_TLS_KEY: '/nowhere/key.pem' })).said,
    ).toContain('/nowhere/key.pem, which is not there')
  })
  test('is refused while the demo sign-in exists', async () => {
    const { code, said } = await ends({
      ...{ ZEN_HOST: '0.0.0.0', ...tls() },
      ...{ DATABASE_URL: APP_DATABASE, ZEN_MIGRATE_URL: OWNER_DATABASE },
    })
    expect([code, said.includes('The demo sign-in exists')]).toEqual([1, true])
  })
})

test('starts on data of its own, ends on Ctrl-C with nothing left running, and finds its data again', async () => {
  const first = start({})
  const where = await address(first)
  expect(first.said()).toContain('Loaded the demo studio')
  expect(((await (await fetch(`${where}/api/health`)).json()) as { ok: boolean }).ok).toBe(true)
  expect((await ends({})).said).toContain(`running already from this folder at ${where}`)
  first.child.kill('SIGINT')
  expect(await first.ended).toBe(0)
  expect(existsSync(join(folder, 'data/postgres/postmaster.pid'))).toBe(false)
  await expect(fetch(`${where}/api/health`)).rejects.toThrow()

  const second = start({})
  await address(second)
  expect(second.said()).not.toContain('Loaded the demo studio')
  expect(second.said()).toContain('Demo sign-in')
  const checked = await promisify(execFile)(process.execPath, ['scripts/check-log.mjs'], {
    env: { ...process.env, ZEN_MIGRATE_URL: '', ZEN_DATA: join(folder, 'data') },
  })
  expect(checked.stdout).toMatch(/\d+ seals read, 0 faults, \d+ rows not sealed yet/)
  second.child.kill('SIGINT')
  expect(await second.ended).toBe(0)
}, 180_000)

test('a salon of one’s own begins with the code, and the demo is taken away for good', async () => {
  const first = start({})
  const where = await address(first)
  const code = /code (\S+)/.exec(first.said())![1]!
  const cookies = new Map<string, string>()
  const ask = async (method: string, path: string, body?: unknown) => {
    const reply = await fetch(`${where}${path}`, {
      method,
      headers: {
        cookie: [...cookies.values()].join('; '),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    for (const set of reply.headers.getSetCookie())
      cookies.set(set.slice(0, set.indexOf('=')), set.split(';')[0]!)
    return { status: reply.status, body: await reply.text() }
  }
  const you = { name: 'Ada Quill', email: 'ada@own.example', performs: true }
  const founded = await ask('POST', '/api/set-up', {
    code,
    you: { ...you, password: 'otter kiln 42 verandah' },
    salon: {
      ...{ name: 'Quill Rooms', address: '', emergencyNumber: '112' },
      ...{ timeZone: 'Europe/Lisbon', currency: 'EUR', measures: 'metric' },
    },
    ...{ hours: [], closedDays: [], rooms: ['Room 1'], turnoverMinutes: 10 },
    ...{ deviceIds: [], scope: [], begin: 'starter' },
  })
  expect([founded.status, code.length]).toEqual([201, 11])
  expect((await ask('GET', '/api/session')).body).toContain('"demo":true')
  expect((await ask('DELETE', '/api/demo')).status).toBe(204)
  expect((await ask('GET', '/api/session')).body).toContain('"demo":false')
  expect((await ask('POST', '/api/session/demo')).status).toBe(404)
  expect((await ask('GET', '/api/day')).status).toBe(200)
  first.child.kill('SIGINT')
  expect(await first.ended).toBe(0)

  const second = start({})
  await address(second)
  expect(second.said()).not.toMatch(/Demo sign-in|Loaded the demo|set-up/)
  second.child.kill('SIGINT')
  expect(await second.ended).toBe(0)
}, 180_000)

test.skipIf(process.getuid?.() !== 0)(
  'for root, a folder that the database user cannot enter is refused in words',
  async () => {
    const hidden = mkdtempSync(join('/var/tmp', 'zen-hidden-'))
    try {
      const { code, said } = await ends({ ZEN_DATA: join(hidden, 'data') })
      expect([
        code,
        said.includes('The user postgres, who runs the database for root, cannot reach'),
      ]).toEqual([1, true])
    } finally {
      rmSync(hidden, { recursive: true, force: true })
    }
  },
)

test('the server itself ends as a role that sees past row-level security, whoever starts it', async () => {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    env: {
      ...process.env,
      ...{ DATABASE_URL: DATABASE, ZEN_SESSION_SECRET: 'x'.repeat(32) },
      ...{ NITRO_HOST: '127.0.0.1', NITRO_PORT: '0' },
    },
    stdio: ['ignore', 'ignore', 'pipe'],
  })
  let said = ''
  child.stderr.on('data', (chunk: Buffer) => {
    said += chunk.toString()
  })
  expect(await new Promise((resolve) => child.once('close', resolve))).toBe(1)
  expect(said).toContain('sees past row-level security')
})
