import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { APP_DATABASE, OWNER_DATABASE } from './http'

// The start command as a newcomer runs it, on data of its own.
let folder = ''
beforeAll(() => {
  folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'zen-start-'))
  // For root the server runs as another user, who must be able to reach it.
  chmodSync(folder, 0o755)
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function start(env: Record<string, string>) {
  const { DATABASE_URL: _own, ...rest } = process.env
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    env: { ...rest, ZEN_DATA: join(folder, 'data'), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  child.stdout.on('data', (chunk: Buffer) => {
    said += chunk.toString()
  })
  child.stderr.on('data', (chunk: Buffer) => {
    said += chunk.toString()
  })
  const ended = new Promise<number | null>((resolve) => {
    child.once('close', resolve)
  })
  return { child, ended, said: () => said }
}
async function ends(env: Record<string, string>) {
  const { ended, said } = start(env)
  return { code: await ended, said: said() }
}
/** Started and answering: its address. */
async function address(running: ReturnType<typeof start>): Promise<string> {
  await expect.poll(running.said, { timeout: 90_000, interval: 100 }).toContain('Ctrl-C ends it')
  return /Zen Ladder {2}(\S+)/.exec(running.said())![1]!
}

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
