import { expect, test } from 'vitest'
import { CARDS } from '../../tests/fixtures'
import { inTodaysWords } from './words'

test('a title that begins with what is lowered still begins with a capital', () => {
  const signature = CARDS.find(({ protocolId }) => protocolId === 'signature')!
  const step = signature.steps.find(({ id }) => id === 'sculpt')!
  const lowered = { ...step, title: 'Firm sculpting, firm at the jaw' }
  const levers = [{ lever: 'pressure', rung: 2, writtenRung: 4 } as const]
  const { title } = inTodaysWords({ ...lowered, levers })
  expect(title).toMatch(/^[A-Z][a-z ]+ sculpting, [a-z ]+ at the jaw$/)
  expect(title).not.toMatch(/firm/i)
})
