import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { run } from './lib/run.mjs'

// `npm run seed -- --clients 100000 --visits 1000000`: into the demo studio of the private cluster, or where ZEN_SEED_URL says.
const root = dirname(dirname(fileURLToPath(import.meta.url)))

async function seed(url) {
  const args = ['--import', 'tsx', join(root, 'scripts/seed.ts'), ...process.argv.slice(2)]
  const env = { ...process.env, ZEN_SEED_URL: url }
  return (await run(process.execPath, args, { cwd: root, env })).code
}
async function seedOwn() {
  const { demo, wasRunning, stop } = await startPostgres(dataHome(root), { durable: true })
  try {
    return await seed(demo.ownerUrl)
  } finally {
    if (!wasRunning) await stop()
  }
}
const { ZEN_SEED_URL: given } = process.env
process.exitCode = await (given ? seed(given) : seedOwn())
