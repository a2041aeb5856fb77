import { expect, test, type Locator, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { OWNER, signedIn } from '../api/http'
import { readNothing } from './performing'
import {
  clock,
  noFaults,
  open,
  pass,
  performUntil,
  primary,
  startOf,
  startTheVisit,
  onItsDay,
} from './steps'

// What goes on by itself while hands work, and what somebody says of time.

/** Hands rest, also over a reload: their clock stands until they go on. */
async function restsMeanwhile(page: Page) {
  await page.getByRole('button', { name: 'Time …' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Pause', exact: true }).click()
  await expect(primary(page)).toHaveText('Go on')
  const stands = await clock(page).innerText()
  await pass(page, 3)
  await page.reload()
  await expect(clock(page)).toHaveText(stands)
  await expect(page.getByText('Paused: your clock stands')).toBeVisible()
  await primary(page).click()
  await expect(primary(page)).toHaveText(/^Done: /)
  await pass(page, 0.1)
  await expect(clock(page)).not.toHaveText(stands)
}

/** The clock at which the header says that it is done. */
const doneAt = async (page: Page) =>
  /done (?:\d\d:\d\d–)?(\d\d:\d\d)/.exec(await page.locator('header').innerText())![1]!
const minutesOf = (clock: string) => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3))

/** Five minutes sooner until that costs something: where the ladder waits for a device that another room has, the first minutes do not. */
const untilSomethingGoes = (sheet: Locator) =>
  expect(async () => {
    await sheet.getByRole('button', { name: '− 5 min' }).click()
    const goes = sheet.getByRole('list', { name: 'What goes' })
    await expect(goes).toContainText(/left out for time|→/, { timeout: 4000 })
  }).toPass()

test('a device goes place by place, a massage stroke by stroke; ending earlier is shown before it is taken', async ({
  page,
}) => {
  await startOf(page, 'signature')
  await performUntil(page, 'Water suction')
  const way = page.getByRole('region', { name: 'Where the device is' })
  await expect(way).toContainText(/Nose/i)
  await expect(way).toContainText('then forehead')
  await pass(page, 3)
  await expect(way).toContainText(/forehead/i)

  // Has to go: what that costs stands there first, and is undone in one tap.
  const before = minutesOf(await doneAt(page))
  await page.getByRole('button', { name: 'Time …' }).click()
  const sheet = page.getByRole('dialog', { name: 'Has to end by' })
  await expect(sheet).toContainText('As it goes it is done at')
  await sheet.getByRole('button', { name: '− 5 min' }).click()
  await untilSomethingGoes(sheet)
  await expect(sheet).toContainText('the slot is')
  await noFaults(page, 'has to end by')
  await sheet.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('region', { name: 'Fitted again' })).toBeVisible()
  await expect.poll(async () => minutesOf(await doneAt(page))).toBeLessThanOrEqual(before - 8)
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect.poll(async () => minutesOf(await doneAt(page))).toBeGreaterThanOrEqual(before - 1)
  // Taken back it stays so: what the server keeps is the newest fit.
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await page.reload()
  await expect.poll(async () => minutesOf(await doneAt(page))).toBeGreaterThanOrEqual(before - 1)

  await performUntil(page, 'sculpting, to lift')
  const strokes = page.getByRole('region', { name: 'The movement' })
  await expect(strokes).toContainText(/jaw to cheek/i)
  await expect(
    page.getByRole('img', { name: /The movement on the face: jaw to cheek/ }),
  ).toBeVisible()
  const count = async () =>
    Number(/\d+ of (\d+) ·/.exec((await strokes.innerText()).replaceAll('\n', ' '))![1])
  const written = await count()
  await strokes.getByRole('button', { name: /^Again/ }).click()
  await expect.poll(count).toBe(written + 1)
  await strokes.getByRole('button', { name: /^Enough/ }).click()
  await expect(strokes).toContainText(/chin to earlobe, both/i)
  await noFaults(page, 'a massage at work')
  await restsMeanwhile(page)
})

test('a mask that is not ready by its sign gets a minute more, and no more than its maximum', async ({
  page,
}) => {
  await startOf(page, 'brightening')
  for (let halves = 0; halves < 200; halves++) {
    const target = await primary(page).innerText()
    if (target.startsWith('Take off: Kelp')) break
    if (target === 'Read the skin') await readNothing(page)
    else if (target.startsWith('First touch:')) await primary(page).click()
    else if (target.startsWith('Take off:')) {
      await primary(page).click()
      await pass(page, 0.3)
      await primary(page).click()
    }
    await pass(page, 0.5)
  }
  const lies = page.getByRole('region', { name: 'On the skin now' })
  const notYet = lies.getByRole('button', { name: /^Not yet firm, and its edge lifts clean/ })
  await notYet.click()
  await expect(primary(page)).toHaveText(/^Hold: Kelp/)
  let more = 1
  for (; more < 8; more++) {
    await pass(page, 1.1)
    if (!(await notYet.isVisible())) break
    await notYet.click()
  }
  // Twenty minutes, five more at the most.
  expect(more).toBeGreaterThan(2)
  expect(more).toBeLessThan(7)
  await expect(primary(page)).toHaveText(/^Take off: Kelp/)
})

const pinned = (id: string, zone: string, x: number, y: number) => ({
  ...{ id, view: 'front', x, y, zone, type: 'open-comedone' },
  ...{ painful: false, deep: false, head: true, decision: 'ready' },
})

interface Read {
  readonly input: { readonly reading: { readonly lesions: readonly { outcome?: string }[] } }
}
/** A visit with three ready lesions, begun; gives what came of them as the server has it. */
async function startWithPins(page: Page) {
  const address = await onItsDay(page, { protocol: 'acne' })
  const visit = `/api/visits/${address.split('/').at(-1)!}`
  const lesions = [
    pinned('f', 'forehead', 0.5, 0.24),
    pinned('n', 'nose-side-left', 0.56, 0.53),
    pinned('c', 'chin', 0.5, 0.8),
  ]
  const owner = await signedIn(OWNER)
  const reading = { done: true, findings: [], lesions, meters: [] }
  await owner.ask('PUT', `${visit}/reading`, { id: randomUUID(), reading })
  await open(page, address)
  await startTheVisit(page)
  return async () => {
    const { body } = await owner.ask<Read>('GET', visit)
    return body.input.reading.lesions.map(({ outcome }) => outcome)
  }
}

test('extraction area by area by pedal alone; what came of it is said once the gloves are changed', async ({
  page,
}) => {
  const lastOutcomes = await startWithPins(page)
  await performUntil(page, 'Extraction, only what is ready')
  const area = page.getByRole('region', { name: 'The area' })
  await expect(area).toContainText(/forehead\s*1 ready\s*1 of 3 · then nose/i)
  await noFaults(page, 'extraction')
  const taps = []
  for (const [next, then] of [
    ['nose', 'chin'],
    ['chin', undefined],
  ] as const) {
    await expect(primary(page)).toHaveText(`Next: ${next}`)
    await page.keyboard.press('Space')
    taps.push(next)
    await expect(area).toContainText(then ? `then ${then}` : 'the last one')
    await pass(page, 0.5)
  }
  await page.keyboard.press('Space')
  expect(taps).toHaveLength(2)
  const came = page.getByRole('region', { name: 'What came of it' })
  await expect(came).toContainText('gloves changed')
  await came.getByRole('button', { name: 'All but some …' }).click()
  const sheet = page.getByRole('dialog', { name: 'What came of it' })
  await sheet
    .getByRole('radiogroup', { name: 'Open comedone, chin' })
    .getByRole('radio', { name: 'Partly' })
    .click()
  await sheet.getByRole('button', { name: 'Keep it' }).click()
  await expect(came).toHaveCount(0)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  expect(await lastOutcomes()).toEqual(['emptied', 'emptied', 'partly'])
})
