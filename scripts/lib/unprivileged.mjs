import {
  chmodSync,
  chownSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
} from 'node:fs'
import { join } from 'node:path'
import { run } from './run.mjs'
import { Stop } from './say.mjs'

const USER = 'zen-ladder'

/** The user as whom the server runs where root starts it; made when it is not there yet. Undefined for anybody else: nobody to hand over to. */
export async function serverUser() {
  if (process.getuid?.() !== 0) return undefined
  const known = knownUser()
  if (known) return known
  const args = ['--system', '--no-create-home', '--shell', '/usr/sbin/nologin', USER]
  const { errors } = await run('useradd', args, { quiet: true })
  const made = knownUser()
  if (!made)
    throw new Stop(
      1,
      `The server does not run as root, and the user ${USER} could not be made: ${errors.trim()}. Make it, or start as an ordinary user.`,
    )
  return made
}

function knownUser() {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((entry) => entry.startsWith(`${USER}:`))
  const [, , uid, gid] = line?.split(':') ?? []
  return line && { name: USER, uid: Number(uid), gid: Number(gid) }
}

/**
 * Lays the built server where that user can read it, and gives its folder and its log's. The project itself may lie where nobody else may look
 * (/root): the copy holds what was built, and no more.
 */
export async function handedOver(root, home, user, node = process.execPath) {
  await mustRun(
    user,
    ['-x', node],
    () =>
      `Node at ${node} cannot be run by the user ${user.name}, as whom the server runs for root. Install Node where everybody may run it (/usr/local), or start as an ordinary user.`,
  )
  const built = readFileSync(join(root, '.output/.zen-build'), 'utf8')
  const app = join(home, `app-${built.slice(0, 12)}`)
  if (!existsSync(join(app, '.zen-build'))) {
    cpSync(join(root, '.output'), app, { recursive: true })
    await run('chmod', ['-R', 'a+rX,go-w', app], { quiet: true })
  }
  for (const name of readdirSync(home))
    if (name.startsWith('app-') && join(home, name) !== app)
      rmSync(join(home, name), { recursive: true, force: true })
  await mustRun(
    user,
    ['-r', join(app, 'server/index.mjs')],
    () =>
      `The user ${user.name}, as whom the server runs for root, cannot reach ${home}. Choose a ZEN_DATA folder below one that everybody may enter, /var/lib for instance.`,
  )
  return app
}

/** Gives a folder of ours, with what lies in it, to that user. */
export function giveTo(user, folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  for (const path of [folder, ...readdirSync(folder).map((name) => join(folder, name))])
    chownSync(path, user.uid, user.gid)
  chmodSync(folder, 0o700)
}

async function mustRun({ name }, test, words) {
  const { code } = await run('runuser', ['-u', name, '--', 'test', ...test], {
    cwd: '/',
    quiet: true,
  })
  if (code !== 0) throw new Stop(1, words())
}
