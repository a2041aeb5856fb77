import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { z } from 'zod'

/** What only this tablet can read, as long as it holds its key. */
export interface Sealed {
  readonly iv: Uint8Array<ArrayBuffer>
  readonly data: ArrayBuffer
}
interface HeldKey {
  readonly name: 'key'
  readonly key: CryptoKey
  readonly accountId: string
  readonly madeMs: number
}
interface Tables extends DBSchema {
  keys: { key: string; value: HeldKey }
  drafts: { key: string; value: { name: string; sealed: Sealed } }
}

/** So long a tablet holds what it was given. */
export const HELD_MOST_MS = 24 * 3_600_000
const IV_BYTES = 12

let opened: Promise<IDBPDatabase<Tables>> | undefined
const db = () =>
  (opened ??= openDB<Tables>('zen-held', 1, {
    upgrade(base) {
      base.createObjectStore('keys', { keyPath: 'name' })
      base.createObjectStore('drafts', { keyPath: 'name' })
    },
  }))

/** The key as it is kept: the browser uses it, and gives it to nobody, not even to us. */
let known: Promise<HeldKey | undefined> | undefined
const held = () => (known ??= db().then((base) => base.get('keys', 'key')))

/** True where somebody else's key lies here, or one that has served its day: then everything held goes first. */
export async function isHeldByOthers(accountId: string): Promise<boolean> {
  const kept = await held()
  return kept !== undefined && (kept.accountId !== accountId || isOver(kept))
}
export const isHeldTooLong = async (): Promise<boolean> => {
  const kept = await held()
  return kept !== undefined && isOver(kept)
}
const isOver = ({ madeMs }: HeldKey): boolean => Date.now() - madeMs > HELD_MOST_MS

/** Holds for this person from now on. */
export async function holdFor(accountId: string): Promise<void> {
  const key =
    (await held())?.key ??
    (await crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, [
      'encrypt',
      'decrypt',
    ]))
  const kept: HeldKey = { name: 'key', key, accountId, madeMs: Date.now() }
  await (await db()).put('keys', kept)
  known = Promise.resolve(kept)
}

/** The key is gone, and the drafts with it: what was sealed with it nobody reads again. */
export async function forgetKey(): Promise<void> {
  const base = await db()
  await base.clear('keys')
  await base.clear('drafts')
  known = undefined
}

/** Seals a value of JSON; undefined where nothing is held for anybody. */
export async function sealed(value: unknown): Promise<Sealed | undefined> {
  const kept = await held()
  if (!kept) return undefined
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES))
  const text = new TextEncoder().encode(JSON.stringify(value))
  return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, kept.key, text) }
}

/** What was sealed here; undefined where its key is gone. */
export async function unsealed(seal: Sealed | undefined): Promise<unknown> {
  const kept = await held()
  if (!kept || !seal) return undefined
  try {
    const { iv, data } = seal
    const bytes = await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, kept.key, data)
    return JSON.parse(new TextDecoder().decode(bytes))
  } catch (error) {
    // Sealed with a key that is gone. Anything else is a fault.
    if (error instanceof DOMException && error.name === 'OperationError') return undefined
    throw error
  }
}

/** Keeps something typed and not yet sent under a name, as long as the tablet holds its key. */
export async function keepDraft(name: string, value: unknown): Promise<void> {
  const seal = await sealed(value)
  if (seal) await (await db()).put('drafts', { name, sealed: seal })
}
/** What was kept under a name, parsed; undefined when nothing was, or nothing that can be read. */
export async function keptDraft<T extends z.ZodType>(
  name: string,
  model: T,
): Promise<z.infer<T> | undefined> {
  return model.safeParse(await unsealed((await (await db()).get('drafts', name))?.sealed)).data
}
export const dropDraft = async (name: string) => {
  await (await db()).delete('drafts', name)
}
/** Under which names something is kept here. */
export const draftNames = async (): Promise<string[]> => (await db()).getAllKeys('drafts')
