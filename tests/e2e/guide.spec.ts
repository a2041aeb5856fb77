import { expect, test } from '@playwright/test'
import { readNothing } from './performing'
import { noFaults, open, pass, performUntil, stage, onItsDay } from './steps'

// What stands beside the clock: what with, where, how, at the second at which the hands need it.

test('each segment says what with, where and how; the bowl says what goes into it', async ({
  page,
}) => {
  await open(page, await onItsDay(page, { protocol: 'brightening' }))
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('group', { name: 'Kelp set mask' })).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  const main = page.getByRole('main')
  await expect(page.getByRole('img', { name: /^Where: eye area/ })).toBeVisible()
  await expect(main).toContainText('3 mL Two-Phase Eye Remover')
  // Its own line where it comes off, not that of putting on.
  await pass(page, 2.1)
  await expect(main).toContainText('4 gauze pads, lukewarm')
  await expect(main).toContainText('a clean side each time')
  await performUntil(page, 'Look under the lamp')
  await expect(main).toContainText('eyes covered, room dark')
  await readNothing(page)
  await performUntil(page, 'Pineapple enzyme mask')
  const bowl = page.getByRole('list', { name: 'Into the bowl' })
  await expect(bowl).toContainText('Pineapple Enzyme Powder')
  await expect(bowl).toContainText(/Water\s*12 mL, \d+ °C/)
  await noFaults(page, 'Perform at the bowl')
})
