import { Conflict, NotFound } from '#core/fault'
import type { H3Event } from 'h3'
import type { PoolClient } from 'pg'
import { writeAudit, type Account } from '../db/access.sql'
import { otherOwners, personById, type PersonRow } from '../db/people.sql'
import { uuidParam } from './door'

/** The person a path names, or 404. */
export async function requirePerson(
  db: PoolClient,
  event: H3Event,
  account: Account,
): Promise<PersonRow> {
  const id = uuidParam(event, 'id')
  const person = id && (await personById(db, account.salon_id, id))
  if (!person)
    throw new NotFound({
      code: 'no_person',
      detail: 'There is no such person in this salon.',
      path: 'id',
    })
  return person
}

/** A salon is never without an owner who can sign in. */
export async function requireOtherOwner(db: PoolClient, account: Account, person: PersonRow) {
  if (person.role !== 'owner') return
  if ((await otherOwners(db, account.salon_id, person.id)) > 0) return
  throw new Conflict({
    code: 'last_owner',
    detail: `${person.name} is the only owner who can sign in. Make somebody else an owner first.`,
    path: 'role',
  })
}

export const auditPerson = (db: PoolClient, account: Account, action: string, id: string) =>
  writeAudit(db, account.id, `person.${action}`, 'account', id)
