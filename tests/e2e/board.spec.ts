import { randomUUID } from 'node:crypto'
import { expect, test, type Page } from '@playwright/test'
import { freeSeat, OWNER, PRACTITIONER, salonTime, signedIn, withDatabase } from '../api/http'
import { noFaults, onBoard } from './steps'

// Today, the board: a day of a test's own far from everybody else's, in rooms of its own.

const PASSWORD = 'quiet-tide'
const DAY_MS = 86_400_000
let days = 200

interface Morning {
  readonly date: string
  readonly name: string
  readonly seats: readonly [Seat, Seat]
  readonly visitId: string
}
type Seat = Awaited<ReturnType<typeof freeSeat>>

/** A client with a visit from ten, and two rooms with their people. */
async function morningOf(): Promise<Morning> {
  const owner = await signedIn(OWNER)
  const name = `Tessel ${randomUUID().slice(0, 8)}`
  const { body: client } = await owner.ask<{ id: string }>('POST', '/api/clients', {
    ...{ name, bornOn: '1985-06-15' },
  })
  const seats = [await freeSeat(), await freeSeat()] as const
  const { date } = salonTime(new Date(Date.now() + ++days * DAY_MS))
  const book = (time: string, seat: Seat, clientId: string) =>
    owner.ask<{ id: string; detail: string }>('POST', '/api/visits', {
      ...{ clientId, roomId: seat.roomId, practitionerId: seat.practitionerId },
      ...{ protocolId: 'brightening', date, time, slotMinutes: 90 },
    })
  const { body, status } = await book('10:00', seats[0], client.id)
  expect([status, body.detail]).toEqual([201, undefined])
  return { date, name, seats, visitId: body.id }
}
async function enter(page: Page, email: string, date: string) {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(PASSWORD)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
  await page.goto(`/?date=${date}`)
}
const startOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ starts_at: Date; room_id: string }>(
      'SELECT starts_at, room_id FROM visit WHERE id = $1',
      [visitId],
    )
    return { time: rows[0]!.starts_at.toISOString().slice(11, 16), roomId: rows[0]!.room_id }
  })
const columnOf = (page: Page, { room }: Seat) => page.getByRole('region', { name: `Room ${room}` })
// Rooms of tests are put away again: the board of the demo has its own.
test.afterAll(() =>
  withDatabase((db) =>
    db.query(`UPDATE room SET closed_on = current_date WHERE name ~ '^Room [0-9a-f]{8}$'`),
  ),
)

test('a touch shows what matters, a second opens; another screen sees what changes', async ({
  page,
  browser,
}) => {
  const { date, name, seats, visitId } = await morningOf()
  await enter(page, PRACTITIONER, date)
  await onBoard(page, name).click()
  const brief = page.getByRole('region', { name: `10:00 ${name}` })
  await expect(brief.getByRole('list', { name: 'What matters today' })).toBeVisible()
  await expect(brief).toContainText('turnover to')
  await noFaults(page, 'the board')

  const context = await browser.newContext({ baseURL: new URL(page.url()).origin })
  const other = await context.newPage()
  await enter(other, OWNER, date)
  await expect(onBoard(other, name)).toHaveAccessibleName(/^10:00/)
  const owner = await signedIn(OWNER)
  const moved = await owner.ask('PUT', `/api/visits/${visitId}/seat`, {
    ...{ roomId: seats[0].roomId, practitionerId: seats[0].practitionerId },
    ...{ date, time: '12:30', slotMinutes: 90 },
  })
  expect(moved.status).toBe(204)
  for (const screen of [page, other])
    await expect(onBoard(screen, name)).toHaveAccessibleName(/^12:30/)
  await context.close()
  // What is to be mixed when has moved along.
  const later = page.getByRole('region', { name: `12:30 ${name}` })
  await expect(later.getByRole('list', { name: 'At its time' })).toContainText(/turnover to 14:/)
  await page.getByRole('button', { name: 'Open the visit' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
})

test('carried by the keys to another room and time; refused, the reason is told; undone', async ({
  page,
}) => {
  const { date, name, seats, visitId } = await morningOf()
  await enter(page, PRACTITIONER, date)
  const visit = onBoard(page, name)
  await visit.focus()
  await page.keyboard.press('m')
  const status = page.getByRole('status').filter({ hasText: 'Enter puts it down' })
  await expect(status).toContainText('10:00')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(status).toContainText('10:20')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^Moved to 10:20/)).toBeVisible()
  expect((await startOf(visitId)).time).toBe('10:20')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(onBoard(page, name)).toHaveAccessibleName(/^10:00/)
  // The board shows it at once; the server has it a moment later.
  await expect.poll(async () => (await startOf(visitId)).time).toBe('10:00')
  // Escape leaves it where it is.
  await onBoard(page, name).focus()
  await page.keyboard.press('m')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Escape')
  await expect(status).toHaveCount(0)
  expect(await startOf(visitId)).toEqual({ time: '10:00', roomId: seats[0].roomId })
  // Before six the studio is closed: it says so, with the nearest times, and nothing moves.
  await onBoard(page, name).focus()
  await page.keyboard.press('m')
  await expect(status).toContainText('10:00')
  for (let at = 0; at < 17; at++) await page.keyboard.press('Shift+ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('open from 06:00')
  await expect(page.getByRole('alert')).toContainText('Nearest that fit')
  expect((await startOf(visitId)).time).toBe('10:00')
})

test('dragged by its ladder into the other room', async ({ page }) => {
  const { date, name, seats, visitId } = await morningOf()
  await enter(page, PRACTITIONER, date)
  const block = page.getByRole('article').filter({ has: onBoard(page, name) })
  const from = (await block.locator('svg').first().boundingBox())!
  const to = (await columnOf(page, seats[1]).boundingBox())!
  await page.mouse.move(from.x + 20, from.y + 20)
  await page.mouse.down()
  await page.mouse.move(to.x + 60, from.y + 60, { steps: 8 })
  // An hour further down, at 1.7 pixels a minute.
  await page.mouse.move(to.x + 60, from.y + 20 + 102, { steps: 8 })
  await page.mouse.up()
  await expect(page.getByText(/^Moved to 11:00/)).toBeVisible()
  expect(await startOf(visitId)).toEqual({ time: '11:00', roomId: seats[1].roomId })
})

test('what is free offers the cards that fit, and is booked from there', async ({ page }) => {
  const { date, seats } = await morningOf()
  await enter(page, PRACTITIONER, date)
  const gap = columnOf(page, seats[0]).getByRole('button', { name: /^free 11:4\d to 22:00/ })
  await expect(gap).toContainText('fits')
  await gap.click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByLabel('From')).toHaveValue(/^11:4/)
  await expect(dialog.getByLabel('Room').first()).toContainText(seats[0].room)
})

test('front desk sees initials, times and rooms, and no health; a screen others see can be so too', async ({
  page,
}) => {
  const { date, name } = await morningOf()
  await enter(page, 'desk@saltgrass.example', date)
  const initials = `T. ${name.split(' ')[1]![0]!.toUpperCase()}.`
  await expect(onBoard(page, initials)).toBeVisible()
  await expect(page.getByText(name)).toHaveCount(0)
  await onBoard(page, initials).click()
  await expect(page.getByText('Ask the practitioner')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Open the visit' })).toHaveCount(0)
  await page.context().clearCookies()
  await enter(page, PRACTITIONER, date)
  await page.getByRole('button', { name: 'Initials' }).click()
  await expect(onBoard(page, initials)).toBeVisible()
  await expect(page.getByText(name)).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'What matters today' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Show what matters, for a moment' }).click()
  await expect(page.getByRole('list', { name: 'What matters today' })).toBeVisible()
})

test('what comes first leads to where it is done', async ({ page }) => {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).click()
  const first = page.getByRole('region', { name: 'Do first' })
  await first.getByRole('link', { name: 'Read Yuna’s patch test' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Yuna Delacroix' })).toBeVisible()
})
