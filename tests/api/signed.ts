import { owner } from './people'
import { randomUUID } from 'node:crypto'
import { expect } from 'vitest'
import { book, withDatabase } from './http'

export const CALM = {
  redness: 0,
  rednessHours: 0,
  stinging: 0,
  swelling: false,
  blisters: false,
  weeping: false,
  burn: false,
}
export const event = (body: object, seq = 0) => ({
  id: randomUUID(),
  deviceId: 'test',
  seq,
  wallMs: Date.now() + seq,
  elapsedMs: seq,
  body,
})

/** Next to nothing: what one test signs must not empty the shelf that another fits from. */
export const A_DROP = [{ productId: 'oat-mask', amount: 0.01 }]

/** A visit fitted, started and signed. */
export async function signed(
  client = 'Marguerite Abiola',
  answer: object = CALM,
  more: object = {},
): Promise<string> {
  const id = await book(owner, client)
  await owner.ask('POST', `/api/visits/${id}/plan`)
  await owner.ask('POST', `/api/visits/${id}/events`, {
    events: [event({ type: 'start' }), event({ type: 'finish' }, 1)],
  })
  const closing = { answer, note: 'done', used: A_DROP, ...more }
  expect((await owner.ask('POST', `/api/visits/${id}/close`, closing)).status).toBe(204)
  return id
}
export const refusal = (sql: string, values: unknown[]) =>
  withDatabase((db) =>
    db.query(sql, values).then(
      () => 'accepted',
      (error: { code: string }) => error.code,
    ),
  )
