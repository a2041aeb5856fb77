import { expect, test, type Page } from '@playwright/test'
import { withDatabase } from '../api/http'
import { open, pass, primary, stage, onItsDay } from './steps'

/** Everything that lies in this tablet's stores, as text; of what is sealed only that it is. */
const lyingHere = (page: Page): Promise<string> =>
  page.evaluate(async () => {
    const asText = (_name: string, value: unknown): unknown => {
      if (value instanceof ArrayBuffer || ArrayBuffer.isView(value)) return 'sealed'
      return value instanceof CryptoKey ? { key: value.extractable } : value
    }
    const done = <T>(asked: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        asked.onsuccess = () => resolve(asked.result)
        asked.onerror = () => reject(asked.error!)
      })
    const found: unknown[] = []
    for (const { name } of await indexedDB.databases()) {
      const base = await done(indexedDB.open(name!))
      for (const store of base.objectStoreNames)
        found.push(name, store, await done(base.transaction(store).objectStore(store).getAll()))
      base.close()
    }
    return JSON.stringify(
      [found, { ...localStorage }, { ...sessionStorage }].filter((part) => part !== undefined),
      asText,
    )
  })
const notesOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ text: string }>(
      `SELECT body ->> 'text' AS text FROM run_event WHERE visit_id = $1 AND body ->> 'type' = 'note'`,
      [visitId],
    )
    return rows.map(({ text }) => text)
  })

const countOf = (visitId: string) =>
  withDatabase(
    async (db) => (await db.query('SELECT FROM run_event WHERE visit_id = $1', [visitId])).rowCount,
  )

/** A visit that runs, the server away, and a note that only this tablet has. */
async function noteWithoutServer(page: Page): Promise<{ visitId: string; name: string }> {
  const address = await onItsDay(page, { protocol: 'clarifying' })
  const visitId = address.split('/').at(-1)!
  await open(page, address)
  const name = await page.getByRole('heading', { level: 1 }).innerText()
  await stage(page, 'Fit')
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page.getByText('The tray, in order of use')).toBeVisible()
  await stage(page, 'Perform')
  await page.getByRole('button', { name: 'Start the visit' }).click()
  await expect.poll(() => countOf(visitId)).toBe(1)
  await page.route('**/api/visits/*/events', (route) => route.fulfill({ status: 503, body: '{}' }))
  await page.route('**/api/outbox/sealed', (route) => route.fulfill({ status: 503, body: '{}' }))
  await page.getByRole('button', { name: 'More …' }).click()
  await page.getByRole('textbox', { name: 'Note' }).fill('The left cheek is a little warm')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText(/1 kept on this tablet/)).toBeVisible()
  return { visitId, name }
}

test('what a tablet keeps is sealed; signed out, it delivers what it can no longer read', async ({
  page,
}) => {
  const { visitId, name } = await noteWithoutServer(page)
  const held = await lyingHere(page)
  for (const word of [name, 'left cheek', 'clarifying', 'findings'])
    expect(held).not.toContain(word)
  expect(held).toContain('{"key":false}')

  // It can be read here after a reload, as long as somebody is signed in.
  await page.reload()
  await expect(page.getByText(/1 kept on this tablet/)).toBeVisible()
  await page.goto('/')
  await page.getByRole('navigation', { name: 'Places' }).getByRole('button').last().click()
  await page.getByRole('menuitem', { name: 'Sign out', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible()
  const left = await lyingHere(page)
  expect(left).not.toContain('"sealed":{')
  expect(left).not.toContain('{"key":false}')
  expect(left).toContain('"letter":{')
  expect(await notesOf(visitId)).toEqual([])

  // The server is back: the letter goes, with nobody signed in.
  await page.unrouteAll()
  await pass(page, 1.2)
  await expect.poll(() => notesOf(visitId)).toEqual(['The left cheek is a little warm'])
  await expect.poll(() => lyingHere(page)).not.toContain('"letter":{')
  expect(await primary(page).count()).toBe(0)
})

test('after a day what was held is gone, and what was not sent is delivered all the same', async ({
  page,
}) => {
  const { visitId } = await noteWithoutServer(page)
  await page.clock.fastForward('25:00:00')
  await page.goto('/rules')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect.poll(() => lyingHere(page)).toContain('"letter":{')
  expect(await lyingHere(page)).not.toContain('"event":{')
  await page.unrouteAll()
  await pass(page, 1.2)
  await expect.poll(() => notesOf(visitId)).toEqual(['The left cheek is a little warm'])
})
