import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { OWNER } from '../api/http'
import { noFaults, openAs } from './steps'

// A salon that begins with files of its own: each is read, said, and nothing of a bad one is taken.

const read = (name: string) => readFileSync(`docs/formats/${name}`, 'utf8')
const json = (name: string, text: string) => ({
  ...{ name, mimeType: 'application/json' },
  buffer: Buffer.from(text),
})

test('cards and bundles come in together, with the products they name', async ({ page }) => {
  await openAs(page, OWNER, '/begin')
  await expect(page.getByText('products are on the shelf')).toBeVisible()
  await noFaults(page, 'bringing in what one has')
  const fresh = `brought-${randomUUID().slice(0, 8)}`
  const bundle = read('example.bundle.json')
    .replaceAll('"oat-cleanser"', `"${fresh}"`)
    .replaceAll('Oat Milk Cleanser', `Brought ${fresh}`)
  // Its cleanser is mixed from something that lies nowhere: the card comes in, the cleanser does not, and both are said.
  const half = JSON.parse(bundle.replaceAll(fresh, `${fresh}-mix`)) as {
    shelf: { products: { id: string; recipe?: object }[] }
  }
  half.shelf.products.find(({ id }) => id === `${fresh}-mix`)!.recipe = {
    by: 'mass',
    parts: [
      { productId: 'nowhere', parts: 1 },
      { productId: 'water', parts: 1 },
    ],
  }
  await page
    .locator('input[type=file]')
    .setInputFiles([
      json('week.bundle.json', bundle),
      json('card.json', read('example.protocol.json')),
      json('torn.json', '{"format": '),
      json('other.json', '{"format":"zen-ladder/protocol"}'),
      json('half.bundle.json', JSON.stringify(half)),
    ])
  const files = page.getByRole('list', { name: 'Files' }).getByRole('listitem')
  await expect(files).toHaveCount(5)
  await expect(files.nth(0)).toContainText('Taken in as a draft, and 1 thing it names on the shelf')
  await expect(files.nth(1)).toContainText('Taken in as a draft')
  await expect(files.nth(2)).toContainText('is not JSON')
  await expect(files.nth(3)).toContainText('Nothing of it was taken in')
  await expect(files.nth(4)).toContainText('Taken in as a draft; not all it names is on the shelf')
  await page.goto(`/shelf/${fresh}`)
  await expect(page.getByText(`Brought ${fresh}`)).toBeVisible()
})

test('shelf and clients are looked at before they are taken in', async ({ page }) => {
  await openAs(page, OWNER, '/begin')
  await page.getByRole('button', { name: 'Clients’ file …' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('You see what is in it before anybody is taken in')
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Shelf file …' }).click()
  await expect(dialog).toContainText('You see what is in it before anything is put on the shelf')
  await dialog.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('link', { name: 'To Today' }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
})
