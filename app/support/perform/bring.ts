import { call, mayRetry, refusalOf, type Refusal, type Reply } from '~/support/api'
import { keptEvents, markSent, setAside } from './run-db'
import { nextPart, refusedOf } from './sending'

interface Brought {
  /** The whole log, as the server has it now. */
  readonly reply?: Reply<'/api/visits/:id/events', 'post'>
  readonly refusal?: Refusal
  /** What of it this role may not say. */
  readonly hold: readonly string[]
  /** More may go at once: it was taken, or what hindered it is out of the way. */
  readonly mayGoOn: boolean
}

/** Brings one part of what was said in a visit and the server does not have. What it will never take is set aside. `held`: what this role may not say. */
export async function bringPart(
  visitId: string,
  held: ReadonlySet<string>,
  clockMs: number,
): Promise<Brought> {
  const { part, behind } = nextPart(await keptEvents(visitId), held)
  for (const event of behind) await setAside(visitId, event)
  try {
    const reply = await call('/api/visits/:id/events', {
      method: 'post',
      params: { id: visitId },
      body: { events: part, clockMs },
    })
    await markSent(visitId, reply.events)
    return { reply, hold: [], mayGoOn: part.length > 0 }
  } catch (error) {
    const refusal = refusalOf(error)
    const { hold, aside } = refusedOf(part, refusal)
    for (const event of aside) await setAside(visitId, event)
    return { refusal, hold: hold.map(({ id }) => id), mayGoOn: hold.length + aside.length > 0 }
  }
}

/** Brings everything that was said in a visit, before it is signed; false where the server could not answer. */
export async function bringAll(visitId: string): Promise<boolean> {
  const held = new Set<string>()
  for (;;) {
    const waits = (await keptEvents(visitId)).some(
      ({ sent, event }) => sent === 0 && !held.has(event.id),
    )
    if (!waits) return true
    const { refusal, hold, mayGoOn } = await bringPart(visitId, held, Date.now())
    for (const id of hold) held.add(id)
    if (refusal && mayRetry(refusal.status)) return false
    if (!mayGoOn) return true
  }
}
