import { expect, test, type Page } from '@playwright/test'
import { doneBefore, freshVisit, open, panel, readAsIs, stage } from './steps'

// Rules that a careful practitioner objected to, as they stand in the running application. Common practice, no source.

/** Needling and blade are in her recorded scope. */
const IN_SCOPE = 'Maren Oduya-Lind'
const ladder = (page: Page) => page.getByRole('main')

test('the needling card is whole on normal skin, and needling stands alone', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'course-needling', practitioner: IN_SCOPE }))
  await readAsIs(page)
  await stage(page, 'Fit')
  await expect(ladder(page)).toContainText('Needling, 0.25 mm')
  await expect(page.getByRole('alert', { name: 'What is wrong with this ladder' })).toHaveCount(0)
  await expect(ladder(page)).not.toContainText('Needling, 0.25 mm left out')
  await expect(page.getByRole('button', { name: 'Prepare the tray' })).toBeEnabled()
})

test('dermaplaned by day: cream and mineral protection come after the blade', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'blade-ready', practitioner: IN_SCOPE }))
  await readAsIs(page)
  await stage(page, 'Fit')
  await expect(page.getByRole('alert', { name: 'What is wrong with this ladder' })).toHaveCount(0)
  await expect(ladder(page)).toContainText('Blade, on dry')
  await expect(ladder(page)).toContainText('Mineral cover')
  await expect(page.getByRole('button', { name: 'Prepare the tray' })).toBeEnabled()
})

test('a mild acid of our own nine days ago: cold globes and the enzyme as usual; a peel: cold globes still', async ({
  page,
}) => {
  const mild = await freshVisit()
  await doneBefore(mild, 9, { levers: [{ lever: 'acid', rung: 1 }], work: ['acid'], points: 1 })
  await open(page, mild)
  await expect(panel(page)).not.toContainText('left out')
  const peeled = await freshVisit()
  await doneBefore(peeled, 9, { levers: [{ lever: 'acid', rung: 4 }], work: ['acid'], points: 2 })
  await open(page, peeled)
  await expect(panel(page)).toContainText('Pineapple enzyme mask left out')
  await expect(panel(page)).not.toContainText('Cold globes left out')
})
