import { randomUUID } from 'node:crypto'
import type pg from 'pg'
import { hashPassword } from '../../server/utils/password'
import { Person, withDatabase } from './http'

/** A second salon in the same database, with a row of its own of everything that an id from outside can name. */
export interface OtherSalon {
  readonly id: string
  readonly name: string
  readonly ids: Readonly<
    Record<
      | 'clients'
      | 'rooms'
      | 'practitioners'
      | 'visits'
      | 'protocols'
      | 'texts'
      | 'facts'
      | 'imports',
      string
    > & { products: string; batches: string }
  >
}

const NAME = 'Far Shore Rooms'
const ids = () => ({
  clients: randomUUID(),
  rooms: randomUUID(),
  practitioners: randomUUID(),
  visits: randomUUID(),
  protocols: `far-${randomUUID().slice(0, 8)}`,
  texts: randomUUID(),
  facts: randomUUID(),
  imports: randomUUID(),
  products: `far-${randomUUID().slice(0, 8)}`,
  batches: `far-${randomUUID().slice(0, 8)}`,
})

async function add(db: pg.Client, table: string, row: Readonly<Record<string, unknown>>) {
  const names = Object.keys(row)
  await db.query(
    `INSERT INTO ${table} (${names.join(', ')})
      VALUES (${names.map((_, at) => `$${at + 1}`).join(', ')})`,
    Object.values(row),
  )
}

const someProduct = async (db: pg.Client): Promise<object> =>
  (await db.query<{ body: object }>(`SELECT body FROM product WHERE id = 'oat-mask' LIMIT 1`))
    .rows[0]!.body

const days = (count: number): Date => new Date(Date.now() + count * 86_400_000)

/** Makes it. Rows that hang on others take their salon from the setting, as the application’s do. */
export const otherSalon = (): Promise<OtherSalon> =>
  withDatabase(async (db) => {
    const [id, its] = [randomUUID(), ids()]
    const salon_id = id
    await add(db, 'salon', {
      ...{ id, name: NAME, time_zone: 'Etc/UTC', currency: 'EUR' },
      ...{ emergency_number: '112', address: 'Nowhere 1', turnover_minutes: 10 },
    })
    await db.query("SELECT set_config('zen.salon', $1, false)", [id])
    await add(db, 'room', { id: its.rooms, salon_id, name: 'Far room' })
    await add(db, 'practitioner', { id: its.practitioners, salon_id, name: 'Far hands' })
    await add(db, 'client', {
      ...{ id: its.clients, salon_id, name: 'Far Client', born_on: '1980-01-01' },
    })
    await add(db, 'protocol', { id: its.protocols, salon_id, name: 'Far facial' })
    await add(db, 'protocol_version', {
      ...{ id: `${its.protocols}-v1`, protocol_id: its.protocols, version: 1 },
      ...{ name: 'Far facial', note: '', steps: '[]' },
    })
    await add(db, 'protocol_draft', {
      ...{ protocol_id: its.protocols, based_on: 1, name: 'Far draft', steps: '[]' },
    })
    await add(db, 'product', {
      ...{ id: its.products, salon_id, name: 'Far mask', kind: 'mask', position: 1 },
      body: { ...(await someProduct(db)), id: its.products, name: 'Far mask' },
    })
    await add(db, 'batch', {
      ...{ id: its.batches, product_id: its.products, received_on: '2026-01-01', left_amount: 5 },
    })
    await add(db, 'visit', {
      ...{ id: its.visits, salon_id, client_id: its.clients, room_id: its.rooms },
      ...{ practitioner_id: its.practitioners, protocol_version_id: `${its.protocols}-v1` },
      ...{ starts_at: days(1), ends_at: days(1.05), room_until: days(1.06) },
    })
    await add(db, 'consent_text', {
      ...{ id: its.texts, salon_id, kind: 'treatment', version: 1, title: 'Far', body: 'Words' },
    })
    await add(db, 'health_fact', {
      ...{ id: its.facts, client_id: its.clients, code: 'pregnancy', answer: 'no' },
      asked_on: '2026-01-01',
    })
    await add(db, 'shelf_import', { id: its.imports, salon_id })
    return { id, name: NAME, ids: its }
  })

export const PASSWORD = 'far-shore'

/**
 * A salon of a test's own with everything the demo has on its shelf and among its cards, an owner and a visit: what is done to it disturbs no other
 * test.
 */
export async function furnishedSalon(): Promise<OtherSalon & { owner: Person; visit: string }> {
  const other = await otherSalon()
  const [visit, email] = [randomUUID(), `owner-${other.id.slice(0, 8)}@far.example`]
  const hash = await hashPassword(PASSWORD)
  await withDatabase(async (db) => {
    for (const table of [
      'product',
      'device',
      'protocol',
      'protocol_version',
      'batch',
      'supply',
      'kit',
    ])
      await copyRows(db, table, other.id)
    await add(db, 'account', {
      ...{ id: randomUUID(), salon_id: other.id, email, name: 'Far Owner', role: 'owner' },
      password_hash: hash,
    })
    await add(db, 'visit', {
      ...{ id: visit, salon_id: other.id, client_id: other.ids.clients, room_id: other.ids.rooms },
      ...{ practitioner_id: other.ids.practitioners, protocol_version_id: 'brightening-v1' },
      ...{ starts_at: days(2), ends_at: days(2.07), room_until: days(2.08) },
    })
  })
  const owner = new Person()
  const { status } = await owner.ask('POST', '/api/session', { email, password: PASSWORD })
  if (status !== 204) throw new Error(`${email} could not sign in: ${status}`)
  return { ...other, owner, visit }
}

/** Rows of the demo’s table once more, under another salon. */
async function copyRows(db: pg.Client, table: string, salonId: string) {
  const { rows } = await db.query<{ names: string }>(
    `SELECT string_agg(quote_ident(attname), ', ') AS names
      FROM pg_attribute
      WHERE attrelid = $1::regclass
        AND attnum > 0
        AND NOT attisdropped
        AND attname NOT IN ('salon_id', 'published_by')`,
    [table],
  )
  const { names } = rows[0]!
  await db.query(
    `INSERT INTO ${table} (salon_id, ${names})
      SELECT $1, ${names}
      FROM ${table}
      WHERE salon_id = current_salon()`,
    [salonId],
  )
}
