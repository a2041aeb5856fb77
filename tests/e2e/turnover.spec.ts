import { expect, test, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { OWNER, signedIn } from '../api/http'
import { noFaults, onItsDay, open, pass, startTheVisit } from './steps'

// The room between two clients: a ladder of its own once the visit is over.

const room = (page: Page) => page.getByRole('region', { name: 'Turnover of the room' })
const task = (page: Page, words: RegExp) => room(page).getByRole('checkbox', { name: words })

/** Said by another tablet of the salon: the visit is over. */
async function over(page: Page, address: string) {
  const owner = await signedIn(OWNER)
  const wallMs = await page.evaluate(() => Date.now())
  const event = { id: randomUUID(), deviceId: 'another', seq: 0, wallMs, elapsedMs: 1 }
  const { status } = await owner.ask('POST', `/api${address}/events`, {
    events: [{ ...event, body: { type: 'finish' } }],
    clockMs: wallMs,
  })
  expect(status).toBe(200)
}

test('after the visit the room has its own ladder: what lies wet runs while hands do the rest, and it says when the room is free', async ({
  page,
}) => {
  const address = await onItsDay(page, { protocol: 'three-serum' })
  await open(page, address)
  await startTheVisit(page)
  await pass(page, 1)
  await over(page, address)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The visit is over')
  await expect(room(page)).toContainText(/Room free at \d\d:\d\d/)
  // Nothing was opened: no sharps.
  await expect(task(page, /^Sharps/)).toHaveCount(0)
  await noFaults(page, 'turnover')

  await task(page, /^Bowls, brushes and tools washed/).click()
  await expect(task(page, /^Bowls, brushes and tools washed/)).toContainText(
    /wet (9:5\d|10:00) more/,
  )
  await pass(page, 5)
  await expect(task(page, /^Bowls, brushes and tools washed/)).toContainText(/wet [45]:\d\d more/)
  // Touched once more it is to do again.
  await task(page, /^Bowls, brushes and tools washed/).click()
  await expect(task(page, /^Bowls, brushes and tools washed/)).not.toBeChecked()

  const left = room(page).getByRole('checkbox', { checked: false })
  for (let count = await left.count(); count > 0; count--) {
    await left.first().click()
    await expect(left).toHaveCount(count - 1)
  }
  await pass(page, 11)
  await expect(room(page)).toContainText('The room is free.')
  await page.goto(`${address}/close`)
  await expect(page.getByText('The room is turned over.')).toBeVisible()
})
