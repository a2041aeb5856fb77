import { spawn } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { join } from 'node:path'
import { must } from './run.mjs'

const named = (names, { url, ownerUrl, adminUrl } = {}) =>
  Object.fromEntries(
    [url, ownerUrl, adminUrl].flatMap((value, at) => (value ? [[names[at], value]] : [])),
  )

/**
 * Brings the salon's database up to date, and the demo's beside it, which is made and loaded where nobody has a salon yet. Gives what was done, where
 * the demo is, the code to set up with, and why a serving role is refused.
 */
export async function prepareDatabase(root, database, env = {}) {
  const urls = {
    ...named(['DATABASE_URL', 'ZEN_MIGRATE_URL', 'ZEN_ADMIN_URL'], database),
    ...named(['ZEN_DEMO_URL', 'ZEN_DEMO_MIGRATE_URL', 'ZEN_DEMO_ADMIN_URL'], database.demo),
  }
  const output = await must(
    process.execPath,
    ['--import', 'tsx', join(root, 'scripts/prepare-database.ts')],
    { cwd: root, keep: true, env: { ...process.env, ...urls, ...env } },
  )
  return JSON.parse(output.trim().split('\n').at(-1))
}

/** Drops the demo's database. */
export const removeDemo = (root, adminUrl) =>
  must(process.execPath, ['--import', 'tsx', join(root, 'scripts/remove-demo.ts')], {
    cwd: root,
    keep: true,
    env: { ...process.env, ZEN_DEMO_ADMIN_URL: adminUrl },
  })

/**
 * Starts the built server and waits until it answers. `stop` ends it and waits for its end. It ends with whoever started it, however that ended:
 * it holds the other end of a pipe. `as`: another user, and where the built server lies that this one may read.
 */
export async function startApplication(root, settings) {
  const { url, demoUrl, secret, host, port, env = {}, quiet = false, as, asks } = settings
  const output = as?.output ?? join(root, '.output')
  const child = spawn(process.execPath, [join(output, 'server/index.mjs')], {
    cwd: output,
    ...(as ? { uid: as.user.uid, gid: as.user.gid } : {}),
    stdio: ['pipe', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url,
      ZEN_DEMO_URL: demoUrl ?? '',
      ZEN_SESSION_SECRET: secret.padEnd(32, '0'),
      ZEN_TIED: '1',
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      ...env,
    },
  })
  const ended = new Promise((resolve) =>
    child.once('exit', (code, signal) => resolve(signal ?? `code ${code}`)),
  )
  // What only whoever started it may do, it asks for.
  child.on('message', async ({ id, ...asked }) => {
    const reply = (await asks?.(asked)) ?? null
    // It may have ended meanwhile: then nobody waits for the answer.
    if (child.connected) child.send({ id, reply }, () => {})
  })
  const stop = async (signal = 'SIGTERM') => {
    if (child.exitCode === null && child.signalCode === null) child.kill(signal)
    await ended
  }
  const scheme = env.NITRO_SSL_CERT ? 'https' : 'http'
  const shown = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host
  try {
    await untilLive(`${scheme}://${shown}:${port}`, child, scheme === 'https')
  } catch (error) {
    await stop('SIGKILL')
    throw error
  }
  return { child, ended, stop, address: `${scheme}://${shown}:${port}` }
}

async function untilLive(address, child, tls) {
  const until = Date.now() + 30_000
  while (Date.now() < until) {
    if (child.exitCode !== null || child.signalCode !== null)
      throw new Error(
        `The server ended (${child.signalCode ?? child.exitCode}) before it answered.`,
      )
    // Whether its database answers too is another matter. With a certificate of one's own only the port is asked.
    const up = tls
      ? await portAnswers(address)
      : await fetch(`${address}/api/health`).then(
          () => true,
          () => false,
        )
    if (up) return
    await wait(100)
  }
  throw new Error('The server did not answer within 30 seconds.')
}

async function portAnswers(address) {
  const { connect } = await import('node:net')
  const { hostname, port } = new URL(address)
  return new Promise((resolve) => {
    const socket = connect(Number(port), hostname, () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })
}
