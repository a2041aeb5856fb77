import { clientNamed, type Day, type Person } from './http'

interface Booked {
  readonly visit: {
    readonly startsAt: string
    readonly roomId: string
    readonly practitionerId: string
    readonly timeZone: string
  }
  readonly input: { readonly date: string }
}
interface Free {
  readonly times: { readonly time: string; readonly minutes: number | null }[]
}

/** Books a card for a client in another room, in turn with a visit of the same practitioner, at the first time after it began that is offered. Gives its id. */
export async function bookInTurn(
  person: Person,
  clientName: string,
  protocolId: string,
  besideId: string,
): Promise<string> {
  const { body: first } = await person.ask<Booked>('GET', `/api/visits/${besideId}`)
  const { body: day } = await person.ask<Day>('GET', '/api/day')
  const { date } = first.input
  const { practitionerId, startsAt, timeZone } = first.visit
  const roomId = day.choices.rooms.find(({ id }) => id !== first.visit.roomId)!.id
  const wish = { protocolId, date, practitionerId, roomId }
  const { body: free } = await person.ask<Free>('POST', '/api/bookings/free', {
    ...{ ...wish, turns: true },
  })
  const begun = new Date(startsAt).toLocaleTimeString('en-GB', { timeZone }).slice(0, 5)
  const offered = free.times.find(({ time }) => time > begun)
  if (!offered) throw new Error(`Nothing in turn with ${besideId} on ${date}.`)
  const { body, status } = await person.ask<{ id: string }>('POST', '/api/visits', {
    ...{ ...wish, turns: true, time: offered.time, slotMinutes: offered.minutes },
    clientId: await clientNamed(person, clientName),
  })
  if (status !== 201) throw new Error(`booking in turn failed: ${JSON.stringify(body)}`)
  return body.id
}
