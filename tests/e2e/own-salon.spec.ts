import { expect, test, type Browser, type Locator, type Page } from '@playwright/test'
import { choose, chooseClient, noFaults, onBoard } from './steps'

// From an empty database to the first own client on Fit, then the people, the tablet and the clients of that salon. One after the other: the code works once.
test.describe.configure({ mode: 'serial' })

const PASSWORD = 'otter kiln 42 verandah'
const OWNER = { name: 'Ada Quill', email: 'ada@own.example' }

/** A hand that counts what it touches and how many keys it strikes. */
function hand() {
  const counted = { touches: 0, keys: 0 }
  const touch = async (target: Locator) => {
    counted.touches++
    await target.click()
  }
  const type = async (target: Locator, text: string) => {
    await touch(target)
    counted.keys += text.length
    await target.fill(text)
  }
  return { counted, touch, type }
}

async function signIn(page: Page, { email }: { email: string }, password = PASSWORD) {
  await page.goto('/sign-in')
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Book a visit' })).toBeVisible()
}
const button = (page: Page | Locator, name: string | RegExp) =>
  page.getByRole('button', { name, exact: true })

/** Another browser of the same machine. */
async function elsewhere(browser: Browser, page: Page): Promise<Page> {
  const context = await browser.newContext({ baseURL: new URL(page.url()).origin })
  return context.newPage()
}

test('from nothing to the first own client on Fit, in under five minutes', async ({ page }) => {
  const { counted, touch, type } = hand()
  await page.goto('/')
  await expect(button(page, 'Open the demo studio')).toBeVisible()
  await touch(page.getByRole('link', { name: 'Start your own salon' }))
  await noFaults(page, 'set-up')
  await expect(page.getByText('Type the code')).toBeVisible()
  await type(page.getByLabel('Code'), process.env.ZEN_TEST_SET_UP_CODE!.toLowerCase())
  await type(page.getByLabel('Your name'), OWNER.name)
  await type(page.getByLabel('E-mail'), OWNER.email)
  await type(page.getByLabel('Password'), 'password1234')
  await expect(page.getByText('among the first that anybody would try').first()).toBeVisible()
  await expect(button(page, 'Open my salon')).toBeDisabled()
  await type(page.getByLabel('Password'), PASSWORD)
  await expect(button(page, 'Open my salon')).toBeEnabled()
  await touch(button(page, 'Open my salon'))
  await expect(page.getByText('No visits on this day')).toBeVisible()
  await touch(button(page, 'Walk-in'))
  const dialog = page.getByRole('dialog')
  await type(dialog.getByLabel('Name'), 'Bo Marsh')
  await type(dialog.getByLabel('Born on'), '1988-05-14')
  counted.touches++
  await choose(dialog, 'Protocol', 'Hydrating facial')
  counted.touches++
  await touch(button(dialog, 'Ask first'))
  await expect(page.getByRole('heading', { name: 'Bo Marsh' })).toBeVisible()
  for (const band of await page.locator('[data-group]').all()) {
    const none = band.getByRole('button', { name: /^(None of these|None known|Nothing else)$/ })
    if (await none.isVisible()) await touch(none)
  }
  await touch(
    page
      .getByRole('list', { name: 'Stages of the visit' })
      .getByRole('link', { name: 'Fit', exact: true }),
  )
  await expect(page.getByRole('main')).not.toContainText('Fitting …')
  await expect(page.getByRole('main')).toContainText('Hydrating facial')
  console.log(`set-up to Fit: ${counted.touches} touches, ${counted.keys} keys`)
  // At three seconds a touch and half a second a key: under three minutes of the five.
  expect(counted.touches * 3 + counted.keys / 2).toBeLessThan(180)
})

test('the demo is beside it: there and back, signed in in both', async ({ page }) => {
  await signIn(page, OWNER)
  await page.goto('/settings/demo')
  await button(page, 'Open the demo studio').click()
  await expect(page.getByText('Everybody here is invented')).toBeVisible()
  await page.getByRole('link', { name: 'Clients' }).click()
  await expect(page.getByText('Wren Castellane')).toBeVisible()
  await button(page, 'To your own salon').click()
  await expect(page.getByText('Everybody here is invented')).toHaveCount(0)
  await page.getByRole('link', { name: 'Clients' }).click()
  await expect(page.getByText('Bo Marsh')).toBeVisible()
  await expect(page.getByText('Wren Castellane')).toHaveCount(0)
})

test('a second person is invited, and what may be done ends with the licence', async ({
  page,
  browser,
}) => {
  await signIn(page, OWNER)
  await page.goto('/settings/people')
  await button(page, 'Invite somebody').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name', { exact: true }).fill('Cal Wren-Moor')
  await dialog.getByLabel('E-mail, to sign in with').fill('cal@own.example')
  await button(dialog, 'Make the link').click()
  const link = await page.getByLabel('Link', { exact: true }).inputValue()
  await page.getByRole('button', { name: /Cal Wren-Moor/ }).click()
  await page.getByLabel('Needling', { exact: true }).check()
  const soon = new Date(Date.now() + 10 * 86_400_000).toISOString().slice(0, 10)
  await page.getByLabel('Needling until').fill(soon)
  await expect(page.getByText(/Needling: licence ends in (9|10) days/)).toHaveCount(1)
  await noFaults(page, 'a person')

  const theirs = await elsewhere(browser, page)
  await theirs.goto(link)
  await theirs.getByLabel('Password').fill('lantern quarry 71 moss')
  await button(theirs, 'Sign in').click()
  await expect(theirs.getByRole('button', { name: 'Cal Wren-Moor' })).toBeVisible()
  await expect(theirs.getByRole('link', { name: 'Settings' })).toBeVisible()
  await theirs.goto(link)
  await expect(theirs).toHaveURL(/\/$/)
  await theirs.goto('/settings/people')
  await expect(theirs.getByRole('heading', { name: 'You', exact: true })).toBeVisible()
  await theirs.context().close()
})

test('a tablet shows names and opens to a PIN; called off, it is out', async ({
  page,
  browser,
}) => {
  await signIn(page, OWNER)
  await page.goto('/settings/you')
  const pin = page.getByRole('form', { name: 'PIN' })
  await pin.getByLabel('Four to eight digits').fill('2580')
  await pin.getByLabel('Your password').fill(PASSWORD)
  await button(page, 'Set the PIN').click()
  await expect(page.getByText('Your PIN opens every tablet')).toBeVisible()
  await noFaults(page, 'your own settings')

  const tablet = await elsewhere(browser, page)
  await signIn(tablet, OWNER)
  await tablet.goto('/settings/tablets')
  await tablet.getByLabel('What it is called').fill('Trolley')
  await tablet.getByLabel('Your password').fill(PASSWORD)
  await button(tablet, 'Make it a tablet').click()
  await expect(tablet.getByText('this one')).toBeVisible()
  await button(tablet, OWNER.name).click()
  await tablet.getByRole('menuitem', { name: 'Sign out', exact: true }).click()
  await noFaults(tablet, 'the tablet')
  await button(tablet, OWNER.name).click()
  for (const digit of '9999') await button(tablet, digit).click()
  await button(tablet, 'Open').click()
  await expect(tablet.getByRole('alert')).toContainText('not the PIN')
  for (const digit of '2580') await button(tablet, digit).click()
  await button(tablet, 'Open').click()
  await expect(button(tablet, 'Book a visit')).toBeVisible()

  await page.goto('/settings/tablets')
  await button(page, 'Call it off').click()
  await expect(page.getByText('called off', { exact: true })).toBeVisible()
  await tablet.goto('/clients')
  await expect(tablet.getByLabel('E-mail')).toBeVisible()
  await tablet.context().close()
})

test('fifty thousand clients from a file: faults by row, stopped half way, then all of them', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await signIn(page, OWNER)
  await page.goto('/clients')
  await button(page, 'Take a file in').click()
  const day = (at: number) => `${1940 + (at % 60)}-0${1 + (at % 9)}-1${at % 10}`
  const lines = Array.from({ length: 50_000 }, (_, at) =>
    at % 250 === 7 ? `Broken ${at},31.2.1990,` : `Filed Person ${at},${day(at)},+000 ${at}`,
  )
  await page.locator('input[type=file]').setInputFiles({
    name: 'clients.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`Name,Birthday,Mobile\n${lines.join('\n')}`),
  })
  await expect(page.getByText('200 faults')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByText('Row 9: “31.2.1990” is no day')).toBeVisible()
  await expect(button(page, 'Take 49800 in')).toBeDisabled()
  await noFaults(page, 'a file of clients')
  await page.getByText('Leave out the 200 with a fault').click()
  await button(page, 'Take 49800 in').click()
  await button(page, 'Stop; take nobody in').click()
  await expect(button(page, 'Take 49800 in')).toBeVisible()
  await button(page, 'Take 49800 in').click()
  await expect(page.getByText('✓ 49800 new.')).toBeVisible({ timeout: 180_000 })
  await button(page, 'Close').click()
  await page.getByLabel('Find').fill('person 41999')
  await expect(page.getByRole('link', { name: 'Filed Person 41999' })).toBeVisible()
  await page.getByLabel('Find').fill('000 31234')
  await expect(page.getByRole('link', { name: 'Filed Person 31234' })).toBeVisible()
  await page.getByLabel('Find').fill('nobody like this')
  await expect(page.getByText('Nobody here fits')).toBeVisible()
})

for (const light of ['day', 'room'])
  test(`clients and settings are accessible in ${light} light`, async ({ page }) => {
    await page.addInitScript((value) => localStorage.setItem('zen-light', value), light)
    await signIn(page, OWNER)
    await page.goto('/clients')
    await expect(page.getByText('Bo Marsh')).toBeVisible()
    await noFaults(page, `${light} clients`)
    await page.getByText('Bo Marsh').click()
    for (const part of ['Papers', 'Photographs', 'Visits', 'Health', 'The ladder']) {
      await page.getByRole('link', { name: part, exact: true }).click()
      await expect(page.locator('[aria-current=page]', { hasText: part })).toBeVisible()
      await noFaults(page, `${light} a client, ${part}`)
    }
    for (const part of [
      'you',
      'device',
      'people',
      'tablets',
      'salon',
      'hours',
      'messages',
      'copies',
      'keeping',
      'log',
      'demo',
    ]) {
      await page.goto(`/settings/${part}`)
      await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible()
      await noFaults(page, `${light} settings ${part}`)
    }
  })

test('a record is added to: corrected, noted, answered, and made one with its double', async ({
  page,
}) => {
  await signIn(page, OWNER)
  await page.goto('/clients')
  await button(page, 'New client').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Bo Marsh')
  await expect(dialog.getByText('Perhaps here already')).toBeVisible()
  await dialog.getByLabel('Born on').fill('1988-05-15')
  await button(dialog, 'Add').click()
  await expect(page.getByRole('heading', { name: 'Bo Marsh' })).toBeVisible()
  await button(page, 'Name and contact').click()
  await dialog.getByLabel('E-mail').fill('bo@own.example')
  await button(dialog, 'e-mail').click()
  await button(dialog, 'Save').click()
  await expect(page.getByText('Agreed to e-mail')).toBeVisible()
  await page.getByRole('link', { name: 'Health', exact: true }).click()
  await page.getByLabel('Something to remember').fill('Bed raised slowly')
  await button(page, 'Add').click()
  await expect(page.getByText('Bed raised slowly')).toBeVisible()
  await page.getByRole('combobox', { name: 'Told between visits' }).fill('preg')
  await page.keyboard.press('Enter')
  await button(page, 'Yes').click()
  await expect(page.getByRole('region', { name: 'Health' })).toContainText('Pregnan')
  await button(page, 'Here twice').click()
  await dialog.getByRole('button', { name: /^Bo Marsh/ }).click()
  await button(page, 'Make them one').click()
  await expect(page.getByText('They are one client now')).toBeVisible()
  await page.getByRole('link', { name: 'Visits', exact: true }).click()
  await expect(page.getByRole('region', { name: 'Visits' })).toContainText('Hydrating facial')
})

test('a visit is booked at a free time, moved, and called off', async ({ page }) => {
  await signIn(page, OWNER)
  await button(page, 'Book a visit').click()
  const dialog = page.getByRole('dialog')
  const monday = new Date()
  monday.setUTCDate(monday.getUTCDate() + ((8 - monday.getUTCDay()) % 7 || 7) + 7)
  const date = monday.toISOString().slice(0, 10)
  await chooseClient(dialog, 'Bo Marsh')
  await choose(dialog, 'Protocol', 'Hydrating facial')
  await dialog.getByLabel('Day').fill(date)
  const times = dialog.getByRole('group', { name: 'Times' })
  await expect(times.getByRole('button').first()).toHaveText('09:00')
  await times.getByRole('button', { name: '10:30' }).click()
  await expect(dialog.getByLabel('Practitioner').first()).toContainText(OWNER.name)
  await button(dialog, 'Book').click()
  await expect(dialog).toHaveCount(0)
  await page.goto(`/?date=${date}`)
  await expect(onBoard(page, 'Bo Marsh')).toHaveAccessibleName(/^10:30/)
  await page.getByRole('button', { name: 'Move or call off: Bo Marsh' }).click()
  await dialog.getByLabel('From').fill('20:00')
  await button(dialog, 'Move the visit').click()
  await expect(dialog.getByRole('alert')).toContainText('open from 09:00 to 18:00')
  await dialog.getByLabel('From').fill('13:15')
  await button(dialog, 'Move the visit').click()
  await expect(onBoard(page, 'Bo Marsh')).toHaveAccessibleName(/^13:15/)
  await page.getByRole('button', { name: 'Move or call off: Bo Marsh' }).click()
  await noFaults(page, 'moving a visit')
  await dialog.getByLabel('Call it off, because').fill('ill')
  await button(dialog, 'Call it off').click()
  await expect(page.getByText('No visits on this day')).toBeVisible()
})
