import { expect, test, type Page } from '@playwright/test'
import { freeSeat } from '../api/http'
import { answer, askedGroup, choose, consultPart, freshVisit, open, panel } from './steps'

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
  await answer(page, 'retinoid-prescription', 'Yes')
  const stopped = page.locator('[data-detail="retinoid-prescription"]').getByLabel('Stopped on')
  const sixDaysAgo = new Date(Date.now() - 6 * 86_400_000).toISOString().slice(0, 10)
  // Not stopped, it is left out too: only the answer of the server says that the day was kept.
  await Promise.all([
    page.waitForResponse(
      (reply) => reply.ok() && !!reply.request().postData()?.includes(sixDaysAgo),
    ),
    stopped.fill(sixDaysAgo),
  ])
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
  await answer(page, 'pregnancy', 'Yes')
  await page.goto(page.url().replace('consult', 'fit'))
  await page
    .getByRole('list', { name: 'Changes' })
    .getByRole('link', { name: 'A04' })
    .first()
    .click()
  await expect(detail(page)).toContainText('Pregnant')
})

test('a walk-in: name, birthday, a touch for each group, a ladder', async ({ page }) => {
  const seat = await freeSeat()
  await owner(page)
  await page.getByRole('button', { name: 'Walk-in', exact: true }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Invented Walk-in')
  await dialog.getByLabel('Born on').fill('1991-03-04')
  await choose(dialog, 'Room', seat.room)
  await choose(dialog, 'Practitioner', seat.practitioner)
  await dialog.getByRole('button', { name: 'Which card?' }).click()
  await expect(page.getByText(/\d+ cards fitted to this client/)).toBeVisible()
  await page.getByRole('button', { name: /^All \d+$/ }).click()
  await page.getByRole('button', { name: 'Take Quiet Tide brightening facial' }).click()
  await dialog.getByRole('button', { name: 'Ask first' }).click()
  await expect(page).toHaveURL(/consult/)
  await expect(panel(page)).toContainText('Ask first')
  const bands = page.locator('[data-group]')
  await expect(bands).toHaveCount(11)
  await answer(page, 'heat-urticaria', 'Does not know')
  // A walk-in passes in a minute: what is not said is one touch for each group (here eleven, and two for what the client does not know).
  for (const band of await bands.all())
    await band.getByRole('button', { name: /^(None of these|None known|Nothing else)$/ }).click()
  await expect(page.getByText('all that this card needs is asked')).toBeVisible()
  await expect(panel(page)).not.toContainText('Ask first')
  await expect(askedGroup(page, 'Cold, heat, breath')).toContainText('does not know')
  await expect(panel(page)).toContainText(/min/)
  await consultPart(page, 'Goals')
  await expect(page.getByRole('main')).toContainText('Goals')
})
