import {
  STAGES,
  choose,
  chooseClient,
  consultPart,
  enterStudio,
  morning,
  openVisit,
  performUntil,
  primary,
  readAsIs,
  stage,
  untilHeld,
} from './steps'
import { expect, test } from '@playwright/test'

test('nothing is asked of any other host, and no error reaches the console', async ({ page }) => {
  const strangers: string[] = []
  const errors: string[] = []
  page.on('request', (request) => {
    if (!new URL(request.url()).hostname.match(/^(127\.0\.0\.1|localhost)$/))
      strangers.push(request.url())
  })
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text())
  })
  page.on('pageerror', (error) => errors.push(error.message))
  await enterStudio(page)
  await openVisit(page, 'Caspian Hurst')
  for (const name of STAGES.slice(0, 3)) await stage(page, name)
  await expect(page.getByRole('list', { name: 'Changes' })).toContainText('Tone → Still Water Mist')
  expect([strangers, errors]).toEqual([[], []])
})

test('a pacemaker stops the current, and says so on the fact, the plan and in Perform', async ({
  page,
}) => {
  await enterStudio(page)
  await openVisit(page, 'Ingrid Solvay')
  await expect(page.getByText('Microcurrent lift left out').first()).toBeVisible()
  await stage(page, 'Fit')
  const changes = page.getByRole('list', { name: 'Changes' })
  // Under the mouse alone nothing unfolds: the list would move away below the hand.
  await changes.getByText('enzyme time').first().hover()
  await expect(changes).not.toContainText('A09')
  await changes.getByText('Microcurrent lift left out').click()
  await expect(changes).toContainText('A01 · common practice')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('main')).not.toContainText('Microcurrent')
  await stage(page, 'Perform')
  await expect(page.getByLabel('Today’s stops')).toContainText('Electronic implant')
})

test('early removal is a hold: a tap does nothing; key repeat is no second press', async ({
  page,
}) => {
  await page.clock.install({ time: morning() })
  await enterStudio(page)
  await openVisit(page, 'Caspian Hurst')
  await readAsIs(page)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await untilHeld(page)
  await primary(page).click()
  await page.clock.runFor(300)
  await expect(primary(page)).toHaveText(/^Hold:/)
  await primary(page).hover()
  await page.mouse.down()
  await page.clock.runFor(1000)
  await page.mouse.up()
  await expect(primary(page)).toHaveText(/^Done:/)
  await page.keyboard.down('Space')
  await page.keyboard.down('Space')
  await page.keyboard.up('Space')
  await page.clock.runFor(300)
  // One press ended one segment: the next hands-on work is running, not the one after it.
  await expect(page.getByRole('heading', { name: 'Hydrating concentrate' })).toBeVisible()
})

test('a step is left out with what follows from it, taken back within ten seconds, and told at the close', async ({
  page,
}) => {
  await page.clock.install({ time: morning() })
  await enterStudio(page)
  await openVisit(page, 'Theo Lindqvist')
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: 'Congestion', exact: true }).click()
  await page.getByRole('button', { name: 'nose', exact: true }).click()
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  const ladder = page.getByRole('group', { name: /^Ladder/ })
  const heading = page.getByRole('heading', { level: 1 })
  await performUntil(page, 'Extraction')
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('button', { name: 'Nothing ready' }).click()
  await expect(heading).not.toContainText('Extraction')
  await expect(ladder).not.toContainText('Clearing fluid')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(ladder).toContainText('Clearing fluid')
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('textbox', { name: 'Note' }).fill('Asked for less light')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('button', { name: 'Nothing ready' }).click()
  // “Saved” may still be that of before: what follows has to be left out first.
  await expect(ladder).not.toContainText('Clearing fluid')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.goto(page.url().replace('perform', 'close'))
  await expect(page.getByRole('row', { name: /^Extraction/ })).toContainText('skipped')
  await expect(page.getByRole('row', { name: /^Clearing fluid/ })).toContainText('skipped')
  await expect(page.getByText('Asked for less light')).toBeVisible()
})

test('the network goes in the middle of Consult: answers are kept, say so, are fitted here, and go when it is back', async ({
  page,
  context,
}) => {
  await enterStudio(page)
  await openVisit(page, 'Marguerite Abiola')
  await context.setOffline(true)
  await consultPart(page, 'All allergens')
  await page.getByRole('button', { name: 'Papaya', exact: true }).click()
  await page.getByRole('button', { name: 'Kiwi', exact: true }).click()
  await expect(page.getByText('2 kept on this tablet')).toBeVisible()
  await expect(page.getByRole('alert')).toContainText('No connection')
  await page.getByRole('link', { name: 'Read the skin' }).click()
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  // It is fitted here, and goes after what it was made from.
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await stage(page, 'Consult')
  await consultPart(page, 'All allergens')
  for (const name of ['Papaya', 'Kiwi'])
    await expect(page.getByRole('button', { name, exact: true })).toHaveAttribute(
      'aria-pressed',
      'true',
    )
})

test('a written protocol is edited, undone, published; the draft survives a reload', async ({
  page,
}) => {
  await enterStudio(page)
  await page.getByRole('link', { name: 'Protocols' }).click()
  await expect(page.getByRole('heading', { name: 'Protocols' })).toBeVisible()
  await page.getByText('Clear Water facial').click()
  const rung = (id: string) => page.locator(`#rung-${id}`)
  const details = page.getByRole('complementary', { name: 'Details' })
  await rung('extract').click()
  const minutes = page.getByLabel('Extraction, nose and chin, on, usual minutes')
  await expect(minutes).toHaveValue('10')
  await minutes.fill('8')
  await minutes.press('Tab')
  await rung('oat').click()
  await details.getByRole('button', { name: 'Up', exact: true }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  // A wrong order is told on its rung and mended by one touch, which undo takes back.
  await rung('eye').click()
  for (let times = 0; times < 2; times++)
    await details.getByRole('button', { name: 'Down', exact: true }).click()
  const mend = page.getByRole('button', { name: 'Mend: Eye gel comes after the moisturiser.' })
  await mend.click()
  await expect(mend).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(mend).toBeVisible()
  await mend.click()
  await rung('tone-1').click()
  await choose(page, 'Product of Tone', 'Chamomile Toner')
  await page.reload()
  await rung('extract').click()
  await expect(minutes).toHaveValue('8')
  await page.getByRole('button', { name: 'Publish version 2' }).click()
  await page.getByLabel('What changed').fill('Shorter extraction, toner without scent')
  await page.getByRole('button', { name: 'Publish', exact: true }).click()
  await expect(page.getByRole('status').first()).toContainText('Version 2 is published')
})

test('bad input: a wrong password, a taken room, a visit that is not there', async ({ page }) => {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill('maren@saltgrass.example')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('Address or password is not right')
  await enterStudio(page)
  await page.getByRole('button', { name: 'Book a visit' }).click()
  const dialog = page.getByRole('dialog')
  await chooseClient(dialog, 'Pilar Nwosu')
  await choose(dialog, 'Protocol', 'Short acid visit')
  await choose(dialog, 'Room', 'Tideline')
  await choose(dialog, 'Practitioner', 'Maren Oduya-Lind')
  await dialog.getByLabel('From').fill('08:30')
  await dialog.getByRole('button', { name: 'Book', exact: true }).click()
  await expect(dialog.getByRole('alert')).toContainText('The room is taken')
  await page.goto('/visits/00000000-0000-4000-8000-000000000009/consult')
  await expect(page.getByRole('alert')).toContainText('no such visit')
})
