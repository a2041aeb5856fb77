import { expect, test } from '@playwright/test'
import { enterStudio, offlineReady } from './steps'

// A page that came up past the service worker, as one does that is read anew with the cache left out, or in the very moment in which the worker did.

test('a page that the service worker has not taken asks for it, and stands without a network', async ({
  page,
  context,
}) => {
  await enterStudio(page)
  await offlineReady(page)
  const devtools = await context.newCDPSession(page)
  await Promise.all([
    page.waitForEvent('load'),
    devtools.send('Page.reload', { ignoreCache: true }),
  ])
  await offlineReady(page)
  await context.setOffline(true)
  await page.reload()
  await expect(page.getByRole('navigation').first()).toBeVisible()
})
