import { forgetKey } from './held'
import { deliver, forgetAddress } from './letters'
import { dropChange, forgetChanges, orphanedChanges } from './outbox-db'
import { dropEvents, forgetRuns, orphanedEvents } from './perform/run-db'
import { refusalOf } from './api'

/** Nothing that this tablet kept can be read here any more; what the server does not have yet stays as sealed letters. */
export async function forgetAll(): Promise<void> {
  await forgetRuns()
  await forgetChanges()
  forgetAddress()
  await forgetKey()
}

const AGAIN_MS = 60_000
let again = 0

/** Brings what only the server can read to the server, whoever is signed in; what it has is gone here. Tried again until nothing is left. */
export async function bringOrphans(): Promise<void> {
  window.clearTimeout(again)
  try {
    // In the order of a visit: what it was made from, what was said in it, the signature.
    const changes = await orphanedChanges()
    await bringChanges(changes.filter(({ isLast }) => !isLast))
    const events = await orphanedEvents()
    if (events.length > 0) await dropEvents(await deliver(events))
    await bringChanges(changes.filter(({ isLast }) => isLast))
  } catch (error) {
    // No network, or a server that is away: later. What it refuses for good stays, and is tried at the next start.
    const { status } = refusalOf(error)
    if (status !== 0 && status < 500) return
    again = window.setTimeout(() => void bringOrphans(), AGAIN_MS)
  }
}

async function bringChanges(changes: Awaited<ReturnType<typeof orphanedChanges>>) {
  if (changes.length === 0) return
  const there = await deliver(changes.map(({ letter }) => letter))
  for (const { seq, letter } of changes) if (there.has(letter.id)) await dropChange(seq)
}
