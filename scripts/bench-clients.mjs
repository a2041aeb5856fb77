import { spawnSync } from 'node:child_process'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { startTestServer } from './lib/test-server.mjs'

// `npm run bench-clients`: how the list of clients answers in a large salon, beside a route that asks the database nothing but 1. Figures, no test.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const [CLIENTS, VISITS] = [
  process.env.ZEN_BENCH_CLIENTS ?? '100000',
  process.env.ZEN_BENCH_VISITS ?? '100000',
]
const TIMES = 300
const ASKED = [
  ['the first page', 'find='],
  ['one letter', 'find=a'],
  ['two letters', 'find=wr'],
  ['a common name', 'find=wren'],
  ['two words', 'find=wren+castel'],
  ['a rare ending', 'find=c4ca'],
  ['digits', 'find=01047'],
  ['a birthday', 'find=1988-05-14'],
  ['nobody', 'find=nobodylikethis'],
]

const server = await startTestServer(root, new Date().toISOString().slice(0, 10), 6)
try {
  const address = server.env.ZEN_TEST_URL
  const args = ['--import', 'tsx', join(root, 'scripts/seed.ts')]
  const counts = ['--clients', CLIENTS, '--visits', VISITS]
  const env = { ...process.env, ZEN_SEED_URL: server.env.ZEN_TEST_OWNER_DATABASE }
  const seeding = { cwd: root, env, stdio: 'inherit' }
  if (spawnSync(process.execPath, [...args, ...counts], seeding).status !== 0)
    throw new Error('The salon could not be filled.')
  const opened = await fetch(`${address}/api/session/demo`, { method: 'POST' })
  const cookie = opened.headers.getSetCookie().at(-1).split(';')[0]
  const timed = async (path) => {
    const times = []
    for (let at = 0; at < TIMES; at++) {
      const begun = performance.now()
      const reply = await fetch(`${address}${path}`, { headers: { cookie } })
      await reply.text()
      if (reply.status !== 200) throw new Error(`${path}: ${reply.status}`)
      times.push(performance.now() - begun)
    }
    times.sort((a, b) => a - b)
    const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(1).padStart(7)
    return `median ${at(0.5)} ms   p95 ${at(0.95)} ms   p99 ${at(0.99)} ms`
  }
  console.log(`${'GET /api/health'.padEnd(28)}${await timed('/api/health')}`)
  for (const [words, query] of ASKED)
    console.log(`${words.padEnd(28)}${await timed(`/api/clients?${query}`)}`)
} finally {
  await server.stop()
}
