import { expect, test, type Page } from '@playwright/test'
import { withDatabase } from '../api/http'
import { noFaults, open, onItsDay, startTheVisit } from './steps'

// "Not this one": another stands in under the replacement law, and the refusal is kept.

const refusedBy = (address: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ product_id: string; note: string }>(
      `SELECT product_id, note FROM product_memory
        JOIN visit ON visit.client_id = product_memory.client_id
        WHERE visit.id = $1 AND memory = 'refused'`,
      [address.split('/').at(-1)],
    )
    return rows.map(({ product_id: id, note }) => `${id}: ${note}`)
  })

async function refuse(page: Page, product: string) {
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('button', { name: 'Not this one …' }).click()
  const sheet = page.getByRole('dialog', { name: 'Not this one' })
  await sheet.getByRole('radio', { name: product }).click()
  await sheet.getByRole('radio', { name: 'Smell' }).click()
  await expect(sheet.getByRole('list', { name: 'What changes' })).toContainText(
    'Pineapple enzyme mask →',
  )
  return sheet
}

test('a product that is refused is replaced before it touches, and remembered; taken back it is neither', async ({
  page,
}) => {
  const address = await onItsDay(page, { protocol: 'brightening' })
  await open(page, address)
  await startTheVisit(page)
  const ladder = page.getByRole('group', { name: /^Ladder/ })
  const sheet = await refuse(page, 'Pineapple Enzyme Powder')
  await noFaults(page, 'not this one')
  await sheet.getByRole('button', { name: 'Take it' }).click()
  const again = page.getByRole('region', { name: 'Fitted again' })
  await expect(again).toContainText('Pineapple enzyme mask →')
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await expect.poll(() => refusedBy(address)).toHaveLength(1)
  expect(await refusedBy(address)).toEqual([expect.stringMatching(/: Smell$/)])

  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect.poll(() => refusedBy(address)).toEqual([])
  await expect(ladder).toBeVisible()

  // Left as it is nothing is said.
  const second = await refuse(page, 'Pineapple Enzyme Powder')
  await second.getByRole('button', { name: 'Leave it as it is' }).click()
  expect(await refusedBy(address)).toEqual([])

  const third = await refuse(page, 'Pineapple Enzyme Powder')
  await third.getByRole('button', { name: 'Take it' }).click()
  await expect.poll(() => refusedBy(address)).toHaveLength(1)
  await page.goto(`${address}/close`)
  await expect(page.getByRole('main')).toContainText('Refused: Pineapple Enzyme Powder, smell')
})
