import { expect, test, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { QUESTIONS, type Fact } from '#core/client'
import { dayOf, OWNER, signedIn } from '../api/http'
import { answer, askedGroup, consultPart, freshVisit, open, panel, stage } from './steps'

const ALL = QUESTIONS.map(({ code }) => code)

/** Counts what a hand touches from here on. */
async function countTouches(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const counted = window as unknown as { touches: number }
    counted.touches = 0
    document.addEventListener('click', () => counted.touches++, { capture: true })
  })
  return () => page.evaluate(() => (window as unknown as { touches: number }).touches)
}
/** Says something of a client a month before the visit. */
async function toldAMonthAgo(address: string, facts: readonly Omit<Fact, 'askedOn'>[]) {
  const owner = await signedIn(OWNER)
  const id = address.split('/').at(-1)!
  const day = new Date(`${await dayOf(owner, id)}T12:00:00Z`)
  const askedOn = new Date(day.getTime() - 31 * 86_400_000).toISOString().slice(0, 10)
  const { status } = await owner.ask('POST', `/api/visits/${id}/facts`, {
    facts: facts.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn } })),
  })
  expect(status).toBe(204)
}
const noTo = (codes: readonly string[]) => codes.map((code) => ({ code, answer: 'no' as const }))
const isAsked = (page: Page) => expect(page.getByText('all that this card needs is asked'))

test('a first visit: one touch for each group, no button for all of them', async ({ page }) => {
  await open(page, await freshVisit({ open: [...ALL, 'allergy:any'] }))
  await expect(panel(page)).toContainText('Ask first')
  await expect(page.getByRole('button', { name: 'Nothing new since then' })).toHaveCount(0)
  const touches = await countTouches(page)
  const bands = page.locator('[data-group]')
  await answer(page, 'hair-oil', 'Yes')
  await answer(page, 'diabetes', 'Yes')
  for (const band of await bands.all())
    await band.getByRole('button', { name: /^(None of these|None known|Nothing else)$/ }).click()
  await isAsked(page).toBeVisible()
  // Two words that are yes and eleven groups: at five seconds for reading, asking and touching a minute and five seconds of the three allowed.
  expect(await touches()).toBe(13)
  await expect(panel(page)).not.toContainText('Ask first')
})

test('since last time: a cold sore of last month is asked again, nothing new neither keeps nor denies it', async ({
  page,
}) => {
  const address = await freshVisit({ open: [...ALL, 'allergy:any'] })
  const before = ALL.filter((code) => !['guardian-consent', 'infection', 'threads'].includes(code))
  await toldAMonthAgo(address, [
    ...noTo([...before, 'allergy:any']),
    { code: 'infection', answer: 'yes' },
  ])
  await open(page, address)
  await expect(panel(page)).not.toContainText('Not today')
  const touches = await countTouches(page)
  await page.getByRole('button', { name: 'Nothing new since then' }).click()
  await expect(askedGroup(page, 'Medicines')).toContainText('none, told')
  // Never asked stays never asked: the thread lift; true of one day only is open again: the cold sore.
  await expect(askedGroup(page, 'Procedures elsewhere')).toContainText('1 not asked')
  await expect(askedGroup(page, 'Today')).toContainText('not asked')
  await expect(panel(page)).toContainText('Ask first: Today')
  for (const name of ['Today', 'Procedures elsewhere', 'Seen by you'])
    await askedGroup(page, name).getByRole('button', { name: 'None of these' }).click()
  await isAsked(page).toBeVisible()
  // Four touches: well under the 45 seconds.
  expect(await touches()).toBe(4)
  await expect(panel(page)).toContainText('min')
  await expect(panel(page)).not.toContainText('Not today')
})

test('does not know is an answer: the group is asked, the stop stays, and Fit has one line of what is open', async ({
  page,
}) => {
  await open(
    page,
    await freshVisit({ protocol: 'clarifying', open: ['heat-urticaria', 'cold-sore-history'] }),
  )
  await stage(page, 'Fit')
  const note = page.getByRole('note', { name: 'Not asked yet' })
  await expect(note).toContainText('Skin · Cold, heat, breath')
  await expect(note).toContainText('Held back:')
  await note.getByRole('link', { name: 'Ask' }).click()
  await answer(page, 'heat-urticaria', 'Does not know')
  await answer(page, 'cold-sore-history', 'Does not know')
  await expect(askedGroup(page, 'Cold, heat, breath')).toContainText(
    'Hives from heat: does not know',
  )
  await stage(page, 'Fit')
  await expect(note).toHaveCount(0)
  await expect(page.getByRole('list', { name: 'Changes' })).toContainText('Steam left out')
  await expect(page.getByRole('list', { name: 'Changes' })).toContainText(
    'The client does not know',
  )
})

test('pregnant and breast-feeding are two things: steam stays for one and goes for the other', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await answer(page, 'breast-feeding', 'Yes')
  await expect(askedGroup(page, 'Pregnancy, breast-feeding')).toContainText('Breast-feeding')
  await expect(panel(page)).not.toContainText('Steam left out')
  await answer(page, 'pregnancy', 'Yes')
  await expect(panel(page)).toContainText('Steam left out')
})

test('an allergy in the client’s own words is looked for in every list: chamomile in three', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'acid' }))
  await consultPart(page, 'All allergens')
  await page.getByLabel('Search allergies').fill('chamomile')
  await page.getByRole('button', { name: '“chamomile”, in every list' }).click()
  await page.getByRole('button', { name: 'Read an ingredient list …' }).click()
  const list = page.getByLabel('Paste it as printed')
  const says = page.getByRole('region', { name: 'What the list says' })
  for (const inci of [
    'Aqua, Chamomilla Recutita (Matricaria) Flower Extract, Glycerin',
    'Water; Anthemis Nobilis Flower Oil; Squalane',
    'AQUA • CHAMOMILE FLOWER WATER • GLYCERIN',
  ]) {
    await list.fill(inci)
    await expect(says).toContainText('“chamomile”: this client’s allergy')
  }
  await list.fill('Aqua, Avena Sativa Kernel Flour')
  await expect(says).not.toContainText('“chamomile”')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('radiogroup', { name: 'What “chamomile” does' })).toBeVisible()
  await expect(panel(page)).toContainText('Allergy to “chamomile”')
})

test('diabetes: a short extraction is kept, on the lower rung', async ({ page }) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await answer(page, 'diabetes', 'Yes')
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: '+ Congested centre' }).click()
  await expect(panel(page)).toContainText(/Extraction.*3 → 2/)
  await expect(panel(page)).not.toContainText('Extraction, nose and chin left out')
})

test('the lamp in ten taps with gloves: as last time, then what changed', async ({ page }) => {
  await open(page, await freshVisit())
  await stage(page, 'Read skin')
  const touches = await countTouches(page)
  for (const preset of ['+ Oily T, dry cheeks', '+ Red beside nose', '+ Tired eyes'])
    await page.getByRole('button', { name: preset }).click()
  await page.getByRole('button', { name: /^Sensitive/ }).click()
  await page.getByRole('button', { name: 'usual places' }).click()
  await expect(page.getByRole('button', { name: 'Read today' })).toBeDisabled()
  expect(await touches()).toBeLessThanOrEqual(10)
  const seen = page.getByRole('list', { name: 'Seen today' })
  for (const words of ['Oily 2 of 4', 'Visible vessels 2 of 4', 'Puffy 1 of 4', 'Sensitive 2 of 4'])
    await expect(seen).toContainText(words)
})
