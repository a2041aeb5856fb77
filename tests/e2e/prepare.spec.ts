import { expect, test } from '@playwright/test'
import { choose, noFaults, primary, stage } from './steps'
import { fresh, openShelf, onPrepare } from './shelf-steps'

test.describe('Prepare', () => {
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
    await expect(short).toContainText('Yarrow Drops: 6.7 % of the mix, at most 5 %.')
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
    await Promise.all([
      page.waitForResponse((reply) => reply.url().endsWith('/events') && reply.ok()),
      page.getByRole('button', { name: 'Start the visit' }).click(),
    ])
    await expect(primary(page)).toBeVisible()
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
