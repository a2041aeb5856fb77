import { expect } from 'vitest'
import type { Person } from './http'
import { signedIn, withDatabase } from './http'

export const PIN = '2580'
const PASSWORD = 'quiet-tide'

/** A tablet of the demo studio on which somebody has come in by PIN: a browser of its own. */
export async function onTablet(email: string, pin = PIN): Promise<{ tablet: Person; id: string }> {
  const person = await signedIn(email)
  const put = await person.ask('PUT', '/api/own/pin', { pin, password: PASSWORD })
  expect(put.status).toBe(204)
  const { body } = await person.ask<{ account: { id: string } }>('GET', '/api/session')
  const { tablet, id } = await enrolled()
  const opened = await tablet.ask('POST', '/api/session/pin', { accountId: body.account.id, pin })
  expect(opened.status).toBe(204)
  return { tablet, id }
}

async function enrolled(): Promise<{ tablet: Person; id: string }> {
  const tablet = await signedIn('maren@saltgrass.example')
  const asked = { name: 'Trolley', roomId: null, password: PASSWORD }
  const { status, body } = await tablet.ask<{ id: string }>('POST', '/api/tablets', asked)
  expect(status).toBe(201)
  await tablet.ask('DELETE', '/api/session')
  return { tablet, id: body.id }
}

/** Takes the PINs of the demo's people away again, so that no other test is asked for one. */
export const forgetPins = () =>
  withDatabase((db) => db.query('UPDATE account SET pin_hash = NULL, pin_failures = 0 WHERE demo'))
