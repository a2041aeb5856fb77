import { expect, test } from '@playwright/test'
import { enterStudio, freshVisit, noFaults } from './steps'
import { detail, openCard } from './builder-steps'

test('fitted to less time: what goes is said, can be told to stay, and the plan that is kept is the one that was shown', async ({
  page,
}) => {
  const errors: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text())
  })
  await enterStudio(page)
  await page.goto(`${await freshVisit({ protocol: 'brightening' })}/fit`)
  await page.getByRole('button', { name: /^Time/ }).click()
  const slider = page.getByRole('slider', { name: 'Slot in minutes' })
  await slider.fill('45')
  await expect(page.getByText('of a 45-minute slot')).toBeVisible()
  await expect(page.getByText('Looking …')).toHaveCount(0, { timeout: 60_000 })
  await expect(page.locator('.apexcharts-series path').first()).toBeVisible()
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /^45 min/ })).toContainText('%')
  await page.getByRole('button', { name: /changes$/ }).click()
  const gone = page.getByRole('listitem').filter({ hasText: 'left out for time' }).first()
  const title = (await gone.locator('p').first().innerText()).replace(' left out for time', '')
  await gone.getByRole('button', { name: 'Must stay' }).click()
  await expect(page.getByText(`${title} left out for time`)).toHaveCount(0)
  await page.reload()
  await expect(page.getByText('of a 45-minute slot')).toBeVisible()
  await expect(page.getByText(`${title} left out for time`)).toHaveCount(0)
  const shown = await page.locator('span.display').first().innerText()
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page).toHaveURL(/prepare/)
  await page.goBack()
  await expect(page.locator('span.display').first()).toHaveText(shown)
  expect(errors.filter((text) => text.includes('Content Security Policy'))).toEqual([])
})

test('no fault that axe knows: library, builder, methods, compare, time; in both lights', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await enterStudio(page)
  const visit = await freshVisit({ protocol: 'brightening' })
  for (const light of ['day', 'room']) {
    await page.goto('/protocols')
    await expect(
      page.getByRole('list', { name: 'Library' }).getByRole('listitem').first(),
    ).toBeVisible()
    await noFaults(page, `library, ${light}`)
    await openCard(page, 'two-currents')
    await page.locator('#rung-galvanic').click()
    await noFaults(page, `builder, ${light}`)
    await detail(page, 'Methods').click()
    await noFaults(page, `methods, ${light}`)
    await detail(page, 'Compare').click()
    await expect(page.getByRole('dialog').getByRole('row').nth(2)).toBeVisible()
    await noFaults(page, `compare, ${light}`)
    await page.goto(`${visit}/fit`)
    await page.getByRole('button', { name: /^Time/ }).click()
    await expect(page.locator('.apexcharts-series path').first()).toBeVisible({ timeout: 60_000 })
    await noFaults(page, `time, ${light}`)
    if (light === 'day') await page.getByRole('button', { name: 'Change to Room light' }).click()
  }
})
