import { randomUUID } from 'node:crypto'
import { expect, test } from 'vitest'
import { book, withDatabase } from './http'
import { owner } from './people'
import { A_DROP, CALM, event } from './signed'

// What a device was set to is read by the client's next visit: what was taken back is not.

const level = (value: number, why: string, zones?: string[]) => ({
  type: 'set',
  ...{ stepId: 'suction', deviceId: 'tide-suction', setting: 'level', value, why },
  ...(zones ? { zones } : {}),
})

test('a device level lowered at a place is known at the next visit, one taken back is not', async () => {
  const name = `Invented ${randomUUID().slice(0, 8)}`
  await withDatabase((db) =>
    db.query(
      `INSERT INTO client (id, salon_id, name, born_on) VALUES ($1, current_salon(), $2, '1985-06-15')`,
      [randomUUID(), name],
    ),
  )
  const id = await book(owner, name)
  await owner.ask('POST', `/api/visits/${id}/plan`)
  const slip = event(level(70, 'not felt'), 1)
  const events = [
    event({ type: 'start' }),
    slip,
    event({ type: 'retract', eventId: slip.id }, 2),
    event(level(30, 'reddened', ['nose-bridge']), 3),
    event({ type: 'finish' }, 4),
  ]
  expect((await owner.ask('POST', `/api/visits/${id}/events`, { events })).status).toBe(200)
  const closing = { answer: CALM, note: 'done', used: A_DROP }
  expect((await owner.ask('POST', `/api/visits/${id}/close`, closing)).status).toBe(204)
  const next = await book(owner, name, 'signature', 7)
  const { body } = await owner.ask<{ input: { history: { levels?: unknown }[] } }>(
    'GET',
    `/api/visits/${next}`,
  )
  const { history } = body.input
  const kept = { ...level(30, 'reddened', ['nose-bridge']) } as Partial<ReturnType<typeof level>>
  delete kept.type
  delete kept.stepId
  expect(history.map(({ levels }) => levels)).toEqual([[kept]])
})
