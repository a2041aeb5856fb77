import { randomUUID } from 'node:crypto'
import { withDatabase } from './http'

/** A client of a test's own, of whom nothing is known; gives the name. */
export async function newClient(bornOn = '1985-06-15'): Promise<string> {
  const name = `Invented ${randomUUID().slice(0, 8)}`
  await withDatabase((db) =>
    db.query(
      `INSERT INTO client (id, salon_id, name, born_on, concerns) VALUES ($1, current_salon(), $2, $3, '{hydrate}')`,
      [randomUUID(), name, bornOn],
    ),
  )
  return name
}
