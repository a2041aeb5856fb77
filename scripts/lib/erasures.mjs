import { appendFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'

// Who was erased, by ids that say nothing: kept outside every copy, so that a restored one forgets them too. One line of JSON each.

export const ERASURES = 'erasures.jsonl'

/** Erasures that are written down in a file; a line that was cut off by a crash is left out. */
export function erasuresIn(file) {
  if (!existsSync(file)) return []
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line) => {
      try {
        return line ? [JSON.parse(line)] : []
      } catch (error) {
        if (error instanceof SyntaxError) return []
        throw error
      }
    })
}

/** Writes down those that are not there yet. */
export function noteErasures(folder, erasures) {
  const file = join(folder, ERASURES)
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  const known = new Set(erasuresIn(file).map(({ clientId }) => clientId))
  const fresh = erasures.filter(({ clientId }) => !known.has(clientId))
  if (fresh.length === 0) return
  appendFileSync(file, fresh.map((one) => `${JSON.stringify(one)}\n`).join(''), { mode: 0o600 })
}
