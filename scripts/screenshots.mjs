import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { prepareDatabase, startApplication } from './lib/application.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { throwAwayPostgres } from './lib/postgres.mjs'

// Takes one picture of each main view from the demo data, into docs/screenshots. `npm run screenshots -- FOLDER` puts them elsewhere.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const folder = process.argv[2] ?? join(root, 'docs/screenshots')
const ARGS = ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync']

async function walk(page) {
  const shot = (name) => page.screenshot({ path: join(folder, `${name}.png`) })
  const stage = (name) => page.getByRole('list', { name: 'Stages of the visit' }).getByRole('link', { name, exact: true }).click()
  const settle = async () => { await page.clock.runFor(400); await page.waitForTimeout(350) }
  const light = (value) => page.evaluate((to) => localStorage.setItem('zen-light', to), value)
  const pass = async (minutes) => { await page.clock.fastForward(Math.round(minutes * 60_000)); await page.clock.runFor(600); await page.waitForTimeout(150) }
  await page.clock.install({ time: new Date(`${new Date().toISOString().slice(0, 10)}T07:55:00Z`) })
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).waitFor()
  await settle()
  await shot('sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).click()
  await page.getByText('Wren Castellane').waitFor()
  await settle()
  await shot('today')
  await page.getByText('Wren Castellane').click()
  await page.getByRole('button', { name: 'Pineapple', exact: true }).click()
  await page.getByRole('button', { name: 'Salicylates (aspirin)', exact: true }).click()
  await page.getByText('Pineapple enzyme mask → Rice Enzyme Powder').first().waitFor()
  await page.getByRole('heading', { name: 'Allergies and reactions' }).scrollIntoViewIfNeeded()
  await settle()
  await shot('consult')
  await stage('Read skin')
  await page.getByRole('radiogroup', { name: 'Patchy pigment' }).getByRole('radio', { name: '2' }).click()
  await page.getByText('towels', { exact: false }).first().waitFor()
  await settle()
  await shot('read-skin')
  await stage('Fit')
  await page.getByRole('list', { name: 'Changes' }).waitFor()
  await settle()
  await shot('fit')
  await light('room')
  await page.reload()
  await page.getByRole('list', { name: 'Changes' }).waitFor()
  await settle()
  await shot('fit-room')
  await light('day')
  await page.reload()
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await page.getByText('The tray, in order of use').waitFor()
  await page.getByRole('checkbox').first().click()
  await settle()
  await shot('prepare')
  await light('room')
  await stage('Perform')
  await page.getByRole('button', { name: 'Start the visit' }).waitFor()
  await page.reload()
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await pass(18.5)
  await shot('perform-dwell')
  const tap = async () => { await page.locator('#primary').click(); await page.clock.runFor(600) }
  await pass(3.2)
  await tap()
  await pass(2)
  await tap()
  await pass(29)
  await shot('perform-two-dwells')
  await page.getByRole('button', { name: 'Stings' }).click()
  await page.getByRole('button', { name: 'Burning' }).click()
  await settle()
  await shot('sensation')
  await page.getByRole('button', { name: 'I did that, go on' }).click()
  await pass(6)
  await tap()
  await pass(1)
  await tap()
  await pass(26)
  await page.waitForTimeout(3200)
  await shot('perform-past-maximum')
  await tap()
  await pass(1.5)
  await tap()
  await pass(9)
  await light('day')
  await page.locator('#primary').click()
  await page.getByRole('heading', { name: 'Planned against actual' }).waitFor()
  await page.reload()
  await page.getByRole('radiogroup', { name: 'Redness, of 4' }).getByRole('radio', { name: '3' }).click()
  await page.getByRole('radiogroup', { name: 'How long it lasted' }).getByRole('radio', { name: 'two days' }).click()
  await settle()
  await shot('close')
  await page.getByRole('link', { name: 'Protocols' }).click()
  await page.getByText('Clear Water facial').click()
  await page.getByRole('heading', { name: 'Clear Water facial' }).waitFor()
  await settle()
  await shot('protocol')
}

await ensureDebian(['postgres', 'chromium'])
await ensurePackages(root)
await ensureBuild(root)
const database = await throwAwayPostgres()
try {
  await prepareDatabase(root, database.url)
  const app = await startApplication(root, { url: database.url, secret: 'for-pictures-only-0123456789abcdef', host: '127.0.0.1', port: await freePort(3480), quiet: true })
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
  try {
    const context = await browser.newContext({ baseURL: app.address, viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    await walk(await context.newPage())
  } finally {
    await browser.close()
    await app.stop()
  }
} finally {
  await database.remove()
}
