import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { CompileInput, FittedPlan } from '#core/adapt'
import type { RunEvent } from '#core/perform'
import type { Reading } from '#core/skin'
import type { VisitHead } from '~/stores/visit'

/** What Perform needs of a visit when there is no network. */
export interface KeptRun {
  visitId: string
  head: VisitHead
  planId: string
  plan: FittedPlan
  input: CompileInput
  lastReading: { on: string; body: Reading } | null
  next: { startsAt: string } | null
  emergency: { number: string; address: string }
}
interface KeptEvent {
  id: string
  visitId: string
  event: RunEvent
  sent: 0 | 1
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
export const keptRun = async (visitId: string) => (await db()).get('runs', visitId)

/** Writes an event before anything else happens with it. */
export const keepEvent = async (visitId: string, event: RunEvent, sent: 0 | 1 = 0) => {
  await (await db()).put('events', { id: event.id, visitId, event, sent })
}
export const keptEvents = async (visitId: string) =>
  (await db()).getAllFromIndex('events', 'visitId', visitId)
export async function markSent(visitId: string, events: readonly RunEvent[]) {
  const transaction = (await db()).transaction('events', 'readwrite')
  await Promise.all(
    events.map((event) => transaction.store.put({ id: event.id, visitId, event, sent: 1 })),
  )
  await transaction.done
}

/** Forgets everything that the server has; what it does not have stays until it does. */
export async function wipeSent() {
  const base = await db()
  const all = await base.getAll('events')
  const waiting = new Set(all.filter((one) => one.sent === 0).map((one) => one.visitId))
  for (const one of all) if (!waiting.has(one.visitId)) await base.delete('events', one.id)
  for (const id of await base.getAllKeys('runs'))
    if (!waiting.has(id)) await base.delete('runs', id)
}
