import { expect, it } from 'vitest'
import { configFrom } from './config'

const GOOD = { DATABASE_URL: 'postgres://x', ZEN_SESSION_SECRET: 's'.repeat(32) }

it('takes what is set, and says the rest itself', () => {
  expect(configFrom(GOOD)).toEqual({
    databaseUrl: 'postgres://x',
    sessionSecret: 's'.repeat(32),
    isTls: false,
    trustedProxies: [],
    isTied: false,
    smtpUrl: undefined,
    mailFrom: '',
    logLevel: 'warn',
    logFile: undefined,
  })
  expect(configFrom({ ...GOOD, ZEN_TLS: '1', ZEN_LOG_LEVEL: 'info' })).toMatchObject({
    isTls: true,
    logLevel: 'info',
  })
  expect(configFrom({ ...GOOD, ZEN_TRUSTED_PROXY: '10.0.0.9, ::1,' }).trustedProxies).toEqual([
    '10.0.0.9',
    '::1',
  ])
})
it.each([
  [{}, /DATABASE_URL is not set[\s\S]*ZEN_SESSION_SECRET must be set/],
  [{ ...GOOD, ZEN_SESSION_SECRET: 's'.repeat(31) }, /ZEN_SESSION_SECRET must be set, 32/],
  [{ ...GOOD, ZEN_TLS: 'yes' }, /ZEN_TLS/],
  [{ ...GOOD, ZEN_LOG_LEVEL: 'loud' }, /ZEN_LOG_LEVEL/],
  [{ ...GOOD, ZEN_SMTP_URL: 'smtp://there' }, /ZEN_MAIL_FROM must be set/],
])('%o is refused with a sentence for each variable', (env, words) => {
  expect(() => configFrom(env)).toThrow(words)
})
