import { randomUUID } from 'node:crypto'
import { expect } from 'vitest'
import { Person } from './http'
import type { OtherSalon } from './other-salon'

export const GOOD = 'lantern quarry 71 moss'
export interface Someone {
  readonly id: string
  readonly name: string
  readonly email: string
  readonly role: string
  readonly isInvited: boolean
  readonly hasTotp: boolean
  readonly leftAt: string | null
  readonly scope: readonly object[]
  readonly ending: readonly object[]
}
export const mail = () => `${randomUUID().slice(0, 8)}@far.example`

/** Signs in, in a browser of its own. */
export const enter = (email: string, password: string, code?: string) =>
  new Person().ask('POST', '/api/session', { email, password, ...(code ? { code } : {}) })

/** What tests of a salon's people do again and again, as its owner. */
export function staffOf({ owner }: OtherSalon & { owner: Person }) {
  const people = async () => (await owner.ask<Someone[]>('GET', '/api/people')).body
  async function invited(role = 'practitioner', email = mail()) {
    const body = { name: 'Invented Hand', email, role, performs: role === 'practitioner' }
    const reply = await owner.ask<{ id: string; link: { path: string } }>(
      'POST',
      '/api/people',
      body,
    )
    expect(reply.status).toBe(201)
    return { id: reply.body.id, email, token: reply.body.link.path.split('/').at(-1)! }
  }
  async function joined(role = 'practitioner') {
    const someone = await invited(role)
    const person = new Person()
    const reply = await person.ask('POST', `/api/links/${someone.token}`, { password: GOOD })
    expect(reply.status).toBe(204)
    return { ...someone, person }
  }
  return { people, invited, joined }
}
