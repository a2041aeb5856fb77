import type { Page } from '@playwright/test'
import { expect, test } from '@playwright/test'
import { OWNER, signedIn } from '../api/http'
import { choose, enterStudio, freshVisit } from './steps'
import {
  search,
  ladder,
  rungs,
  total,
  wrongs,
  detail,
  tabTo,
  add,
  goTo,
  copyOf,
} from './builder-steps'

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
  ['su', 'Sun protection'],
  ['cl', 'Close'],
] as const

async function hangTwoUnderTheMask(page: Page) {
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
}

async function breakAndMendThreeOrders(page: Page) {
  // Three orders that are wrong: no sun protection, an acid on damp skin, steam in an acid visit.
  await page.keyboard.press('Escape')
  await goTo(page, 'Sun protection')
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
}

/** Publishes the card by its keys; gives its id. */
async function publishFirst(page: Page): Promise<string> {
  await page.keyboard.press('Control+s')
  await page.keyboard.type('First card')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Version 1 is published.')).toBeVisible()
  return page.url().split('/').at(-1)!
}

async function fitToSixtyAndFortyFive(page: Page, protocolId: string) {
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
}

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

  await hangTwoUnderTheMask(page)
  await breakAndMendThreeOrders(page)
  await fitToSixtyAndFortyFive(page, await publishFirst(page))
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
