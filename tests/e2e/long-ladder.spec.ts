import { expect, test, type Page } from '@playwright/test'
import { noFaults, openAs } from './steps'

// A client's record as a ladder: months of visits to scale, one told beside it, two held against each other.

const dayInWords = (daysAgo: number): string => {
  const day = new Date(Date.now() - daysAgo * 86_400_000)
  const month = new Intl.DateTimeFormat('en-US', { month: 'short', timeZone: 'UTC' }).format(day)
  return `${day.getUTCDate()} ${month} ${day.getUTCFullYear()}`
}
const visit = (page: Page, daysAgo: number) =>
  page.getByRole('button', { name: new RegExp(`^${dayInWords(daysAgo)}`) })
const told = (page: Page) => page.getByRole('complementary', { name: 'The visit' })

async function openRecord(page: Page, email = 'maren@saltgrass.example', name = 'Isaura') {
  await openAs(page, email, '/clients')
  await page.getByPlaceholder(/name/i).first().fill(name)
  await page.getByText(`${name} `).first().click()
}

test('months of visits on one page: what was felt, what the skin answered, what the next visit made of it, what moved', async ({
  page,
}) => {
  await openRecord(page)
  await expect(told(page)).toContainText(dayInWords(31))
  await expect(told(page)).toContainText('Much brighter under the lamp')
  await expect(told(page)).toContainText(/pigment falls, about one grade in \w+ visits \(cheeks\)/)
  await visit(page, 101).click()
  await expect(told(page)).toContainText('redness 3 of 4 for 40 h')
  await expect(told(page)).toContainText('stinging at 2 min, more than expected')
  await expect(told(page)).toContainText('Acid strength 2 → 1:')
  await visit(page, 101).press('ArrowDown')
  await expect(visit(page, 66)).toBeFocused()
  await expect(told(page)).toContainText('2 emptied, 1 left')
  await expect(page.getByRole('region', { name: 'Long ladder' })).toContainText('Doxycycline to')
  await expect(page.getByRole('region', { name: 'Long ladder' })).toContainText('not liked')
  // Older quarters are a line each until they are touched.
  await expect(visit(page, 422)).toHaveCount(0)
  await page
    .getByRole('button', { name: /, 2 visits|, 1 visit/ })
    .first()
    .click()
  await expect(visit(page, 422)).toHaveCount(1)
  await visit(page, 422).click()
  await expect(told(page)).toContainText(dayInWords(422))
  await page.reload()
  await expect(told(page)).toContainText(dayInWords(422))
  // An address leads to its visit, folded or not.
  await expect(visit(page, 422)).toBeInViewport()
})

for (const light of ['day', 'room'])
  test(`two visits held against each other: map, rungs, photographs (${light} light)`, async ({
    page,
  }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    await openRecord(page)
    await visit(page, 206).click()
    await expect(told(page)).toContainText('After')
    await noFaults(page, `${light} long ladder`)
    await page.getByRole('button', { name: 'Hold against …' }).click()
    await visit(page, 31).click()
    const two = page.getByRole('region', { name: 'Two visits' })
    await expect(two).toContainText('pigment, cheeks: 3, then 1')
    await expect(two.getByRole('img', { name: /pigment: .*3/ })).toBeVisible()
    await expect(two.getByRole('img', { name: /, start, ring lamp/ })).toHaveCount(2)
    await expect(two.getByRole('row', { name: /First cleanse .* First cleanse/ })).toBeVisible()
    await expect(two).not.toContainText('Not read in the same light')
    await noFaults(page, `${light} two visits`)
    await page.getByRole('button', { name: 'Back to the ladder' }).click()
    await page
      .getByRole('button', { name: /, 2 visits|, 1 visit/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Hold against …' }).click()
    await visit(page, 422).click()
    await expect(two).toContainText('Not read in the same light')
  })

test('whoever books sees when somebody comes, and no ladder', async ({ page }) => {
  await openRecord(page, 'desk@saltgrass.example')
  await expect(page.getByRole('region', { name: 'Visits' })).toBeVisible()
  const parts = page.getByRole('navigation', { name: 'Parts of the record' }).getByRole('link')
  await expect(parts).toHaveText(['Visits'])
  await expect(page.getByText('Pigment')).toHaveCount(0)
})
