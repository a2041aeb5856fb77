import { expect, test, type Page } from '@playwright/test'
import { OWNER } from '../api/http'
import { open, openAs, startTheVisit, onItsDay } from './steps'

// Every view reads on a phone without scrolling sideways (WCAG 2.2, 1.4.10 Reflow: 320 CSS pixels). What is two-dimensional by nature, the
// board, the ladder, a table, scrolls within itself.

const WIDTHS = [320, 390, 768, 1280] as const

/** Widths at which a page is wider than its window, with how wide it is. */
async function tooWide(page: Page): Promise<string[]> {
  const wide: string[] = []
  for (const width of WIDTHS) {
    await page.setViewportSize({ width, height: 844 })
    await page.waitForTimeout(150)
    const scrolls = await page.evaluate(() => document.documentElement.scrollWidth)
    if (scrolls > width) wide.push(`${new URL(page.url()).pathname} at ${width}: ${scrolls}`)
  }
  return wide
}
const PLACES = ['/', '/clients', '/protocols', '/shelf', '/shelf/bench', '/rules', '/settings']
const STAGES = ['consult', 'skin', 'fit', 'prepare', 'close', 'home']

test('no view scrolls sideways, from a phone to a desk', async ({ page }) => {
  test.setTimeout(360_000)
  const visit = await onItsDay(page, { protocol: 'signature' })
  await open(page, visit)
  const wide: string[] = []
  for (const path of [...PLACES, ...STAGES.map((stage) => `${visit}/${stage}`)]) {
    await page.goto(path)
    await expect(page.getByText(/^(Opening|Fitting)/)).toHaveCount(0)
    if (path.endsWith('/fit'))
      await expect(page.getByRole('button', { name: 'Prepare the tray' })).toBeVisible({
        timeout: 120_000,
      })
    wide.push(...(await tooWide(page)))
  }
  await page.setViewportSize({ width: 1280, height: 844 })
  await page.goto(`${visit}/consult`)
  await startTheVisit(page)
  wide.push(...(await tooWide(page)))
  await page.setViewportSize({ width: 1280, height: 844 })
  await page.context().clearCookies()
  await openAs(page, OWNER, '/settings')
  const links = page.getByRole('navigation', { name: 'Parts of the settings' }).getByRole('link')
  await expect.poll(() => links.count()).toBeGreaterThan(4)
  const parts = await links.evaluateAll((all) => all.map((one) => one.getAttribute('href')!))
  for (const part of parts) {
    await page.goto(part)
    await expect(page.getByText(/^Opening/)).toHaveCount(0)
    wide.push(...(await tooWide(page)))
  }
  expect(wide).toEqual([])
})
