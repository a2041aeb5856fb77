import { join } from 'node:path'

/** What the walk does again and again: a picture, a stage, the clock. */
export function picturesOf(page, folder) {
  const settle = async () => {
    await page.clock.runFor(400)
    await page.waitForTimeout(350)
  }
  return {
    page,
    settle,
    shot: (name) => page.screenshot({ path: join(folder, `${name}.png`) }),
    stage: (name) =>
      page
        .getByRole('list', { name: 'Stages of the visit' })
        .getByRole('link', { name, exact: true })
        .click(),
    light: (value) => page.evaluate((to) => localStorage.setItem('zen-light', to), value),
    pass: async (minutes) => {
      await page.clock.fastForward(Math.round(minutes * 60_000))
      await page.clock.runFor(600)
      await page.waitForTimeout(150)
    },
    tap: async () => {
      await page.locator('#primary').click()
      await page.clock.runFor(600)
    },
    until: (words) => performUntil(page, words),
    open: async (client) => {
      await page.goto('/')
      await page.getByRole('button', { name: new RegExp(`^\\d\\d:\\d\\d ${client}`) }).click()
      await page.getByRole('button', { name: 'Open the visit' }).click()
      await page.getByRole('heading', { level: 1, name: client }).waitFor()
    },
  }
}

/** Performs, first touches said and layers taken off when they are due, until the big target says so. */
async function performUntil(page, words) {
  const target = page.locator('#primary')
  const pass = async (minutes) => {
    await page.clock.fastForward(Math.round(minutes * 60_000))
    await page.clock.runFor(600)
    await page.waitForTimeout(60)
  }
  for (let quarters = 0; quarters < 400; quarters++) {
    const now = await target.innerText()
    if (words.test(now)) return
    if (/^(First touch|Take off)/.test(now)) await target.click()
    await pass(0.25)
    if (!now.startsWith('Take off')) continue
    await pass(1.5)
    await target.click()
  }
  throw new Error(`The big target never said ${words}.`)
}
