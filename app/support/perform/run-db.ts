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
  emergency: z.object({ number: z.string(), address: z.string() }),
})
export type KeptRun = z.infer<typeof KeptRun>
interface KeptEvent {
  id: string
  visitId: string
  event: RunEvent
  /** 0 waits, 1 is on the server, 2 was refused there and is set aside: kept, shown, and not sent again. */
  sent: 0 | 1 | 2
}
interface Tables extends DBSchema {
  runs: { key: string; value: KeptRun }
  events: { key: string; value: KeptEvent; indexes: { visitId: string } }
}

let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-run', 2, {
    upgrade(base, from) {
      // What a run keeps has grown: runs are fetched anew, events stay.
      if (from > 0) base.deleteObjectStore('runs')
      base.createObjectStore('runs', { keyPath: 'visitId' })
      if (from === 0)
        base.createObjectStore('events', { keyPath: 'id' }).createIndex('visitId', 'visitId')
    },
  }))

export const keepRun = async (run: KeptRun) => {
  await (await db()).put('runs', run)
}
/** The run as it was kept here; undefined when none was, or none that this version can read: the server is asked then. */
export const keptRun = async (visitId: string) =>
  KeptRun.safeParse(await (await db()).get('runs', visitId)).data

/** Writes an event before anything else happens with it. */
export const keepEvent = async (visitId: string, event: RunEvent, sent: 0 | 1 = 0) => {
  await (await db()).put('events', { id: event.id, visitId, event, sent })
}
/** The events of a visit that were kept here. One that cannot be read stays where it is, and is not played. */
export const keptEvents = async (visitId: string) =>
  (await (await db()).getAllFromIndex('events', 'visitId', visitId)).filter(
    ({ event }) => RunEvent.safeParse(event).success,
  )
export async function markSent(visitId: string, events: readonly RunEvent[]) {
  const transaction = (await db()).transaction('events', 'readwrite')
  await Promise.all(
    events.map((event) => transaction.store.put({ id: event.id, visitId, event, sent: 1 })),
  )
  await transaction.done
}

/** Lays an event aside that the server will never take. It stays here. */
export async function setAside(visitId: string, event: RunEvent) {
  await (await db()).put('events', { id: event.id, visitId, event, sent: 2 })
}

/** Forgets everything that the server has; what it does not have stays until it does. */
export async function wipeSent() {
  const base = await db()
  const all = await base.getAll('events')
  const waiting = new Set(all.filter((kept) => kept.sent !== 1).map((kept) => kept.visitId))
  for (const one of all) if (!waiting.has(one.visitId)) await base.delete('events', one.id)
  for (const id of await base.getAllKeys('runs'))
    if (!waiting.has(id)) await base.delete('runs', id)
}
