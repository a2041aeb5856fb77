import { randomUUID } from 'node:crypto'
import { expect, test, type Page } from '@playwright/test'
import { book, dayOf, OWNER, signedIn, type Person } from '../api/http'
import { newClient } from '../api/new-client'
import { A_DROP, event } from '../api/signed'
import { ALL_NO, yes } from '../situations'
import { noFaults, open } from './steps'

const WANTED = { concerns: ['firm', 'brighten', 'eyes'], details: {} }
const DAYS_BETWEEN = 30

/** A visit performed and not signed yet, of somebody who answered; gives its id. */
async function performed(owner: Person, more: readonly string[] = []): Promise<string> {
  const id = await book(owner, await newClient(), 'acid')
  const askedOn = await dayOf(owner, id)
  const said = [
    ...ALL_NO.filter(({ code }) => !more.includes(code)),
    ...more.map((code) => yes(code)),
  ]
  const facts = said.map((fact) => ({ id: randomUUID(), fact: { ...fact, askedOn } }))
  await owner.ask('POST', `/api/visits/${id}/facts`, { facts })
  const seen = { concerns: ['hydrate'], details: {} }
  expect((await owner.ask('PUT', `/api/visits/${id}/goals`, { ...WANTED, seen })).status).toBe(204)
  await owner.ask('POST', `/api/visits/${id}/plan`)
  const events = [event({ type: 'start' }), event({ type: 'finish' }, 1)]
  expect((await owner.ask('POST', `/api/visits/${id}/events`, { events })).status).toBe(200)
  return id
}
async function openHome(page: Page, id: string) {
  await open(page, `/visits/${id}`)
  await page.goto(`/visits/${id}/close`)
  await page.getByRole('link', { name: /^Home care/ }).click()
  await expect(page.getByRole('region', { name: 'Morning' })).toBeVisible()
}
const part = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('what is used at home, a plan for it, given; at the next visit they are asked how it went', async ({
  page,
}) => {
  const owner = await signedIn(OWNER)
  const id = await performed(owner)
  await openHome(page, id)
  // Nobody has asked yet: nothing strong.
  await expect(part(page, 'Evening')).not.toContainText('Retinal')
  await part(page, 'At home now').getByRole('button', { name: 'Cleanser' }).click()
  const evening = part(page, 'Evening')
  await expect(evening).toContainText('Night Retinal Cream')
  await expect(evening).toContainText('two evenings a week, three from')
  await expect(evening.getByRole('listitem').first()).toContainText('You use it already.')
  await expect(part(page, 'Morning').getByRole('listitem').last()).toContainText('fingertips')
  await expect(part(page, 'Pauses')).toContainText('your own acid, scrub and retinoid')
  await noFaults(page, 'home care')
  await evening.getByRole('button', { name: 'Leave out: Night Retinal Cream' }).click()
  await expect(evening).not.toContainText('Night Retinal Cream')
  await part(page, 'Left out').getByRole('button', { name: 'Put back' }).click()
  await expect(evening).toContainText('Night Retinal Cream')
  await page.getByRole('button', { name: 'Give this plan' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Given' })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('status').filter({ hasText: 'Given' })).toBeVisible()
  const closing = { leaving: null, note: '', used: A_DROP }
  expect((await owner.ask('POST', `/api/visits/${id}/close`, closing)).status).toBe(204)

  const { body } = await owner.ask<{ visit: { client: string } }>('GET', `/api/visits/${id}`)
  const later = await book(owner, body.visit.client, 'acid', DAYS_BETWEEN)
  await open(page, `/visits/${later}`)
  await page.goto(`/visits/${later}/consult`)
  await page.getByRole('button', { name: /^At home/ }).click()
  const asked = part(page, 'At home now')
  await asked.getByRole('radio', { name: 'less' }).click()
  await asked.getByLabel('Why').fill('Two evenings were too many')
  await asked.getByLabel('Why').blur()
  await expect(asked.getByRole('button', { name: 'Retinoid' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await asked.getByRole('radio', { name: '1', exact: true }).click()
  await page.goto(`/visits/${later}/home`)
  await expect(part(page, 'Evening')).toContainText('once a week')
  await expect(part(page, 'At home now').getByLabel('Why')).toHaveValue(
    'Two evenings were too many',
  )
})

test('pregnant: theirs stops, with the rule; the plan has nothing of it', async ({ page }) => {
  const owner = await signedIn(OWNER)
  const id = await performed(owner, ['pregnancy'])
  await openHome(page, id)
  await part(page, 'At home now').getByRole('button', { name: 'Retinoid' }).click()
  await expect(part(page, 'Left out')).toContainText('Stop for now: Retinoid')
  await expect(part(page, 'Left out')).toContainText('A04')
  await expect(part(page, 'Evening')).not.toContainText('Retin')
  await part(page, 'At home now').getByRole('button', { name: 'By a physician' }).click()
  await expect(part(page, 'Left out')).toContainText('Ask whoever prescribed it: Retinoid')
})
