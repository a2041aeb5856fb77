import { expect, test } from '@playwright/test'
import { withDatabase } from '../api/http'
import { onItsDay, open, pass, primary, stage, startTheVisit } from './steps'

const typesOf = async (visitId: string): Promise<string[]> =>
  withDatabase(async (db) =>
    (
      await db.query<{ type: string }>(
        `SELECT body ->> 'type' AS type
            FROM run_event
            WHERE visit_id = $1
            ORDER BY seq`,
        [visitId],
      )
    ).rows.map(({ type }) => type),
  )

test('one entry that the server will never take does not hold up those behind it, and is told', async ({
  page,
}) => {
  const address = await onItsDay(page, { protocol: 'acid' })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  // As a server that finds something in the second entry, however often it comes.
  await page.route('**/api/visits/*/events', async (route) => {
    const { events } = route.request().postDataJSON() as { events: { seq: number }[] }
    const at = events.findIndex(({ seq }) => seq === 1)
    if (at === -1) return route.continue()
    const detail = 'Half a character stands here. Type it again.'
    const problem = { status: 400, code: 'half_character', detail, path: `events.${at}.body.text` }
    return route.fulfill({
      status: 400,
      contentType: 'application/problem+json',
      body: JSON.stringify(problem),
    })
  })
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect.poll(() => typesOf(visitId)).toEqual(['start'])
  for (let taps = 0; taps < 3; taps++) {
    await pass(page, 0.5)
    await primary(page).click()
  }
  await pass(page, 0.3)
  await expect.poll(() => typesOf(visitId)).toEqual(['start', 'finished', 'finished'])
  await expect(page.getByText(/One entry is on this tablet alone/)).toBeVisible()
  await page.reload()
  await expect(page.getByText(/One entry is on this tablet alone/)).toBeVisible()
})

test('a tap that the tablet cannot keep is not shown as if it were, and is told', async ({
  page,
}) => {
  await open(page, await onItsDay(page, { protocol: 'hydrating' }))
  await startTheVisit(page)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  const doing = page.getByRole('region', { name: 'At the hands' }).locator('p').first()
  const words = await doing.innerText()
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype
    const full = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    Object.assign(IDBObjectStore.prototype, { put: full })
    Object.assign(globalThis, {
      emptied: () => Object.assign(IDBObjectStore.prototype, { put }),
    })
  })
  await primary(page).click()
  await expect(page.getByText('This tablet could not keep what was tapped last.')).toBeVisible()
  await expect(doing).toHaveText(words)
  await page.evaluate(() => (globalThis as unknown as { emptied: () => void }).emptied())
  await primary(page).click()
  await expect(doing).not.toHaveText(words)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
})
