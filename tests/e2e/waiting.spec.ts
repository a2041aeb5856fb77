import { expect, test } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { OWNER, withDatabase } from '../api/http'
import { consultPart, freshVisit, noFaults, open, openAs, pass, onItsDay } from './steps'

const eventOf = (text: string) => ({
  ...{ id: randomUUID(), deviceId: 'tablet', seq: 1, wallMs: Date.now(), elapsedMs: 1 },
  body: { type: 'note', text },
})
/** A change that came sealed after its session had been called off. */
const waitingNote = async (visitId: string, text: string): Promise<void> => {
  await withDatabase((db) =>
    db.query(
      `INSERT INTO waiting_change (id, account_id, made_at, method, path, body, reason)
        SELECT $1, a.id, now() - interval '3 hours', 'POST', '/api/visits/' || $2 || '/events', $3,
          'The session that made it was called off.'
        FROM account a
        WHERE a.email = $4`,
      [randomUUID(), visitId, JSON.stringify({ events: [eventOf(text)] }), OWNER],
    ),
  )
}

for (const light of ['day', 'room'])
  test(`what came sealed waits for the owner, who takes it in or leaves it out (${light} light)`, async ({
    page,
  }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    const address = await freshVisit({ protocol: 'clarifying' })
    const visitId = address.split('/').at(-1)!
    await waitingNote(visitId, `A little warm on the left (${light})`)
    await waitingNote(visitId, `Not said by anybody (${light})`)
    await openAs(page, OWNER, '/')
    await page.getByRole('link', { name: /^Waiting for you: \d+$/ }).click()
    const list = page.getByRole('list', { name: 'Changes that wait' })
    const row = (words: string) => list.getByRole('listitem').filter({ hasText: words })
    await expect(row(`A little warm on the left (${light})`)).toContainText('was called off')
    await noFaults(page, `what waits, ${light}`)
    await row(`A little warm on the left (${light})`)
      .getByRole('button', { name: 'Take in' })
      .click()
    await expect(row(`A little warm on the left (${light})`)).toHaveCount(0)
    await row(`Not said by anybody (${light})`).getByRole('button', { name: 'Leave out' }).click()
    await expect(row(`Not said by anybody (${light})`)).toHaveCount(0)
    const { rows } = await withDatabase((db) =>
      db.query<{ text: string }>(
        `SELECT body ->> 'text' AS text FROM run_event WHERE visit_id = $1`,
        [visitId],
      ),
    )
    expect(rows).toEqual([{ text: `A little warm on the left (${light})` }])
  })

test('a change that the server will never take is set aside, told wherever one is, and goes when it was seen', async ({
  page,
}) => {
  await open(page, await onItsDay(page))
  // The network goes, an answer is given, and the visit is left.
  await page.route('**/api/visits/*/facts', (route) => route.abort())
  await consultPart(page, 'All allergens')
  await page.getByRole('button', { name: 'Papaya', exact: true }).click()
  await expect(page.getByText(/1 kept on this tablet/)).toBeVisible()
  await page.getByRole('link', { name: 'Rules' }).click()
  await page.unrouteAll()
  const detail = 'This visit is signed already. Add a check-in instead.'
  await page.route('**/api/visits/*/facts', (route) =>
    route.fulfill({
      status: 409,
      contentType: 'application/problem+json',
      body: JSON.stringify({ status: 409, code: 'locked', detail }),
    }),
  )
  await pass(page, 0.2)
  const told = page.getByRole('alert').filter({ hasText: 'One change was not taken' })
  await expect(told).toContainText(detail)
  await page.reload()
  await pass(page, 0.2)
  await expect(told).toContainText(detail)
  await noFaults(page, 'set aside')
  await told.getByRole('button', { name: 'Seen: it may go' }).click()
  await expect(told).toHaveCount(0)
  await page.reload()
  await pass(page, 0.2)
  await expect(page.getByRole('link', { name: 'Rules' })).toBeVisible()
  await expect(told).toHaveCount(0)
})
