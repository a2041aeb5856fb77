import { expect, test, type Page } from '@playwright/test'
import { holds, performWhile } from './performing'
import { doneBefore, onItsDay, open, primary, startTheVisit } from './steps'

/** Every step has the time it took: none was lost, none is still on. */
async function everyStepTimed(page: Page) {
  const times = page.getByRole('region', { name: 'Planned against actual' })
  await expect(times.getByText(/^[\d½]+ min, planned/)).toBeVisible()
  const rows = await times.getByRole('row').allInnerTexts()
  expect(rows.length).toBeGreaterThan(10)
  expect(rows.slice(1).filter((row) => !/[\d½] min$/.test(row.trim()))).toEqual([])
}

// Cards performed from start to close on a clock that the test moves.
const CARDS = ['brightening', 'acid', 'clarifying', 'three-serum'] as const

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
    // The answer does not come: what was said here is told from here.
    let answer = () => {}
    const late = new Promise<void>((resolve) => (answer = resolve))
    await page.route('**/api/visits/*', (route) => late.then(() => route.continue()))
    await primary(page).click()
    await expect(page).toHaveURL(`${address}/close`)
    await everyStepTimed(page)
    answer()
    await page.unrouteAll({ behavior: 'wait' })
    await everyStepTimed(page)
  })
