import type pg from 'pg'
import { describe, expect, test } from 'vitest'
import { checkLog } from '../../server/db/seal.sql'
import { refusal } from './signed'
import { withDatabase } from './http'
import { owner } from './people'

const check = (db: pg.Client) => checkLog(db as unknown as pg.PoolClient)

/** Something happens, and is sealed. */
async function sealedNow(db: pg.Client): Promise<number> {
  await owner.ask('GET', '/api/rules/A01')
  await owner.ask('GET', '/api/visits/00000000-0000-4000-8000-000000000000')
  const { rows } = await db.query<{ sealed: number }>('SELECT seal_audit() AS sealed')
  return rows[0]!.sealed
}

/** What is done to the log by somebody who may do anything, and what the check says of it; then it never was. */
const afterwards = (spoil: string) =>
  withDatabase(async (db) => {
    // Two at the least, so that one stands on another.
    await sealedNow(db)
    await sealedNow(db)
    await db.query('BEGIN')
    try {
      await db.query('ALTER TABLE audit DISABLE TRIGGER USER')
      await db.query('ALTER TABLE audit_seal DISABLE TRIGGER USER')
      await db.query(spoil)
      return (await check(db)).faults
    } finally {
      await db.query('ROLLBACK')
    }
  })
const LAST = '(SELECT rows[1] FROM audit_seal ORDER BY id DESC LIMIT 1)'

describe('the seals of the log', () => {
  test('what is new is sealed once; an untouched log has no fault', async () => {
    await withDatabase(async (db) => {
      await sealedNow(db)
      const { rows } = await db.query('SELECT seal_audit() AS sealed')
      expect(rows).toEqual([{ sealed: 0 }])
      const { faults, seals, unsealed, heads } = await check(db)
      expect([faults, unsealed]).toEqual([[], 0])
      expect(Math.min(seals, heads.length)).toBeGreaterThan(0)
    })
  })
  test.each([
    [
      'a row that was changed',
      `UPDATE audit SET subject_id = 'x' WHERE id = ${LAST}`,
      'was changed',
    ],
    [
      'a time that was changed',
      `UPDATE audit SET at = at - interval '1 second' WHERE id = ${LAST}`,
      'was changed',
    ],
    ['a row that was taken out', `DELETE FROM audit WHERE id = ${LAST}`, 'these rows are gone'],
    [
      'a row that was put in afterwards',
      `INSERT INTO audit (at, tx, account_id, action, subject_kind, subject_id, salon_id)
        SELECT at, tx, account_id, action, subject_kind, 'x', salon_id FROM audit WHERE id = ${LAST}`,
      'stands in no seal of its time',
    ],
    [
      'a seal that was made anew for changed rows',
      `UPDATE audit_seal SET hash = sha256('x') WHERE id = (SELECT min(id) FROM audit_seal)`,
      'was changed',
    ],
    [
      'a seal that was taken out',
      `DELETE FROM audit_seal
        WHERE id = (SELECT min(id) FROM audit_seal WHERE salon_id = current_salon())`,
      'does not follow the one before it',
    ],
  ])('%s is found', async (_name, spoil, says) => {
    expect((await afterwards(spoil)).join(' ')).toContain(says)
  })
  test('what a transaction that still runs has written waits for its end', async () => {
    await withDatabase(async (running) => {
      await running.query('BEGIN')
      await running.query(
        `INSERT INTO audit (account_id, action, subject_kind, subject_id)
          SELECT id, 'test', 'none', 'none' FROM account WHERE salon_id = current_salon() LIMIT 1`,
      )
      await withDatabase(async (db) => {
        await sealedNow(db)
        const before = await check(db)
        // Written while that one ran: not sealed yet, and no fault.
        expect([before.faults, before.unsealed > 0]).toEqual([[], true])
        await running.query('COMMIT')
        await db.query('SELECT seal_audit()')
        expect(await check(db)).toMatchObject({ faults: [], unsealed: 0 })
      })
    })
  })
  test('a log that goes on in another cluster, whose transactions count anew, is sealed on', async () => {
    await withDatabase(async (db) => {
      await sealedNow(db)
      await db.query('BEGIN')
      await db.query('ALTER TABLE audit_seal DISABLE TRIGGER USER')
      await db.query(`UPDATE audit_seal SET to_tx = '900000000000'::xid8`)
      await db.query('ALTER TABLE audit_seal ENABLE TRIGGER USER')
      await db.query('COMMIT')
      expect(await sealedNow(db)).toBeGreaterThan(0)
      // In its own cluster it goes on as ever.
      await sealedNow(db)
      expect(await check(db)).toMatchObject({ faults: [], unsealed: 0 })
    })
  })
  test('the serving role can neither make nor change one', async () => {
    expect(await refusal('UPDATE audit_seal SET at = now()', [])).toBe('23001')
    const { rows } = await withDatabase((db) =>
      db.query(
        `SELECT privilege_type FROM information_schema.role_table_grants
          WHERE table_name = 'audit_seal' AND grantee = 'zen_app'`,
      ),
    )
    expect(rows).toEqual([{ privilege_type: 'SELECT' }])
  })
})
