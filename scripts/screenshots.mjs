import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { startTestServer } from './lib/test-server.mjs'
import { picturesOf } from './lib/pictures.mjs'
import { twoRooms } from './lib/two-rooms.mjs'

// Takes one picture of each main view from the demo data, into docs/screenshots. `npm run screenshots -- FOLDER` puts them elsewhere.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const folder = process.argv[2] ?? join(root, 'docs/screenshots')
const ARGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** The door and the day. */
async function signInAndToday({ page, settle, shot }) {
  await page.clock.install({ time: new Date(`${new Date().toISOString().slice(0, 10)}T07:55:00Z`) })
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'Open the demo studio' }).waitFor()
  await page.getByRole('button', { name: 'Open the demo studio' }).click()
  await page.getByRole('list', { name: 'At its time' }).waitFor()
  await settle()
  await shot('today')
}

/** A visit asked and read. */
async function consultAndRead({ page, settle, shot, stage }) {
  await page.getByRole('button', { name: /^\d\d:\d\d Wren Castellane/ }).click()
  await page.getByRole('button', { name: 'Open the visit' }).click()
  const part = (name) =>
    page
      .getByRole('navigation', { name: 'Parts of the consultation' })
      .getByRole('button', { name })
      .click()
  await page.getByRole('heading', { name: /^Since/ }).waitFor()
  for (const name of ['Today', 'Healing and defence'])
    await page
      .getByRole('region', { name, exact: true })
      .getByRole('button', { name: 'Change …' })
      .click()
  await settle()
  await shot('consult')
  await part('All allergens')
  await page.getByRole('button', { name: 'Pineapple', exact: true }).click()
  await page.getByRole('button', { name: 'Salicylates (aspirin)', exact: true }).click()
  await page.getByText('Pineapple enzyme mask → Rice Enzyme Powder').first().waitFor()
  await stage('Read skin')
  await page.getByRole('button', { name: 'Congestion', exact: true }).click()
  await page.getByRole('button', { name: 'T-zone', exact: true }).click()
  await page.getByRole('button', { name: 'Patchy pigment', exact: true }).click()
  await page.getByRole('button', { name: 'usual places' }).click()
  await page.getByText('lukewarm', { exact: false }).first().waitFor()
  await settle()
  await shot('read-skin')
}

/** The ladder fitted, in both lights, and the tray. */
async function fitAndTray({ page, settle, shot, stage, light }) {
  await stage('Fit')
  await page.getByRole('list', { name: 'Changes' }).waitFor()
  await settle()
  await shot('fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await page.getByText('The tray, in order of use').waitFor()
  await page.getByRole('checkbox').first().click()
  await light('room')
}

/** Performed area by area, on a phone too, and something burning. */
async function perform({ page, settle, shot, stage, pass, until }) {
  await stage('Perform')
  await page.getByRole('button', { name: 'Start the visit' }).waitFor()
  await page.reload()
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await until(/^Next:/)
  await pass(0.5)
  await shot('perform-extraction')
  await until(/^Done: Scalp massage/)
  await pass(0.5)
  await page.getByRole('button', { name: 'Emergency' }).click()
  await page.getByRole('heading', { name: 'Emergency' }).waitFor()
  await settle()
  await shot('emergency')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Stings' }).click()
  await page.getByRole('button', { name: 'Burning' }).click()
  await settle()
  await page.getByRole('button', { name: 'I did that, go on' }).click()
  await pass(1)
  await until(/^Finish/)
  await page.waitForTimeout(3200)
}

/** Closed with what the skin shows on leaving. */
async function closeVisit({ page, settle, shot, light }) {
  await light('day')
  await page.locator('#primary').click()
  await page.getByRole('heading', { name: 'Planned against actual' }).waitFor()
  await page.reload()
  await page
    .getByRole('radiogroup', { name: 'Redness now, of 4' })
    .getByRole('radio', { name: '2' })
    .click()
  await page.getByLabel('For next time').fill('Fan at hand for the mask')
  await settle()
  await shot('close')
  await page.getByRole('link', { name: 'Home care' }).click()
  const told = page.getByRole('region', { name: 'At home now', exact: true })
  await told.getByRole('button', { name: 'Cleanser', exact: true }).click()
  await page.getByText('You use it already.').first().waitFor()
  await settle()
  await shot('home-care')
}

/** The library and a card. */
async function library({ page, settle, shot }) {
  await page.getByRole('link', { name: 'Protocols' }).click()
  await page.getByRole('list', { name: 'Library' }).getByRole('listitem').first().waitFor()
  await page.getByText('Salt Meadow hydrating facial').click()
  await page.locator('#rung-massage').click()
  await settle()
  await page.getByRole('img', { name: /^Lines of the movements/ }).scrollIntoViewIfNeeded()
  await settle()
  await shot('protocol')
}

/** The shelf, and a mix on the bench. */
async function shelfAndBench({ page, settle, shot }) {
  await page.goto('/shelf')
  await page.getByRole('table', { name: 'Shelf' }).getByRole('row').nth(5).waitFor()
  await page.getByRole('button', { name: /^Left/ }).click()
  await settle()
  await shot('shelf')
  await page.goto('/shelf/bench?mix=oat-cocktail')
  await page.getByText('In the bowl').waitFor()
  await page
    .getByRole('group', { name: 'Kaolin Powder', exact: true })
    .getByRole('button', { name: 'Weigh' })
    .click()
  await page.waitForTimeout(3500)
  await page.clock.runFor(400)
  await shot('mix-bench')
}

/** A visit cut to its slot, and one with something short. */
async function otherVisits({ page, settle, shot, stage, open }) {
  await open('Caspian Hurst')
  await stage('Fit')
  await page.getByRole('button', { name: /^Time/ }).click()
  await page.getByRole('slider', { name: 'Slot in minutes' }).fill('60')
  await settle()
  await page.locator('.apexcharts-series path').first().waitFor()
  for (let tries = 0; tries < 60 && (await page.getByText('Looking …').count()) > 0; tries++)
    await settle()
  await shot('fit-slot')
  await open('Bastian Okoro')
  await stage('Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await page
    .getByRole('group', { name: 'Clover Drops is short' })
    .getByRole('button', { name: /Panthenol/ })
    .waitFor()
  await settle()
  await shot('prepare')
}

/** A card that loses what it is for, and the others that could be taken. */
async function thinned({ page, settle, shot, stage, open }) {
  await open('Yuna Delacroix')
  await stage('Consult')
  const medicines = page.getByRole('region', { name: 'Medicines', exact: true })
  await medicines.getByRole('button', { name: 'Change …' }).click()
  await medicines.locator('[data-question="isotretinoin"]').click()
  await page.getByText('Without its main step today').first().waitFor()
  await settle()
  await page.getByText('Saved', { exact: true }).waitFor()
  await settle()
  await stage('Fit')
  await page.getByRole('button', { name: 'Other cards today' }).waitFor()
  await page.getByRole('button', { name: 'Other cards today' }).click()
  for (
    let tries = 0;
    tries < 60 && (await page.getByText(/cards fitted to this client/).count()) === 0;
    tries++
  )
    await settle()
  await settle()
  await shot('which-card')
  await page.getByRole('button', { name: 'Keep it as it is' }).click()
}

/** A client's long ladder, and two visits of it against each other; then the owner signs in. */
async function clientThenOwner({ page, settle, shot, light }) {
  await light('day')
  await page.goto('/clients')
  await page.getByRole('link', { name: 'Isaura Penhallow' }).click()
  await page.getByRole('heading', { name: 'What moved' }).waitFor()
  await settle()
  await shot('long-ladder')
  const rungs = page.locator('[data-rung]')
  await rungs.nth(1).click()
  await page.getByRole('button', { name: 'Hold against …' }).click()
  await rungs.nth((await rungs.count()) - 2).click()
  await page.getByRole('heading', { name: 'Rung by rung' }).waitFor()
  await settle()
  await shot('two-visits')
  await page.getByRole('button', { name: 'Anneke Vask' }).click()
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click()
  await page.getByLabel('E-mail').fill('maren@saltgrass.example')
  await page.getByLabel('Password').fill('quiet-tide')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.getByRole('button', { name: 'Book a visit' }).waitFor()
}

/** The tablet in a client's hands; taken back by password, since this browser is no tablet of the studio. */
async function clientMode({ page, settle, shot, open }) {
  await open('Odalys Fenwick-Rao')
  await page.getByRole('button', { name: 'Hand to the client' }).click()
  await page.getByRole('button', { name: 'Begin' }).click()
  await settle()
  await shot('client-mode')
  await page.getByRole('button', { name: 'Give it back' }).click()
  await page.getByLabel('Your password').fill('quiet-tide')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await page.getByRole('heading', { level: 1, name: 'Odalys Fenwick-Rao' }).waitFor()
}

/** How a salon of one's own begins. */
async function setUp({ page, settle, shot }) {
  await page.getByRole('button', { name: 'Start your own salon' }).click()
  await page.getByRole('heading', { name: 'Set up your salon' }).waitFor()
  await settle()
  await shot('set-up')
}

async function walk(page) {
  const tools = picturesOf(page, folder)
  const parts = [signInAndToday, consultAndRead, fitAndTray, perform, closeVisit]
  const places = [
    library,
    shelfAndBench,
    otherVisits,
    thinned,
    clientThenOwner,
    clientMode,
    twoRooms,
    setUp,
  ]
  for (const part of [...parts, ...places]) await part(tools)
}

await ensureDebian(['postgres', 'chromium'])
await ensurePackages(root)
await ensureBuild(root)
const server = await startTestServer(root, new Date().toISOString().slice(0, 10))
try {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS })
  try {
    const context = await browser.newContext({
      baseURL: server.env.ZEN_TEST_URL,
      viewport: { width: 1280, height: 800 },
      serviceWorkers: 'block',
    })
    await walk(await context.newPage())
  } finally {
    await browser.close()
  }
} finally {
  await server.stop()
}
