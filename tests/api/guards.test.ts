import { owner } from './people'
import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { book, salonTime, withDatabase, type Day } from './http'
import { event, signed, refusal } from './signed'

describe('guards in the database', () => {
  test('what was published, fitted, performed and signed cannot be changed or removed', async () => {
    const id = await signed()
    for (const [table, column] of [
      ['fitted_plan', 'engine'],
      ['run_event', 'device_id'],
      ['outcome', 'note'],
    ] as const) {
      expect([
        table,
        await refusal(`UPDATE ${table} SET ${column} = 'x' WHERE visit_id = $1`, [id]),
      ]).toEqual([table, '23001'])
      expect([table, await refusal(`DELETE FROM ${table} WHERE visit_id = $1`, [id])]).toEqual([
        table,
        '23001',
      ])
    }
    expect(await refusal(`UPDATE protocol_version SET note = 'x' WHERE id = $1`, ['acid-v1'])).toBe(
      '23001',
    )
    expect(
      await refusal(
        `UPDATE health_fact
          SET answer = 'no'
          WHERE client_id = (
              SELECT client_id
              FROM visit
              WHERE id = $1
            )`,
        [id],
      ),
    ).toBe('23001')
    expect(
      await refusal(`UPDATE visit SET stage = 'open', locked_at = NULL WHERE id = $1`, [id]),
    ).toBe('23001')
  })
  test('a locked visit takes no reading, plan, override or tick; a late event is an appendix', async () => {
    const id = await signed()
    for (const [method, path, body] of [
      ['PUT', 'reading', { id: randomUUID(), reading: { done: true, findings: [] } }],
      ['POST', 'plan', undefined],
      ['PUT', 'ticks', { itemId: 'x', ticked: true }],
      ['POST', 'close', { answer: null, note: '' }],
    ] as const) {
      const reply = await owner.ask(method, `/api/visits/${id}/${path}`, body)
      expect([path, reply.status, reply.body.code]).toEqual([path, 409, 'locked'])
    }
    expect(
      (
        await owner.ask('POST', `/api/visits/${id}/events`, {
          events: [event({ type: 'note', text: 'found on the tablet later' }, 5)],
        })
      ).status,
    ).toBe(200)
    const late = await withDatabase(
      async (db) =>
        (
          await db.query<{ late: boolean }>(
            `SELECT late
              FROM run_event
              WHERE visit_id = $1
                AND body ->> 'type' = 'note'`,
            [id],
          )
        ).rows,
    )
    expect(late).toEqual([{ late: true }])
  })
  test('room with its turnover, and anneke, are free or the booking is refused', async () => {
    const id = await book(owner, 'Hollis Marchetti')
    const { startsAt } = await withDatabase(
      async (db) =>
        (
          await db.query<{ startsAt: Date }>(
            'SELECT starts_at AS "startsAt" FROM visit WHERE id = $1',
            [id],
          )
        ).rows[0]!,
    )
    const { body: day } = await owner.ask<Day>('GET', '/api/day')
    const { rooms, practitioners } = day.choices
    // Somebody whom no other test books.
    const clientId = randomUUID()
    await withDatabase((db) =>
      db.query(
        `INSERT INTO client (id, salon_id, name, born_on)
          VALUES ($1, current_salon(), 'Nobody Else', '1985-06-15')`,
        [clientId],
      ),
    )
    const ask = (minutesLater: number, room: number, practitioner: number) =>
      owner.ask('POST', '/api/visits', {
        clientId,
        roomId: rooms[room]!.id,
        practitionerId: practitioners[practitioner]!.id,
        protocolId: 'acid',
        ...salonTime(new Date(startsAt.getTime() + minutesLater * 60_000)),
        slotMinutes: 30,
      })
    expect((await ask(95, 0, 1)).body.code).toBe('room_taken')
    expect((await ask(30, 1, 0)).body.code).toBe('practitioner_taken')
    expect((await ask(100, 0, 0)).status).toBe(201)
  })
})
