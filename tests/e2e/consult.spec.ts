import { addMonths, format } from 'date-fns'
import { expect, test } from '@playwright/test'
import {
  answer,
  askedGroup,
  choose,
  consultPart,
  dayAt,
  freshVisit,
  noFaults,
  open,
  panel,
  signWithAPen,
  stage,
} from './steps'

const changes = (page: Parameters<typeof open>[0]) => page.getByRole('list', { name: 'Changes' })
const monthsAgo = (months: number) => format(addMonths(new Date(), -months), 'yyyy-MM-dd')

test('pregnancy: no steam and no current, said at once beside the question', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await answer(page, 'pregnancy', 'Yes')
  for (const gone of ['Steam left out', 'High frequency left out']) {
    await expect(panel(page)).toContainText(gone)
    await expect(askedGroup(page, 'Pregnancy, breast-feeding')).toContainText(gone)
  }
  await stage(page, 'Fit')
  await expect(changes(page)).toContainText('A04')
  await stage(page, 'Consult')
  await answer(page, 'pregnancy', 'No')
  await expect(panel(page)).not.toContainText('Steam left out')
})

test('isotretinoin: stopped five months ago still holds, seven months ago no longer; stopped to come is refused', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'acid' }))
  await answer(page, 'isotretinoin', 'Yes')
  await expect(panel(page)).toContainText('Glycolic peel left out')
  const stopped = page.locator('[data-detail="isotretinoin"]').getByLabel('Stopped on')
  await stopped.fill(monthsAgo(5))
  await expect(panel(page)).toContainText('Glycolic peel left out')
  await stopped.fill(monthsAgo(7))
  await expect(panel(page)).not.toContainText('left out')
  await stopped.fill(format(addMonths(new Date(), 2), 'yyyy-MM-dd'))
  await expect(page.getByRole('alert').first()).toContainText('is in the future. Check the date.')
  await page.reload()
  await askedGroup(page, 'Medicines').getByRole('button', { name: 'Change …' }).click()
  await expect(stopped).toHaveValue(monthsAgo(7))
})

test('a medicine by another name it goes by; it maps to its rule', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'acid' }))
  await askedGroup(page, 'Medicines').getByRole('button', { name: 'Change …' }).click()
  await page.getByLabel('Medicine or condition').fill('warf')
  await page
    .getByRole('list', { name: 'Found' })
    .getByRole('button', { name: /Warfarin/ })
    .click()
  await expect(askedGroup(page, 'Medicines')).toContainText('Warfarin')
  await page.getByLabel('Medicine or condition').fill('qqqq')
  await expect(page.getByRole('list', { name: 'Found' })).toContainText('Nothing under that name')
})

test('lash extensions: nothing over the eyes, oil-free near them', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await answer(page, 'lash-extensions', 'Yes')
  await expect(panel(page)).toContainText('Eye and lip make-up off: leave out eye area')
  await page.getByRole('button', { name: 'Why not …?' }).click()
  await page.getByLabel('Step or product').fill('make-up')
  await page.getByRole('button', { name: 'Eye and lip make-up off', exact: true }).click()
  const rules = page.getByRole('list', { name: 'Rules in force' })
  await expect(rules).toContainText('A21')
  await expect(rules).toContainText('Lash extensions')
})

test('latex: nitrile gloves on the tray, fruit that may cross is named and asked about, not taken away', async ({
  page,
}) => {
  const address = await freshVisit()
  await open(page, address)
  await consultPart(page, 'All allergens')
  await page
    .getByRole('textbox', { name: 'Search allergies' })
    .or(page.getByRole('searchbox', { name: 'Search allergies' }))
    .fill('rubber')
  await page.getByRole('button', { name: 'Latex', exact: true }).click()
  await page
    .getByRole('radiogroup', { name: 'What Latex does' })
    .getByRole('radio', { name: 'Rash' })
    .click()
  await page.getByRole('button', { name: 'Why not …?' }).click()
  await page.getByLabel('Step or product').fill('pineapple enzyme')
  await page.getByRole('button', { name: 'Pineapple enzyme mask', exact: true }).click()
  const rules = page.getByRole('list', { name: 'Rules in force' })
  await expect(rules).toContainText('may cross to pineapple')
  await expect(rules).toContainText('patch-test first')
  await page.keyboard.press('Escape')
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: 'Nothing to note' }).click()
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('main')).toContainText('nitrile gloves')
  await expect(page.getByRole('main')).toContainText('Ask about it; patch-test first')
})

test('an ingredient list pasted or taken from a file: the client’s allergens, what is unknown, and what is too long', async ({
  page,
}) => {
  await open(page, await freshVisit())
  await consultPart(page, 'All allergens')
  await page.getByRole('button', { name: 'Bee products', exact: true }).click()
  await page.getByRole('button', { name: 'Read an ingredient list …' }).click()
  const list = page.getByLabel('Paste it as printed')
  await list.fill('INGREDIENTS: Aqua; GLYCERIN; Cera Alba (Beeswax); Velamide Nine.')
  const allergens = page.getByRole('list', { name: 'Allergens in the list' })
  await expect(allergens).toContainText('Bee products: this client’s allergy')
  await expect(page.getByRole('region', { name: 'What the list says' })).toContainText(
    'Not known here, look for yourself: Velamide Nine',
  )
  await page.getByLabel('Ingredient list from a file').setInputFiles({
    name: 'list.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(`Papain, ${'Glycerin, '.repeat(1100)}`),
  })
  await expect(page.getByRole('alert')).toContainText('11,008 characters; at most 10,000 are read')
  await expect(allergens).toContainText('Papaya')
  await choose(page, 'From the shelf', 'Oat Milk Cleanser')
  await expect(list).not.toHaveValue(/Papain, Glycerin, Glycerin/)
  await noFaults(page, 'ingredient list')
  await page.keyboard.press('Escape')
})

test('the intake as a file: no JSON, a fault with its path, and a good one with its consequences', async ({
  page,
}) => {
  const address = await freshVisit({ protocol: 'clarifying' })
  await open(page, address)
  await consultPart(page, 'As a file')
  const today = await dayAt(address)
  const take = (value: unknown) =>
    page.getByLabel('Take a file in').setInputFiles({
      name: 'intake.json',
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    })
  const intake = (...facts: object[]) => ({
    format: 'zen-ladder/intake',
    version: 1,
    takenOn: today,
    client: { name: 'Somebody', bornOn: '1985-06-15', concerns: ['calm'], notes: [] },
    facts,
  })
  await take('{ "format": ')
  await expect(page.getByRole('alert')).toContainText('intake.json is no JSON file')
  await take(
    intake(
      { code: 'pregnancy', answer: 'yes', askedOn: today },
      { code: 'nonsense', answer: 'yes', askedOn: today },
    ),
  )
  await expect(page.getByRole('alert').filter({ hasText: '$.facts[1].code' })).toContainText(
    'There is no question "nonsense".',
  )
  await expect(panel(page)).not.toContainText('Steam left out')
  await take(intake({ code: 'pregnancy', answer: 'yes', askedOn: today }))
  await expect(panel(page)).toContainText('Steam left out')
  await consultPart(page, 'Goals')
  await expect(page.getByRole('region', { name: 'Goals' })).toContainText('Calmer')
})

test('a minor: not today without a guardian; a guardian’s drawn signature opens the visit; withdrawn, it closes again', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'clarifying', bornOn: '2010-05-05' }))
  await expect(panel(page)).toContainText('Not today')
  await expect(panel(page)).toContainText('guardian')
  await stage(page, 'Fit')
  await expect(page.getByRole('button', { name: 'Prepare the tray' })).toBeDisabled()
  await stage(page, 'Consult')
  await consultPart(page, 'Consent')
  const texts = page.getByRole('region', { name: 'Consent' }).getByRole('listitem')
  await texts.filter({ hasText: 'uardian' }).getByRole('button', { name: /Sign/ }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('button', { name: 'Keep the signature' })).toBeDisabled()
  await dialog.getByLabel('Guardian').fill('Invented Guardian')
  await signWithAPen(page)
  await dialog.getByRole('button', { name: 'Keep the signature' }).click()
  await expect(panel(page)).not.toContainText('Not today')
  await page.reload()
  await expect(panel(page)).not.toContainText('Not today')
  await consultPart(page, 'Consent')
  await texts
    .filter({ hasText: 'uardian' })
    .getByRole('button', { name: 'See', exact: true })
    .click()
  await expect(dialog.getByRole('img', { name: 'Signature of Invented Guardian' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Withdraw from today' }).click()
  await expect(panel(page)).toContainText('Not today')
})
