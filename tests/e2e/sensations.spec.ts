import { expect, test } from '@playwright/test'
import { noFaults, pass, performUntil, primary, startOf } from './steps'

// What is felt is answered by what it is of, and kept under it.

test('a sting of an acid that stays on is kept under it; strong, the rest is fitted again', async ({
  page,
}) => {
  await startOf(page, 'leave-on-acid')
  await performUntil(page, 'Lactic solution, left on')
  await primary(page).click()
  await pass(page, 0.3)
  await page.getByRole('button', { name: 'Stings' }).click()
  const sheet = page.getByRole('dialog')
  const acid = sheet.getByRole('radio', { name: 'Lactic Leave-On Solution' })
  await expect(acid).toBeChecked()
  await expect(sheet.getByRole('radio', { name: 'how the client lies' })).toBeVisible()
  await sheet.getByRole('button', { name: 'Stinging' }).click()
  await expect(sheet).toContainText('That is what Lactic Leave-On Solution does now')
  await expect(sheet).toContainText('Fan it, cool air')
  await sheet.getByRole('button', { name: 'It is strong' }).click()
  await expect(sheet.getByRole('heading')).toHaveText('Take it off now')
  await expect(sheet).toContainText('Kept as more than expected')
  await noFaults(page, 'what the client feels')
  await sheet.getByRole('button', { name: 'I did that, go on' }).click()
  const again = page.getByRole('region', { name: 'Fitted again' })
  await expect(again).toContainText('take it off cool')
  await expect(again).toContainText('Lactic solution, left on: stinging')
  // It is remembered as a reaction when somebody says so at the close.
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.goto(page.url().replace('/perform', '/close'))
  const reacted = page.getByRole('region', { name: 'Reacted to' })
  await expect(reacted).toContainText('Lactic Leave-On Solution: stinging, more than expected')
  await reacted.getByRole('button', { name: 'Remember: reacted' }).click()
  await expect(reacted).toContainText('remembered as reacted')
})

test('how the client lies and what a device does have answers of their own', async ({ page }) => {
  await startOf(page, 'signature')
  await performUntil(page, 'Water suction')
  await pass(page, 0.3)
  await page.getByRole('button', { name: 'Stings' }).click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByRole('radio', { name: 'Water Suction Handpiece' })).toBeChecked()
  await sheet.getByRole('button', { name: 'Itch' }).click()
  await expect(sheet).toContainText('One level lower')
  await sheet.getByRole('radio', { name: 'how the client lies' }).click()
  await expect(sheet).toContainText('bolster')
  await expect(sheet).not.toContainText('Kept as more than expected')
  await sheet.getByRole('button', { name: 'I did that, go on' }).click()
  await expect(page.getByRole('region', { name: 'Fitted again' })).toHaveCount(0)
})

test('a device is set by one tap, place by place, with the reason; the maker’s most has no button above it', async ({
  page,
}) => {
  await startOf(page, 'signature')
  await performUntil(page, 'Water suction')
  const set = page.getByRole('region', { name: 'What it is set to' })
  await expect(set).toContainText('40 %')
  await set.getByRole('radio', { name: 'nose' }).click()
  await set.getByRole('button', { name: 'Lower' }).click()
  await expect(set).toContainText('35 %')
  await set.getByRole('button', { name: 'reddened' }).click()
  await expect(set.getByRole('button', { name: 'reddened' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await set.getByRole('radio', { name: 'everywhere' }).click()
  await expect(set).toContainText('40 %')
  await noFaults(page, 'a device at work')
  const higher = set.getByRole('button', { name: 'Higher' })
  // A pedal sends Space wherever the focus is: it works the big target, and never the level that was touched last.
  await set.getByRole('button', { name: 'Lower' }).click()
  await expect(set).toContainText('35 %')
  await higher.click()
  await expect(set).toContainText('40 %')
  await page.keyboard.press('Space')
  await expect(primary(page)).not.toHaveText('Done: Water suction')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(set).toContainText('40 %')
  for (let taps = 0; taps < 12 && (await higher.isEnabled()); taps++) await higher.click()
  await expect(higher).toBeDisabled()
  await expect(set).toContainText(/No higher today|The device goes no higher/)
})

test('while a visit runs its other stages lead back to the clock; once it is over, to the close', async ({
  page,
}) => {
  await startOf(page, 'hydrating')
  // Before it has begun nothing waits to be sent: that too is "Saved".
  await expect(primary(page)).toHaveText(/^(Done|First touch)/)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  const perform = page.url()
  for (const name of ['fit', 'prepare', 'close']) {
    await page.goto(perform.replace('/perform', `/${name}`))
    const note = page.getByRole('note', { name: 'Where this visit is' })
    await expect(note).toContainText('This visit runs.')
    await expect(note.getByRole('link', { name: 'Back to the clock' })).toBeVisible()
  }
  await page.getByRole('link', { name: 'Back to the clock' }).click()
  await expect(primary(page)).toHaveText(/^(Done|First touch)/)
})
