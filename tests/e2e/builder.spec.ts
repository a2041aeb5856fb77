import { expect, test, type Locator, type Page } from '@playwright/test'
import { book, OWNER, signedIn, withDatabase } from '../api/http'
import { choose, enterStudio, freshVisit, noFaults } from './steps'

const search = (page: Page) => page.getByRole('combobox', { name: 'Add a step' })
const ladder = (page: Page) => page.getByRole('listbox', { name: 'Rungs of the ladder' })
const rungs = (page: Page) => ladder(page).getByRole('option')
const total = (page: Page) => page.getByTestId('total')
const wrongs = (page: Page) => page.getByRole('button', { name: /wrong order/ })
const detail = (page: Page, name: string) =>
  page.getByRole('complementary', { name: 'Details' }).getByRole('button', { name, exact: true })

/** Tab until this is focused: no mouse, and nothing that a person without one could not do. */
async function tabTo(page: Page, target: Locator) {
  for (let presses = 0; presses < 120; presses++) {
    if (await target.evaluate((element) => element === document.activeElement)) return
    await page.keyboard.press('Tab')
  }
  throw new Error('Tab never came to it.')
}
async function add(page: Page, typed: string, title: string) {
  await page.keyboard.type(typed)
  await expect(
    page.getByRole('listbox').getByRole('option').filter({ hasText: title }).first(),
  ).toBeVisible()
  const lit = page.locator('[id^="headlessui-combobox-option-"][data-headlessui-state*="active"]')
  for (let presses = 0; presses < 9; presses++) {
    // The list follows the letters, and the light the arrows, in the next frame.
    await page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
    )
    if ((await lit.innerText()).startsWith(title)) break
    await page.keyboard.press('ArrowDown')
  }
  await page.keyboard.press('Enter')
  await expect(ladder(page).getByRole('option', { name: title }).first()).toBeVisible()
}
/** To the rung with this name, by the arrow keys. */
async function goTo(page: Page, title: string) {
  await page.keyboard.press('Home')
  for (let presses = 0; presses < 60; presses++) {
    const active = await ladder(page).getAttribute('aria-activedescendant')
    if ((await page.locator(`#${active}`).innerText()).includes(title)) return
    await page.keyboard.press('ArrowDown')
  }
  throw new Error(`No rung is called ${title}.`)
}
async function openCard(page: Page, id: string) {
  if (page.url() === 'about:blank') await enterStudio(page)
  await page.goto(`/protocols/${id}`)
  await expect(total(page)).not.toHaveText('–')
}
/** A copy of a card, so that no test changes what another reads. */
async function copyOf(page: Page, id: string, name: string) {
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ id: string }>('POST', '/api/protocols', {
    from: 'protocol',
    id,
    name,
  })
  await openCard(page, body.id)
  return body.id
}

const SIXTEEN = [
  ['ey', 'Eye and lip make-up off'],
  ['fi', 'First cleanse'],
  ['se', 'Second cleanse'],
  ['to', 'Tone'],
  ['lo', 'Look under the lamp'],
  ['en', 'Enzyme'],
  ['hy', 'Hydrating concentrate'],
  ['ex', 'Extraction'],
  ['hi', 'High frequency'],
  ['ma', 'Massage'],
  ['cr', 'Cream or clay mask'],
  ['se', 'Serum'],
  ['eye c', 'Eye care'],
  ['mo', 'Moisturiser'],
  ['su', 'Sun filter'],
  ['cl', 'Close'],
] as const

test('sixteen steps from nothing by keyboard alone: two hung, three orders broken and mended, published, fitted to 60 and 45', async ({
  page,
}) => {
  test.setTimeout(240_000)
  await enterStudio(page)
  await page.goto('/protocols')
  await tabTo(page, page.getByRole('button', { name: 'New protocol' }))
  await page.keyboard.press('Enter')
  await page.keyboard.type('Keyboard facial')
  await page.keyboard.press('Enter')
  await expect(page.getByText('An empty ladder.')).toBeVisible()
  await expect(search(page)).toBeFocused()
  for (const [typed, title] of SIXTEEN) await add(page, typed, title)
  await expect(rungs(page)).toHaveCount(16)

  // Two enhancements hang under the mask: the visit is no longer by them than the mask may stretch.
  await page.keyboard.press('Escape')
  await expect(ladder(page)).toBeFocused()
  await goTo(page, 'Cream or clay mask')
  const before = Number((await total(page).innerText()).replace('½', '.5'))
  await page.keyboard.press('a')
  await add(page, 'sc', 'Scalp massage')
  await add(page, 'lip', 'Lip enhancement')
  await expect(rungs(page)).toHaveCount(18)
  await expect(ladder(page).getByText('hangs nowhere')).toHaveCount(0)
  await expect
    .poll(async () => Number((await total(page).innerText()).replace('½', '.5')) - before)
    .toBeLessThan(8)
  await expect(wrongs(page)).toHaveCount(0)

  // Three orders that are wrong: no sun filter, an acid on damp skin, steam in an acid visit.
  await page.keyboard.press('Escape')
  await goTo(page, 'Sun filter')
  await page.keyboard.press('Delete')
  await expect(page.getByRole('button', { name: 'One wrong order: mend' })).toBeVisible()
  await goTo(page, 'Second cleanse')
  await page.keyboard.press('a')
  await add(page, 'acid, r', 'Acid, rinsed off')
  await expect(page.getByRole('button', { name: '2 wrong orders: mend' })).toBeVisible()
  await add(page, 'st', 'Steam')
  await expect(page.getByRole('button', { name: '3 wrong orders: mend' })).toBeVisible()
  await page.keyboard.press('Escape')
  for (const left of ['2 wrong orders', 'One wrong order']) {
    await page.keyboard.press('m')
    await expect(wrongs(page)).toContainText(left)
  }
  await page.keyboard.press('m')
  await expect(wrongs(page)).toHaveCount(0)
  await expect(ladder(page).getByRole('option', { name: 'Steam' })).toHaveCount(0)
  await expect(ladder(page).getByRole('option', { name: 'Blot dry' })).toBeVisible()

  await page.keyboard.press('Control+s')
  await page.keyboard.type('First card')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Version 1 is published.')).toBeVisible()
  const protocolId = page.url().split('/').at(-1)!

  await page.goto(`${await freshVisit({ protocol: protocolId })}/fit`)
  await page.getByRole('button', { name: /^Time/ }).focus()
  await page.keyboard.press('Enter')
  const slider = page.getByRole('slider', { name: 'Slot in minutes' })
  await tabTo(page, slider)
  for (const minutes of [60, 45]) {
    while (Number(await slider.inputValue()) > minutes) await page.keyboard.press('ArrowLeft')
    await expect(page.getByText(`of a ${minutes}-minute slot`)).toBeVisible()
    await expect(page.getByText(/Keeps \d+ % of what the client wants/)).toBeVisible()
    await expect(page.getByText(/over the \d+-minute slot/)).toHaveCount(0)
  }
  await expect(page.getByText('Booked are 90 min.')).toBeVisible()
})

test('several rungs are picked, moved, copied and taken out together; undo brings each back', async ({
  page,
}) => {
  await copyOf(page, 'quiet-window', 'For moving')
  const order = async () => (await rungs(page).allInnerTexts()).map((text) => text.split('\n')[0]!)
  const start = await order()
  await ladder(page).focus()
  await page.keyboard.press('Home')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(ladder(page).locator('[aria-selected=true]')).toHaveCount(2)
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(order).toEqual([start[2], start[0], start[1], ...start.slice(3)])
  await page.keyboard.press('c')
  await expect(rungs(page)).toHaveCount(start.length + 2)
  await page.keyboard.press('Delete')
  await expect(rungs(page)).toHaveCount(start.length)
  for (let times = 0; times < 3; times++) await page.keyboard.press('Control+z')
  await expect.poll(order).toEqual(start)
  await page.keyboard.press('Control+y')
  await expect.poll(async () => (await order())[0]).toBe(start[2])
})

test('a rung is dragged by its grip; minutes typed in the panel change the ladder; the draft outlives a reload and a lost network', async ({
  page,
}) => {
  await copyOf(page, 'quiet-window', 'For dragging')
  const first = await rungs(page).nth(0).innerText()
  const grip = (await rungs(page).nth(0).locator('.grip').boundingBox())!
  const target = (await rungs(page).nth(2).boundingBox())!
  await page.mouse.move(grip.x + 12, grip.y + 18)
  await page.mouse.down()
  await page.mouse.move(grip.x + 14, grip.y + 40, { steps: 5 })
  await page.mouse.move(target.x + 60, target.y + 34, { steps: 12 })
  await page.mouse.up()
  await expect.poll(() => rungs(page).nth(2).innerText()).toBe(first)
  await expect(page.getByText('Draft saved')).toBeVisible()

  await page.route('**/draft', (route) => route.abort())
  await page.locator('#rung-algae').click()
  const before = Number((await total(page).innerText()).replace('½', '.5'))
  await page
    .getByLabel('Two-part algae, eyes and face joined, processing, usual minutes')
    .fill('20')
  await page.keyboard.press('Tab')
  await expect
    .poll(async () => Number((await total(page).innerText()).replace('½', '.5')))
    .toBeGreaterThan(before + 3)
  await expect(page.getByText('Draft kept on this tablet')).toBeVisible()
  await page.reload()
  await page.locator('#rung-algae').click()
  await expect(
    page.getByLabel('Two-part algae, eyes and face joined, processing, usual minutes'),
  ).toHaveValue('20')
  await expect.poll(() => rungs(page).nth(2).innerText()).toBe(first)
})

test('a rung is dragged by a finger, with what is picked beside it', async ({ browser }) => {
  const context = await browser.newContext({
    hasTouch: true,
    viewport: { width: 1280, height: 800 },
  })
  const page = await context.newPage()
  await copyOf(page, 'quiet-window', 'For a finger')
  const start = (await rungs(page).allInnerTexts()).map((text) => text.split('\n')[0]!)
  await rungs(page).nth(0).tap()
  await rungs(page)
    .nth(1)
    .click({ modifiers: ['ControlOrMeta'] })
  await expect(ladder(page).locator('[aria-selected=true]')).toHaveCount(2)
  const grip = (await rungs(page).nth(0).locator('.grip').boundingBox())!
  const finger = await context.newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', y: number) =>
    finger.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: grip.x + 12, y }],
    })
  await touch('touchStart', grip.y + 18)
  for (let moved = 10; moved <= 170; moved += 8) await touch('touchMove', grip.y + 18 + moved)
  await touch('touchEnd', 0)
  await expect
    .poll(async () =>
      (await rungs(page).allInnerTexts()).map((text) => text.split('\n')[0]!).slice(0, 5),
    )
    .toEqual([start[2], start[3], start[4], start[0], start[1]])
  await context.close()
})

test('methods rewrite the ladder and say why; one that would break it is refused', async ({
  page,
}) => {
  await copyOf(page, 'brightening', 'For methods')
  await detail(page, 'Methods').click()
  await choose(page, 'Massage', 'none')
  await expect(page.getByText('Out: Massage, 3 movements.')).toBeVisible()
  await expect(ladder(page).getByRole('option', { name: 'Massage, 3 movements' })).toHaveCount(0)
  await choose(page, 'Tone', 'after every removal (usual)')
  await expect
    .poll(() => ladder(page).getByRole('option', { name: 'Tone' }).count())
    .toBeGreaterThan(2)
  await copyOf(page, 'course-needling', 'Needling, for methods')
  await detail(page, 'Methods').click()
  await choose(page, 'Mist', 'before serum (usual)')
  await expect(page.getByText(/Not on this ladder:.*open skin/)).toBeVisible()
})

test('movements: their lines on the map, their sum as the minutes', async ({ page }) => {
  await copyOf(page, 'hydrating', 'For strokes')
  await page.locator('#rung-massage').click()
  await expect(
    page.getByRole('img', { name: /Lines of the movements, front: .*2 chin to earlobe/ }),
  ).toBeVisible()
  await page.getByLabel('Repetitions of movement 2').fill('40')
  await page.keyboard.press('Tab')
  await expect(page.getByText('160 s').or(page.getByText('2 min 40 s'))).toBeVisible()
  await expect(page.getByLabel('Flowing massage, on, usual minutes')).toHaveValue('7.9')
  await choose(page, 'Add a movement', 'nape, upward')
  await expect(page.getByText('Not on this map: nape, upward')).toBeVisible()
})

test('two versions side by side; a second tablet that published meanwhile is told', async ({
  page,
}) => {
  const id = await copyOf(page, 'undertow', 'For comparing')
  const publish = async (note: string) => {
    await page.getByRole('button', { name: /^Publish version/ }).click()
    await page.getByLabel('What changed').fill(note)
    await page.getByRole('button', { name: 'Publish', exact: true }).click()
  }
  await publish('As copied')
  await expect(page.getByText('Version 1 is published.')).toBeVisible()
  await page.locator('#rung-gel').click()
  await detail(page, 'Take out').click()
  await page.locator('#rung-serum').click()
  await detail(page, 'Down').click()
  await detail(page, 'Compare').click()
  const dialog = page.getByRole('dialog', { name: 'Two versions, rung by rung' })
  await expect(dialog.getByText('2 of')).toBeVisible()
  await expect(dialog.getByRole('row', { name: /Soothing gel/ })).toContainText('taken out')
  await expect(dialog.getByRole('row', { name: /Serum/ })).toContainText('moved')
  await page.keyboard.press('Escape')
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ version: { steps: object[] } }>('GET', `/api/protocols/${id}`)
  expect(
    (
      await owner.ask('POST', `/api/protocols/${id}/versions`, {
        basedOn: 1,
        note: 'Elsewhere',
        steps: body.version.steps,
      })
    ).status,
  ).toBe(201)
  await publish('Mine')
  await expect(page.getByRole('alert').first()).toContainText('Version 2 was published meanwhile')
  await expect(ladder(page).getByRole('option', { name: 'Soothing gel' })).toHaveCount(0)
})

test('the library: found by what it does, copied, put away and back, taken out as a file and in again', async ({
  page,
}) => {
  await enterStudio(page)
  await page.goto('/protocols')
  const list = page.getByRole('list', { name: 'Library' })
  await choose(page, 'Device', 'Radio Frequency Wand')
  await expect(list.getByRole('listitem')).toHaveCount(1)
  await expect(list).toContainText('Seven Tides device facial')
  await choose(page, 'At most', '60 min')
  await expect(list).toContainText('No protocol answers all of this')
  await page.getByRole('button', { name: 'Clear' }).click()
  await page.getByLabel('Find').fill('grain')
  await page.getByRole('button', { name: 'More of Along the Grain' }).click()
  await page.getByRole('menuitem', { name: 'Copy' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Along the Grain, autumn')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(rungs(page)).toHaveCount(14)
  await page.goto('/protocols')
  await page.getByLabel('Find').fill('autumn')
  await page.getByRole('button', { name: 'More of Along the Grain, autumn' }).click()
  await page.getByRole('menuitem', { name: 'Put away' }).click()
  await expect(page.getByText('Along the Grain, autumn is put away')).toBeVisible()
  await expect(list).toContainText('No protocol answers')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list.getByText('Along the Grain, autumn')).toBeVisible()

  await page.getByLabel('Find').fill('Undertow enzyme')
  await page.getByRole('button', { name: 'More of Undertow enzyme visit' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Take the file' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('undertow-v1.protocol.json')
  const file = JSON.parse(
    await (await import('node:fs/promises')).readFile((await download.path())!, 'utf8'),
  ) as { protocol: { name: string; steps: { title: string; product?: { productId: string } }[] } }
  const takeIn = (value: unknown, name = 'card.json') =>
    page.locator('input[type=file]').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(typeof value === 'string' ? value : JSON.stringify(value)),
    })
  await takeIn('{"format": ')
  await expect(page.getByRole('alert')).toContainText('card.json is not JSON')
  await takeIn({
    ...file,
    protocol: { ...file.protocol, steps: [{ ...file.protocol.steps[0], zones: [] }] },
  })
  await expect(page.getByRole('alert')).toContainText('$.protocol.steps[0].zones')
  await takeIn({
    ...file,
    protocol: {
      ...file.protocol,
      name: 'From elsewhere',
      steps: file.protocol.steps.map((step, at) =>
        at === 0 ? { ...step, product: { productId: 'river-mud', useId: 'mud' } } : step,
      ),
    },
  })
  await expect(page.getByRole('status').first()).toContainText('Not on your shelf: river-mud')
  await takeIn({ ...file, protocol: { ...file.protocol, name: 'From next door' } })
  await expect(page).toHaveURL(/protocols\/[0-9a-f-]{36}/)
  await expect(rungs(page)).toHaveCount(file.protocol.steps.length)
})

test('what is put away cannot be booked; what is not published is not offered', async ({
  page,
}) => {
  const id = await copyOf(page, 'undertow', 'Not yet published')
  const owner = await signedIn(OWNER)
  const { body } = await owner.ask<{ choices: { protocols: { id: string }[] } }>('GET', '/api/day')
  expect(body.choices.protocols.map((one) => one.id)).not.toContain(id)
  const { body: card } = await owner.ask<{ draft: { steps: object[] } }>(
    'GET',
    `/api/protocols/${id}`,
  )
  await owner.ask('POST', `/api/protocols/${id}/versions`, {
    basedOn: 0,
    note: 'First',
    steps: card.draft.steps,
  })
  await owner.ask('PUT', `/api/protocols/${id}/archived`, { archived: true })
  await expect(book(owner, 'Wren Castellane', id)).rejects.toThrow()
  await withDatabase(async (db) =>
    expect(
      (await db.query('SELECT 1 FROM visit WHERE protocol_version_id = $1', [`${id}-v1`])).rowCount,
    ).toBe(0),
  )
})

test('fitted to less time: what goes is said, can be told to stay, and the plan that is kept is the one that was shown', async ({
  page,
}) => {
  const errors: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text())
  })
  await enterStudio(page)
  await page.goto(`${await freshVisit({ protocol: 'brightening' })}/fit`)
  await page.getByRole('button', { name: /^Time/ }).click()
  const slider = page.getByRole('slider', { name: 'Slot in minutes' })
  await slider.fill('45')
  await expect(page.getByText('of a 45-minute slot')).toBeVisible()
  await expect(page.getByText('Looking …')).toHaveCount(0, { timeout: 60_000 })
  await expect(page.locator('.apexcharts-series path').first()).toBeVisible()
  await page.getByText('As a table').click()
  await expect(page.getByRole('row', { name: /^45 min/ })).toContainText('%')
  await page.getByRole('button', { name: /changes$/ }).click()
  const gone = page.getByRole('listitem').filter({ hasText: 'left out for time' }).first()
  const title = (await gone.locator('p').first().innerText()).replace(' left out for time', '')
  await gone.getByRole('button', { name: 'Must stay' }).click()
  await expect(page.getByText(`${title} left out for time`)).toHaveCount(0)
  await page.reload()
  await expect(page.getByText('of a 45-minute slot')).toBeVisible()
  await expect(page.getByText(`${title} left out for time`)).toHaveCount(0)
  const shown = await page.locator('span.display').first().innerText()
  await page.getByRole('button', { name: 'Prepare the tray' }).click()
  await expect(page).toHaveURL(/prepare/)
  await page.goBack()
  await expect(page.locator('span.display').first()).toHaveText(shown)
  expect(errors.filter((text) => text.includes('Content Security Policy'))).toEqual([])
})

test('no fault that axe knows: library, builder, methods, compare, time; in both lights', async ({
  page,
}) => {
  test.setTimeout(180_000)
  await enterStudio(page)
  const visit = await freshVisit({ protocol: 'brightening' })
  for (const light of ['day', 'room']) {
    await page.goto('/protocols')
    await expect(
      page.getByRole('list', { name: 'Library' }).getByRole('listitem').first(),
    ).toBeVisible()
    await noFaults(page, `library, ${light}`)
    await openCard(page, 'two-currents')
    await page.locator('#rung-galvanic').click()
    await noFaults(page, `builder, ${light}`)
    await detail(page, 'Methods').click()
    await noFaults(page, `methods, ${light}`)
    await detail(page, 'Compare').click()
    await expect(page.getByRole('dialog').getByRole('row').nth(2)).toBeVisible()
    await noFaults(page, `compare, ${light}`)
    await page.goto(`${visit}/fit`)
    await page.getByRole('button', { name: /^Time/ }).click()
    await expect(page.locator('.apexcharts-series path').first()).toBeVisible({ timeout: 60_000 })
    await noFaults(page, `time, ${light}`)
    if (light === 'day') await page.getByRole('button', { name: 'Change to Room light' }).click()
  }
})
