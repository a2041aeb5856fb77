import { expect, test } from '@playwright/test'
import { book, OWNER, signedIn, withDatabase } from '../api/http'
import { choose, enterStudio } from './steps'
import { rungs, copyOf } from './builder-steps'

test('the library: found by what it does, copied, put away and back', async ({ page }) => {
  await enterStudio(page)
  await page.goto('/protocols')
  const list = page.getByRole('list', { name: 'Library' })
  await choose(page, 'Device', 'Radio Frequency Wand')
  await expect(list.getByRole('listitem')).toHaveCount(1)
  await expect(list).toContainText('Seven Tides device facial')
  await choose(page, 'At most', '60 min')
  await expect(list).toContainText('No protocol answers all of this')
  await page.getByRole('button', { name: 'Clear' }).click()
  await page.getByLabel('Find').fill('grain')
  await page.getByRole('button', { name: 'More of Along the Grain' }).click()
  await page.getByRole('menuitem', { name: 'Copy' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Along the Grain, autumn')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(rungs(page)).toHaveCount(14)
  await page.goto('/protocols')
  await page.getByLabel('Find').fill('autumn')
  await page.getByRole('button', { name: 'More of Along the Grain, autumn' }).click()
  await page.getByRole('menuitem', { name: 'Put away' }).click()
  await expect(page.getByText('Along the Grain, autumn is put away')).toBeVisible()
  await expect(list).toContainText('No protocol answers')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list.getByText('Along the Grain, autumn')).toBeVisible()
})

test('a card is taken out as a file and in again; what is wrong with one is said with its place', async ({
  page,
}) => {
  await enterStudio(page)
  await page.goto('/protocols')
  await page.getByLabel('Find').fill('Undertow enzyme')
  await page.getByRole('button', { name: 'More of Undertow enzyme visit' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Take the file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('undertow-v1.protocol.json')
  const file = JSON.parse(
    await (await import('node:fs/promises')).readFile((await download.path())!, 'utf8'),
  ) as { protocol: { name: string; steps: { title: string; product?: { productId: string } }[] } }
  const takeIn = (value: unknown, name = 'card.json') =>
    page.locator('input[type=file]').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    })
  await takeIn('{"format": ')
  await expect(page.getByRole('alert')).toContainText('card.json is not JSON')
  await takeIn({
    ...file,
    protocol: { ...file.protocol, steps: [{ ...file.protocol.steps[0], zones: [] }] },
  })
  await expect(page.getByRole('alert')).toContainText('$.protocol.steps[0].zones')
  await takeIn({
    ...file,
    protocol: {
      ...file.protocol,
      name: 'From elsewhere',
      steps: file.protocol.steps.map((step, at) =>
        at === 0 ? { ...step, product: { productId: 'river-mud', useId: 'mud' } } : step,
      ),
    },
  })
  await expect(page.getByRole('status').first()).toContainText('Not on your shelf: river-mud')
  await takeIn({ ...file, protocol: { ...file.protocol, name: 'From next door' } })
  await expect(page).toHaveURL(/protocols\/[0-9a-f-]{36}/)
  await expect(rungs(page)).toHaveCount(file.protocol.steps.length)
})

test('what is put away cannot be booked; what is not published is not offered', async ({
  page,
}) => {
  const id = await copyOf(page, 'undertow', 'Not yet published')
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ choices: { protocols: { id: string }[] } }>('GET', '/api/day')
  expect(body.choices.protocols.map((protocol) => protocol.id)).not.toContain(id)
  const { body: card } = await owner.ask<{ draft: { steps: object[] } }>(
    'GET',
    `/api/protocols/${id}`,
  )
  await owner.ask('POST', `/api/protocols/${id}/versions`, {
    basedOn: 0,
    note: 'First',
    steps: card.draft.steps,
  })
  await owner.ask('PUT', `/api/protocols/${id}/archived`, { archived: true })
  await expect(book(owner, 'Wren Castellane', id)).rejects.toThrow()
  await withDatabase(async (db) =>
    expect(
      (await db.query('SELECT 1 FROM visit WHERE protocol_version_id = $1', [`${id}-v1`])).rowCount,
    ).toBe(0),
  )
})
