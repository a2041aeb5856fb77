import { expect, test } from '@playwright/test'
import { OWNER, signedIn, withDatabase } from '../api/http'
import { newClient } from '../api/new-client'
import { signed } from '../api/signed'
import { noFaults, openAs } from './steps'

test('a lot is called back: who was treated with it, and the visit it was', async ({ page }) => {
  await signedIn(OWNER)
  const client = await newClient()
  const visitId = await signed(client)
  const { rows } = await withDatabase((db) =>
    db.query<{ lot: string }>('SELECT lot FROM visit_use WHERE visit_id = $1', [visitId]),
  )
  const { lot } = rows[0]!
  await openAs(page, 'maren@saltgrass.example', '/shelf/oat-mask')
  const batches = page.getByRole('region', { name: 'Batches' })
  await batches
    .getByRole('group', { name: `Batch ${lot}` })
    .getByRole('button', { name: 'Who had it' })
    .click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('status')).toContainText(`Lot ${lot}:`)
  await expect(dialog.getByRole('row', { name: new RegExp(client) })).toContainText('Oat')
  await noFaults(page, 'who had a lot')
  await dialog.getByLabel('Lot, as it stands').fill('nobody had this')
  await dialog.getByRole('button', { name: 'Find' }).click()
  await expect(dialog.getByRole('status')).toContainText('Nobody, as far as it was written down.')
  await dialog.getByLabel('Lot, as it stands').fill(lot)
  await dialog.getByRole('button', { name: 'Find' }).click()
  await dialog.getByRole('link', { name: client }).click()
  await expect(page.getByRole('heading', { name: client })).toBeVisible()
  await expect(page.getByRole('complementary', { name: 'The visit' })).toBeVisible()
})
