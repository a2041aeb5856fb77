import { randomUUID } from 'node:crypto'
import { expect, test } from '@playwright/test'
import { OWNER } from '../api/http'
import { noFaults, openAs } from './steps'

// A house with two salons: opened in Settings, gone over to by the menu under one's name, and back.

test('a branch is opened, gone over to, and given people of this salon', async ({ page }) => {
  const name = `Saltgrass ${randomUUID().slice(0, 6)}`
  await openAs(page, OWNER, '/settings/branches')
  await expect(page.getByRole('button', { name: 'Open the branch' })).toBeDisabled()
  await expect(page.getByText('Its name is missing')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Name', { exact: true }).blur()
  await noFaults(page, 'opening a branch')
  await page.getByRole('button', { name: 'Open the branch' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'is open' })).toBeVisible()
  await page
    .getByRole('list', { name: 'Other salons' })
    .getByRole('listitem')
    .filter({ hasText: name })
    .getByRole('button', { name: 'Go over' })
    .click()
  await expect(page.getByRole('navigation', { name: 'Places' })).toContainText(name)
  await expect(page.getByText('No visits on this day')).toBeVisible()
  await page.goto('/settings/people')
  await page.getByRole('button', { name: 'From another salon …' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('radio', { name: /^Anneke Vask/ }).click()
  await noFaults(page, 'somebody of another salon')
  await dialog.getByRole('button', { name: 'Works here too' }).click()
  await expect(page.getByRole('button', { name: /^Anneke Vask/ })).toBeVisible()
  await page.getByRole('button', { name: 'Maren Oduya-Lind', exact: true }).click()
  await page.getByRole('menuitem', { name: 'To Saltgrass Studio' }).click()
  await expect(page.getByRole('navigation', { name: 'Places' })).toContainText('Saltgrass Studio')
})
