import { expect, test, type Page } from '@playwright/test'
import { performWhile } from './performing'
import { doneBefore, onItsDay, open, primary, startTheVisit } from './steps'

// Cards performed from start to close on a clock that the test moves.
const CARDS = ['brightening', 'acid', 'clarifying', 'three-serum'] as const

const work = (page: Page) => page.getByRole('region', { name: 'At the hands' })
const onSkin = (page: Page) => page.getByRole('region', { name: 'On the skin now' })

/** What a practitioner would object to at any moment: nothing that tells the hands what to do, or a layer left past what it may. */
async function holds(page: Page, seen: Set<string>) {
  const target = await primary(page).innerText()
  if (target.startsWith('Done:') || target.startsWith('Clean:')) {
    const words = await work(page).innerText()
    expect(words, target).toMatch(/^(with|how|say)$/m)
    seen.add(target)
  }
  // That something is off is said; the clock alone never knows.
  if (seen.has(target.replace('Done:', 'Take off:'))) await primary(page).click()
  if (target.startsWith('Take off:')) seen.add(target)
  await expect(onSkin(page)).not.toContainText('past its maximum')
  return target === 'Finish the visit'
}

for (const card of CARDS)
  test(`${card}: from start to close, told at every moment, nothing left on past its most`, async ({
    page,
  }) => {
    test.setTimeout(600_000)
    const address = await onItsDay(page, { protocol: card })
    for (const days of [60, 30])
      await doneBefore(address, days, { levers: [{ lever: 'acid', rung: 2 }], points: 1 })
    await open(page, address)
    await startTheVisit(page)
    const seen = new Set<string>()
    await performWhile(page, () => holds(page, seen))
    expect(seen.size).toBeGreaterThan(4)
    await primary(page).click()
    await expect(page).toHaveURL(`${address}/close`)
    // Every step has the time it took: none was lost, none is still on.
    await expect(page.getByText(/min, planned/)).not.toContainText('running')
    const times = await page.getByRole('row').allInnerTexts()
    expect(times.length).toBeGreaterThan(10)
    expect(times.slice(1).filter((row) => !/[\d½] min$/.test(row.trim()))).toEqual([])
  })
