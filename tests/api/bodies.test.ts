import { request } from 'node:http'
import { connect } from 'node:net'
import { describe, expect, test } from 'vitest'
import { BASE, OWNER, book, signedIn } from './http'

interface Reply {
  readonly status: number
  readonly code: string
  readonly detail: string
}
/** Sends a body in pieces, as many as are asked for, without saying how much it will be. */
function sendInPieces(path: string, piece: Buffer, pieces: number, type: string): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const asked = request(`${BASE}${path}`, { method: 'POST', headers: { 'content-type': type } })
    asked.on('response', (reply) => {
      const parts: Buffer[] = []
      reply.on('data', (part: Buffer) => parts.push(part))
      reply.on('end', () => {
        const said = JSON.parse(Buffer.concat(parts).toString()) as Reply
        resolve({ ...said, status: reply.statusCode! })
      })
    })
    asked.on('error', reject)
    let left = pieces
    const more = () => {
      while (left > 0 && !asked.destroyed) {
        left--
        if (!asked.write(piece)) return void asked.once('drain', more)
      }
      asked.end()
    }
    more()
  })
}
const post = async (path: string, body: string): Promise<Reply> => {
  const reply = await fetch(`${BASE}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
  })
  return { ...((await reply.json()) as Reply), status: reply.status }
}
const isAlive = async () => (await fetch(`${BASE}/api/health`)).status

describe('a body that is too much', () => {
  test('many small things, without a sign-in, are refused before they are read', async () => {
    const { status, code } = await sendInPieces(
      '/api/session',
      Buffer.from('{},'.repeat(20_000)),
      400,
      'application/json',
    )
    expect([status, code]).toEqual([413, 'too_large'])
    expect(await isAlive()).toBe(200)
  })
  test('nesting', async () => {
    const { status, code, detail } = await post('/api/session', '['.repeat(100_000))
    expect([status, code]).toEqual([400, 'too_deep'])
    expect(detail).toContain('Line 1, character 33')
  })
  test('a photograph that does not end', async () => {
    const owner = await signedIn(OWNER)
    const id = await book(owner, 'Wren Castellane', 'brightening', 40)
    const { status } = await sendInPieces(
      `/api/visits/${id}/photos`,
      Buffer.alloc(1024 * 1024, 120),
      60,
      'multipart/form-data; boundary=x',
    )
    // Nobody is signed in here: refused before a byte of it is kept.
    expect(status).toBe(401)
    expect(await isAlive()).toBe(200)
  })
})

/** Writes to a connection and says nothing more; gives what comes back until it is closed. */
const untilClosed = (text: string) =>
  new Promise<string>((resolve, reject) => {
    const { hostname, port } = new URL(BASE)
    let back = ''
    const line = connect(Number(port), hostname, () => line.write(text))
    line.on('data', (part: Buffer) => {
      back += part.toString()
    })
    line.once('close', () => resolve(back))
    line.once('error', reject)
  })

describe('a request that does not come', () => {
  test('a connection on which nothing comes, or headers without an end, is closed; others are answered meanwhile', async () => {
    const slow = [untilClosed(''), untilClosed('GET /api/health HTTP/1.1\r\nHost: slow\r\n')]
    expect(await isAlive()).toBe(200)
    for (const back of await Promise.all(slow)) expect(back).toContain('408 Request Timeout')
    // One that is whole is answered, and may stay open.
    const whole = await untilClosed(
      'GET /api/health HTTP/1.1\r\nHost: quick\r\nConnection: close\r\n\r\n',
    )
    expect(whole).toMatch(/^HTTP\/1\.1 200/)
  }, 90_000)
})

describe('a body that is no JSON', () => {
  test('says so, and where', async () => {
    const { status, code, detail } = await post('/api/session', '{"email": "a@b.c",}')
    expect([status, code]).toEqual([400, 'not_json'])
    expect(detail).toMatch(/^Line 1, character 19: this is no JSON/)
  })
  test('half a character is named, and is no fault of ours', async () => {
    const body = '{"email": "\\ud83d", "password": "quiet-tide"}'
    const { status, code, detail } = await post('/api/session', body)
    expect([status, code]).toEqual([400, 'half_character'])
    expect(detail).toContain('email')
  })
})

test.each(['null', 'nonsense', 'https://elsewhere.example'])(
  'a change with the origin “%s” is refused, not a fault of ours',
  async (origin) => {
    const reply = await fetch(`${BASE}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin },
      body: '{}',
    })
    const { code } = (await reply.json()) as Reply
    expect([reply.status, code]).toEqual([403, 'other_origin'])
  },
)
