import { appendFileSync } from 'node:fs'
import { expect } from 'vitest'

const TIMES = 20

/**
 * How many cases a property or an oracle is tried with: few in `npm test`, `times` as many (twenty) in `npm run proof`, which says
 * afterwards what was tried how often.
 */
export function runs(few: number, times = TIMES): number {
  const file = process.env.ZEN_PROOF_FILE
  if (!file) return few
  const count = few * times
  appendFileSync(file, `${JSON.stringify({ count, name: expect.getState().currentTestName })}\n`)
  return count
}
