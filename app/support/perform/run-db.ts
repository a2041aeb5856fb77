import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { z } from 'zod'
import type { CompileInput } from '#core/adapt'
import { FittedPlan } from '#core/adapt/model'
import { Client } from '#core/client/model'
import { PastVisit } from '#core/climb/model'
import { RunEvent } from '#core/perform/model'
import { ProtocolVersion } from '#core/protocol/model'
import { Reading } from '#core/skin/model'
import type { VisitHead } from '~/stores/visit'
import type { Letter } from '#core/formats/model'
import { sealed, unsealed, type Sealed } from '~/support/held'
import { letterOf } from '~/support/letters'

/** What a plan is made from holds more; these are the parts without which it cannot be made again. */
const Input = z.looseObject({
  protocol: ProtocolVersion,
  client: Client,
  reading: Reading,
  history: z.array(PastVisit),
  slotMinutes: z.number(),
  date: z.string(),
  daytime: z.boolean(),
})
const Head = z.looseObject({
  id: z.string(),
  clientId: z.string(),
  client: z.string(),
  startsAt: z.string(),
  timeZone: z.string(),
})
/** What Perform needs of a visit when there is no network. */
const KeptRun = z.object({
  visitId: z.string(),
  head: z.custom<VisitHead>((value) => Head.safeParse(value).success),
  planId: z.string(),
  plan: FittedPlan,
  input: z.custom<CompileInput>((value) => Input.safeParse(value).success),
  lastReading: z.object({ on: z.string(), body: Reading }).nullable(),
  next: z.object({ startsAt: z.string() }).nullable(),
  /** Visits that take turns with this one; what an earlier version kept knew of none. */
  beside: z
    .array(
      z.object({ id: z.string(), room: z.string(), startsAt: z.string(), isFitted: z.boolean() }),
    )
    .default([]),
  emergency: z.object({ number: z.string(), address: z.string() }),
})
export type KeptRun = z.infer<typeof KeptRun>
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
  runs: { key: string; value: { visitId: string; sealed: Sealed } }
  events: { key: string; value: KeptEvent; indexes: { visitId: string } }
}

let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-run', 3, {
    upgrade(base, from) {
      // What a run keeps has grown: runs are fetched anew, events stay.
      if (from > 0) base.deleteObjectStore('runs')
      base.createObjectStore('runs', { keyPath: 'visitId' })
      if (from === 0)
        base.createObjectStore('events', { keyPath: 'id' }).createIndex('visitId', 'visitId')
    },
  }))

export async function keepRun(run: KeptRun) {
  const seal = await sealed(run)
  if (seal) await (await db()).put('runs', { visitId: run.visitId, sealed: seal })
}
/** The run as it was kept here; undefined when none was, or none that this version can read: the server is asked then. */
export const keptRun = async (visitId: string) =>
  KeptRun.safeParse(await unsealed((await (await db()).get('runs', visitId))?.sealed)).data

/** An event as it lies here: for this tablet as long as it may, for the server until it has it. */
async function asKept(visitId: string, event: RunEvent, sent: Sent): Promise<KeptEvent> {
  const body = { events: [event] }
  const to = { method: 'POST', path: `/api/visits/${visitId}/events`, body } as const
  const [seal, letter] = await Promise.all([
    sealed(event),
    sent === 1 ? undefined : letterOf(event.id, to),
  ])
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
      const { data: event } = RunEvent.safeParse(old ?? (await unsealed(seal)))
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

/** Lays an event aside that the server will never take. It stays here. */
export const setAside = (visitId: string, event: RunEvent) => keepEvent(visitId, event, 2)

/**
 * Forgets what this tablet could read: runs, and events that the server has. Of what it does not have the sealed letter stays until it does; one
 * that has none yet gets it now, while it can still be read, and stays as it is where even that cannot be: nothing is lost.
 */
export async function forgetRuns() {
  const base = await db()
  await base.clear('runs')
  for (const kept of await base.getAll('events')) {
    const { id, visitId, sent } = kept
    const letter = kept.letter ?? (await letterNow(kept))
    if (sent === 1) await base.delete('events', id)
    else if (letter) await base.put('events', { id, visitId, sent, letter })
  }
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
