import { expect, test, type Page } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import {
  dayAt,
  enterStudio,
  freshVisit,
  offlineReady,
  open,
  openVisit,
  panel,
  stage,
  onItsDay,
} from './steps'

// What is said too often is not heard: new things are said loudly, known ones quietly, and few at a time.

const idOf = (address: string) => address.split('/').at(-1)!

/** The same yes at a visit: a spot that changed on the first of November. */
async function saysSpot(address: string) {
  const owner = await signedIn(OWNER)
  const fact = {
    code: 'changed-lesion',
    answer: 'yes',
    askedOn: await dayAt(address),
    on: '2026-11-01',
    zones: ['chin'],
  }
  const facts = [{ id: crypto.randomUUID(), fact }]
  await owner.ask('POST', `/api/visits/${idOf(address)}/facts`, { facts })
}

test('a referral is said loudly until the client was told; then it is a quiet line, until it changes', async ({
  page,
}) => {
  const address = await freshVisit()
  await saysSpot(address)
  await open(page, address)
  const seen = panel(page).getByRole('region', { name: 'To be seen by somebody else' })
  await expect(seen).toContainText('▲ Refer:')
  await seen.getByRole('button', { name: 'Told, under a physician …' }).click()
  await seen.getByLabel('Who looks after it').fill('Dr Invented, skin physician')
  await seen.getByRole('button', { name: 'Keep' }).click()
  await expect(seen).toContainText('under Dr Invented, skin physician')
  await expect(seen).not.toContainText('▲ Refer:')
  await stage(page, 'Fit')
  await expect(page.getByRole('region', { name: 'To be seen by somebody else' })).toContainText(
    'told on',
  )
  await page.reload()
  await expect(page.getByRole('region', { name: 'To be seen by somebody else' })).not.toContainText(
    'Refer:',
  )
})

test('what is as last time is folded until it is touched; what is new stands open', async ({
  page,
}) => {
  await enterStudio(page)
  await openVisit(page, 'Ingrid Solvay')
  await stage(page, 'Fit')
  const changes = page.getByRole('list', { name: 'Changes' })
  const known = changes.getByRole('listitem').filter({ hasText: 'Microcurrent lift left out' })
  await expect(known).toContainText('as last time')
  await expect(known).not.toContainText('A01')
  await known.click()
  await expect(known).toContainText('A01 · common practice')
})

/** A visit of its own, laid out and at Perform, with this true of the client. */
async function atPerform(page: Page, code: string, protocol: string) {
  const address = await onItsDay(page, { protocol })
  const owner = await signedIn(OWNER)
  const fact = { code, answer: 'yes', askedOn: await dayAt(address) }
  const facts = [{ id: crypto.randomUUID(), fact }]
  await owner.ask('POST', `/api/visits/${idOf(address)}/facts`, { facts })
  await open(page, address)
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
}

test('in Perform at most three stops are pinned, each with what the hand must not do; all are under one touch', async ({
  page,
}) => {
  await atPerform(page, 'implant-electronic', 'set-mask')
  const pinned = page.getByLabel('Today’s stops').getByRole('listitem')
  await expect(pinned.first()).toContainText('No current: Electronic implant or sensor')
  expect(await pinned.count()).toBeLessThanOrEqual(3)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await page.getByRole('button', { name: 'More …' }).click()
  await expect(page.getByRole('dialog')).toContainText('All stops of today: ')
})

test('the emergency card: one touch, by kind, with the number and the address, without a network', async ({
  page,
  context,
}) => {
  await atPerform(page, 'implant-electronic', 'set-mask')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await offlineReady(page)
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Emergency' }).click()
  const card = page.getByRole('dialog')
  const first = card.getByRole('listitem').filter({ hasText: /^1/ })
  await expect(first).toContainText(/Machines off\. Call \d+; say: /)
  for (const [kind, words] of [
    ['Hives or swelling in one place', 'Off now.'],
    ['Faint', 'Machines off. Flat, legs up, air.'],
    ['Asthma', 'Sit them up'],
    ['Low sugar', 'sugar or a sweet drink'],
    ['Seizure', 'clear away what is hard'],
  ] as const) {
    await card.getByRole('button', { name: kind, exact: true }).click()
    await expect(first).toContainText(words)
    await expect(card.getByText(/^Call \d+/)).toBeVisible()
  }
  await expect(card).toContainText('Nothing in the mouth')
  await context.setOffline(false)
})
