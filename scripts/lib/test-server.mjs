import { prepareDatabase, startApplication } from './application.mjs'
import { freePort } from './ports.mjs'
import { throwAwayPostgres } from './postgres.mjs'

const SECRET = 'a-secret-for-tests-only-0123456789abcdef'

/** A built server on a throw-away database of its own, loaded as on a day (ISO); what tests need to know of it is in `env`. */
export async function startTestServer(root, today, lane = 0) {
  const database = await throwAwayPostgres()
  try {
    const { code } = await prepareDatabase(root, database, { ZEN_TODAY: today })
    const app = await startApplication(root, {
      url: database.url,
      demoUrl: database.demo.url,
      secret: SECRET,
      host: '127.0.0.1',
      port: await freePort(3410 + 200 * lane),
      quiet: true,
    })
    const env = {
      ZEN_TEST_URL: app.address,
      // The tests look past row-level security; the application does not.
      ZEN_TEST_DATABASE: database.demo.adminUrl,
      ZEN_TEST_APP_DATABASE: database.demo.url,
      ZEN_TEST_OWNER_DATABASE: database.demo.ownerUrl,
      // The salon of one's own beside the demo: empty, with the code to set it up.
      ZEN_TEST_OWN_DATABASE: database.adminUrl,
      ZEN_TEST_OWN_APP_DATABASE: database.url,
      ZEN_TEST_SET_UP_CODE: code,
      ZEN_TEST_SECRET: SECRET,
      ZEN_TEST_TODAY: today,
    }
    const stop = async () => {
      await app.stop()
      await database.remove()
    }
    return { env, stop }
  } catch (error) {
    await database.remove()
    throw error
  }
}
