import { expect, test, type Page } from '@playwright/test'
import { freeSeat } from '../api/http'
import { answer, card, choose, consultPart, freshVisit, open, panel } from './steps'

async function owner(page: Page) {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill('maren@saltgrass.example')
  await page.getByLabel('Password').fill('quiet-tide')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
}
const detail = (page: Page) => page.getByRole('article', { name: /^Rule / })

test('browse, search, basis and source, and whom a rule touches', async ({ page }) => {
  await owner(page)
  await page.getByRole('link', { name: 'Rules' }).click()
  const rules = page.getByRole('list', { name: 'Rules' })
  await expect(rules.getByRole('listitem').first()).toBeVisible()
  await page.getByPlaceholder(/steam/).fill('pacemaker')
  await rules.getByRole('button', { name: /A01/ }).click()
  await expect(detail(page)).toContainText('Electronic implant')
  await expect(detail(page)).toContainText('common practice')
  await expect(detail(page)).toContainText('never')
  await expect(detail(page).getByRole('region', { name: 'Clients whom it touches' })).toContainText(
    'Ingrid Solvay',
  )
  await expect(detail(page).getByRole('button', { name: /Switch this advice/ })).toHaveCount(0)
  await page.getByPlaceholder(/steam/).fill('qqqq')
  await expect(rules).toContainText('No rule says that.')
})

test('the owner makes a window longer, never shorter than its floor, switches advice off; both come back', async ({
  page,
}) => {
  const address = await freshVisit({ protocol: 'acid' })
  await owner(page)
  await page.goto('/rules?rule=A07')
  const days = detail(page).getByLabel('Window in days')
  await expect(days).toHaveValue('5')
  await days.fill('1')
  await detail(page).getByRole('button', { name: 'Set', exact: true }).click()
  expect(await days.evaluate((input: HTMLInputElement) => input.validity.rangeUnderflow)).toBe(true)
  await days.fill('12')
  await detail(page).getByRole('button', { name: 'Set', exact: true }).click()
  await expect(
    page.getByRole('list', { name: 'Rules' }).getByRole('button', { name: /^A07 / }),
  ).toContainText('12')
  await open(page, address)
  await card(page, 'Medicines')
  await answer(page, 'Prescription retinoid or acid on the face', 'Yes')
  const stopped = page
    .getByRole('group', { name: 'Medicines', exact: true })
    .getByLabel('Stopped on (leave empty if still taken)')
    .last()
  await stopped.fill(new Date(Date.now() - 6 * 86_400_000).toISOString().slice(0, 10))
  await expect(panel(page)).toContainText('Glycolic peel left out')
  await page.goto('/rules?rule=A07')
  await detail(page).getByRole('button', { name: 'Back to 5' }).click()
  await expect(
    page.getByRole('list', { name: 'Rules' }).getByRole('button', { name: /^A07 / }),
  ).not.toContainText('12')
  await open(page, address)
  await expect(panel(page)).not.toContainText('Glycolic peel left out')
  await page.goto('/rules?rule=C16d')
  await detail(page).getByRole('button', { name: 'Switch this advice off' }).click()
  await expect(page.getByRole('list', { name: 'Rules' })).toContainText('advice off')
  await detail(page).getByRole('button', { name: 'Switch this advice on' }).click()
  await expect(page.getByRole('list', { name: 'Rules' })).not.toContainText('advice off')
})

test('a reason on Fit leads to its rule', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await card(page, 'Pregnancy')
  await answer(page, 'Pregnant or breast-feeding', 'Yes')
  await page.goto(page.url().replace('consult', 'fit'))
  await page
    .getByRole('list', { name: 'Changes' })
    .getByRole('link', { name: 'A04' })
    .first()
    .click()
  await expect(detail(page)).toContainText('Pregnant or breast-feeding')
})

test('a walk-in: name, birthday, twelve questions, a ladder', async ({ page }) => {
  const seat = await freeSeat()
  await owner(page)
  await page.getByRole('button', { name: 'Walk-in' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Invented Walk-in')
  await dialog.getByLabel('Born on').fill('1991-03-04')
  await choose(dialog, 'Room', seat.room)
  await choose(dialog, 'Practitioner', seat.practitioner)
  await dialog.getByRole('button', { name: 'Which card?' }).click()
  await expect(page.getByText(/\d+ cards fitted to this client/)).toBeVisible()
  await page.getByRole('button', { name: /^All \d+$/ }).click()
  await page.getByRole('button', { name: 'Take Quiet Tide brightening facial' }).click()
  await dialog.getByRole('button', { name: 'Ask the twelve questions' }).click()
  await expect(page).toHaveURL(/consult/)
  await expect(
    page.getByRole('region', { name: 'Twelve questions' }).getByRole('radiogroup'),
  ).toHaveCount(12)
  await expect(panel(page)).toContainText('Ask first')
  await page.getByRole('button', { name: 'All no' }).click()
  await answer(page, 'Epilepsy or seizures', 'Yes')
  await expect(panel(page)).toContainText(/min/)
  await consultPart(page, 'Goals')
  await expect(page.getByRole('main')).toContainText('Goals')
})
