import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { enterStudio, morning, openVisit, pass, primary, stage } from './steps'

const STAGES = ['Consult', 'Read skin', 'Fit', 'Prepare'] as const

async function noFaults(page: Page, name: string) {
  // Colours fade in for a moment after a change of light; they are judged when they have settled.
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map((one) => `${name}: ${one.id} ${one.nodes.map((node) => node.target.join(' ')).join(', ')}`)).toEqual([])
}

for (const [light, client] of [['day', 'Odalys Fenwick-Rao'], ['room', 'Yuna Delacroix']] as const) {
  test(`every main view is accessible in ${light} light, AA contrast included`, async ({ page }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    await page.clock.install({ time: morning() })
    await page.goto('/sign-in')
    await expect(page.getByRole('button', { name: 'Open the demo studio' })).toBeVisible()
    await noFaults(page, 'sign-in')
    await enterStudio(page)
    await noFaults(page, 'today')
    await openVisit(page, client)
    for (const name of STAGES) {
      await stage(page, name)
      if (name === 'Prepare') {
        await stage(page, 'Fit')
        await page.getByRole('button', { name: 'Prepare the tray' }).click()
      }
      await expect(page.getByRole('main')).not.toContainText('Fitting …')
      await noFaults(page, name)
    }
    await stage(page, 'Perform')
    await page.getByRole('button', { name: 'Start the visit' }).click()
    await pass(page, 12)
    await noFaults(page, 'perform')
    await page.getByRole('button', { name: 'Emergency' }).click()
    await expect(page.getByRole('heading', { name: 'Emergency' })).toBeVisible()
    await noFaults(page, 'emergency')
    await page.getByRole('button', { name: 'Close the card' }).click()
    await page.goto('/protocols/brightening')
    await expect(page.getByRole('heading', { name: 'Quiet Tide brightening facial' })).toBeVisible()
    await noFaults(page, 'editor')
  })
}

test('nothing is asked of any other host, and no error reaches the console', async ({ page }) => {
  const strangers: string[] = []
  const errors: string[] = []
  page.on('request', (request) => { if (!new URL(request.url()).hostname.match(/^(127\.0\.0\.1|localhost)$/)) strangers.push(request.url()) })
  page.on('console', (message) => { if (message.type() === 'error') errors.push(message.text()) })
  page.on('pageerror', (error) => errors.push(error.message))
  await enterStudio(page)
  await openVisit(page, 'Caspian Hurst')
  for (const name of STAGES.slice(0, 3)) await stage(page, name)
  await expect(page.getByRole('list', { name: 'Changes' })).toContainText('Chamomile')
  expect([strangers, errors]).toEqual([[], []])
})

test('a pacemaker stops the current, and says so on the fact, the plan and in Perform', async ({ page }) => {
  await enterStudio(page)
  await openVisit(page, 'Ingrid Solvay')
  await expect(page.getByText('Microcurrent lift left out').first()).toBeVisible()
  await stage(page, 'Fit')
  await expect(page.getByRole('list', { name: 'Changes' })).toContainText('A01 · common practice')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('main')).not.toContainText('Microcurrent')
  await stage(page, 'Perform')
  await expect(page.getByLabel('Today’s stops')).toContainText('Electronic implant')
})

test('early removal is a hold: a tap does nothing; key repeat is no second press', async ({ page }) => {
  await page.clock.install({ time: morning() })
  await enterStudio(page)
  await openVisit(page, 'Caspian Hurst')
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await pass(page, 16)
  await expect(primary(page)).toHaveText(/^Hold:/)
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

test('a written protocol is edited, undone, published; the draft survives a reload', async ({ page }) => {
  await enterStudio(page)
  await page.getByRole('link', { name: 'Protocols' }).click()
  await page.getByText('Clear Water facial').click()
  const minutes = page.getByLabel('Extraction, nose and chin, apply, minutes')
  await expect(minutes).toHaveValue('10')
  await minutes.fill('8')
  await minutes.press('Tab')
  await page.getByRole('button', { name: 'Oat mask up' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByLabel('Product of Tone', { exact: true }).selectOption('chamomile-toner')
  await page.reload()
  await expect(minutes).toHaveValue('8')
  await page.getByLabel('What changed').fill('Shorter extraction, toner without scent')
  await page.getByRole('button', { name: 'Publish version 2' }).click()
  await expect(page.getByRole('status')).toContainText('Version 2 is published')
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
  await dialog.getByLabel('Client').selectOption({ label: 'Pilar Nwosu' })
  await dialog.getByLabel('Protocol').selectOption({ label: 'Short acid visit' })
  await dialog.getByLabel('Room').selectOption({ label: 'Tideline' })
  await dialog.getByLabel('Practitioner').selectOption({ label: 'Maren Oduya-Lind' })
  await dialog.getByLabel('From').fill('08:30')
  await dialog.getByRole('button', { name: 'Book', exact: true }).click()
  await expect(dialog.getByRole('alert')).toContainText('The room is taken')
  await page.goto('/visits/00000000-0000-4000-8000-000000000009/consult')
  await expect(page.getByRole('alert')).toContainText('no such visit')
})
