import { expect, type Page } from '@playwright/test'
import { pass, primary } from './steps'

/** The lamp reading of a running visit: nothing is seen, and the rest is fitted again. */
export async function readNothing(page: Page) {
  await primary(page).click()
  const lamp = page.getByRole('dialog')
  await lamp.getByRole('button', { name: 'Nothing to note' }).click()
  await lamp.getByRole('button', { name: 'Read: fit the rest from now' }).click()
  await expect(lamp).toHaveCount(0)
  await expect(primary(page)).not.toHaveText('Read the skin')
}

/** Performs with every word that is asked for, gates too, until that is so. */
export async function performWhile(page: Page, isWanted: () => Promise<boolean>) {
  for (let halfMinutes = 0; halfMinutes < 160; halfMinutes++) {
    if (await isWanted()) return
    const target = await primary(page).innerText()
    if (target === 'Read the skin') await readNothing(page)
    else if (/^(?:First touch|Take off|Stays calm)/.test(target)) await primary(page).click()
    await pass(page, 0.5)
  }
  throw new Error('What was waited for never came.')
}

const work = (page: Page) => page.getByRole('region', { name: 'At the hands' })
const onSkin = (page: Page) => page.getByRole('region', { name: 'On the skin now' })

/** What a practitioner would object to at any moment: nothing that tells the hands what to do, or a layer left past what it may. */
export async function holds(page: Page, seen: Set<string>) {
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
