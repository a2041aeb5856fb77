import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** One change of a record on its way to the server. Sent in the order made; kept until the server has answered. */
export interface Outgoing {
  readonly seq?: number
  /** Whose change it is: nobody else's session may send it. */ readonly accountId: string
  readonly method: 'POST' | 'PUT' | 'DELETE'
  readonly path: string
  readonly body: unknown
}

interface Tables extends DBSchema {
  changes: { key: number; value: Outgoing & { seq: number } }
}
let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-outbox', 1, {
    upgrade(base) {
      base.createObjectStore('changes', { keyPath: 'seq', autoIncrement: true })
    },
  }))

/** Keeps a change; gives its place in the order. */
export const keepChange = async (change: Outgoing): Promise<number> =>
  (await db()).add('changes', change as Outgoing & { seq: number })
/** This person's oldest change that the server has not answered, or undefined. */
export const oldestChange = async (accountId: string) =>
  (await (await db()).getAll('changes')).find((change) => change.accountId === accountId)
export const dropChange = async (seq: number) => {
  await (await db()).delete('changes', seq)
}
export const countChanges = async (accountId: string) =>
  (await (await db()).getAll('changes')).filter((change) => change.accountId === accountId).length
