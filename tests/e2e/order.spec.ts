import { expect, test, type Page } from '@playwright/test'
import { noFaults, onItsDay, open, startTheVisit } from './steps'

// What the moment asks for: a step earlier or later, and hands that are slower today.

async function begun(page: Page) {
  await open(page, await onItsDay(page, { protocol: 'brightening' }))
  await startTheVisit(page)
}
const steps = async (page: Page) =>
  (await page.getByRole('group', { name: /^Ladder/ }).textContent()) ?? ''
const doneAt = async (page: Page) => {
  const [, hours, minutes] = /done (?:\d\d:\d\d–)?(\d\d):(\d\d)/.exec(
    await page.locator('header').innerText(),
  )!
  return Number(hours) * 60 + Number(minutes)
}

test('a massage before the globes is one tap; a moisturiser over the sun protection says why not', async ({
  page,
}) => {
  await begun(page)
  const isGlobesFirst = async () =>
    (await steps(page)).indexOf('Cold globes') < (await steps(page)).indexOf('Massage, 3')
  expect(await isGlobesFirst()).toBe(true)
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('button', { name: 'Earlier, later …' }).click()
  const sheet = page.getByRole('dialog', { name: 'Earlier, later' })
  const take = sheet.getByRole('button', { name: /^(Take it|Nothing to take)$/ })
  await expect(take).toBeDisabled()
  await expect(sheet.getByRole('button', { name: 'Earlier' })).toHaveAccessibleDescription(
    'Choose a step first.',
  )

  await sheet.getByRole('radio', { name: 'Moisturiser' }).click()
  await sheet.getByRole('button', { name: 'Later' }).click()
  await expect(sheet.getByRole('alert')).toContainText('What stays on goes on last')
  await expect(take).toBeDisabled()

  await sheet.getByRole('radio', { name: 'Massage, 3 movements' }).click()
  await sheet.getByRole('button', { name: 'Earlier' }).click()
  await expect(sheet.getByRole('list', { name: 'What changes' })).toBeVisible()
  await noFaults(page, 'earlier, later')
  await take.click()
  await expect(page.getByRole('region', { name: 'Fitted again' })).toBeVisible()
  await expect.poll(isGlobesFirst).toBe(false)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect.poll(isGlobesFirst).toBe(false)
})

test('slower today: hands take longer, the visit ends later or something goes; it is taken back', async ({
  page,
}) => {
  await begun(page)
  const before = await doneAt(page)
  await page.getByRole('button', { name: 'Time …' }).click()
  const sheet = page.getByRole('dialog', { name: 'Has to end by' })
  for (let more = 0; more < 6; more++) await sheet.getByRole('button', { name: '+ 5 min' }).click()
  await sheet.getByRole('radio', { name: 'Slower, + 30 %' }).click()
  await expect(sheet.getByRole('list', { name: 'What goes' })).toContainText('Nothing has to go')
  await noFaults(page, 'slower today')
  await sheet.getByRole('button', { name: 'Take it' }).click()
  await expect.poll(() => doneAt(page)).toBeGreaterThan(before + 2)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect.poll(() => doneAt(page)).toBe(before)
})
