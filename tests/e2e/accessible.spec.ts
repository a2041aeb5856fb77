import { STAGES, enterStudio, morning, noFaults, onBoard, pass, stage } from './steps'
import { expect, test, type Page } from '@playwright/test'

for (const [light, client] of [
  ['day', 'Odalys Fenwick-Rao'],
  ['room', 'Yuna Delacroix'],
] as const) {
  test(`every main view is accessible in ${light} light, AA contrast included`, async ({
    page,
  }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    await page.clock.install({ time: morning() })
    await page.goto('/sign-in')
    await expect(page.getByRole('button', { name: 'Open the demo studio' })).toBeVisible()
    await noFaults(page, 'sign-in')
    await enterStudio(page)
    await noFaults(page, 'today')
    await onBoard(page, client).click()
    await page.getByRole('button', { name: 'Open the visit' }).click()
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

async function everyPartOfConsult(page: Page) {
  const parts = page
    .getByRole('navigation', { name: 'Parts of the consultation' })
    .getByRole('button')
  for (let at = 0; at < (await parts.count()); at++) {
    await parts.nth(at).click()
    await noFaults(page, `Consult ${at}`)
  }
  await parts.first().click()
  for (const card of await page.getByRole('button', { name: 'Something …' }).all())
    await card.click()
  await noFaults(page, 'a card of Consult')
  await page.getByRole('button', { name: 'Why not …?' }).click()
  await page.getByLabel('Step or product').fill('mask')
  await page.getByRole('dialog').getByRole('button', { name: /mask/i }).first().click()
  await noFaults(page, 'why not')
  await page.keyboard.press('Escape')
}

async function everyPartOfTheReading(page: Page) {
  await stage(page, 'Read skin')
  const views = page.getByRole('radiogroup', { name: 'View of the map' }).getByRole('radio')
  await expect(views).toHaveCount(4)
  for (const view of (await views.all()).reverse()) {
    await view.click()
    await noFaults(page, await view.innerText())
  }
  for (const tab of ['Lesions', 'Meters', 'Indices', 'See and feel']) {
    await page.getByRole('tab', { name: tab }).click()
    if (tab === 'Lesions') await pinOnTheChin(page)
    await noFaults(page, tab)
  }
  await page.getByRole('button', { name: /^Photographs/ }).click()
  await noFaults(page, 'photographs')
}
async function pinOnTheChin(page: Page) {
  await page
    .getByRole('group', { name: /^Map, / })
    .getByRole('button', { name: /^chin/ })
    .focus()
  await page.keyboard.press('Enter')
}

async function everyPartOfTheRuleBook(page: Page) {
  for (const query of ['', '?rule=A06', '?part=G', '?part=rungs', '?part=set', '?part=known']) {
    await page.goto(`/rules${query}`)
    await expect(page.getByRole('heading', { name: 'Rule book' })).toBeVisible()
    await noFaults(page, `rules ${query}`)
  }
}

for (const [light, client] of [
  ['day', 'Yuna Delacroix'],
  ['room', 'Ingrid Solvay'],
] as const) {
  test(`every part of Consult, Read skin and the rule book is accessible in ${light} light`, async ({
    page,
  }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    await page.clock.install({ time: morning() })
    await enterStudio(page)
    await onBoard(page, client).click()
    await page.getByRole('button', { name: 'Open the visit' }).click()
    // A visit that runs opens in Perform.
    await page.waitForURL(/visits\/.+\/[a-z]+$/)
    await page.goto(page.url().replace(/[a-z]+$/, 'consult'))
    await everyPartOfConsult(page)
    await everyPartOfTheReading(page)
    await everyPartOfTheRuleBook(page)
    await page.goto('/')
    await page.getByRole('button', { name: 'Walk-in', exact: true }).click()
    await noFaults(page, 'walk-in')
  })
}
