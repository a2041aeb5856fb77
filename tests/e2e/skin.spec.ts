import { expect, test } from '@playwright/test'
import { enterStudio, freshVisit, open, openVisit, paint, panel, stage } from './steps'

const changes = (page: Parameters<typeof open>[0]) => page.getByRole('list', { name: 'Changes' })

test('patchy pigment: no steam, self-heating, warming or radio frequency anywhere; towels lukewarm', async ({
  page,
}) => {
  for (const [protocol, gone, kept] of [
    ['clarifying', 'Steam left out', 'take it off lukewarm'],
    ['set-mask', 'Ember set mask → Kelp Set Mask', 'take it off lukewarm'],
  ] as const) {
    await open(page, await freshVisit({ protocol }))
    await stage(page, 'Read skin')
    await paint(page, 'Patchy pigment', 2, 'cheeks')
    for (const words of [gone, kept]) await expect(panel(page)).toContainText(words)
    for (const thing of ['Steam', 'Ember Set Mask']) {
      await page.getByRole('button', { name: 'Why not …?' }).click()
      await page.getByLabel('Step or product').fill(thing)
      const found = page.getByRole('button', { name: thing, exact: true }).first()
      if ((await found.count()) > 0) {
        await found.click()
        await expect(page.getByRole('list', { name: 'Rules in force' })).toContainText('C02')
      }
      await page.keyboard.press('Escape')
    }
    await stage(page, 'Fit')
    const titles = page.getByRole('group', { name: /^Ladder/ }).first()
    for (const hot of ['Steam', 'Ember']) await expect(titles).not.toContainText(hot)
  }
})

test('flushing counts where it is: the steam leaves the cheeks out and goes on elsewhere', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await stage(page, 'Read skin')
  await paint(page, 'Flushing, reactive', 1, 'cheeks')
  await expect(panel(page)).not.toContainText('C01')
  await page.getByRole('radiogroup', { name: 'Grade' }).getByRole('radio', { name: '3' }).click()
  await page
    .getByRole('group', { name: 'Paint a whole group' })
    .getByRole('button', { name: 'cheeks', exact: true })
    .click()
  await expect(panel(page)).toContainText(/Bead Scrub: leave out cheeks/)
  await stage(page, 'Fit')
  await expect(changes(page)).toContainText('C01')
  await expect(page.getByRole('group', { name: /^Ladder/ }).first()).toContainText(
    'Jojoba Bead Scrub',
  )
})

test('deep painful lesions are left alone: pinned, suggested, and the extraction keeps off them', async ({
  page,
}) => {
  await open(page, await freshVisit({ protocol: 'clarifying' }))
  await stage(page, 'Read skin')
  await page.getByRole('tab', { name: 'Lesions' }).click()
  const map = page.getByRole('group', { name: /^Map, / })
  await map.getByRole('button', { name: 'chin', exact: true }).focus()
  await page.keyboard.press('Enter')
  await page
    .getByRole('radiogroup', { name: 'Type of lesion' })
    .getByRole('radio', { name: 'Nodule' })
    .click()
  await expect(
    page
      .getByRole('group', { name: 'What eye and touch say' })
      .getByRole('button', { name: 'Head or opening' }),
  ).toHaveAttribute('aria-pressed', 'false')
  for (const flag of ['Painful', 'Deep'])
    await page
      .getByRole('group', { name: 'What eye and touch say' })
      .getByRole('button', { name: flag, exact: true })
      .click()
  await expect(
    page.getByRole('radiogroup', { name: 'Decision' }).getByRole('radio', { name: 'Leave alone' }),
  ).toBeChecked()
  await expect(page.getByRole('list', { name: 'Lesions on the map' })).toContainText('Nodule')
  await expect(panel(page)).toContainText('Gentle care today, and advise a physician')
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(
    page
      .getByRole('group', { name: 'What eye and touch say' })
      .getByRole('button', { name: 'Deep', exact: true }),
  ).toHaveAttribute('aria-pressed', 'false')
  await page.getByRole('tab', { name: 'See and feel' }).click()
  await paint(page, 'Congestion', 2, 'nose')
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  const spotCare = page
    .getByRole('region', { name: 'Mind' })
    .getByRole('paragraph')
    .filter({ hasText: 'leave deep lesions alone, spot care' })
  await expect(spotCare).toContainText('Extraction, nose and chin')
})

test('six conditions: each step has one line of cautions, nothing twice', async ({ page }) => {
  await enterStudio(page)
  await openVisit(page, 'Ingrid Solvay')
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  const lines = page.getByRole('region', { name: 'Mind' }).getByRole('paragraph')
  await expect(lines.first()).toBeVisible()
  const words = (await lines.allInnerTexts()).map((text) => text.split('\n')[0])
  expect(words.length).toBeGreaterThan(3)
  expect(new Set(words).size).toBe(words.length)
  await stage(page, 'Perform')
  await expect(page.getByLabel('Today’s stops')).toContainText('Electronic implant')
})
