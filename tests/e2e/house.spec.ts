import { randomUUID } from 'node:crypto'
import { expect, test } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import { choose, noFaults, openAs } from './steps'

// What the house decides once, in Settings, and where it is met again.

test('the house’s way is chosen once, and a card is written that way with one touch', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const { body: card } = await owner.ask<{ id: string }>('POST', '/api/protocols', {
    ...{ from: 'protocol', id: 'brightening', name: `House ${randomUUID().slice(0, 8)}` },
  })
  await openAs(page, OWNER, '/settings/work')
  await choose(page, 'Mist', 'after serum')
  try {
    await page.goto(`/protocols/${card.id}`)
    await page.getByRole('button', { name: 'Methods' }).click()
    await expect(page.getByText('stands otherwise than you work here')).toBeVisible()
    await page.getByRole('button', { name: 'Write it our way' }).click()
    await expect(page.getByText('stands otherwise than you work here')).toBeHidden()
    await expect(page.getByRole('button', { name: 'Mist' })).toContainText('(ours)')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('stands otherwise than you work here')).toBeVisible()
  } finally {
    await page.goto('/settings/work')
    await choose(page, 'Mist', 'each card says')
  }
  await expect(page.getByRole('button', { name: 'Mist' })).toContainText('each card says')
})

test('words of a message are tried beside how they read, and refused without their time', async ({
  page,
}) => {
  await openAs(page, OWNER, '/settings/messages')
  const words = page.getByRole('textbox', { name: 'Words of the message' })
  const usual = await words.inputValue()
  await words.fill('Hello {first name}!')
  await expect(page.getByRole('alert')).toContainText('Without {when}')
  await expect(page.getByRole('button', { name: 'Keep the words' })).toBeDisabled()
  await words.fill('Hello {first name}, until {when}!')
  await expect(page.getByText('Hello Wren, until Tuesday 24 November 2026')).toBeVisible()
  await page.getByRole('button', { name: 'Keep the words' }).click()
  await page.getByRole('button', { name: 'As they were' }).click()
  await expect(words).toHaveValue(usual)
  await noFaults(page, 'the words of messages')
})

test('what is set is said where it counts, without a fault in the page', async ({ page }) => {
  await openAs(page, OWNER, '/settings/work')
  await expect(page.getByRole('heading', { name: 'Of age' })).toBeVisible()
  await noFaults(page, 'how we work')
  await page.goto('/settings/consents')
  await page.getByRole('button', { name: 'Change the words …' }).first().click()
  await expect(page.getByRole('button', { name: 'Publish' })).toBeDisabled()
  await page.getByRole('textbox', { name: 'Title' }).fill('New title of these words')
  await expect(page.getByRole('button', { name: 'Publish' })).toBeEnabled()
  await page.getByRole('button', { name: 'Cancel' }).click()
  await noFaults(page, 'consents')
  await page.goto('/settings/money')
  await expect(page.getByLabel('An hour of hands, EUR')).toHaveValue('26.00')
  await noFaults(page, 'money')
})
