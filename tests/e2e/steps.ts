import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { questionByCode } from '#core/client'
import type { PastVisit } from '#core/climb'
import { ALL_NO, CALM } from '../situations'
import { bookInTurn } from '../api/in-turn'
import { newClient } from '../api/new-client'
import { book, dayOf, OWNER, signedIn, withDatabase } from '../api/http'

/** The day the demo was loaded for: a run may go past midnight. */
const TODAY = process.env.ZEN_TEST_TODAY ?? new Date().toISOString().slice(0, 10)
/** The demo day starts at eight; visits run on a clock that the test moves. */
export const morning = (): Date => new Date(`${TODAY}T07:55:00Z`)

export async function enterStudio(page: Page) {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
  await page.goto(`/?date=${TODAY}`)
  await expect(onBoard(page, 'Wren Castellane')).toBeVisible()
}

/** A client's visit on the board of the day. */
export const onBoard = (page: Page, client: string): Locator =>
  page.getByRole('button', { name: new RegExp(`^\\d\\d:\\d\\d ${client},`) })

export async function openVisit(page: Page, client: string) {
  await onBoard(page, client).click()
  await page.getByRole('button', { name: 'Open the visit' }).click()
  await expect(page.getByRole('heading', { level: 1, name: client })).toBeVisible()
}

/** The stages before a visit is performed. */
export const STAGES = ['Consult', 'Read skin', 'Fit', 'Prepare'] as const
export const stage = async (page: Page, name: string) => {
  await page
    .getByRole('list', { name: 'Stages of the visit' })
    .getByRole('link', { name, exact: true })
    .click()
}
/** One part of the consultation, by its name. */
export const consultPart = async (page: Page, name: string) => {
  await page
    .getByRole('navigation', { name: 'Parts of the consultation' })
    .getByRole('button', { name })
    .click()
}
/** Chooses from a field with a list behind it: by the field’s label, then by the words of the choice. */
export async function choose(scope: Page | Locator, label: string | RegExp, words: string) {
  const page = 'goto' in scope ? scope : scope.page()
  await scope.getByLabel(label, { exact: true }).first().click()
  await page.locator('.choices').getByRole('option', { name: words, exact: true }).click()
  await expect(page.locator('.choices')).toHaveCount(0)
}
/** Chooses a client as the desk does: by letters of the name. */
export async function chooseClient(dialog: Locator, name: string) {
  await dialog.getByRole('combobox', { name: 'Client' }).fill(name)
  await dialog.page().getByRole('option', { name, exact: true }).click()
}
/** Reads the skin as it is, so that nothing of the plan is open. */
export async function readAsIs(page: Page) {
  await stage(page, 'Read skin')
  await page.getByRole('button', { name: 'Nothing to note' }).click()
  await expect(page.getByRole('button', { name: 'Read today' })).toBeDisabled()
}
/** Lays the tray and starts the visit that is open. */
export async function startTheVisit(page: Page) {
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
}
export const primary = (page: Page) => page.locator('#primary')
export const clock = (page: Page) => page.getByTestId('big-clock')

/** What the large clock shows (seconds; past its end below zero), and the page's own time in the same moment. */
export const clockAt = (page: Page): Promise<{ leftS: number; nowMs: number }> =>
  clock(page).evaluate((element) => {
    const text = element.textContent.trim()
    const [minutes, seconds] = text.replace('+', '').split(':').map(Number)
    const magnitudeS = minutes! * 60 + seconds!
    return { leftS: text.startsWith('+') ? -magnitudeS : magnitudeS, nowMs: Date.now() }
  })

/** Moves the clock and lets the page's own timers notice. */
export async function pass(page: Page, minutes: number) {
  await page.clock.fastForward(Math.round(minutes * 60_000))
  await page.clock.runFor(600)
}

/** The service worker must hold the page before a network can be cut. */
export async function offlineReady(page: Page) {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready
  })
  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null), {
      // Installing keeps every built file: on a busy machine that takes its time.
      timeout: 100_000,
    })
    .toBe(true)
}

/** Waits until what works from its first touch asks for it, and says that it touches. */
export async function firstTouch(page: Page, title: string) {
  const words = `First touch: ${title}`
  for (let halfMinutes = 0; halfMinutes < 160; halfMinutes++) {
    if ((await primary(page).innerText()) === words) {
      await primary(page).click()
      await expect(primary(page)).toHaveText(`Done: ${title}`)
      return
    }
    await pass(page, 0.5)
  }
  throw new Error(`The run never came to the first touch of ${title}.`)
}

/** Performs until hands are free under a layer that works: its first touch said. */
export async function untilHeld(page: Page) {
  for (let halfMinutes = 0; halfMinutes < 160; halfMinutes++) {
    const target = await primary(page).innerText()
    if (target.startsWith('Hold:')) return
    if (target.startsWith('First touch:')) await primary(page).click()
    await pass(page, 0.5)
  }
  throw new Error('No layer ever left the hands free.')
}

/** Performs as planned, first touches said, layers taken off when they are due, until the step with this title is on the hands. */
export async function performUntil(page: Page, title: string) {
  for (let halfMinutes = 0; halfMinutes < 160; halfMinutes++) {
    if ((await page.getByRole('heading', { level: 1 }).innerText()).includes(title)) return
    const target = await primary(page).innerText()
    if (target.startsWith('First touch:')) await primary(page).click()
    else if (target.startsWith('Take off:')) {
      await primary(page).click()
      await pass(page, 0.3)
      await primary(page).click()
    } else await pass(page, 0.5)
  }
  throw new Error(`The run never came to ${title}.`)
}

interface Fresh {
  readonly bornOn?: string
  readonly protocol?: string
  /** By name; left out: the first of the list. */ readonly practitioner?: string
  /** In another room, in turn with the visit at that address. */ readonly inTurnWith?: string
  /** Codes left open; everything else was answered no. */ readonly open?: readonly string[]
}
/** A client of a test's own with a visit that nobody else changes; gives its address. */
export async function freshVisit({
  bornOn = '1985-06-15',
  protocol = 'brightening',
  practitioner,
  inTurnWith,
  open = [],
}: Fresh = {}): Promise<string> {
  const owner = await signedIn(OWNER)
  const client = await newClient(bornOn)
  const id = inTurnWith
    ? await bookInTurn(owner, client, protocol, idAt(inTurnWith))
    : await book(owner, client, protocol, 0, practitioner)
  const askedOn = await dayOf(owner, id)
  const facts = ALL_NO.filter((fact) => !open.includes(fact.code)).map((fact) => ({
    id: randomUUID(),
    fact: { ...fact, askedOn },
  }))
  if (facts.length === 0) return `/visits/${id}`
  const { status } = await owner.ask('POST', `/api/visits/${id}/facts`, { facts })
  if (status !== 204) throw new Error(`answers refused: ${status}`)
  return `/visits/${id}`
}
const idAt = (address: string): string => address.split('/').at(-1)!
/** The ISO day of a visit by its address. */
export const dayAt = async (address: string): Promise<string> =>
  dayOf(await signedIn(OWNER), idAt(address))
/** A visit of a test's own, on a clock that the test moves: its day, five minutes before the studio opens. Gives its address. */
export async function onItsDay(page: Page, fresh: Fresh = {}): Promise<string> {
  const address = await freshVisit(fresh)
  await page.clock.install({ time: new Date(`${await dayAt(address)}T07:55:00Z`) })
  return address
}

export async function open(page: Page, address: string) {
  if (page.url() === 'about:blank') await enterStudio(page)
  await page.goto(`${address}/consult`)
  await expect(panel(page)).not.toContainText('Fitting …')
}
/** Signs in as one of the studio's people and opens a page. */
export async function openAs(page: Page, email: string, address: string) {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill('quiet-tide')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).not.toHaveURL(/sign-in/)
  await page.goto(address)
}
export const panel = (page: Page): Locator =>
  page.getByRole('complementary', { name: 'What today’s ladder becomes' })
/** One group of questions, by its name. */
export const askedGroup = (page: Page, name: string): Locator =>
  page.getByRole('region', { name, exact: true })
/** Answers one question by its code: touches its word, in its group opened where it was folded. */
export async function answer(page: Page, code: string, word: 'Yes' | 'No' | 'Does not know') {
  const { group } = questionByCode.get(code)!
  const band = page.locator(`[data-group="${group}"]`)
  const change = band.getByRole('button', { name: 'Change …' })
  if (await change.isVisible()) await change.click()
  const detail = band.locator(`[data-detail="${code}"]`)
  if (!(await detail.isVisible())) {
    await band.locator(`[data-question="${code}"]`).click()
    if (word === 'Yes') return
  }
  if (word !== 'No' || (await detail.isVisible()))
    await detail.getByRole('radio', { name: word, exact: true }).click()
}
/** Paints what was seen, with its grade, on groups or zones of the map. */
export async function paint(page: Page, finding: string, grade: number, ...places: string[]) {
  await page.getByRole('button', { name: new RegExp(`^${finding}(, seen)?$`) }).click()
  await page
    .getByRole('radiogroup', { name: 'Grade' })
    .getByRole('radio', { name: String(grade) })
    .click()
  for (const place of places)
    await page
      .getByRole('group', { name: 'Paint a whole group' })
      .getByRole('button', { name: place, exact: true })
      .click()
}
export async function signWithAPen(page: Page) {
  const box = (await page.getByRole('img', { name: 'Sign here' }).boundingBox())!
  await page.mouse.move(box.x + 30, box.y + 90)
  await page.mouse.down()
  for (const [x, y] of [
    [60, 40],
    [90, 100],
    [130, 50],
    [200, 90],
  ] as const)
    await page.mouse.move(box.x + x, box.y + y, { steps: 4 })
  await page.mouse.up()
}

/** No fault that axe knows, contrast included, on what is on the screen now. */
export async function noFaults(page: Page, name: string) {
  // Colours fade in for a moment after a change of light; they are judged when they have settled.
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(
    violations.map(
      (violation) =>
        `${name}: ${violation.id} ${violation.nodes.map((node) => node.target.join(' ')).join(', ')}`,
    ),
  ).toEqual([])
}

/** A visit of the same client that was done and signed so many days before this one, with what it worked with. */
export async function doneBefore(
  address: string,
  daysBefore: number,
  done: Pick<PastVisit, 'levers' | 'work' | 'points'>,
) {
  const id = randomUUID()
  await withDatabase(async (db) => {
    await db.query(
      `INSERT INTO visit (id, salon_id, client_id, room_id, practitioner_id, protocol_version_id, starts_at, ends_at, room_until, stage, locked_at)
      SELECT $1, salon_id, client_id, room_id, practitioner_id, protocol_version_id, starts_at - $3 * interval '1 day' + interval '11 hours', ends_at - $3 * interval '1 day' + interval '11 hours', room_until - $3 * interval '1 day' + interval '11 hours', 'closed', now()
      FROM visit WHERE id = $2`,
      [id, address.split('/').at(-1), daysBefore],
    )
    await db.query(
      `INSERT INTO outcome (visit_id, levers, work, points, note, planned_s, actual_s, signed_name)
      VALUES ($1, $2, $3, $4, '', 3600, 3600, 'A test')`,
      [id, JSON.stringify(done.levers), JSON.stringify(done.work ?? []), done.points],
    )
    await db.query(
      `INSERT INTO check_in (id, visit_id, asked_on, answer)
      SELECT $2, id, starts_at::date + 2, $3 FROM visit WHERE id = $1`,
      [id, randomUUID(), JSON.stringify(CALM)],
    )
  })
}

/** A visit of somebody who has borne acid twice, calmly, begun on a clock that the test moves. */
export async function startOf(page: Page, protocol: string) {
  const address = await onItsDay(page, { protocol })
  for (const days of [60, 30])
    await doneBefore(address, days, { levers: [{ lever: 'acid', rung: 2 }], points: 1 })
  await open(page, address)
  await startTheVisit(page)
}
