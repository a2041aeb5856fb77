import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Stop } from './say.mjs'

const fileOf = (home) => join(home, 'running')

/** What runs from a folder: its process and address; undefined where nothing does. */
export function isRunningFrom(home) {
  const file = fileOf(home)
  const other = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined
  return other && isAlive(other.pid) ? other : undefined
}

/** One `npm start` per folder: a second one says where the first is. */
export function claim(home) {
  mkdirSync(home, { recursive: true, mode: 0o700 })
  const other = isRunningFrom(home)
  if (other)
    throw new Stop(
      1,
      `Zen Ladder is running already from this folder${other.address ? ` at ${other.address}` : ''}. End it with Ctrl-C there, then start again.`,
    )
  const write = (address) =>
    writeFileSync(fileOf(home), JSON.stringify({ pid: process.pid, address }))
  write(undefined)
  return { write, release: () => rmSync(fileOf(home), { force: true }) }
}

function isAlive(pid) {
  try {
    process.kill(pid, 0)
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')
  } catch {
    return false
  }
}
