import { availableParallelism } from 'node:os'
import { dirname, join } from 'node:path'
import { Piscina } from 'piscina'
import type { Task, Tasks } from '../work/tasks'
import { Unavailable } from './problem'

/** So many wait at the most: more are told to come again, instead of holding the server. */
const WAITING_MOST = 48
/** A task is cancelled after so long, and that is said; what is worked out is limited by counted work, not by this. */
const TASK_MS = 30_000
const IDLE_MS = 30_000
const MB_MOST = 768

/** The worker lies beside the built server; in development beside the generated files. */
const fileOf = (): string =>
  import.meta.dev
    ? join(process.cwd(), '.nuxt', 'worker.mjs')
    : join(dirname(process.argv[1]!), 'worker.mjs')

let pool: Piscina | undefined

/** Threads beside the server's own: one fewer than the machine has, and one at the least. */
function usePool(): Piscina {
  pool ??= new Piscina({
    filename: fileOf(),
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: WAITING_MOST,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MB_MOST },
  })
  return pool
}

/**
 * Works something out beside the server's own thread: fits, imports, prices, photographs. Everybody else is answered meanwhile. Where too much
 * waits already, or it takes too long, that is told as 503: it may be asked again.
 */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  ...args: Parameters<Tasks[Name]>
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  const task: Task = { name, args }
  const signal = AbortSignal.timeout(TASK_MS)
  try {
    return (await usePool().run(task, { signal })) as Awaited<ReturnType<Tasks[Name]>>
  } catch (error) {
    if (isBusy(error as Error)) throw busy()
    throw error
  }
}

/** Ends the threads, whatever they are at. */
export async function endWork(): Promise<void> {
  await pool?.destroy()
  pool = undefined
}

/** The pool's own words for a full queue, and the name of what was cancelled. */
const isBusy = ({ name, message }: Error): boolean =>
  name === 'AbortError' || message.startsWith('Task queue is at limit')

const busy = (): Unavailable =>
  new Unavailable({
    code: 'unavailable',
    detail:
      'The server has too much to work out at the moment. What you typed is still here; it is tried again.',
  })
