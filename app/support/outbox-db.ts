import { z } from 'zod'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'

/** One change of a record on its way to the server. Sent in the order made; kept until the server has answered. */
const Outgoing = z.object({
  seq: z.number().optional(),
  /** Whose change it is: nobody else's session may send it. */
  accountId: z.string(),
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string().startsWith('/api/'),
  body: z.unknown(),
})
export type Outgoing = Readonly<z.infer<typeof Outgoing>>
const Kept = Outgoing.required({ seq: true })

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
/** This person's changes that the server has not answered, oldest first; what cannot be read is nobody's. */
const changesOf = async (accountId: string) =>
  (await (await db()).getAll('changes')).flatMap((kept) => {
    const { data } = Kept.safeParse(kept)
    return data?.accountId === accountId ? [data] : []
  })
export const oldestChange = async (accountId: string) => (await changesOf(accountId))[0]
export const dropChange = async (seq: number) => {
  await (await db()).delete('changes', seq)
}
export const countChanges = async (accountId: string) => (await changesOf(accountId)).length
