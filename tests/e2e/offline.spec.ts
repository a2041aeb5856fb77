import { expect, test, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { OWNER, signedIn, withDatabase, type Person } from '../api/http'
import { holds, performWhile } from './performing'
import {
  answer,
  dayAt,
  enterStudio,
  noFaults,
  offlineReady,
  onBoard,
  onItsDay,
  open,
  openVisit,
  panel,
  primary,
  pass,
  readAsIs,
  stage,
  startTheVisit,
} from './steps'

/** How often something of a visit is in the database. */
const countsOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<Record<string, unknown>>(
      `SELECT v.stage,
        v.prep ->> 'size' AS size,
        (SELECT count(*)::int FROM reading WHERE visit_id = v.id) AS readings,
        (SELECT count(*)::int FROM tray_tick WHERE visit_id = v.id) AS ticks,
        (SELECT string_agg(answer, ' ' ORDER BY recorded_at) FROM health_fact WHERE client_id = v.client_id AND code = 'pregnancy') AS told,
        (SELECT count(*)::int FROM outcome WHERE visit_id = v.id) AS signed,
        (SELECT count(*)::int FROM run_event WHERE visit_id = v.id) AS said,
        (SELECT count(*)::int FROM run_event WHERE visit_id = v.id AND body ->> 'type' IN ('start', 'finish')) AS ends,
        (SELECT note FROM outcome WHERE visit_id = v.id) AS note,
        (SELECT faults FROM fitted_plan WHERE visit_id = v.id ORDER BY revision DESC LIMIT 1) AS faults
      FROM visit v WHERE v.id = $1`,
      [visitId],
    )
    return rows[0]!
  })
const NOTHING = { stage: 'open', readings: 0, ticks: 0, told: null, signed: 0, said: 0 }

/** What breaks on a page without a network, as somebody at the tablet would not see it. */
function breaks(page: Page): string[] {
  const errors: string[] = []
  page.on('pageerror', ({ message }) => errors.push(message))
  return errors
}

/** Signs without a network; the tablet still knows it when it comes up anew. */
async function signHere(page: Page) {
  await page.getByLabel('Note').fill('Nobody was there but us')
  await page.getByRole('button', { name: 'Sign and lock' }).click()
  await expect(page.getByText('Signed on this tablet.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('Signed on this tablet.')).toBeVisible()
  await expect(page.getByLabel('Note')).toHaveValue('Nobody was there but us')
}

test('a whole visit without a network, from Consult to the signature, is sent later, once', async ({
  page,
  context,
}) => {
  test.setTimeout(300_000)
  const address = await onItsDay(page, { protocol: 'brightening', open: ['pregnancy'] })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await offlineReady(page)
  const errors = breaks(page)
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByRole('status').filter({ hasText: 'No connection' })).toContainText(
    'as this tablet had it at 07:5',
  )
  await answer(page, 'pregnancy', 'No')
  await readAsIs(page)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await page.getByRole('radio', { name: 'large' }).click()
  await page.getByRole('checkbox').first().click()
  // Read anew in between: nothing of it is lost here either.
  await page.reload()
  await expect(page.getByRole('radio', { name: 'large' })).toBeChecked()
  await expect(page.getByRole('checkbox').first()).toBeChecked()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  const seen = new Set<string>()
  await performWhile(page, () => holds(page, seen))
  await primary(page).click()
  await expect(page).toHaveURL(`${address}/close`)
  const times = await page.getByRole('row').allInnerTexts()
  expect(times.slice(1).filter((row) => !/[\d½] min$/.test(row.trim()))).toEqual([])
  await signHere(page)
  expect(await countsOf(visitId)).toMatchObject(NOTHING)

  await context.setOffline(false)
  await expect.poll(() => countsOf(visitId).then(({ signed }) => signed)).toBe(1)
  const there = await countsOf(visitId)
  expect(there).toMatchObject({
    ...{ stage: 'closed', size: 'L', readings: 1, ticks: 1, told: 'yes no', signed: 1, ends: 2 },
    ...{ note: 'Nobody was there but us', faults: [] },
  })
  await page.reload()
  await expect(page.getByText(/Signed by Anneke Vask/)).toBeVisible()
  await expect(page.getByText('One change was not taken.')).toHaveCount(0)
  expect(await countsOf(visitId)).toEqual(there)
  expect(errors).toEqual([])
})

/** Which visits lie on the tablet, by their ids; nothing but that can be read of them. */
const laidByHere = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve) => {
        const asked = indexedDB.open('zen-held')
        asked.onsuccess = () => {
          const keys = asked.result.transaction('drafts').objectStore('drafts').getAllKeys()
          keys.onsuccess = () => {
            asked.result.close()
            const names = keys.result.filter((key) => typeof key === 'string')
            resolve(names.flatMap((name) => (/^visit-(.+)$/.exec(name) ?? []).slice(1)))
          }
        }
      }),
  )

test('from the opening of the day the tablet has its own visits, sealed, before anybody opened them', async ({
  page,
  context,
}) => {
  await enterStudio(page)
  await offlineReady(page)
  await page.goto('/')
  await expect(onBoard(page, 'Wren Castellane')).toBeVisible()
  const laidBy = async () => (await laidByHere(page)).length
  await expect.poll(laidBy, { timeout: 30_000 }).toBeGreaterThan(0)
  let known = 0
  await expect
    .poll(
      async () => {
        const before = known
        known = await laidBy()
        return known === before
      },
      { intervals: [1500] },
    )
    .toBe(true)
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByRole('alert').first()).toContainText(
    'No connection. This is the day as this tablet had it at',
  )
  await openVisit(page, 'Wren Castellane')
  await expect(panel(page)).not.toContainText('Fitting …')
  await expect(page.getByRole('status').filter({ hasText: 'No connection' })).toBeVisible()
  // What needs the server says so.
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Which card?' }).click()
  await expect(page.getByRole('dialog')).toContainText('No connection')
})

test('what was laid by is gone after a day, also where somebody works on', async ({ page }) => {
  const address = await onItsDay(page)
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await expect.poll(() => laidByHere(page)).toContain(visitId)
  for (const hours of [13, 26]) {
    await page.clock.setSystemTime(
      new Date(Date.parse(`${await dayAt(address)}T07:55:00Z`) + hours * 3_600_000),
    )
    await page.goto('/')
    await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
    const isThere = expect.poll(async () => (await laidByHere(page)).includes(visitId))
    await isThere.toBe(hours < 24)
  }
})

/** What somebody else sees on the skin meanwhile. */
async function readElsewhere(other: Person, visitId: string) {
  const finding = { kind: 'patchy-pigment', grade: 2, zones: ['forehead'] }
  const reading = { done: true, findings: [finding], lesions: [], meters: [] }
  const body = { id: randomUUID(), reading }
  expect((await other.ask('PUT', `/api/visits/${visitId}/reading`, body)).status).toBe(204)
}

/** Two tablets of one visit: what the one is told without a network, the other is told otherwise meanwhile. */
test('what was changed elsewhere meanwhile is shown side by side, and neither goes over the other', async ({
  page,
  context,
}) => {
  const address = await onItsDay(page, { protocol: 'brightening', open: ['pregnancy'] })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await offlineReady(page)
  await context.setOffline(true)
  await answer(page, 'pregnancy', 'No')
  await readAsIs(page)
  await expect(page.getByText(/kept (?:here|on this tablet)/)).toBeVisible()

  const other = await signedIn(OWNER)
  const askedOn = await dayAt(address)
  const fact = { code: 'pregnancy', answer: 'yes', askedOn }
  const facts = [{ id: randomUUID(), fact, seen: null }]
  expect((await other.ask('POST', `/api/visits/${visitId}/facts`, { facts })).status).toBe(204)
  await readElsewhere(other, visitId)

  await context.setOffline(false)
  const both = page.getByRole('alert', { name: 'Said differently on two tablets' })
  await expect(both).toContainText('The reading of the skin')
  await expect(both).toContainText('read, nothing to note')
  await expect(both).toContainText('not known until it is asked again')
  await noFaults(page, 'both sides')
  // No tray is laid for a skin of which two say different things.
  await stage(page, 'Fit')
  await expect(page.getByText('First say above which of the two stands.')).toBeVisible()
  await both.getByRole('button', { name: 'What stands elsewhere stays' }).click()
  await expect(both).not.toContainText('The reading of the skin')
  await both.getByRole('button', { name: /^no/ }).click()
  await expect(both).toHaveCount(0)
  await stage(page, 'Read skin')
  await expect(page.getByRole('button', { name: /pigment.*, seen$/ })).toBeVisible()
  expect((await countsOf(visitId)).told).toBe('yes yes no unknown no')
})

test('when the network is back in the middle of a visit, what was known elsewhere fits the rest again', async ({
  page,
  context,
}) => {
  const address = await onItsDay(page, { protocol: 'brightening' })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await offlineReady(page)
  await context.setOffline(true)
  await readAsIs(page)
  await startTheVisit(page)
  await pass(page, 1)
  const other = await signedIn(OWNER)
  const askedOn = await dayAt(address)
  const fact = { code: 'allergy:pineapple', answer: 'yes', reaction: 'rash', askedOn }
  const told = { facts: [{ id: randomUUID(), fact }] }
  expect((await other.ask('POST', `/api/visits/${visitId}/facts`, told)).status).toBe(204)

  await readElsewhere(other, visitId)

  await context.setOffline(false)
  await expect(page.getByText('Fitted again from now')).toBeVisible()
  await expect(page.getByRole('link', { name: 'Said differently on two tablets' })).toBeVisible()
  await expect(page.getByLabel('Today’s stops')).toContainText('No pineapple')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  // The ladder that was performed so far stays, with what differed; the newest one has no fault.
  const plans = () =>
    withDatabase(async (db) => {
      const { rows } = await db.query<{ n: number }>(
        `SELECT cardinality(faults) AS n FROM fitted_plan WHERE visit_id = $1 ORDER BY revision`,
        [visitId],
      )
      return rows.map(({ n }) => (n > 0 ? 'differs' : 'holds'))
    })
  await expect.poll(plans).toEqual(['differs', 'holds'])
})
