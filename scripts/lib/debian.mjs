import { accessSync, constants, existsSync, mkdirSync, readdirSync, writeFileSync } from 'node:fs'
import { run } from './run.mjs'
import { say, Stop } from './say.mjs'

const POSTGRES_HOME = '/usr/lib/postgresql'
const PACKAGES = { postgres: 'postgresql', chromium: 'chromium' }

/** Folder of the newest PostgreSQL server's programs, or undefined. */
export function postgresBin() {
  if (!existsSync(POSTGRES_HOME)) return undefined
  const versions = readdirSync(POSTGRES_HOME)
    .filter((name) => existsSync(`${POSTGRES_HOME}/${name}/bin/initdb`))
    .sort((a, b) => Number(b) - Number(a))
  return versions[0] && `${POSTGRES_HOME}/${versions[0]}/bin`
}

export function hasChromium() {
  try {
    accessSync('/usr/bin/chromium', constants.X_OK)
    return true
  } catch {
    return false
  }
}

/** Installs the Debian packages that are missing among `wanted`; an ordinary user gets the one line to run and exit code 2. */
export async function ensureDebian(wanted) {
  const present = { postgres: postgresBin() !== undefined, chromium: hasChromium() }
  const missing = wanted.filter((name) => !present[name]).map((name) => PACKAGES[name])
  if (missing.length === 0) return
  const line = `sudo apt-get update && sudo apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (process.getuid?.() !== 0)
    throw new Stop(
      2,
      `These Debian packages are missing: ${missing.join(', ')}. Ask somebody with the right to install to run:\n  ${line}`,
    )
  say(`Installing Debian packages: ${missing.join(', ')} (about half a minute)`)
  // Only the programs are wanted: Debian must not set up a server of its own.
  mkdirSync('/etc/postgresql-common', { recursive: true })
  if (!existsSync('/etc/postgresql-common/createcluster.conf'))
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [['update'], ['install', '-y', '--no-install-recommends', ...missing]]) {
    const { code, output, errors } = await run('apt-get', args, { quiet: true, env })
    if (code !== 0)
      throw new Stop(
        2,
        `apt-get ${args.join(' ')} failed:\n${output.slice(-2000)}${errors.slice(-2000)}`,
      )
  }
}
