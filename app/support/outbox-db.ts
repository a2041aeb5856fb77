import { z } from 'zod'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Letter } from '#core/formats/model'
import type { Refusal } from './api'
import { sealed, unsealed, type Sealed } from './held'
import { letterOf } from './letters'
import { visitPath } from './visit-path'

const Change = z.object({
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string().startsWith('/api/'),
  body: z.unknown(),
})
/** One change of a record on its way to the server. Sent in the order made; kept until the server has answered. */
export type Change = Readonly<z.infer<typeof Change>>
/** With its place in the order. */
export type Outgoing = Change & { readonly seq: number }

/** A refusal that is kept: its words, and its code. `changed_meanwhile`: somebody says which of the two stands. */
export type Refused = Pick<Refusal, 'code' | 'detail'>
/** A change that the server did not take, and why. */
export interface Aside extends Outgoing {
  readonly aside: Refused
}

interface Kept {
  seq: number
  /** Whose change it is: nobody else's session may send it. */
  accountId: string
  /** Readable as long as the tablet holds its key. */
  sealed?: Sealed
  /** What only the server can read. */
  letter?: Letter
  /** The server will never take it as it is: why. It stays until somebody has seen that. */
  aside?: Refused | /** As an earlier version kept it. */ string
  /** Goes after everything that was said in its visit: the signature. */
  last?: true
  /** As an earlier version kept it. */
  method?: unknown
  path?: unknown
  body?: unknown
}
interface Tables extends DBSchema {
  changes: { key: number; value: Kept }
}
let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-outbox', 1, {
    upgrade(base) {
      base.createObjectStore('changes', { keyPath: 'seq', autoIncrement: true })
    },
  }))

/** A signature: what was said in its visit goes before it. */
export const isSigning = (change: Pick<Change, 'path'>): boolean =>
  visitPath(change).part === 'close'

/** Keeps a change, for this tablet and for the server; gives its place in the order. */
export async function keepChange(accountId: string, change: Change): Promise<number> {
  const seal = await sealed(change)
  const letter = await letterOf(crypto.randomUUID(), change)
  const kept = {
    accountId,
    ...(seal ? { sealed: seal } : change),
    ...(letter ? { letter } : {}),
    ...(isSigning(change) ? { last: true } : {}),
  }
  return (await db()).add('changes', kept as Kept)
}

const asRefused = (aside: Kept['aside']): Refused | undefined =>
  typeof aside === 'string' ? { code: 'error', detail: aside } : aside

/** This person's changes that can be read here, oldest first; with those that were set aside. */
async function changesOf(accountId: string) {
  const all = (await (await db()).getAll('changes')).filter((kept) => kept.accountId === accountId)
  const read = await Promise.all(
    all.map(async (kept) => {
      const { data } = Change.safeParse(kept.sealed ? await unsealed(kept.sealed) : kept)
      return data ? [{ ...data, seq: kept.seq, aside: asRefused(kept.aside) }] : []
    }),
  )
  return read.flat()
}
/** What waits, but for `held`: what this session may not send. */
export const oldestChange = async (
  accountId: string,
  held: ReadonlySet<number>,
): Promise<Outgoing | undefined> =>
  (await changesOf(accountId)).find(({ seq, aside }) => aside === undefined && !held.has(seq))
export const dropChange = async (seq: number) => {
  await (await db()).delete('changes', seq)
}
export const countChanges = async (accountId: string) =>
  (await changesOf(accountId)).filter(({ aside }) => aside === undefined).length

/** What waits of one visit. */
export const waitsOf = async (accountId: string, visitId: string): Promise<Outgoing[]> =>
  (await changesOf(accountId)).filter(
    (change) => change.aside === undefined && visitPath(change).visitId === visitId,
  )

/** Lays a change aside that the server will never take, with its words. */
export async function asideChange(seq: number, aside: Refused) {
  const base = await db()
  const kept = await base.get('changes', seq)
  if (kept) await base.put('changes', { ...kept, aside })
}
/** What was set aside and nobody has seen yet. */
export const asideChanges = async (accountId: string): Promise<Aside[]> =>
  (await changesOf(accountId)).flatMap(({ aside, ...change }) =>
    aside === undefined ? [] : [{ ...change, aside }],
  )

/** Forgets what this tablet could read; the sealed letters stay until the server has them. What cannot become one stays as it is: nothing is lost. */
export async function forgetChanges() {
  const base = await db()
  for (const kept of await base.getAll('changes')) {
    const { seq, accountId, last } = kept
    const { data: change } = Change.safeParse(kept.sealed ? await unsealed(kept.sealed) : kept)
    const letter = kept.letter ?? (change && (await letterOf(crypto.randomUUID(), change)))
    if (letter) await base.put('changes', { seq, accountId, letter, ...(last ? { last } : {}) })
  }
}
/** Letters that nobody here can read any more, with their places. */
export const orphanedChanges = async () =>
  (await (await db()).getAll('changes')).flatMap(({ seq, letter, last, sealed: seal, path }) =>
    letter && !seal && path === undefined ? [{ seq, letter, isLast: last === true }] : [],
  )
