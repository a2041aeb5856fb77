import { expect, test, type Page } from '@playwright/test'
import { freshVisit, noFaults, onItsDay, open, pass, primary, stage, startTheVisit } from './steps'
import { performWhile } from './performing'
import { withDatabase } from '../api/http'

// Two clients in two rooms, one pair of hands.

const others = (page: Page) => page.getByRole('list', { name: 'Other rooms' })
const changeOver = (page: Page) => others(page).getByRole('button', { name: /^Change over to/ })
const sheet = (page: Page) => page.getByRole('dialog', { name: 'Change over' })
const logOf = (address: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ body: { type: string; bell?: true } }>(
      `SELECT body FROM run_event WHERE visit_id = $1 AND body ->> 'type' IN ('left', 'came', 'resume') ORDER BY wall_ms, seq`,
      [address.split('/').at(-1)],
    )
    return rows.map(({ body }) => `${body.type}${body.bell ? ' with the bell' : ''}`)
  })
/** The tray laid, so that it is fitted and can begin. */
async function laid(page: Page, address: string) {
  await open(page, address)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
}

/** Begun, and performed until the mask is on. */
async function underTheMask(page: Page, address: string) {
  await open(page, address)
  await startTheVisit(page)
  await expect(others(page)).toContainText('not begun, booked for')
  const isOn = async () => (await primary(page).innerText()) === 'Done: Clay mask, boosted'
  await performWhile(page, isOn)
  await primary(page).click()
}

/** Two visits in turn, both fitted; here a mask lies. */
async function maskHere(page: Page) {
  const here = await onItsDay(page, { protocol: 'three-serum' })
  const there = await freshVisit({ protocol: 'hydrating', inTurnWith: here })
  await laid(page, there)
  await underTheMask(page, here)
  return { here, there }
}

test('while a mask lies in one room hands go to the other, with the bell, washed and gloved; each room shows the other’s next due time', async ({
  page,
}) => {
  const { here, there } = await maskHere(page)

  await changeOver(page).click()
  await expect(sheet(page)).toContainText('Clay mask, boosted comes off in')
  await noFaults(page, 'change over')
  await sheet(page)
    .getByRole('button', { name: /^The call bell is within reach: go to/ })
    .click()
  await expect(page).toHaveURL(`${there}/perform`)
  await expect(others(page)).toContainText('Clay mask, boosted comes off in')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await pass(page, 4)
  await expect.poll(() => logOf(here)).toEqual(['left with the bell'])
  await noFaults(page, 'the other room')

  // Back before it is due: hands are washed first, then it goes on where it stood.
  await pass(page, 5)
  await changeOver(page).click()
  await sheet(page).getByRole('button', { name: /go to/i }).click()
  await expect(page).toHaveURL(`${here}/perform`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wash your hands, new gloves')
  await primary(page).click()
  await expect(primary(page)).toHaveText(/^(Hold|Take off): Clay mask, boosted/)
  await expect.poll(() => logOf(here)).toEqual(['left with the bell', 'came', 'resume'])
  await expect.poll(() => logOf(there)).toEqual(['left'])
  await expect(others(page)).toContainText('waits for your hands')

  // Once it is due, it comes off before anybody leaves.
  await pass(page, 4)
  await changeOver(page).click()
  const go = sheet(page).getByRole('button', { name: /go to/i })
  await expect(go).toHaveAttribute('aria-disabled', 'true')
  await go.click({ force: true })
  await expect(
    page.getByText(/^Clay mask, boosted comes off first: free at \d\d:\d\d\./),
  ).toBeVisible()
  await sheet(page).getByRole('button', { name: 'Stay' }).click()
  await expect(page).toHaveURL(`${here}/perform`)
})

test('an answer that comes back late for the room that was left changes nothing in the other', async ({
  page,
}) => {
  const { here, there } = await maskHere(page)
  let isBack = false
  await page.route(`**/api${here}/events`, async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 2500))
    await route.continue()
    isBack = true
  })
  await changeOver(page).click()
  await sheet(page).getByRole('button', { name: /go to/i }).click()
  await expect(page).toHaveURL(`${there}/perform`)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect.poll(() => isBack).toBe(true)
  await pass(page, 0.2)
  await expect(primary(page)).toHaveText(/^(Begin|Done): /)
  await expect(others(page)).toContainText('Clay mask, boosted comes off in')
  await page.unrouteAll({ behavior: 'wait' })
})

test('a client who is there and not fitted yet is a line too: hands go to consult, and rest here meanwhile', async ({
  page,
}) => {
  const here = await onItsDay(page, { protocol: 'three-serum' })
  const there = await freshVisit({ protocol: 'hydrating', inTurnWith: here })
  await open(page, here)
  await startTheVisit(page)
  await expect(others(page)).toContainText('not fitted yet, booked for')
  await changeOver(page).click()
  await sheet(page).getByRole('button', { name: /go to/i }).click()
  await expect(page).toHaveURL(`${there}/consult`)
  await expect.poll(() => logOf(here)).toEqual(['left'])
  await page.goto(`${here}/perform`)
  await expect(primary(page)).toHaveText('Back to this client')
  await primary(page).click()
  await expect(primary(page)).toHaveText('Hands washed, gloves new: go on')
})
