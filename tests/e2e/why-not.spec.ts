import { expect, test } from '@playwright/test'
import { OWNER } from '../api/http'
import { noFaults, onItsDay, open, openAs, primary, stage } from './steps'

// What cannot be done now says why where it is touched, by finger and by key, and does nothing.

test('a control that waits says why, and nothing is sent', async ({ page }) => {
  await open(page, await onItsDay(page))
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await expect(primary(page)).toHaveText('Start the visit')
  const stings = page.getByRole('button', { name: /^Stings/ })
  await expect(stings).toBeDisabled()
  await expect(stings).toHaveAccessibleDescription(
    'Nothing is on the skin before the visit has begun.',
  )
  await stings.click({ force: true })
  await expect(page.getByText('Nothing is on the skin before the visit has begun.')).toBeVisible()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await noFaults(page, 'a reason shown')
  await primary(page).click()
  await expect(stings).toBeEnabled()
  await expect(stings).not.toHaveAttribute('title', /./)
})

test('a form that lacks something is not sent by Enter either', async ({ page }) => {
  await openAs(page, OWNER, '/settings/hours')
  const name = page.getByRole('textbox', { name: 'Name of another room' })
  await expect(name).toBeVisible()
  const sent: string[] = []
  page.on('request', (request) => {
    if (request.method() !== 'GET') sent.push(request.url())
  })
  await name.fill('   ')
  await name.press('Enter')
  await expect(page.getByText('Type the name of the room first.')).toBeVisible()
  expect(sent).toEqual([])
})
