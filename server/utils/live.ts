import { setTimeout as wait } from 'node:timers/promises'
import pg from 'pg'
import { log, withoutData } from './log'
import { urlOf, type World } from './db'

/** Something of a visit has changed: which table, which visit, and of a run which tablet said it. Ids only. */
export interface Change {
  readonly what: string
  readonly id: string
  readonly by?: string
}
type Listener = (change: Change) => void

/** Who listens, by salon; one connection a world outside the pool hears for all of them. */
interface Ear {
  readonly salons: Map<string, Set<Listener>>
  client: pg.Client | undefined
  isOpening: boolean
}
const ears = new Map<World, Ear>()
const FIRST_WAIT_MS = 500
const LONGEST_WAIT_MS = 30_000

/** Tells of every change in a salon until what is given back is called. */
export function listenTo(world: World, salonId: string, listener: Listener): () => void {
  const ear = earOf(world)
  const listeners = ear.salons.get(salonId) ?? new Set()
  ear.salons.set(salonId, listeners.add(listener))
  void open(world, ear)
  return () => {
    listeners.delete(listener)
    if (listeners.size === 0) ear.salons.delete(salonId)
    if (ear.salons.size === 0) void close(ear)
  }
}

function earOf(world: World): Ear {
  const known = ears.get(world)
  if (known) return known
  const ear: Ear = { salons: new Map(), client: undefined, isOpening: false }
  ears.set(world, ear)
  return ear
}

/** Opens the connection, and again whenever it is lost, as long as somebody listens. Whoever missed something reads the day anew: it is told once it is back. */
async function open(world: World, ear: Ear): Promise<void> {
  if (ear.client || ear.isOpening) return
  ear.isOpening = true
  for (
    let waitMs = FIRST_WAIT_MS;
    ear.salons.size > 0;
    waitMs = Math.min(2 * waitMs, LONGEST_WAIT_MS)
  )
    try {
      ear.client = await connected(world, ear)
      break
    } catch (error) {
      log.warn({ error: withoutData(error as Error) }, 'not listening')
      await wait(waitMs)
    }
  ear.isOpening = false
}

async function connected(world: World, ear: Ear): Promise<pg.Client> {
  const client = new pg.Client({ connectionString: urlOf(world), keepAlive: true })
  client.on('notification', ({ payload }) => tell(ear, payload ?? ''))
  // Lost: everybody is told that they may have missed something, and it is opened again.
  client.on('error', (error) => log.warn({ error: withoutData(error) }, 'listening ended'))
  client.on('end', () => {
    if (ear.client === client) ear.client = undefined
    void open(world, ear).then(() => tellAll(ear))
  })
  await client.connect()
  await client.query('LISTEN zen_live')
  return client
}

function tell(ear: Ear, payload: string): void {
  const [salonId = '', what = '', id = '', ...rest] = payload.split(' ')
  const change = { what, id, ...(rest.length > 0 ? { by: rest.join(' ') } : {}) }
  for (const listener of ear.salons.get(salonId) ?? []) listener(change)
}
function tellAll(ear: Ear): void {
  for (const listeners of ear.salons.values())
    for (const listener of listeners) listener({ what: 'all', id: '' })
}

async function close(ear: Ear): Promise<void> {
  const { client } = ear
  ear.client = undefined
  await client?.end()
}

/** Ends every connection that listens. */
export async function endListening(): Promise<void> {
  for (const ear of ears.values()) {
    ear.salons.clear()
    await close(ear)
  }
}
