import { expect, test, type Page } from '@playwright/test'
import { freshVisit, noFaults, open, stage } from './steps'

// Quantities as a salon reads them. Metric is what is kept; what is shown follows the salon.

/** A salon that reads US measures, for this page alone. */
const inUs = (page: Page) =>
  page.route('**/api/session', async (route) => {
    const reply = await route.fetch()
    const told = await reply.json()
    if (told.salon) told.salon.measures = 'us'
    await route.fulfill({ response: reply, json: told })
  })
const METRIC = /\d ?(?:°C|cm\b(?!²))/u
/** What is said on a page, fields left out. */
const words = (page: Page) => page.getByRole('main').innerText()

/** The pages on which heat, length and larger amounts are said, each opened in turn. */
async function pagesOf(page: Page, address: string): Promise<Record<string, string>> {
  const said: Record<string, string> = {}
  await open(page, address)
  await stage(page, 'Fit')
  await expect(page.getByRole('list', { name: 'Changes' })).toBeVisible()
  said.fit = await words(page)
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('region', { name: 'Mind' })).toBeVisible()
  said.prepare = await words(page)
  await page.goto('/rules?rule=D15')
  await expect(page.getByText('Wrist first')).toBeVisible()
  said.rule = await words(page)
  await page.goto('/shelf')
  await expect(page.getByRole('table', { name: 'Shelf' })).toContainText('/')
  said.shelf = await words(page)
  return said
}

test('a salon with US measures reads °F, inches, spoons and ounces wherever a quantity shows', async ({
  page,
  browser,
}) => {
  const address = await freshVisit({ protocol: 'brightening' })
  const metric = await pagesOf(page, address)
  expect(metric.prepare).toMatch(/\d+ °C/)
  expect(metric.rule).toMatch(/40 °C/)
  expect(metric.shelf).toMatch(/\/mL/)

  const other = await (await browser.newContext()).newPage()
  await inUs(other)
  const us = await pagesOf(other, address)
  for (const [name, text] of Object.entries(us)) expect(text, name).not.toMatch(METRIC)
  expect(us.prepare).toMatch(/104 °F at the wrist/)
  expect(us.prepare).toMatch(/teaspoons?|fl oz/)
  expect(us.rule).toContain('104 °F, never above 109 °F')
  expect(us.shelf).toMatch(/\/fl oz/)
  await other.goto(`${address}/prepare`)
  await expect(other.getByRole('region', { name: 'Mind' })).toBeVisible()
  await noFaults(other, 'the tray in US measures')
})
