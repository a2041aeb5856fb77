import type { H3Event } from 'h3'
import { expect, test, vi } from 'vitest'

vi.stubEnv('DATABASE_URL', 'postgres://nowhere')
vi.stubEnv('ZEN_SESSION_SECRET', 'x'.repeat(32))
vi.stubEnv('ZEN_TRUSTED_PROXY', '10.0.0.9, ::1')
const { isLoopback, outsideOf } = await import('./outside')

const event = (remoteAddress: string, headers: Record<string, string>) =>
  ({ node: { req: { socket: { remoteAddress }, headers } } }) as unknown as H3Event

const SAID = {
  host: '127.0.0.1:3210',
  'x-forwarded-for': '6.6.6.6, 198.51.100.7',
  'x-forwarded-host': 'salon.example',
  'x-forwarded-proto': 'https',
}
test('what a proxy says counts where it is trusted, and of a list what it has written itself', () =>
  expect(outsideOf(event('10.0.0.9', SAID))).toEqual({
    address: '198.51.100.7',
    host: 'salon.example',
    isTls: true,
  }))
test('what anybody else says of itself does not', () =>
  expect(outsideOf(event('203.0.113.5', SAID))).toEqual({
    address: '203.0.113.5',
    host: '127.0.0.1:3210',
    isTls: false,
  }))
test.each([
  ['localhost:3210', {}, true],
  ['127.0.0.1', {}, true],
  ['[::1]:80', {}, true],
  ['127.0.0.1.example', {}, false],
  ['salon.example', {}, false],
  ['', {}, false],
  ['localhost', { 'x-forwarded-host': 'salon.example' }, false],
  ['localhost', { forwarded: 'for=1.2.3.4' }, false],
])('%s with %o is loopback: %s', (host, more, is) =>
  expect(isLoopback(event('203.0.113.5', { host, ...more }))).toBe(is),
)
