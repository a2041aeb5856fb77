import { expect, it, vi } from 'vitest'

vi.stubEnv('DATABASE_URL', 'postgres://nowhere')
vi.stubEnv('ZEN_SESSION_SECRET', 's'.repeat(32))
const { withoutData } = await import('./log')

it('nothing that was typed is written of an error: neither its message nor what the database quotes', () => {
  const refusal = Object.assign(new Error('invalid input: "Wren, pregnant"\nWren again'), {
    code: '22P02',
    detail: 'Key (name)=(Wren) is there.',
    table: 'client',
  })
  const written = withoutData(Object.assign(new Error('Wren'), { cause: refusal }))
  expect(written).toMatchObject({ name: 'Error', code: '22P02', table: 'client' })
  expect(written.at.length).toBeGreaterThan(0)
  expect(JSON.stringify(written)).not.toContain('Wren')
})
