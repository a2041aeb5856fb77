import { expect, test } from '@playwright/test'
import { performWhile } from './performing'
import { noFaults, onItsDay, open, primary, readAsIs, startTheVisit } from './steps'

test('coats that follow the muscles show them, from where each begins to where it ends, and never the rings', async ({
  page,
}) => {
  await open(page, await onItsDay(page, { protocol: 'undertow' }))
  await readAsIs(page)
  await startTheVisit(page)
  const front = page.getByRole('img', { name: /^The muscles, front: / })
  const target = primary(page)
  await performWhile(page, async () =>
    (await target.innerText()).startsWith('First touch: Layered enzyme'),
  )
  await expect(front).toHaveAccessibleName(/frontalis, from the hairline to the brow; /)
  await expect(front).not.toHaveAccessibleName(/orbicularis/)
  await expect(page.getByRole('img', { name: /^The muscles, neck: / })).toBeVisible()
  await noFaults(page, 'muscles')
  await target.click()
  await expect(target).toHaveText(/^Done: Layered enzyme/)
  await expect(front).toBeVisible()
})
