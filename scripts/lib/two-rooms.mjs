import { addDays, format, parseISO } from 'date-fns'
import { randomUUID } from 'node:crypto'

/** One question to the server, as whoever is signed in on the page. */
const askOf = (page, method, path, body) =>
  page.evaluate(
    async (asked) => {
      const headers = { 'content-type': 'application/json' }
      const sent = asked.body ? { headers, body: JSON.stringify(asked.body) } : {}
      const reply = await fetch(asked.path, { method: asked.method, ...sent })
      return reply.status === 204 ? undefined : reply.json()
    },
    { method, path, body },
  )

/** Two clients in turn in the evening: hands work in one room while a mask lies in the other. */
export async function twoRooms({ page, settle, shot, light, until, pass }) {
  const ask = (...asked) => askOf(page, ...asked)
  const day = await ask('GET', '/api/day')
  const [dune, tideline] = day.choices.rooms
  const practitionerId = day.choices.practitioners.find(({ name }) => /^Maren/.test(name)).id
  const clientOf = (name) => day.visits.find(({ client }) => client === name).clientId
  // Tomorrow: whatever the hour is now, that evening is still to come.
  const date = format(addDays(parseISO(day.today), 1), 'yyyy-MM-dd')
  const seat = { protocolId: 'three-serum', practitionerId, date }
  const first = await ask('POST', '/api/visits', {
    ...{ ...seat, clientId: clientOf('Ingrid Solvay'), roomId: dune.id },
    ...{ time: '19:00', slotMinutes: 75 },
  })
  const other = { ...seat, protocolId: 'hydrating', roomId: tideline.id }
  const free = await ask('POST', '/api/bookings/free', { ...other, turns: true })
  const { time, minutes: slotMinutes } = free.times.find((one) => one.time > '19:00')
  const second = await ask('POST', '/api/visits', {
    ...{ ...other, clientId: clientOf('Theo Lindqvist'), turns: true, time, slotMinutes },
  })
  const reading = { done: true, findings: [], lesions: [], meters: [] }
  for (const { id } of [first, second]) {
    await ask('PUT', `/api/visits/${id}/reading`, { id: randomUUID(), reading })
    await page.goto(`/visits/${id}/consult`)
    await page.getByRole('button', { name: 'Nothing new since then' }).click()
    await settle()
    await page.getByText('Saved', { exact: true }).waitFor()
    await ask('POST', `/api/visits/${id}/plan`)
  }
  await light('room')
  await page.clock.setSystemTime(new Date(`${date}T19:00:00Z`))
  await page.goto(`/visits/${first.id}/perform`)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await until(/^Hold: Clay mask/)
  await page.getByRole('button', { name: /^Change over to/ }).click()
  await page.getByRole('button', { name: /^The call bell/ }).click()
  await page.waitForURL(`**/visits/${second.id}/perform`)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await until(/^Done: First cleanse/)
  await pass(0.5)
  await settle()
  await shot('perform-two-rooms')
  await light('day')
  await page.goto('/')
}
