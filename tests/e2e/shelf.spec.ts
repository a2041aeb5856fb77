import { expect, test } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import { choose, noFaults } from './steps'
import { row, fresh, openShelf, putOnShelf } from './shelf-steps'

test.describe('the shelf', () => {
  test('is found by name, kind, active, concern, where it may never go, and stock; and sorted', async ({
    page,
  }) => {
    await openShelf(page)
    await page.getByRole('searchbox', { name: 'Find' }).fill('lact')
    await expect(row(page, 'Lactic Soft Peel')).toContainText('lactic 12 % · pH 3.8')
    await page.getByRole('button', { name: 'Clear' }).click()
    await choose(page, 'Kind', 'sun')
    await choose(page, 'Stock', 'low')
    // How many is left to the visits that other tests sign.
    await expect(row(page, 'Light Sun Fluid')).toContainText(/\d doses?/)
    await expect(row(page, 'Mineral Sun Veil')).toHaveCount(0)
    await page.getByRole('button', { name: 'Clear' }).click()
    await choose(page, 'Never on', 'neck')
    await expect(row(page, 'Glycolic Brief Peel')).toHaveCount(1)
    await expect(row(page, 'Oat Milk Cleanser')).toHaveCount(0)
    await page.getByRole('button', { name: 'Clear' }).click()
    await page.getByRole('button', { name: /^Use by/ }).click()
    await expect(page.getByRole('columnheader', { name: /^Use by/ })).toHaveAttribute(
      'aria-sort',
      'ascending',
    )
    await choose(page, 'Stock', 'past its time')
    await expect(row(page, 'Dulse Gommage')).toContainText('✕ past its time')
    await page.getByRole('searchbox', { name: 'Find' }).fill('nothing of the kind')
    await expect(
      page.getByText('Nothing on the shelf answers all of this. Take one wish back.'),
    ).toBeVisible()
  })

  test('every part of it has no fault, in both lights', async ({ page }) => {
    test.setTimeout(240_000)
    await openShelf(page)
    for (const light of ['day', 'room']) {
      await page.evaluate((to) => localStorage.setItem('zen-light', to), light)
      for (const part of [
        '',
        '?part=House%20mixes',
        '?part=Devices',
        '?part=Disposables',
        '?part=Kits',
        '?part=Order',
        '?part=Prices',
      ]) {
        await page.goto(`/shelf${part}`)
        await expect(page.getByText(/^(Opening|Adding up) …$/)).toHaveCount(0)
        await expect(page.getByRole('navigation', { name: 'Parts of the shelf' })).toBeVisible()
        await page.waitForTimeout(300)
        await noFaults(page, `${light} shelf${part}`)
      }
      for (const address of [
        '/shelf/glycolic-peel',
        '/shelf/kelp-set-mask',
        '/shelf/new',
        '/shelf/bench?mix=oat-cocktail',
      ]) {
        await page.goto(address)
        await page.waitForTimeout(600)
        await noFaults(page, `${light} ${address}`)
      }
    }
  })
})

test.describe('a product', () => {
  test('shows its free acid as it is typed, keeps every change, and takes it back', async ({
    page,
  }) => {
    await openShelf(page, '/new')
    const name = fresh('Glycolic')
    await page.getByLabel('Name').fill(name)
    await choose(page, 'Kind', 'acid')
    await putOnShelf(page)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(name)
    await page.getByRole('button', { name: 'Another active' }).click()
    await page.getByLabel('Active 1').fill('glycolic')
    await page.getByLabel('Active 1').blur()
    await page.getByLabel('Percent of glycolic').fill('25')
    await page.getByLabel('Percent of glycolic').blur()
    const acid = page.getByRole('region', { name: 'Free acid' })
    await expect(acid).toContainText('Without its pH there is no figure')
    await page.getByLabel('pH', { exact: true }).fill('2.8')
    await page.getByLabel('pH', { exact: true }).blur()
    // Henderson–Hasselbalch with pKa 3.83 (CRC Handbook, value from memory): 91.5 % of 25 is 22.9.
    await expect(acid).toContainText('22.9 %')
    await expect(acid).toContainText('As strong as 26.2 % at pH 3.0')
    await expect(page.getByRole('region', { name: 'Published review' })).toContainText(
      'Outside the published review',
    )
    await choose(page, 'Dissolved in', 'alcohol')
    await expect(acid).toContainText('It holds in water only')
    await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(acid).toContainText('22.9 %')
    await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
    await page.reload()
    await expect(acid).toContainText('22.9 %')
    await page.getByLabel('pH', { exact: true }).fill('sour')
    await page.getByLabel('pH', { exact: true }).blur()
    await expect(page.getByRole('alert')).toContainText(
      'pH: “sour” is not a number. The old figure stays.',
    )
    await expect(acid).toContainText('22.9 %')
    await page
      .getByRole('textbox', { name: 'Ingredient list, as printed' })
      .fill('Aqua, Glycolic Acid, Parfum, Linalool')
    await page.getByRole('textbox', { name: 'Ingredient list, as printed' }).blur()
    await expect(page.getByRole('region', { name: 'Ingredient list read' })).toContainText(
      /fragrance/i,
    )
  })

  test('a pump is weighed, a pack comes and is opened, and thrown away by mistake comes back', async ({
    page,
  }) => {
    await openShelf(page, '/new')
    await page.getByLabel('Name').fill(fresh('Cleanser'))
    await putOnShelf(page)
    await expect(page.getByRole('heading', { name: 'Measures' })).toBeVisible()
    const measures = page.getByRole('region', { name: 'Measures' })
    await measures.getByLabel('How many').fill('20')
    await measures.getByLabel('came to').fill('16')
    await measures.getByRole('button', { name: 'Keep: one is 0.8 mL' }).click()
    await expect(measures).toContainText('One pump of this is 0.8 mL, from 20 that came to 16 mL.')
    const batches = page.getByRole('region', { name: 'Batches' })
    await expect(batches).toContainText('none left')
    await batches.getByRole('button', { name: 'A pack came' }).click()
    await batches.getByLabel('Left, mL').fill('250')
    await batches.getByLabel('Left, mL').blur()
    await batches.getByLabel('Lot', { exact: true }).fill('AB-1')
    await batches.getByLabel('Lot', { exact: true }).blur()
    await batches.getByRole('button', { name: 'Opened today' }).click()
    await expect(batches.getByLabel('Opened')).not.toHaveValue('')
    await batches.getByRole('button', { name: 'Throw away' }).click()
    await expect(batches).toContainText('none left')
    // It stands there at once; the page is read anew only when the server has it too.
    const kept = page.waitForResponse((reply) => reply.url().includes('/api/shelf/batches/'))
    await batches.getByRole('button', { name: 'Undo' }).click()
    await expect(batches.getByLabel('Left, mL')).toHaveValue('250')
    expect((await kept).ok()).toBe(true)
    await page.reload()
    await expect(batches.getByLabel('Lot', { exact: true })).toHaveValue('AB-1')
  })

  test('two who change it at once: the second is told, and nothing is lost', async ({ page }) => {
    await openShelf(page, '/new')
    await page.getByLabel('Name').fill(fresh('Gel'))
    await putOnShelf(page)
    await expect(page).toHaveURL(/\/shelf\/gel-/)
    const id = page.url().split('/').at(-1)!
    await expect(page.getByLabel('pH', { exact: true })).toBeVisible()
    const owner = await signedIn(OWNER)
    const { body } = await owner.ask<{ product: object; changedAt: string }>(
      'GET',
      `/api/shelf/products/${id}`,
    )
    expect(
      (
        await owner.ask('PUT', `/api/shelf/products/${id}`, {
          product: { ...body.product, note: 'from elsewhere' },
          seenAt: body.changedAt,
        })
      ).status,
    ).toBe(200)
    await page.getByLabel('pH', { exact: true }).fill('5')
    await page.getByLabel('pH', { exact: true }).blur()
    await expect(page.getByRole('alert')).toContainText('Somebody changed this product meanwhile')
    await expect(page.getByLabel('pH', { exact: true })).toHaveValue('5')
  })
})
