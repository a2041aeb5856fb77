import { expect, test, type Locator, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { OWNER, signedIn, withDatabase } from '../api/http'
import {
  choose,
  enterStudio,
  freshVisit,
  noFaults,
  open,
  primary,
  readAsIs,
  stage,
  theDayAfter,
} from './steps'

const row = (page: Page, name: string): Locator =>
  page.getByRole('table', { name: 'Shelf' }).getByRole('row').filter({ hasText: name })
const fresh = (word: string) => `${word} ${randomUUID().slice(0, 6)}`
const openShelf = async (page: Page, part = '') => {
  await enterStudio(page)
  await page.goto(`/shelf${part}`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
}
/** Puts the new product on the shelf and waits until its own page is there. */
async function putOnShelf(page: Page) {
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page).not.toHaveURL(/\/new$/)
  await expect(page.getByRole('region', { name: 'Batches' })).toBeVisible()
}
/** A visit of a client of its own, fitted, on Prepare. */
async function onPrepare(page: Page, protocol: string): Promise<string> {
  const address = await freshVisit({ protocol })
  await open(page, address)
  await readAsIs(page)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  return address
}

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
    await expect(row(page, 'Light Sun Fluid')).toContainText('3 doses')
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
    await batches.getByRole('button', { name: 'Undo' }).click()
    await expect(batches.getByLabel('Left, mL')).toHaveValue('250')
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

test.describe('Prepare', () => {
  test.beforeEach(async ({ page }) => {
    await page.clock.install({ time: theDayAfter() })
  })

  test('a booster that is out is replaced in one tap, with what that changes; and taken back', async ({
    page,
  }) => {
    await onPrepare(page, 'mixed-bowl')
    const short = page.getByRole('group', { name: 'Clover Drops is short' })
    await expect(short).toContainText('out')
    await expect(page.getByRole('region', { name: /^Mix: / })).toContainText('Oat Cocktail')
    await expect(short.getByRole('button', { name: /Panthenol Drops/ })).toContainText(
      'no bisabolol',
    )
    await short.getByText(/not today$/).click()
    await expect(short).toContainText('Yarrow Drops: 8.3 % of the mix, at most 5 %.')
    await short.getByRole('button', { name: /Panthenol Drops/ }).click()
    await expect(short).toContainText('Panthenol Drops stands in.')
    const card = page.getByRole('region', { name: /^Mix: Meadow cocktail/ })
    await expect(card).toContainText('Panthenol Drops')
    await noFaults(page, 'Prepare with a stand-in')
    await page.reload()
    await expect(short).toContainText('Panthenol Drops stands in.')
    await short.getByRole('button', { name: 'Take it back' }).click()
    await expect(short.getByRole('button', { name: /Panthenol Drops/ })).toBeVisible()
  })

  test('alginate at 16, 20 and 26 °C: the time you have, and a tray that counts', async ({
    page,
  }) => {
    await onPrepare(page, 'brightening')
    const card = page.getByRole('region', { name: /^Mix: Kelp set mask/ })
    await expect(card).toContainText('3 scoops')
    await expect(card).toContainText('90 mL')
    const water = card.getByRole('slider')
    // −6 s a degree from 4 min at 20 °C (dental alginate practice, value from memory).
    for (const [celsius, words] of [
      [16, '4 min 24 s to work'],
      [20, '4 min to work'],
      [26, '3 min 24 s to work'],
    ] as const) {
      await water.fill(String(celsius))
      await expect(card).toContainText(words)
    }
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()
    await page.reload()
    await expect(card).toContainText('3 min 24 s to work')
    for (const thing of [
      'linen for the bed',
      'headband',
      'bowl of water',
      'flexible bowl',
      'spare towel, wet',
      'measuring cup and thermometer',
    ])
      await expect(page.getByRole('checkbox', { name: new RegExp(thing) }).first()).toBeVisible()
    // Two taps at once: each fit is a revision of its own, the last one counts.
    await page.getByRole('radio', { name: 'small' }).click()
    await page.getByRole('radio', { name: 'large' }).click()
    await expect(card).toContainText('33.6 g')
    await expect(card).toContainText('100.8 mL')
  })

  test('what the visit costs, and the least an enhancement in a gap must bring', async ({
    page,
  }) => {
    await onPrepare(page, 'brightening')
    const cost = page.getByRole('region', { name: 'What this visit costs' })
    await expect(cost).toContainText(/To perform€\d+\.\d\d/)
    await expect(cost).toContainText('going rate €95.00')
    await expect(cost).toContainText(
      /Lip enhancement€14\.00in a gap, no minutes of its own; breaks even at €0\.\d\d/,
    )
    await cost.getByText('Step by step').click()
    await expect(cost).toContainText('First cleanse')
  })

  test('what was really used goes on the record with its lots', async ({ page }) => {
    const address = await onPrepare(page, 'acid')
    await stage(page, 'Perform')
    await page.getByRole('button', { name: 'Start the visit' }).click()
    await expect(primary(page)).toBeVisible()
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()
    await page.goto(`${address}/close`)
    await page.getByText('What it took off the shelf').click()
    const cream = page.getByLabel('Dune Day Cream, g used')
    await cream.fill('2.5')
    await cream.blur()
    await page.getByRole('button', { name: 'Sign and lock' }).click()
    await expect(page.getByText(/^Signed by/)).toBeVisible()
    await expect(page.getByRole('row').filter({ hasText: 'Dune Day Cream' })).toContainText(
      /lot DD-\d+\s*2\.5 g/,
    )
  })
})

test('devices, disposables and kits: two changes at once are both kept', async ({ page }) => {
  await openShelf(page, '?part=Devices')
  await page.getByRole('button', { name: /^Ultrasound Infuser/ }).click()
  await page.getByLabel('Highest').fill('6')
  await page.getByLabel('Starts at').fill('2')
  await page.getByLabel('Setting, in words').fill('small circles, slow')
  await page.getByLabel('Setting, in words').blur()
  await expect(page.getByRole('img', { name: 'From 1 to 6, starting at 2 level' })).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await page.getByLabel('Most minutes on one zone').fill('a while')
  await page.getByLabel('Most minutes on one zone').blur()
  await expect(page.getByRole('alert')).toContainText('Most minutes: “a while” is not a number.')
  await page.reload()
  await page.getByRole('button', { name: /^Ultrasound Infuser/ }).click()
  await expect(page.getByRole('img', { name: 'From 1 to 6, starting at 2 level' })).toBeVisible()
  await expect(page.getByLabel('Setting, in words')).toHaveValue('small circles, slow')
  await page.goto('/shelf?part=Disposables')
  const name = fresh('Thing')
  await page.getByLabel('Another').fill(name)
  await page.getByRole('button', { name: 'Add' }).click()
  await page.getByLabel(`${name} in a pack`).fill('40')
  await page.getByLabel(`Price of ${name}`).fill('3,20')
  await page.getByLabel(`${name} left`).fill('80')
  await page.getByLabel(`${name} left`).blur()
  await expect(page.getByLabel(`Price of ${name}`)).toHaveValue('3.20')
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  await page.goto('/shelf?part=Kits')
  await expect(page.getByRole('region', { name: 'Clear Start Set' })).toBeVisible()
  await page.goto('/shelf?part=Disposables')
  await expect(page.getByLabel(`${name} in a pack`)).toHaveValue('40')
  await expect(page.getByLabel(`${name} left`)).toHaveValue('80')
})

test('prices: the margin falls below what is wanted, and included is set against one by one', async ({
  page,
}) => {
  await openShelf(page, '?part=Prices')
  const line = page.getByRole('row').filter({ hasText: 'Short acid visit' })
  await line.getByLabel('Price of Short acid visit').fill('60')
  await line.getByLabel('Price of Short acid visit').blur()
  await expect(line).toContainText(/↓ [\d.]+ %/)
  await line.getByLabel('Price of Short acid visit').fill('a lot')
  await line.getByLabel('Price of Short acid visit').blur()
  await expect(page.getByRole('alert')).toContainText('Short acid visit: “a lot” is not a price.')
  await line.getByLabel('Price of Short acid visit').fill('95')
  await line.getByLabel('Price of Short acid visit').blur()
  await expect(line).not.toContainText('↓')
  const offer = page.getByRole('region', { name: 'Included or one by one' })
  await choose(offer, 'With', 'Quiet Tide brightening facial')
  await offer.getByRole('button', { name: 'Lip enhancement' }).click()
  await offer.getByLabel('All for').fill('105')
  await expect(offer).toContainText('One by one €112.00')
  await expect(offer).toContainText('saves €7.00')
})
