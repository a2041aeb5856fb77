import { expect, test, type Browser, type Page } from '@playwright/test'
import { performWhile } from './performing'
import {
  freshVisit,
  open,
  openAs,
  pass,
  performUntil,
  primary,
  readAsIs,
  startOf,
  startTheVisit,
} from './steps'

// Several tablets on one visit, what calls hands, what is repeated, and what the skin is opened with.

/** A second tablet of the studio, on the same visit at the same time of day. */
async function secondTablet(browser: Browser, first: Page): Promise<Page> {
  const page = await (await browser.newContext()).newPage()
  await page.clock.install({ time: await first.evaluate(() => Date.now()) })
  await openAs(page, 'maren@saltgrass.example', first.url())
  await expect(primary(page)).toBeVisible()
  return page
}
const status = (page: Page) => page.getByRole('status').filter({ hasText: /leads|Yours|Handed/ })
/** Time goes on in the room: on every tablet in it. */
const together = async (pages: readonly Page[], minutes: number) => {
  for (const page of pages) await pass(page, minutes)
}

/** "On", "Take off": what hands do of the step. */
const verb = (page: Page) => page.getByRole('region', { name: 'At the hands' }).locator('p').first()
const heading = (page: Page) => page.getByRole('heading', { level: 1 })
/** What one tablet says comes to the other by itself: it is waited for, on both clocks. */
const soon = (pages: readonly Page[], seen: () => Promise<unknown>) =>
  expect(async () => {
    await together(pages, 0.01)
    await seen()
  }).toPass()
const AT_ONCE = { timeout: 500 }

async function doneOnTheFollower(lead: Page, other: Page) {
  await lead.getByRole('button', { name: 'More …' }).click()
  await lead.getByRole('button', { name: 'Hand it over' }).click()
  await expect(status(lead)).toContainText('Handed over: ')
  await soon([other], () => expect(status(other)).toContainText('Yours: ', AT_ONCE))
  const before = await verb(lead).innerText()
  await primary(other).click()
  await soon([lead], () => expect(status(lead)).toHaveCount(0, AT_ONCE))
  await expect(verb(lead)).not.toHaveText(before)
}

/** Each goes on without a network; when it is back both know everything. */
async function aloneForAWhile(lead: Page, other: Page) {
  await other.context().setOffline(true)
  await other.getByRole('button', { name: 'More …' }).click()
  await other.getByRole('textbox', { name: 'Note' }).fill('Said without a network')
  await other.getByRole('button', { name: 'Keep it' }).click()
  await primary(lead).click()
  await together([lead, other], 10)
  await expect(other.getByText(/kept on this tablet/)).toBeVisible()
  await other.context().setOffline(false)
  await soon([lead, other], async () => {
    await together([lead, other], 0.1)
    await expect(other.getByText('Saved', { exact: true })).toBeVisible(AT_ONCE)
    await expect(heading(other)).toHaveText(await heading(lead).innerText(), AT_ONCE)
  })
}

test('a second tablet follows, does what it is handed, goes on alone without a network, and takes the lead', async ({
  page: lead,
  browser,
}) => {
  await startOf(lead, 'hydrating')
  await expect(primary(lead)).toHaveText(/^Done: /)
  await expect(lead.getByText('Saved', { exact: true })).toBeVisible()
  const other = await secondTablet(browser, lead)
  await expect(status(other)).toContainText('Another tablet leads')
  await expect(primary(other)).toContainText('Take the lead')

  await expect(other.getByRole('button', { name: 'Time …' })).toHaveCount(0)

  // What the lead says is there, without a touch.
  const before = await verb(lead).innerText()
  await primary(lead).click()
  await expect(verb(lead)).not.toHaveText(before)
  await soon([other], () => expect(verb(other)).not.toHaveText(before, AT_ONCE))

  await doneOnTheFollower(lead, other)
  await aloneForAWhile(lead, other)

  // By password here: this one is no tablet of the studio. The old lead is told who leads.
  await primary(other).click()
  const sheet = other.getByRole('dialog', { name: 'Take the lead' })
  await sheet.getByLabel('Your password').fill('quiet-tide')
  await sheet.getByRole('button', { name: 'Take the lead' }).click()
  await expect(primary(other)).not.toContainText('Take the lead')
  await soon([lead], () =>
    expect(status(lead)).toContainText(/Maren .* leads since \d\d:\d\d/, AT_ONCE),
  )
  await expect(primary(lead)).toContainText('Take the lead')
  await other.context().close()
})

test('soft tones are asked once, made on the tablet, and heard when a layer is due', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const made = AudioContext.prototype.createOscillator
    const count = { tones: 0 }
    Object.assign(globalThis, { heard: count })
    AudioContext.prototype.createOscillator = function counted(this: AudioContext) {
      count.tones++
      return made.call(this)
    }
  })
  const tones = () =>
    page.evaluate(() => (globalThis as unknown as { heard: { tones: number } }).heard.tones)
  await page.clock.install()
  const address = await freshVisit({ protocol: 'hydrating' })
  await open(page, address)
  await page.goto(`${address}/fit`)
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await page.goto(`${address}/perform`)
  const ask = page.getByRole('radiogroup', { name: 'How this tablet calls you' })
  await ask.getByRole('radio', { name: 'Soft tones' }).click()
  await expect(ask.getByRole('radio', { name: 'Soft tones' })).toBeChecked()
  const tried = await tones()
  expect(tried).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(primary(page)).toHaveText(/^(Done|First touch)/)
  await pass(page, 0.2)
  expect(await tones()).toBe(tried)
  await performWhile(page, async () => (await tones()) > tried)
  expect(await tones()).toBeGreaterThan(tried)
  // Nobody is asked twice.
  await page.reload()
  await expect(primary(page)).toBeVisible()
  await expect(ask).toHaveCount(0)
})

test('a loop of three: one more pass up to the most, then clean', async ({ page }) => {
  await startOf(page, 'grain')
  await performUntil(page, 'Alkaline wash')
  const passes = page.getByRole('region', { name: 'Pass by pass' })
  for (let tenths = 0; tenths < 60 && (await passes.count()) === 0; tenths++) await pass(page, 0.1)
  await expect(passes).toContainText('Pass 1')
  await expect(passes).toContainText('3 at the most')
  await expect(primary(page)).toHaveText('Clean: Alkaline wash')
  const more = passes.getByRole('button', { name: 'One more pass' })
  await more.click()
  await expect(passes).toContainText('Pass 2')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(passes).toContainText('Pass 1')
  await more.click()
  await more.click()
  await expect(passes).toContainText('Pass 3')
  await expect(more).toHaveCount(0)
  await expect(passes).toContainText('The last one')
  await primary(page).click()
  await expect(passes).toHaveCount(0)
})

test('needling waits for the lot of its cartridge; no deeper than fitted; both are on the record', async ({
  page,
}) => {
  await page.clock.install()
  await open(
    page,
    await freshVisit({ protocol: 'course-needling', practitioner: 'Maren Oduya-Lind' }),
  )
  await readAsIs(page)
  await startTheVisit(page)
  const target = primary(page)
  await performWhile(page, async () => (await target.innerText()).startsWith('Lot and depth'))
  await pass(page, 5)
  await expect(primary(page)).toHaveText('Lot and depth: Needling, 0.25 mm')
  await primary(page).click()
  const sheet = page.getByRole('dialog', { name: 'Before it opens the skin' })
  const keep = sheet.getByRole('button', { name: 'Keep it: begin' })
  await expect(keep).toBeDisabled()
  await expect(sheet).toContainText('Its lot stands on the package')
  await expect(sheet.getByRole('button', { name: 'Deeper' })).toHaveCount(0)
  await sheet.getByLabel('Lot of the cartridge').fill('NC-20931')
  await sheet.getByRole('button', { name: 'Shallower' }).click()
  await expect(sheet).toContainText('0.2 mm')
  await sheet.getByRole('button', { name: 'Deeper' }).click()
  await expect(sheet).toContainText('As fitted. No deeper')
  await keep.click()
  await expect(primary(page)).toHaveText('Done: Needling, 0.25 mm')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.goto(page.url().replace('/perform', '/close'))
  await expect(page.getByRole('main')).toContainText('cartridge NC-20931, 0.25 mm deep')
})
