import { expect, test, type Page } from '@playwright/test'
import { withDatabase } from '../api/http'
import {
  clock,
  freshVisit,
  morning,
  noFaults,
  offlineReady,
  open,
  pass,
  primary,
  readAsIs,
  stage,
} from './steps'

// A tablet of the studio: covered, in a client's hands, signed on, and called off.

const PIN = '2580'
const PASSWORD = 'quiet-tide'
const MAREN = 'Maren Oduya-Lind'
const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, exact: true })

/** Makes the page's browser a tablet on which the owner comes in by PIN. */
async function enterTablet(page: Page): Promise<string> {
  const ask = async (method: string, path: string, data?: object) => {
    const reply = await page.request.fetch(path, { method, ...(data ? { data } : {}) })
    expect(reply.ok()).toBe(true)
    return reply
  }
  const email = 'maren@saltgrass.example'
  await ask('POST', '/api/session', { email, password: PASSWORD })
  await ask('PUT', '/api/own/pin', { pin: PIN, password: PASSWORD })
  const made = await ask('POST', '/api/tablets', {
    ...{ name: 'Trolley', roomId: null, password: PASSWORD },
  })
  await ask('DELETE', '/api/session')
  await page.goto('/sign-in')
  await page.locator('section button').filter({ hasText: 'Maren' }).click()
  await typePin(page, PIN)
  await expect(button(page, 'Book a visit')).toBeVisible()
  return ((await made.json()) as { id: string }).id
}
async function typePin(page: Page, pin: string, does = 'Open') {
  for (const digit of pin) await button(page, digit).click()
  await button(page, does).click()
}
const cover = (page: Page) => page.getByRole('dialog', { name: 'Covered' })

/** What was last answered of the three questions. */
async function answersOf(visitId: string) {
  const { rows } = await withDatabase((db) =>
    db.query<{ code: string; answer: string }>(
      `SELECT DISTINCT ON (f.code) f.code, f.answer
        FROM health_fact f
          JOIN visit v ON v.client_id = f.client_id
        WHERE v.id = $1
          AND f.code IN ('pregnancy', 'diabetes', 'isotretinoin')
        ORDER BY f.code, f.recorded_at DESC`,
      [visitId],
    ),
  )
  return rows
}
/** Draws a line in the field for it, and signs. */
async function signHere(page: Page) {
  const pad = (await page.getByRole('img', { name: 'Sign here' }).boundingBox())!
  await page.mouse.move(pad.x + 40, pad.y + 60)
  await page.mouse.down()
  await page.mouse.move(pad.x + 160, pad.y + 30, { steps: 5 })
  await page.mouse.move(pad.x + 240, pad.y + 90, { steps: 5 })
  await page.mouse.up()
  await button(page, 'Sign').click()
}
const notesOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query(
      `SELECT FROM run_event WHERE visit_id = $1 AND body ->> 'type' = 'note'`,
      [visitId],
    )
    return rows.length
  })
/** A visit fitted and begun. */
async function begun(page: Page): Promise<string> {
  const address = await freshVisit({ protocol: 'clarifying' })
  await open(page, address)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await button(page, 'Start the visit').click()
  await expect(page.getByText(/^Saved$/)).toBeVisible()
  return address.split('/').at(-1)!
}

test.afterEach(() =>
  withDatabase((db) => db.query('UPDATE account SET pin_hash = NULL, pin_failures = 0 WHERE demo')),
)

test('left alone it covers everything, also read anew; the PIN opens it where it was', async ({
  page,
}) => {
  await page.clock.install({ time: morning() })
  await enterTablet(page)
  await open(page, await freshVisit())
  const name = await page.getByRole('heading', { level: 1 }).innerText()
  await pass(page, 4.8)
  await expect(cover(page)).toHaveCount(0)
  await pass(page, 0.4)
  await expect(cover(page)).toBeVisible()
  await noFaults(page, 'the cover')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(cover(page)).toBeVisible()
  await page.reload()
  await expect(cover(page)).toBeVisible()
  await typePin(page, '9999')
  await expect(cover(page).getByRole('alert')).toContainText('not the PIN')
  await typePin(page, PIN)
  await expect(cover(page)).toHaveCount(0)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(name)
})

test('in Perform clocks and Stings stay, stops go until the PIN', async ({ page }) => {
  await page.clock.install({ time: morning() })
  await enterTablet(page)
  await begun(page)
  await expect(page.getByRole('list', { name: 'Today’s stops' })).toBeVisible()
  await pass(page, 6)
  await expect(cover(page)).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Today’s stops' })).toHaveCount(0)
  await expect(button(page, 'More …')).toHaveCount(0)
  await expect(clock(page)).toBeVisible()
  await expect(button(page, 'Stings')).toBeEnabled()
  await expect(button(page, 'Emergency')).toBeEnabled()
  await button(page, 'Covered: stops and notes with your PIN').click()
  await typePin(page, PIN)
  await expect(page.getByRole('list', { name: 'Today’s stops' })).toBeVisible()
})

test('in a client’s hands nothing else is there, with and without a network', async ({
  page,
  context,
}) => {
  await enterTablet(page)
  const address = await freshVisit({ open: ['pregnancy', 'diabetes', 'isotretinoin'] })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await offlineReady(page)
  await button(page, 'Hand to the client').click()
  await expect(page.getByRole('heading', { name: /^Welcome/ })).toBeVisible()
  await noFaults(page, 'client mode')
  for (const elsewhere of ['/', '/clients', '/settings/people', `/visits/${visitId}/fit`]) {
    await page.goto(elsewhere)
    await expect(page).toHaveURL(new RegExp(`/visits/${visitId}/hand$`))
  }
  expect((await page.request.get('/api/clients')).status()).toBe(401)
  await button(page, 'Begin').click()
  await expect(page.getByRole('heading', { name: 'Pregnant?' })).toBeVisible()
  await button(page, 'I do not know').click()
  await context.setOffline(true)
  await expect(page.getByRole('heading', { name: /Diabetes/ })).toBeVisible()
  await noFaults(page, 'a question')
  await button(page, 'No').click()
  await expect(page.getByRole('heading', { name: /Isotretinoin/ })).toBeVisible()
  await button(page, 'Yes').click()
  await page.getByLabel(/still take/).fill('2026-01-15')
  await button(page, 'On').click()
  await expect(
    page.getByRole('heading', { name: /Consent to the treatment|treatment/i }),
  ).toBeVisible()
  await noFaults(page, 'a consent')
  await signHere(page)
  for (let left = 4; left > 0 && !(await page.getByText('Thank you').isVisible()); left--)
    await button(page, 'Not now, or ask first').click()
  await expect(page.getByRole('heading', { name: 'Thank you' })).toBeVisible()
  await button(page, 'Give it back').click()
  await typePin(page, '1111')
  await expect(page.getByRole('alert').first()).toContainText('No network')
  await context.setOffline(false)
  await typePin(page, PIN)
  await expect(page).toHaveURL(new RegExp(`/visits/${visitId}/consult$`))
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  expect(await answersOf(visitId)).toEqual([
    { code: 'diabetes', answer: 'no' },
    { code: 'isotretinoin', answer: 'yes' },
    { code: 'pregnancy', answer: 'unknown' },
  ])
})

test('who may not write answers down hands nothing over, and is not caught in it', async ({
  page,
}) => {
  const address = await freshVisit()
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill('tamsin@saltgrass.example')
  await page.getByLabel('Password').fill(PASSWORD)
  await button(page, 'Sign in').click()
  await expect(button(page, 'Book a visit')).toBeVisible()
  await page.goto(`${address}/consult`)
  await expect(page.getByRole('link', { name: 'Read the skin' })).toBeVisible()
  await expect(button(page, 'Hand to the client')).toHaveCount(0)
})

/** A visit on an enrolled tablet, begun, at its close. */
async function atClose(page: Page) {
  await page.clock.install({ time: morning() })
  await enterTablet(page)
  await open(page, await freshVisit())
  await readAsIs(page)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await primary(page).click()
  await expect(page.getByText(/^Saved$/)).toBeVisible()
  await page.getByRole('link', { name: 'Back to Prepare' }).click()
  await stage(page, 'Close')
}

test('a visit is signed with the PIN', async ({ page }) => {
  await atClose(page)
  await button(page, 'Sign and lock').click()
  await noFaults(page, 'signing')
  await typePin(page, '9999', 'Sign')
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not the PIN')
  await typePin(page, PIN, 'Sign')
  await expect(page.getByText(/^Signed by/)).toBeVisible()
})

test('without a network, and read anew, it is still signed with the PIN; it is checked on arrival', async ({
  page,
  context,
}) => {
  await atClose(page)
  await offlineReady(page)
  await context.setOffline(true)
  await page.reload()
  await button(page, 'Sign and lock').click()
  await typePin(page, PIN, 'Sign')
  await expect(page.getByText('Signed on this tablet.')).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText(/^Signed by/)).toBeVisible()
  await expect(page.getByText('to be confirmed by password')).toHaveCount(0)
})

test('called off in the middle of Perform, what it had not sent waits for the owner', async ({
  page,
  browser,
}) => {
  await page.clock.install({ time: morning() })
  const tabletId = await enterTablet(page)
  const visitId = await begun(page)
  await page.route('**/api/visits/*/events', (route) => route.fulfill({ status: 503, body: '{}' }))
  await button(page, 'More …').click()
  await page.getByRole('textbox', { name: 'Note' }).fill('Nose a little dry')
  await button(page, 'Keep it').click()
  await expect(page.getByText(/1 kept on this tablet/)).toBeVisible()

  const other = await browser.newContext({ baseURL: new URL(page.url()).origin })
  const owner = await other.newPage()
  await owner.request.post('/api/session', {
    data: { email: 'maren@saltgrass.example', password: PASSWORD },
  })
  expect((await owner.request.delete(`/api/tablets/${tabletId}`)).status()).toBe(204)
  await page.unrouteAll()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expect(page.getByText(MAREN)).toHaveCount(0)
  await owner.goto('/waiting')
  await expect(async () => {
    await owner.reload()
    await expect(owner.getByText('Nose a little dry')).toBeVisible({ timeout: 3000 })
  }).toPass()
  expect(await notesOf(visitId)).toBe(0)
  await owner.getByRole('button', { name: 'Take in' }).first().click()
  await expect.poll(() => notesOf(visitId)).toBe(1)
  await other.close()
})
