import { beforeAll, expect, test } from 'vitest'
import type { ProtocolVersion } from '#core/protocol'
import { OWNER, signedIn, type Person } from './http'

// The rhythm of a card, from the draft to the file.
interface Opened {
  readonly version: ProtocolVersion | null
  readonly draft: object | null
}
let owner: Person
beforeAll(async () => {
  owner = await signedIn(OWNER)
})
const open = async (id: string) => (await owner.ask<Opened>('GET', `/api/protocols/${id}`)).body
const create = (body: object) => owner.ask<{ id: string }>('POST', '/api/protocols', body)

test('a course: in the draft, published, kept where a version says nothing of it, taken out by null', async () => {
  const { id } = (await create({ from: 'nothing', name: 'A course' })).body
  const { steps } = (await open('undertow')).version!
  const course = { visits: 5, leastDays: 14, mostDays: 18, next: 'acne' }
  const draft = { basedOn: 0, name: 'A course', steps, methods: {} }
  const put = (body: object) => owner.ask('PUT', `/api/protocols/${id}/draft`, body)
  const publish = (basedOn: number, more: object) =>
    owner.ask('POST', `/api/protocols/${id}/versions`, { basedOn, note: 'x', steps, ...more })
  expect((await put({ ...draft, course: { ...course, leastDays: 30 } })).body).toMatchObject({
    code: 'invalid',
    path: 'course',
    detail: expect.stringContaining('least days apart') as string,
  })
  expect((await put({ ...draft, course })).status).toBe(204)
  expect((await open(id)).draft).toMatchObject({ course })
  await publish(0, { course })
  expect((await open(id)).version).toMatchObject({ course })
  await publish(1, {})
  expect((await open(id)).version).toMatchObject({ version: 2, course })
  const { body: copy } = await create({ from: 'protocol', id, name: 'Its copy' })
  expect((await open(copy.id)).draft).toMatchObject({ course })
  const { body: file } = await owner.ask<{ protocol: object }>('GET', `/api/protocols/${id}/file`)
  const { next: _, ...alone } = course
  expect(file.protocol).toMatchObject({ course: alone })
  expect(file.protocol).not.toMatchObject({ course })
  const { body: taken } = await create({ from: 'file', file })
  expect((await open(taken.id)).draft).toMatchObject({ course: alone })
  await publish(2, { course: null })
  expect((await open(id)).version).not.toHaveProperty('course')
})
