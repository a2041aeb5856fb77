import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { SalonChoices } from '#core/salon/model'
import { furnishedSalon } from './other-salon'

// What a salon chooses, and what it changes.

const { owner, ids } = await furnishedSalon()
const USUAL = SalonChoices.parse({})
const put = (wish: object) =>
  owner.ask<{ code: string; path: string; detail: string }>('PUT', '/api/settings/choices', {
    ...USUAL,
    ...wish,
  })
/** A booking of somebody born so that they are seventeen on its day. */
const DAY = '2031-06-04'
async function visitAtSeventeen() {
  const { body: client } = await owner.ask<{ id: string }>('POST', '/api/clients', {
    ...{ name: `Young ${randomUUID().slice(0, 8)}`, bornOn: '2014-03-01' },
  })
  return { clientId: client.id, date: DAY }
}

test('the age at which somebody is of age is asked of who performs', async () => {
  const { clientId, date } = await visitAtSeventeen()
  const unable = async () => {
    const { body } = await owner.ask<{ unable: { lacks: string[] }[] }>(
      'POST',
      '/api/bookings/free',
      { ...{ protocolId: 'brightening', date, slotMinutes: 60 }, clientId },
    )
    return body.unable.some(({ lacks }) => lacks.includes('minors'))
  }
  expect(await unable()).toBe(true)
  expect((await put({ minors: { majority: 17, guardianStays: true } })).status).toBe(204)
  expect(await unable()).toBe(false)
  const { body: rules } = await owner.ask<object>('GET', '/api/rules')
  expect(rules).toMatchObject({ majority: 17, guardianStays: true })
  const { body, status } = await put({ minors: { majority: 15, guardianStays: false } })
  expect([status, body.path]).toEqual([400, 'minors.majority'])
  await put({})
})

test('a school that a question does not have is refused, and nothing is kept', async () => {
  expect((await put({ methods: { tone: 'every' } })).status).toBe(204)
  for (const methods of [{ tone: 'never-heard' }, { nothing: 'every' }]) {
    const { status, body } = await put({ methods })
    expect([status, body.code, body.path]).toEqual([
      400,
      'no_school',
      `methods.${Object.keys(methods)[0]}`,
    ])
  }
  const { body: session } = await owner.ask<{ salon: { methods: object } }>('GET', '/api/session')
  expect(session.salon.methods).toEqual({ tone: 'every' })
})

test('a message says what the salon wrote; words without a time are refused', async () => {
  const words = { ...USUAL.words, confirmation: 'Hello {first name}: {when}. Bring nothing.' }
  expect((await put({ words })).status).toBe(204)
  const { body } = await owner.ask<{ body: string }>('GET', `/api/visits/${ids.visits}/message`)
  expect(body.body).toMatch(/^Hello Far: .+\. Bring nothing\.$/)
  const refused = await put({ words: { ...words, confirmation: 'Hello.' } })
  expect([refused.status, refused.body.path]).toEqual([400, 'words.confirmation'])
  expect(refused.body.detail).toContain('{when}')
})
