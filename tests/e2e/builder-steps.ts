import { expect, type Locator, type Page } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import { enterStudio } from './steps'

export const search = (page: Page) => page.getByRole('combobox', { name: 'Add a step' })
export const ladder = (page: Page) => page.getByRole('listbox', { name: 'Rungs of the ladder' })
export const rungs = (page: Page) => ladder(page).getByRole('option')
export const total = (page: Page) => page.getByTestId('total')
export const wrongs = (page: Page) => page.getByRole('button', { name: /wrong order/ })
export const detail = (page: Page, name: string) =>
  page.getByRole('complementary', { name: 'Details' }).getByRole('button', { name, exact: true })

/** Tab until this is focused: no mouse, and nothing that a person without one could not do. */
export async function tabTo(page: Page, target: Locator) {
  for (let presses = 0; presses < 120; presses++) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('Tab never came to it.')
}
export async function add(page: Page, typed: string, title: string) {
  await page.keyboard.type(typed)
  await expect(
    page.getByRole('listbox').getByRole('option').filter({ hasText: title }).first(),
  ).toBeVisible()
  const lit = page.locator('[id^="headlessui-combobox-option-"][data-headlessui-state*="active"]')
  for (let presses = 0; presses < 9; presses++) {
    // The list follows the letters, and the light the arrows, in the next frame.
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    )
    if ((await lit.innerText()).startsWith(title)) break
    await page.keyboard.press('ArrowDown')
  }
  await page.keyboard.press('Enter')
  await expect(ladder(page).getByRole('option', { name: title }).first()).toBeVisible()
}
/** To the rung with this name, by the arrow keys. */
export async function goTo(page: Page, title: string) {
  await page.keyboard.press('Home')
  for (let presses = 0; presses < 60; presses++) {
    const active = await ladder(page).getAttribute('aria-activedescendant')
    if ((await page.locator(`#${active}`).innerText()).includes(title)) return
    await page.keyboard.press('ArrowDown')
  }
  throw new Error(`No rung is called ${title}.`)
}
export async function openCard(page: Page, id: string) {
  if (page.url() === 'about:blank') await enterStudio(page)
  await page.goto(`/protocols/${id}`)
  await expect(total(page)).not.toHaveText('–')
}
/** A copy of a card, so that no test changes what another reads. */
export async function copyOf(page: Page, id: string, name: string) {
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ id: string }>('POST', '/api/protocols', {
    from: 'protocol',
    id,
    name,
  })
  await openCard(page, body.id)
  return body.id
}
