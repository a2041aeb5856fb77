import { expect, test } from '@playwright/test'
import sharp from 'sharp'
import { withDatabase } from '../api/http'
import {
  consultPart,
  freshVisit,
  noFaults,
  offlineReady,
  open,
  paint,
  panel,
  pass,
  performUntil,
  primary,
  signWithAPen,
  stage,
  onItsDay,
} from './steps'

/** Ladders of a run that the server did not take, or put in a tablet's place. */
const fittedByTheServer = async (address: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query(
      `SELECT e.id
        FROM run_event e
          LEFT JOIN fitted_plan p ON p.id = e.id
        WHERE e.visit_id = $1
          AND e.body ->> 'type' = 'replanned'
          AND (p.id IS NULL OR e.device_id = 'server')`,
      [address.split('/').at(-1)],
    )
    return rows
  })

test('the lamp reading in the middle of a visit fits the rest again, offline too and after a reload', async ({
  page,
  context,
}) => {
  await page.addInitScript(() => localStorage.setItem('zen-light', 'room'))
  const address = await onItsDay(page, { protocol: 'clarifying' })
  await open(page, address)
  await stage(page, 'Fit')
  await expect(page.getByText('Perhaps', { exact: true })).toBeVisible()
  await expect(page.getByRole('main')).toContainText(/\d+–\d+/)
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('group', { name: 'Extraction, nose and chin' })).toContainText(
    'perhaps, if the lamp shows congestion',
  )
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  const ladder = page.getByRole('group', { name: /^Ladder/ })
  await performUntil(page, 'Look under the lamp')
  await expect(ladder).toContainText('Steam')
  await offlineReady(page)
  await context.setOffline(true)
  await pass(page, 5)
  // A gate waits: the clock alone never ends it.
  await expect(primary(page)).toHaveText('Read the skin')
  await primary(page).click()
  const overlay = page.getByRole('dialog')
  await paint(page, 'Patchy pigment', 2, 'cheeks')
  await noFaults(page, 'the lamp reading')
  await page.reload()
  await expect(primary(page)).toHaveText('Read the skin')
  await primary(page).click()
  await expect(overlay.getByRole('list', { name: 'Seen today' })).toContainText('Patchy pigment')
  await overlay.getByRole('button', { name: 'Read: fit the rest from now' }).click()
  const again = page.getByRole('region', { name: 'Fitted again' })
  for (const words of ['Steam left out', 'Extraction, nose and chin left out'])
    await expect(again).toContainText(words)
  for (const gone of ['Steam', 'Extraction']) await expect(ladder).not.toContainText(gone)
  await expect(page.getByLabel('Today’s stops')).toContainText('Pigment-prone skin')
  await expect(page.getByText(/kept on this tablet/)).toBeVisible()
  await page.reload()
  await expect(ladder).not.toContainText('Steam')
  await context.setOffline(false)
  await pass(page, 0.2)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  expect(await fittedByTheServer(address)).toEqual([])
})

test('a quick check that stings takes its product out of what is to come', async ({ page }) => {
  await open(page, await onItsDay(page, { protocol: 'acid' }))
  await stage(page, 'Fit')
  const changes = page.getByRole('list', { name: 'Changes' })
  await expect(changes).toContainText('Glycolic peel → Mandelic Slow Peel')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('group', { name: 'Quick check behind the ear' })).toContainText(
    'cotton buds',
  )
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await performUntil(page, 'Quick check behind the ear')
  await pass(page, 2)
  await expect(primary(page)).toHaveText('Stays calm')
  await page.getByRole('button', { name: 'It stings' }).click()
  await expect(page.getByRole('region', { name: 'Fitted again' })).toContainText(
    /Mandelic Slow Peel → |Glycolic peel → (?!Mandelic)|Glycolic peel left out/,
  )
  await expect(page.getByRole('group', { name: /^Ladder/ })).not.toContainText('Mandelic')
})

test('undo, last visit laid under, grades by key, meters from the probe, what a word rests on', async ({
  page,
}) => {
  await open(page, await freshVisit())
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: 'Dehydrated, lacks water', exact: true }).click()
  const map = page.getByRole('group', { name: /^Map, / })
  await map.getByRole('button', { name: 'forehead', exact: true }).focus()
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  const seen = page.getByRole('list', { name: 'Seen today' })
  await expect(seen).toContainText(/Dehydrated, lacks water 2 of 4/)
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(
    map.getByRole('button', { name: 'forehead, dehydrated, lacks water 2', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true')
  await expect(map.locator('[aria-pressed="true"]')).toHaveCount(1)
  await page.getByText('What each word rests on').click()
  await expect(page.getByRole('main')).toContainText(/dehydrated.*forehead/i)
  await page.getByRole('tab', { name: 'Meters' }).click()
  await map.getByRole('button', { name: /^chin/ }).click()
  await page.getByRole('button', { name: 'Read with the probe' }).click()
  await expect(page.getByText('Steady')).toBeVisible()
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('row', { name: /Hydration ?probe chin \d/ })).toBeVisible()
  await page.getByLabel('Hydration, 0 to 100').fill('480')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText(
    'Hydration is between 0 and 100; “480” is not.',
  )
})

test('photographs: consent first, no fake, none of 30 MB, then two side by side', async ({
  page,
}) => {
  await open(page, await freshVisit())
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: /^Photographs/ }).click()
  await expect(page.getByText('need the client’s signature first')).toBeVisible()
  await expect(page.getByLabel('Photograph', { exact: true })).toBeDisabled()
  await stage(page, 'Consult')
  await consultPart(page, 'Consent')
  await page
    .getByRole('region', { name: 'Consent' })
    .getByRole('listitem')
    .filter({ hasText: 'record' })
    .getByRole('button', { name: 'Sign …' })
    .click()
  await signWithAPen(page)
  await page.getByRole('button', { name: 'Keep the signature' }).click()
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: /^Photographs/ }).click()
  const file = page.getByLabel('Photograph', { exact: true })
  const give = async (buffer: Buffer, name = 'face.jpg') => {
    await file.setInputFiles({ name, mimeType: 'image/jpeg', buffer })
    await page.getByRole('button', { name: 'Keep it' }).click()
  }
  await give(Buffer.from('not a picture'))
  await expect(page.getByRole('alert')).toContainText('no photograph that can be read')
  await page.getByRole('button', { name: 'Take again' }).click()
  await give(Buffer.alloc(30 * 1024 * 1024, 7))
  await expect(page.getByRole('alert')).toContainText(/at most \d+ MB are taken/i)
  await page.getByRole('button', { name: 'Take again' }).click()
  const face = (background: string) =>
    sharp({ create: { width: 600, height: 800, channels: 3, background } })
      .jpeg()
      .toBuffer()
  await give(await face('#c99f7d'))
  await expect(page.getByRole('button', { name: /, start/ })).toHaveCount(1)
  await page.getByRole('radio', { name: 'End of the visit' }).click()
  await give(await face('#d4a98b'))
  await expect(
    page.getByRole('group', { name: 'Choose two to compare' }).getByRole('button'),
  ).toHaveCount(2)
  await page.getByRole('radio', { name: 'Slide over' }).click()
  await page.getByRole('slider', { name: 'Slide between the two' }).fill('20')
  await expect(page.getByRole('button', { name: 'Keep it' })).toHaveCount(0)
  await expect(panel(page)).toBeVisible()
})
