import { type ChildProcess, spawn } from 'node:child_process'
import { expect, test } from '@playwright/test'
import pg from 'pg'
import {
  enterStudio,
  morning,
  offlineReady,
  onItsDay,
  open,
  openVisit,
  pass,
  primary,
  stage,
  startTheVisit,
} from './steps'

const PORT = 3599
const ADDRESS = `http://127.0.0.1:${PORT}`

/** A second instance of the built server on the same database: the application keeps no state in its process. */
async function startServer(): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: 'ignore',
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: process.env.ZEN_TEST_OWN_APP_DATABASE,
      ZEN_DEMO_URL: process.env.ZEN_TEST_APP_DATABASE,
      ZEN_SESSION_SECRET: process.env.ZEN_TEST_SECRET,
      NITRO_HOST: '127.0.0.1',
      NITRO_PORT: String(PORT),
    },
  })
  await expect
    .poll(
      () =>
        fetch(`${ADDRESS}/api/health`).then(
          (reply) => reply.ok,
          () => false,
        ),
      { timeout: 20_000 },
    )
    .toBe(true)
  return child
}

async function killed(server: ChildProcess) {
  const gone = new Promise((resolve) => server.once('exit', resolve))
  server.kill('SIGKILL')
  await gone
}

/** What the database has of a visit's run, in its order. */
async function eventsOf(visitId: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: process.env.ZEN_TEST_DATABASE })
  await client.connect()
  const { rows } = await client.query<{ type: string }>(
    `SELECT body->>'type' AS type FROM run_event WHERE visit_id = $1 ORDER BY seq`,
    [visitId],
  )
  await client.end()
  return rows.map((row) => row.type)
}

test.use({ baseURL: ADDRESS })

test('killing the server while a visit runs loses no event', async ({ page }) => {
  let server = await startServer()
  try {
    await page.clock.install({ time: morning() })
    await enterStudio(page)
    await openVisit(page, 'Bastian Okoro')
    const visitId = page.url().split('/').at(-2)!
    await stage(page, 'Fit')
    await page.getByRole('button', { name: 'Prepare the tray' }).click()
    await expect(page.getByText('The tray, in order of use')).toBeVisible()
    await stage(page, 'Perform')
    await page.getByRole('button', { name: 'Start the visit' }).click()
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()

    // “Saved” may still be that of the stage before: the start itself has to be there.
    await expect.poll(() => eventsOf(visitId).then((events) => events.length)).toBe(1)

    await killed(server)
    for (let taps = 0; taps < 4; taps++) {
      await pass(page, 0.5)
      await primary(page).click()
    }
    await expect(page.getByText(/4 kept on this tablet/)).toBeVisible()

    server = await startServer()
    await pass(page, 0.2)
    await expect(page.getByText('Saved', { exact: true })).toBeVisible()
    expect(await eventsOf(visitId)).toEqual([
      'start',
      'finished',
      'finished',
      'finished',
      'finished',
    ])
  } finally {
    server.kill('SIGKILL')
  }
})

test('server and tablet killed in turn: every tap is there once, and the clock shows the same second', async ({
  page,
  context,
}) => {
  let server = await startServer()
  try {
    const address = await onItsDay(page)
    const visitId = address.split('/').at(-1)!
    await open(page, address)
    await startTheVisit(page)
    await expect.poll(() => eventsOf(visitId).then((events) => events.length)).toBe(1)
    await offlineReady(page)

    // The server goes; two taps are kept. The tablet goes too, and comes up without a server.
    await killed(server)
    for (let taps = 0; taps < 2; taps++) {
      await pass(page, 0.5)
      await primary(page).click()
    }
    await expect(page.getByText(/2 kept on this tablet/)).toBeVisible()
    const at = await page.evaluate(() => Date.now())
    const words = await primary(page).innerText()
    await page.close({ runBeforeUnload: false })
    const next = await context.newPage()
    await next.clock.setSystemTime(at)
    await next.goto(`${address}/perform`)
    await expect(primary(next)).toHaveText(words)
    await expect(next.getByText(/2 kept on this tablet/)).toBeVisible()

    // One tap more, the tablet goes in the middle of it; then the server is back.
    await primary(next).click()
    await expect(next.getByText(/3 kept on this tablet/)).toBeVisible()
    await next.close({ runBeforeUnload: false })
    server = await startServer()
    const last = await context.newPage()
    await last.goto(`${address}/perform`)
    await expect(last.getByText('Saved', { exact: true })).toBeVisible()
    await expect
      .poll(() => eventsOf(visitId))
      .toEqual(['start', 'finished', 'finished', 'finished'])
  } finally {
    server.kill('SIGKILL')
  }
})
