import { expect, test } from '@playwright/test'
import { copyOf } from './builder-steps'
import { answer, choose, chooseClient, freshVisit, noFaults, open, panel, stage } from './steps'

test('a card that loses what it is for says so first; another is taken in two touches', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'acid' }))
  await answer(page, 'isotretinoin', 'Yes')
  const lost = 'Without its main step today: Glycolic peel.'
  await expect(panel(page)).toContainText(lost)
  await stage(page, 'Fit')
  const verdict = page.getByRole('alert', { name: 'What is wrong with this ladder' })
  await expect(verdict).toContainText(lost)
  await expect(verdict).toContainText('Isotretinoin')
  await verdict.getByRole('button', { name: 'Other cards today' }).click()
  const cards = page.getByRole('list', { name: 'Cards, the best first' })
  await expect(page.getByRole('status')).toContainText(/\d+ cards fitted to this client/)
  await expect(cards.getByText('on this visit')).toBeVisible()
  await noFaults(page, 'which card')
  const best = cards.getByRole('listitem').first()
  const name = (await best.locator('p.text-lg').innerText()).trim()
  await best.getByRole('button', { name: `Take ${name}` }).click()
  await expect(page.getByRole('main')).toContainText(`${name}, fitted`)
  await expect(verdict).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Prepare the tray' })).toBeEnabled()
})

test('a booking can be made with a card that suits client, day and length', async ({ page }) => {
  await open(page, await freshVisit())
  await page.goto('/')
  await page.getByRole('button', { name: 'Book a visit' }).click()
  const dialog = page.getByRole('dialog').first()
  await expect(dialog.getByRole('button', { name: 'Which card?' })).toBeDisabled()
  await expect(dialog).toContainText('Choose client and practitioner first.')
  await chooseClient(dialog, 'Theo Lindqvist')
  await choose(dialog, 'Practitioner', 'Anneke Vask')
  await dialog.getByRole('button', { name: 'Which card?' }).click()
  await expect(page.getByText(/\d+ cards fitted to this client/)).toBeVisible()
  const best = page
    .getByRole('list', { name: 'Cards, the best first' })
    .getByRole('listitem')
    .first()
  const name = (await best.locator('p.text-lg').innerText()).trim()
  await best.getByRole('button', { name: `Take ${name}` }).click()
  await expect(page.getByLabel('Protocol', { exact: true }).first()).toHaveValue(name)
})

test('an enhancement of three products: built, fitted, and each of them laid out with its dose', async ({
  page,
}) => {
  const id = await copyOf(page, 'patches', 'Three on the lips')
  await page.getByText('Lip enhancement, three layers').first().click()
  await page.getByRole('button', { name: /^Take Quince Lip Mask out of/ }).click()
  await choose(page, /^One more product of/, 'Quince Lip Mask')
  await expect(page.getByRole('list', { name: 'With it, in the same step' })).toContainText(
    'with Quince Lip Mask',
  )
  await page.getByRole('button', { name: /^Publish version/ }).click()
  await page.getByLabel('What changed').fill('Quince last')
  await page.getByRole('button', { name: 'Publish', exact: true }).click()
  await expect(page.getByText('Version 1 is published.')).toBeVisible()
  await page.goto(`${await freshVisit({ protocol: id })}/skin`)
  await page.getByRole('button', { name: 'Nothing to note' }).click()
  await stage(page, 'Fit')
  await expect(page.getByRole('main')).toContainText('Lip enhancement, three layers')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  for (const name of ['Rowan Lip Oil', 'Berry Lip Mask', 'Quince Lip Mask'])
    await expect(page.getByRole('checkbox', { name: new RegExp(name) })).toBeVisible()
})
