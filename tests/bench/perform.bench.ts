import { expect, test, type Page } from '@playwright/test'
import { pass, primary, startOf, startTheVisit, open, freshVisit } from '../e2e/steps'
import { readNothing } from '../e2e/performing'

// How soon a tap is seen, and what ninety minutes cost a tablet. Figures with a reference of the same run, no limits: the machine decides.

const at = (times: readonly number[], share: number): string =>
  times[Math.floor(share * (times.length - 1))]!.toFixed(1).padStart(7)
function print(words: string, unsorted: readonly number[]) {
  const times = [...unsorted].sort((a, b) => a - b)
  const spread = `median ${at(times, 0.5)} ms   p95 ${at(times, 0.95)} ms   p99 ${at(times, 0.99)} ms`
  console.log(`${words.padEnd(34)}${spread}   of ${times.length}`)
}

/** Milliseconds from a tap on the big target until the frame that shows what it changed is drawn; with `isTapped` off: until the next frame is. */
const tapped = (page: Page, isTapped: boolean): Promise<number> =>
  page.evaluate(async (taps) => {
    const frame = () => new Promise((done) => requestAnimationFrame(done))
    // A message that is posted in a frame comes when that frame has been drawn.
    const drawn = () =>
      new Promise((done) => {
        const { port1, port2 } = new MessageChannel()
        port1.addEventListener('message', done)
        port1.start()
        port2.postMessage(0)
      })
    const shown = () =>
      ['#primary', 'h1', '[aria-label="At the hands"] p']
        .map((where) => document.querySelector(where)?.textContent)
        .join('|')
    await frame()
    const before = shown()
    const begun = performance.now()
    if (taps) document.querySelector<HTMLElement>('#primary')!.click()
    do await frame()
    while (taps && shown() === before && performance.now() - begun < 2000)
    await drawn()
    return performance.now() - begun
  }, isTapped)

test('a tap until it is seen', async ({ page }) => {
  const taps: number[] = []
  const frames: number[] = []
  for (const protocol of ['hydrating', 'grain', 'signature', 'brightening']) {
    await open(page, await freshVisit({ protocol }))
    await startTheVisit(page)
    for (let more = 0; more < 20; more++) {
      const words = await primary(page).innerText()
      if (words.startsWith('Hold:') || words.startsWith('Finish')) break
      if (words === 'Read the skin') await readNothing(page)
      else {
        taps.push(await tapped(page, true))
        frames.push(await tapped(page, false))
      }
    }
  }
  expect(taps.length).toBeGreaterThan(20)
  print('tap on the big target until paint', taps)
  print('the next frame, beside it', frames)
})

test('ninety minutes', async ({ page }) => {
  await startOf(page, 'signature')
  const cdp = await page.context().newCDPSession(page)
  await cdp.send('HeapProfiler.enable')
  const heapMB = async () => {
    await cdp.send('HeapProfiler.collectGarbage')
    const { usedSize } = (await cdp.send('Runtime.getHeapUsage')) as { usedSize: number }
    return usedSize / 1e6
  }
  for (let minute = 1; minute <= 90; minute++) {
    const words = await primary(page).innerText()
    if (words === 'Read the skin') await readNothing(page)
    else if (/^(?:First touch|Take off|Stays calm)/.test(words)) await primary(page).click()
    // Every tick of the minute, as a tablet has it.
    await page.clock.runFor(60_000)
    if (minute === 10 || minute % 40 === 10) {
      await pass(page, 0.01)
      console.log(`minute ${String(minute).padStart(2)}: ${(await heapMB()).toFixed(1)} MB in use`)
    }
  }
})
