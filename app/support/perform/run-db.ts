import { dequal } from 'dequal'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { CompileInput, FittedPlan } from '#core/adapt'
import type { FeltThen } from '#core/perform'
import { RunEvent } from '#core/perform/model'
import type { VisitData, VisitHead } from '~/stores/visit-data'
import type { Letter } from '#core/formats/model'
import { sealed, unsealed, type Sealed } from '~/support/held'
import { letterOf } from '~/support/letters'

/** What Perform needs of a visit. */
export interface KeptRun {
  readonly visitId: string
  readonly head: VisitHead
  readonly planId: string
  readonly plan: FittedPlan
  /** What does not hold of a plan that a tablet fitted. */
  readonly faults: readonly string[]
  readonly input: CompileInput
  readonly lastReading: VisitData['lastReading']
  /** What was felt at the visit before, and on which day that was. */
  readonly lastFelt: readonly (FeltThen & { readonly on: string })[]
  readonly next: VisitData['following']
  /** Visits that take turns with this one. */
  readonly beside: VisitData['beside']
  readonly emergency: { readonly number: string; readonly address: string }
}
/** 0 waits, 1 is on the server, 2 was refused there and is set aside: kept, shown, and not sent again. */
type Sent = 0 | 1 | 2
interface KeptEvent {
  id: string
  visitId: string
  sent: Sent
  /** Readable as long as the tablet holds its key. */
  sealed?: Sealed
  /** Until the server has it: what only the server can read. */
  letter?: Letter
  /** As an earlier version kept it; sealed when it is read. */
  event?: RunEvent
}
interface Tables extends DBSchema {
  events: { key: string; value: KeptEvent; indexes: { visitId: string } }
}

let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-run', 4, {
    upgrade(base, from) {
      // What a run is made from is laid by with its visit; events stay.
      if (from > 0) (base as unknown as IDBPDatabase).deleteObjectStore('runs')
      else base.createObjectStore('events', { keyPath: 'id' }).createIndex('visitId', 'visitId')
    },
  }))

/** What was said or read here, by the seal it lies under: it is opened once, and stays one and the same as long as nothing in it changes. */
const inMind = new Map<string, { readonly seal: string; readonly event: RunEvent }>()
const sealId = ({ iv }: Sealed): string => iv.join(' ')
function remember(event: RunEvent, seal: Sealed): RunEvent {
  const known = inMind.get(event.id)?.event
  const same = known && dequal(known, event) ? known : event
  inMind.set(event.id, { seal: sealId(seal), event: same })
  return same
}
async function readOnce(id: string, seal: Sealed | undefined): Promise<RunEvent | undefined> {
  const known = inMind.get(id)
  if (seal && known?.seal === sealId(seal)) return known.event
  const { data: event } = RunEvent.safeParse(await unsealed(seal))
  return event && seal ? remember(event, seal) : undefined
}

/** An event as it lies here: for this tablet as long as it may, for the server until it has it. */
async function asKept(visitId: string, event: RunEvent, sent: Sent): Promise<KeptEvent> {
  const body = { events: [event] }
  const to = { method: 'POST', path: `/api/visits/${visitId}/events`, body } as const
  const [seal, letter] = await Promise.all([
    sealed(event),
    sent === 1 ? undefined : letterOf(event.id, to),
  ])
  if (seal) remember(event, seal)
  return {
    ...{ id: event.id, visitId, sent },
    ...(seal ? { sealed: seal } : {}),
    ...(letter ? { letter } : {}),
  }
}

/** Writes an event before anything else happens with it. */
export const keepEvent = async (visitId: string, event: RunEvent, sent: Sent = 0) => {
  const kept = await asKept(visitId, event, sent)
  await (await db()).put('events', kept)
}
/** The events of a visit that were kept here and can be read, in the order they were said. One that cannot stays where it is, and is not played. */
export async function keptEvents(visitId: string) {
  const all = await (await db()).getAllFromIndex('events', 'visitId', visitId)
  const read = await Promise.all(
    all.map(async ({ id, sent, sealed: seal, event: old }) => {
      if (old) await keepEvent(visitId, old, sent)
      const event = old ? RunEvent.safeParse(old).data : await readOnce(id, seal)
      return event ? [{ id, sent, event }] : []
    }),
  )
  return read.flat().sort((a, b) => a.event.wallMs - b.event.wallMs || a.event.seq - b.event.seq)
}
/** What the server has is kept as the server has it. */
export async function markSent(visitId: string, events: readonly RunEvent[]) {
  const base = await db()
  const known = await base.getAllFromIndex('events', 'visitId', visitId)
  const there = new Set(known.filter(({ sent }) => sent === 1).map(({ id }) => id))
  const fresh = events.filter(({ id }) => !there.has(id))
  const kept = await Promise.all(fresh.map((event) => asKept(visitId, event, 1)))
  const transaction = base.transaction('events', 'readwrite')
  await Promise.all(kept.map((one) => transaction.store.put(one)))
  await transaction.done
}

/** What the server had when the visit was laid by here, of other tablets too; of what lies here already nothing changes. */
export async function keepUnknown(visitId: string, events: readonly RunEvent[]) {
  const here = new Set(await (await db()).getAllKeysFromIndex('events', 'visitId', visitId))
  await markSent(
    visitId,
    events.filter(({ id }) => !here.has(id)),
  )
}

/** Lays an event aside that the server will never take. It stays here. */
export const setAside = (visitId: string, event: RunEvent) => keepEvent(visitId, event, 2)

/**
 * Forgets what this tablet could read: events that the server has. Of what it does not have the sealed letter stays until it does; one
 * that has none yet gets it now, while it can still be read, and stays as it is where even that cannot be: nothing is lost.
 */
export async function forgetRuns() {
  const base = await db()
  for (const kept of await base.getAll('events')) {
    const { id, visitId, sent } = kept
    const letter = kept.letter ?? (await letterNow(kept))
    if (sent === 1) await base.delete('events', id)
    else if (letter) await base.put('events', { id, visitId, sent, letter })
  }
  inMind.clear()
}

async function letterNow({ visitId, sent, sealed: seal, event: old }: KeptEvent) {
  const { data: event } = RunEvent.safeParse(old ?? (await unsealed(seal)))
  return event && sent !== 1 ? (await asKept(visitId, event, sent)).letter : undefined
}

/** Letters that nobody here can read any more. */
export const orphanedEvents = async (): Promise<Letter[]> =>
  (await (await db()).getAll('events')).flatMap(({ letter, sealed: seal, event }) =>
    letter && !seal && !event ? [letter] : [],
  )
export async function dropEvents(ids: ReadonlySet<string>) {
  const base = await db()
  await Promise.all([...ids].map((id) => base.delete('events', id)))
}
