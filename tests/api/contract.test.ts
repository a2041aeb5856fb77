import { describe, expect, test } from 'vitest'
import { PROBLEM_CODES } from '#core/fault'
import { ASSISTANT, BASE, DESK, OWNER, PRACTITIONER, signedIn } from './http'

interface Problem {
  readonly status: number
  readonly code: string
  readonly detail: string
  readonly requestId: string
}
const ask = async (method: string, path: string) => {
  const reply = await fetch(`${BASE}${path}`, { method })
  return {
    status: reply.status,
    type: reply.headers.get('content-type'),
    allow: reply.headers.get('allow'),
    requestId: reply.headers.get('x-request-id'),
    problem: (await reply.json()) as Problem,
  }
}

describe('an address that is not there', () => {
  test.each([
    ['GET', '/api'],
    ['GET', '/api/nothing'],
    ['POST', '/api/visits/some/nothing'],
    ['GET', '/api/visits/'],
    ['DELETE', '/api/shelf/products/a/b/c'],
    ['GET', '/api/..%2f..%2fpackage.json'],
  ])('%s %s is a problem document, never the page', async (method, path) => {
    const { status, type, problem } = await ask(method, path)
    expect([status, problem.status, problem.code]).toEqual([404, 404, 'no_route'])
    expect(type).toBe('application/problem+json')
    expect(problem.detail).toBe('There is nothing at this address.')
  })
})

describe('an address for other methods', () => {
  test.each([
    ['DELETE', '/api/day', 'GET'],
    ['PUT', '/api/session', 'DELETE, GET, POST'],
    ['POST', '/api/shelf/products/some-id', 'GET, PUT'],
    ['PATCH', '/api/visits/00000000-0000-4000-8000-000000000001/facts', 'POST'],
  ])('%s %s says which it answers', async (method, path, allowed) => {
    const { status, allow, problem } = await ask(method, path)
    expect([status, allow, problem.code]).toEqual([405, allowed, 'wrong_method'])
    expect(problem.detail).toContain(`${method} is not known here`)
  })
})

test('every refusal has a code of the closed list, and the id it has in the log', async () => {
  for (const [method, path] of [
    ['GET', '/api/day'],
    ['POST', '/api/session/demo/nothing'],
    ['GET', '/api/visits/1'],
  ] as const) {
    const { problem, requestId } = await ask(method, path)
    expect(PROBLEM_CODES).toContain(problem.code)
    expect(problem.requestId).toBe(requestId)
    expect(requestId).toMatch(/^[0-9a-f-]{36}$/)
  }
})

test.each([
  [OWNER, 'rules.write', 'rates.write', 'sign'],
  [PRACTITIONER, 'health.write', 'cost.read', 'sign'],
  [ASSISTANT, 'health.read', 'perform', 'shelf.write'],
  [DESK, 'booking', 'shelf.read'],
])('the session of %s says what it may do, and no role', async (email, ...some) => {
  const { body } = await (
    await signedIn(email)
  ).ask<{ account: { can: string[] } }>('GET', '/api/session')
  expect(body.account.can).toEqual(expect.arrayContaining(some))
  expect(Object.keys(body.account).sort()).toEqual([
    'can',
    'handedVisitId',
    'hasPin',
    'id',
    'lacksSecondStep',
    'name',
    'practitionerId',
  ])
  expect(body.account.can.includes('rules.write')).toBe(email === OWNER)
  expect(body.account.can.includes('health.read')).toBe(email !== DESK)
})
