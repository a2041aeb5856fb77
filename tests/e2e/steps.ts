import { expect, type Page } from '@playwright/test'

/** The day the demo was loaded for: a run may go past midnight. */
const TODAY = process.env.ZEN_TEST_TODAY ?? new Date().toISOString().slice(0, 10)
/** The demo day starts at eight; visits run on a clock that the test moves. */
export const morning = (): Date => new Date(`${TODAY}T07:55:00Z`)

export async function enterStudio(page: Page) {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
  await page.goto(`/?date=${TODAY}`)
  await expect(page.getByText('Wren Castellane')).toBeVisible()
}

export async function openVisit(page: Page, client: string) {
  await page.getByText(client, { exact: true }).click()
  await expect(page.getByRole('heading', { name: client })).toBeVisible()
}

export const stage = async (page: Page, name: string) => { await page.getByRole('list', { name: 'Stages of the visit' }).getByRole('link', { name, exact: true }).click() }
/** One part of the consultation, by its name. */
export const consultPart = async (page: Page, name: string) => { await page.getByRole('navigation', { name: 'Parts of the consultation' }).getByRole('button', { name }).click() }
/** Reads the skin as it is, so that nothing of the plan is open. */
export async function readAsIs(page: Page) {
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: 'Nothing to note' }).click()
  await expect(page.getByRole('button', { name: 'Read today' })).toBeDisabled()
}
export const primary = (page: Page) => page.locator('#primary')
export const clock = (page: Page) => page.getByTestId('big-clock')

/** Moves the clock and lets the page's own timers notice. */
export async function pass(page: Page, minutes: number) {
  await page.clock.fastForward(Math.round(minutes * 60_000))
  await page.clock.runFor(600)
}

/** The service worker must hold the page before a network can be cut. */
export async function offlineReady(page: Page) {
  await page.evaluate(async () => { await navigator.serviceWorker.ready })
  await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null), { timeout: 20_000 }).toBe(true)
}

/** Performs as planned, taking layers off when they are due, until the step with this title is on the hands. */
export async function performUntil(page: Page, title: string) {
  for (let halfMinutes = 0; halfMinutes < 160; halfMinutes++) {
    if ((await page.getByRole('heading', { level: 1 }).innerText()).includes(title)) return
    if ((await primary(page).innerText()).startsWith('Take off:')) {
      await primary(page).click()
      await pass(page, 0.3)
      await primary(page).click()
    } else await pass(page, 0.5)
  }
  throw new Error(`The run never came to ${title}.`)
}
