import { expect, test } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import { copyOf, detail } from './builder-steps'

test('a card as a course: held against the days its own work needs, and what follows it', async ({
  page,
}) => {
  const id = await copyOf(page, 'acid', 'For a course')
  await detail(page, 'Course').click()
  const least = page.getByLabel('Days apart, least')
  await expect(least).toHaveValue('28')
  await expect(page.getByRole('combobox', { name: 'After the last visit' })).toHaveValue(
    'Corrective course: mechanical peel',
  )
  await page.getByLabel('Visits').fill('5')
  await page.keyboard.press('Tab')
  await least.fill('7')
  await page.keyboard.press('Tab')
  const finding = page.getByRole('status').filter({ hasText: 'needs 14 days between' })
  await expect(finding).toContainText('Visits 7 days apart: Glycolic peel')
  await expect(detail(page, 'Course too short')).toBeVisible()
  await finding.getByRole('button', { name: 'Make it at least 14 days.' }).click()
  await expect(least).toHaveValue('14')
  await expect(finding).toHaveCount(0)
  await page.getByRole('button', { name: /^Publish version/ }).click()
  await page.getByLabel('What changed').fill('A course of five')
  await page.getByRole('button', { name: 'Publish', exact: true }).click()
  await expect(page.getByText('Version 1 is published.')).toBeVisible()
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ version: object }>('GET', `/api/protocols/${id}`)
  expect(body.version).toMatchObject({
    course: { visits: 5, leastDays: 14, mostDays: 35, next: 'course-peel' },
  })
})
