import { expect, test } from '@playwright/test'
import { freshVisit, morning, open, pass, primary, stage } from './steps'

const DAY_MS = 24 * 3_600_000

test('a tablet whose clock is four days out is set right by the first answer, and its run never jumps', async ({
  page,
}) => {
  await page.clock.install({ time: new Date(morning().getTime() + 5 * DAY_MS) })
  await page.addInitScript(() => {
    const seen: string[] = []
    new MutationObserver(() => {
      const title = document.querySelector('h1')?.textContent
      if (title && title !== seen.at(-1)) seen.push(title)
    }).observe(document, { subtree: true, childList: true, characterData: true })
    Object.assign(window, { seen })
  })
  const headings = () => page.evaluate(() => (window as unknown as { seen: string[] }).seen)
  await open(page, await freshVisit({ protocol: 'acid' }))
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByRole('group', { name: 'Quick check behind the ear' })).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await pass(page, 0.1)
  const first = await page.getByRole('heading', { level: 1 }).innerText()
  await expect(primary(page)).toContainText(first)
  expect((await headings()).slice((await headings()).indexOf(first))).toEqual([first])
})
