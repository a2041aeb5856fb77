import { expect, test, type Page } from '@playwright/test'
import { withDatabase } from '../api/http'
import { choose } from './steps'
import { row, fresh, openShelf } from './shelf-steps'

test.describe('the mix bench', () => {
  const add = async (page: Page, name: string, parts: string) => {
    await choose(page, 'Add a part', name)
    await page.getByLabel(`Parts of ${name}`).fill(parts)
    await page.getByLabel(`Parts of ${name}`).blur()
  }
  test('a four-part cocktail to 12 g, held to its limits, weighed, and kept as a house mix', async ({
    page,
  }) => {
    await openShelf(page, '/bench')
    for (const [name, parts] of [
      ['Oat Soothing Mask', '6'],
      ['Cucumber Soothing Gel', '3'],
      ['Kaolin Powder', '2'],
      ['Panthenol Drops', '1'],
    ] as const)
      await add(page, name, parts)
    await page.getByRole('button', { name: '12', exact: true }).click()
    for (const [name, grams] of [
      ['Oat Soothing Mask', '6'],
      ['Cucumber Soothing Gel', '3'],
      ['Kaolin Powder', '2'],
      ['Panthenol Drops', '1'],
    ] as const)
      await expect(page.getByLabel(`Grams of ${name}`)).toHaveValue(grams)
    await expect(page.getByRole('group', { name: 'Kaolin Powder' })).toContainText('⅞ teaspoon')
    await expect(page.getByRole('group', { name: 'Panthenol Drops' })).toContainText('20 drops')
    await expect(page.getByRole('region', { name: 'Actives of the mix' })).toContainText('1.67 %')
    await page.getByLabel('Parts of Panthenol Drops').fill('3')
    await page.getByLabel('Parts of Panthenol Drops').blur()
    await expect(page.getByRole('group', { name: 'Panthenol Drops' })).toContainText('at most 10 %')
    await expect(page.getByRole('button', { name: 'Keep as a house mix' })).toBeDisabled()
    await page.getByRole('button', { name: 'Undo' }).click()
    await page
      .getByRole('group', { name: 'Kaolin Powder' })
      .getByRole('button', { name: 'Weigh' })
      .click()
    const scale = page.getByRole('group', { name: 'Scale: Kaolin Powder' })
    await expect(scale.getByRole('button', { name: 'Take it' })).toBeEnabled()
    await scale.getByRole('button', { name: 'Take it' }).click()
    await expect(
      page
        .getByRole('group', { name: 'Kaolin Powder' })
        .getByRole('button', { name: /^(1\.9|2\.0)\d g$/ }),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Keep as a house mix' }).click()
    const name = fresh('Four parts')
    await page.getByRole('dialog').getByLabel('Name').fill(name)
    await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click()
    await expect(page.getByRole('status')).toContainText('on the shelf, among the house mixes')
    await page.goto('/shelf?part=House%20mixes')
    await expect(row(page, name)).toContainText('panthenol 1.67 %')
  })
  test('a dilution: water, C₁V₁, and what was typed in grams becomes the ratio', async ({
    page,
  }) => {
    await openShelf(page, '/bench')
    await add(page, 'Lactic Soft Peel', '1')
    await choose(page, 'Add a part', 'Water')
    await expect(page.getByRole('region', { name: 'Actives of the mix' })).toContainText('6 %')
    await page.reload()
    await expect(page.getByLabel('Parts of Water')).toHaveValue('1')
    await expect(page.getByRole('region', { name: 'Actives of the mix' })).toContainText(
      'The pH of a mix is not predicted',
    )
    await page.getByRole('button', { name: 'Clear the bench' }).click()
    await expect(page.getByText('A base first, then what is stirred in')).toBeVisible()
  })
})

test('a field with many choices: leaving it chooses nothing; a few letters and Enter choose', async ({
  page,
}) => {
  await openShelf(page, '/bench')
  const field = page.getByLabel('Add a part').first()
  const lines = page.locator('.choices').getByRole('option')
  await field.click()
  await expect(lines.first()).toHaveText('Water')
  await page.keyboard.press('Tab')
  await expect(lines).toHaveCount(0)
  await field.click()
  await expect(lines.first()).toBeVisible()
  await page.getByLabel('Make').click()
  await expect(lines).toHaveCount(0)
  await expect(page.getByLabel('Part 1')).toHaveCount(0)

  await field.click()
  await page.keyboard.type('no such thing')
  await expect(page.getByText('Nothing is called so.')).toBeVisible()
  await page.keyboard.press('Escape')
  await field.fill('kaol')
  await expect(lines).toHaveText([/Kaolin Powder/])
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Part 1').first()).toHaveValue('Kaolin Powder')
  await expect(field).toHaveValue('')
})

test.describe('files', () => {
  const take = (page: Page, name: string, text: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  test('a bad file says row and column, and nothing is half taken in', async ({ page }) => {
    await openShelf(page)
    await page.getByRole('button', { name: 'Take a file in' }).click()
    await take(
      page,
      'bad.csv',
      'id,name,kind,ph\nfirst-good,First Good,gel,5\nbad-one,Bad One,paint,sour\n',
    )
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('1 good rows of 2 in bad.csv')
    await expect(
      dialog.getByRole('region', { name: 'Faults of the file' }).getByRole('row').nth(1),
    ).toContainText(/3\s*ph\s*“sour” is not a number/)
    await expect(dialog.getByRole('button', { name: 'Put 1 on the shelf' })).toBeDisabled()
    await dialog.getByRole('button', { name: 'Cancel' }).click()
    await page.getByRole('searchbox', { name: 'Find' }).fill('First Good')
    await expect(page.getByText('Nothing on the shelf answers all of this.')).toBeVisible()
  })
  test('five thousand rows, with progress; the table stays light and quick', async ({ page }) => {
    test.setTimeout(180_000)
    const KINDS = ['serum', 'mask', 'toner', 'gel', 'moisturiser'] as const
    const lines = Array.from(
      { length: 5000 },
      (_, at) =>
        `bulk-${at},Bulk Product ${at},${KINDS[at % KINDS.length]},5.${at % 10},"Aqua, Glycerin, Panthenol",niacinamide ${at % 9},100,${(at % 50) + 1}.50`,
    )
    await openShelf(page)
    try {
      await page.getByRole('button', { name: 'Take a file in' }).click()
      await take(
        page,
        'bulk.csv',
        `id,name,kind,ph,inci,actives,pack_amount,pack_price\n${lines.join('\n')}\n`,
      )
      const dialog = page.getByRole('dialog')
      await expect(dialog).toContainText('5000 good rows of 5000 in bulk.csv')
      const sending = expect(
        dialog.getByRole('progressbar', { name: 'Sending the rows' }),
      ).toBeVisible({ timeout: 20_000 })
      await dialog.getByRole('button', { name: 'Put 5000 on the shelf' }).click()
      await sending
      await expect(dialog.getByRole('status')).toContainText('5000 new, 0 changed', {
        timeout: 90_000,
      })
      await dialog.getByRole('button', { name: 'Close' }).click()
      await expect(page.getByText(/^50\d\d of 50\d\d$/)).toBeVisible()
      expect(
        await page.getByRole('table', { name: 'Shelf' }).getByRole('row').count(),
      ).toBeLessThan(60)
      await page.getByRole('searchbox', { name: 'Find' }).fill('Bulk Product 4321')
      await expect(row(page, 'Bulk Product 4321')).toHaveCount(1)
      await page.getByRole('searchbox', { name: 'Find' }).fill('')
      await page.getByRole('table', { name: 'Shelf' }).evaluate((box) => {
        box.scrollTop = box.scrollHeight
      })
      await expect(row(page, 'Bulk Product 4999')).toBeVisible()
    } finally {
      await withDatabase((db) => db.query(`DELETE FROM product WHERE id LIKE 'bulk-%'`))
    }
  })
})
