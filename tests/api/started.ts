import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, vi } from 'vitest'

/** The start command as a newcomer runs it, on data of its own, which are gone after the tests of the file. */
export function freshStart() {
  const folder = mkdtempSync(join(process.getuid?.() === 0 ? '/var/tmp' : tmpdir(), 'zen-start-'))
  // For root the server runs as another user, who must be able to reach it.
  chmodSync(folder, 0o755)
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  function start(env: Record<string, string> = {}) {
    const { DATABASE_URL: _own, ...rest } = process.env
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      env: { ...rest, ZEN_DATA: join(folder, 'data'), ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    let said = ''
    for (const stream of [child.stdout, child.stderr])
      stream.on('data', (chunk: Buffer) => {
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
    await vi.waitUntil(() => running.said().includes('Ctrl-C ends it'), {
      timeout: 90_000,
      interval: 100,
    })
    return /Zen Ladder {2}(\S+)/.exec(running.said())![1]!
  }
  return { folder, start, ends, address }
}
