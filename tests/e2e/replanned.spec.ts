import { expect, test } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { ASSISTANT, dayOf, OWNER, signedIn } from '../api/http'
import {
  noFaults,
  open,
  openAs,
  paint,
  pass,
  performUntil,
  primary,
  startTheVisit,
  onItsDay,
} from './steps'

test('she told the desk meanwhile that she is pregnant: the server fits the rest again and the tablet says why', async ({
  page,
}) => {
  const address = await onItsDay(page, { protocol: 'clarifying' })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  await startTheVisit(page)
  const ladder = page.getByRole('group', { name: /^Ladder/ })
  await performUntil(page, 'Look under the lamp')
  await expect(ladder).toContainText('Steam')
  const desk = await signedIn(OWNER)
  const said = {
    id: randomUUID(),
    fact: { code: 'pregnancy', answer: 'yes', askedOn: await dayOf(desk, visitId) },
  }
  const { status } = await desk.ask('POST', `/api${address}/facts`, { facts: [said] })
  expect(status).toBe(204)
  await pass(page, 5)
  await primary(page).click()
  await paint(page, 'Congestion', 2, 'nose')
  await page
    .getByRole('dialog')
    .getByRole('button', { name: 'Read: fit the rest from now' })
    .click()
  const again = page.getByRole('region', { name: 'Fitted again' })
  await expect(again).toContainText('The server fitted the rest again')
  await expect(again).toContainText('This tablet’s ladder did not hold')
  await expect(again).toContainText('Steam left out')
  await noFaults(page, 'fitted by the server')
  await page.reload()
  await expect(again).toContainText('The server fitted the rest again')
})

test('an assistant performs; reading the skin is a practitioner’s, and the screen says so', async ({
  page,
}) => {
  const address = await onItsDay(page, { protocol: 'clarifying' })
  const owner = await signedIn(OWNER)
  expect((await owner.ask('POST', `/api${address}/plan`)).status).toBe(201)
  await openAs(page, ASSISTANT, `${address}/perform`)
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await performUntil(page, 'Look under the lamp')
  await pass(page, 5)
  await primary(page).click()
  await expect(page.getByText('Fitting the rest is for a practitioner')).toBeVisible()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})
