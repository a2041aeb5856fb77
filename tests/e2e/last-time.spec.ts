import { randomUUID } from 'node:crypto'
import { expect, test } from '@playwright/test'
import type { FittedPlan } from '#core/adapt'
import { dateAfter } from '#core/client'
import { book, dayOf, OWNER, signedIn, type Person } from '../api/http'
import { newClient } from '../api/new-client'
import { A_DROP, CALM, event } from '../api/signed'
import { ALL_NO } from '../situations'
import { performWhile } from './performing'
import { noFaults, open, stage, startTheVisit } from './steps'

const DAYS_BETWEEN = 30

async function answered(owner: Person, visitId: string) {
  const askedOn = await dayOf(owner, visitId)
  const facts = ALL_NO.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn } }))
  await owner.ask('POST', `/api/visits/${visitId}/facts`, { facts })
}
/** A visit in which the enzyme stung and the scalp massage was left out, performed and not signed yet; gives its id. */
async function eventful(owner: Person, client: string): Promise<string> {
  const id = await book(owner, client, 'brightening')
  await answered(owner, id)
  const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)
  const { segments, steps } = body.plan
  const stepOf = (title: RegExp) => steps.find((step) => title.test(step.title))!
  const enzyme = stepOf(/Pineapple enzyme mask/)
  const on = segments.find(({ stepId, kind }) => stepId === enzyme.id && kind === 'apply')!
  const startMs = Date.now()
  const at = (second: number, seq: number, said: object) => ({
    ...event(said, seq),
    wallMs: startMs + 1000 * second,
    elapsedMs: 1000 * second,
  })
  const skipped = { type: 'skipped', stepId: stepOf(/Scalp massage/).id, reason: 'Event tonight' }
  const felt = { type: 'sensation', stepId: enzyme.id, sensation: 'stinging' }
  const events = [
    at(0, 0, { type: 'start' }),
    at(1, 1, skipped),
    at(on.startS, 2, { type: 'started', segmentId: on.id }),
    at(on.startS + 120, 3, felt),
    at(on.startS + 600, 4, { type: 'finish' }),
  ]
  expect((await owner.ask('POST', `/api/visits/${id}/events`, { events })).status).toBe(200)
  return id
}
/** Signed, with a word for the next visit. */
async function signedOff(owner: Person, id: string) {
  const closing = { leaving: null, note: '', nextNote: 'Fan at hand for the mask', used: A_DROP }
  expect((await owner.ask('POST', `/api/visits/${id}/close`, closing)).status).toBe(204)
}

test('what was felt, left out and noted last time is there when the next visit is consulted and performed', async ({
  page,
}) => {
  test.setTimeout(240_000)
  const owner = await signedIn(OWNER)
  const client = await newClient()
  await signedOff(owner, await eventful(owner, client))
  const next = await book(owner, client, 'brightening', DAYS_BETWEEN)
  await answered(owner, next)
  await page.clock.install({ time: new Date(`${await dayOf(owner, next)}T07:55:00Z`) })
  await open(page, `/visits/${next}`)

  const noted = page.getByRole('list', { name: 'Noted for this time' })
  await expect(noted).toContainText('Fan at hand for the mask')
  const last = page.getByRole('region', { name: 'Last time' })
  await expect(last).toContainText('Pineapple enzyme mask: stinging at 2 min')
  await expect(last).toContainText('Scalp massage: Event tonight')
  await noFaults(page, 'what last time left')
  await noted.getByRole('button', { name: /^Seen to/ }).click()
  await expect(noted).toHaveCount(0)
  // A last answer that nobody has told is asked for, and holds the lever until then.
  const after = page.getByRole('region', { name: 'Reaction after last visit' })
  await expect(after).toContainText('not told')
  await after.getByRole('button', { name: 'It was calm' }).click()
  await expect(after).toContainText('calm')
  await stage(page, 'Fit')
  await expect(page.getByRole('list', { name: 'Last time' })).toContainText(
    /Pineapple enzyme mask \d+ \w+ \d{4}: stinging at 2 min/,
  )

  await startTheVisit(page)
  const title = page.getByRole('heading', { level: 1 })
  await performWhile(page, async () => (await title.innerText()).includes('Pineapple enzyme mask'))
  const work = page.getByRole('region', { name: 'At the hands' })
  await expect(work).toContainText(/last\s*\d+ \w+ \d{4}: stinging at 2 min/)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
})

test('what the client will not have again is said at the close in one touch, and falls out of the next fit', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const client = await newClient()
  const id = await eventful(owner, client)
  const next = await book(owner, client, 'brightening', DAYS_BETWEEN)
  await answered(owner, next)
  await open(page, `/visits/${id}`)
  await page.goto(`/visits/${id}/close`)
  await page.getByText('What it took off the shelf').click()
  const kelp = page.getByRole('button', { name: 'Not again: Kelp Set Mask' })
  await kelp.click()
  await expect(kelp).toHaveAttribute('aria-pressed', 'true')
  await noFaults(page, 'not again')
  await page.goto(`/visits/${next}/consult`)
  const becomes = page.getByRole('complementary', { name: 'What today’s ladder becomes' })
  await expect(becomes).toContainText(/Kelp set mask (?:→|left out)/)
  await page.goto(`/visits/${id}/close`)
  await page.getByText('What it took off the shelf').click()
  await kelp.click()
  await expect(kelp).toHaveAttribute('aria-pressed', 'false')
})

test('what is being told of a signed visit stays as it is filled in when the visit is read again', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const id = await eventful(owner, await newClient())
  await signedOff(owner, id)
  await open(page, `/visits/${id}`)
  await page.goto(`/visits/${id}/close`)
  const after = page.getByRole('region', { name: 'Reaction after last visit' })
  await after.getByRole('button', { name: 'Something …' }).click()
  const redness = after.getByRole('radiogroup', { name: 'Redness, of 4' })
  await redness.getByRole('radio', { name: '3' }).click()
  await page.getByText('What it took off the shelf').click()
  const again = page.getByRole('button', { name: /^Not again: / }).first()
  await again.click()
  await expect(again).toHaveAttribute('aria-pressed', 'true')
  await expect(redness.getByRole('radio', { name: '3' })).toBeChecked()
})

test('not reached is no answer; reached, an itch on the cheeks holds the lever and says why', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const client = await newClient()
  const id = await eventful(owner, client)
  await signedOff(owner, id)
  await open(page, `/visits/${id}`)
  await page.goto(`/visits/${id}/close`)
  const after = page.getByRole('region', { name: 'Reaction after last visit' })
  await after.getByRole('button', { name: 'Not reached' }).click()
  await expect(after).toContainText('asked for once, not reached')
  await after.getByRole('button', { name: 'Something …' }).click()
  await after.getByRole('button', { name: 'Itch', exact: true }).click()
  await after.getByRole('button', { name: 'Still there' }).click()
  await after.getByRole('group', { name: 'Where' }).getByRole('button', { name: 'cheeks' }).click()
  await noFaults(page, 'a check-in')
  await after.getByRole('button', { name: 'Keep as a check-in' }).click()
  await expect(after).toContainText('itch (cheeks), still there')
  await expect(page.getByText('Signed and locked')).toBeVisible()
  const next = await book(owner, client, 'brightening', DAYS_BETWEEN)
  const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${next}/plan`)
  const enzyme = body.plan.suggestions.find(({ lever }) => lever === 'enzyme')
  expect(enzyme).toMatchObject({ move: 'hold' })
  expect(enzyme!.why).toContain('the skin was not calm after it: itch')
})

test('asked again a week later, nothing new is said in one touch, and unsays nothing', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const id = await eventful(owner, await newClient())
  await signedOff(owner, id)
  const day = await dayOf(owner, id)
  const red = { ...CALM, redness: 3, rednessHours: 40 }
  const told = { id: randomUUID(), askedOn: dateAfter(day, 2), answer: red }
  expect((await owner.ask('POST', `/api/visits/${id}/check-in`, told)).status).toBe(201)
  await page.clock.install({ time: new Date(`${dateAfter(day, 7)}T10:00:00Z`) })
  await open(page, `/visits/${id}`)
  await page.goto(`/visits/${id}/close`)
  const after = page.getByRole('region', { name: 'Reaction after last visit' })
  await expect(after).toContainText('redness 3 of 4 for 40 h')
  await after.getByRole('button', { name: 'Not reached' }).click()
  await after.getByRole('button', { name: 'Nothing since' }).click()
  await expect(after.getByRole('button', { name: '✓ Told' })).toBeVisible()
  await page.reload()
  await expect(after).toContainText('redness 3 of 4 for 40 h')
  await expect(after.getByRole('button', { name: '✓ Told' })).toBeVisible()
})
