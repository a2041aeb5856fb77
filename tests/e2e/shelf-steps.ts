import { expect, type Locator, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { enterStudio, onItsDay, open, readAsIs, stage } from './steps'

export const row = (page: Page, name: string): Locator =>
  page.getByRole('table', { name: 'Shelf' }).getByRole('row').filter({ hasText: name })
export const fresh = (word: string) => `${word} ${randomUUID().slice(0, 6)}`
export const openShelf = async (page: Page, part = '') => {
  await enterStudio(page)
  await page.goto(`/shelf${part}`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
}
/** Puts the new product on the shelf and waits until its own page is there. */
export async function putOnShelf(page: Page) {
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page).not.toHaveURL(/\/new$/)
  await expect(page.getByRole('region', { name: 'Batches' })).toBeVisible()
}
/** A visit of a client of its own, fitted, on Prepare. */
export async function onPrepare(page: Page, protocol: string): Promise<string> {
  const address = await onItsDay(page, { protocol })
  await open(page, address)
  await readAsIs(page)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  return address
}
