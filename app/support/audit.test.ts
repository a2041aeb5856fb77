import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { ACTION_WORDS, actionInWords } from './audit'

/** Every action that the server's own text writes into the log, read off the files. */
function actionsWritten(): string[] {
  const folders = ['server/api', 'server/utils']
  const files = folders.flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
      .map((name) => join(folder, name)),
  )
  const written = new Set<string>()
  for (const file of files) {
    const text = readFileSync(file, 'utf8')
    const calls = text.matchAll(/writeAudits?\(([^;]*?)\n?\s*\)\n|action: '([a-z_]+\.[a-z_]+)'/g)
    for (const [, call = '', action] of calls) {
      if (action) written.add(action)
      for (const [, named] of call.matchAll(/'([a-z_]+\.[a-z_]+)'/g)) written.add(named!)
    }
  }
  return [...written].sort()
}

test('every row that the server writes into the log has words', () => {
  const written = actionsWritten()
  expect(written.length).toBeGreaterThan(40)
  expect(written.filter((action) => !(action in ACTION_WORDS))).toEqual([])
})
test('an action without words says itself', () => {
  expect(actionInWords('client.read')).toBe('opened the record')
  expect(actionInWords('new.thing')).toBe('new.thing')
})
