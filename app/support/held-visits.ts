import { z } from 'zod'
import type { VisitData } from '~/stores/visit-data'
import type { Day } from '~/support/today/board'
import { plain } from './plain'
import { draftNames, dropDraft, HELD_MOST_MS, keepDraft, keptDraft } from './held'

/** Laid by with the build that wrote it: another one may read its parts otherwise. */
const Held = z.object({ build: z.string(), atMs: z.number(), data: z.unknown() })
const build = (): string => useRuntimeConfig().app.buildId

/** Something the server told, as this tablet last had it. */
export interface HeldHere<T> {
  readonly data: T
  readonly atMs: number
}

let last: Promise<void> = Promise.resolve()
/** One after another: what was written later is what lies here. A tablet that has no room for it still goes on with the network there is. */
function hold(name: string, data: unknown): Promise<void> {
  const written = { build: build(), atMs: Date.now(), data: plain(data) }
  last = last
    .then(() => keepDraft(name, written))
    .catch((error: unknown) => console.error('Nothing was laid by:', error))
  return last
}

async function held<T>(name: string): Promise<HeldHere<T> | undefined> {
  const found = await keptDraft(name, Held)
  return found?.build === build() ? { data: found.data as T, atMs: found.atMs } : undefined
}

const VISIT = 'visit-'
const nameOf = (visitId: string): string => VISIT + visitId
/** Lays a visit by, sealed, as it stands here: it can be opened without a network until the tablet forgets its key. */
export const holdVisit = (data: VisitData): Promise<void> => hold(nameOf(data.visit.id), data)
/** A visit as this tablet last had it; undefined where it never had, or nobody may read it here any more. */
export const heldVisit = (visitId: string) => held<VisitData>(nameOf(visitId))

const DAY = 'day'
export const holdDay = (day: Day): Promise<void> => hold(DAY, day)
/** The day as this tablet last had it: of today, when it was opened. */
export const heldDay = () => held<Day>(DAY)

/** Visits that were laid by a day ago go, and what cannot be read any more; what was said of them and waits lies elsewhere. */
export async function dropOldVisits(): Promise<void> {
  for (const name of await draftNames()) {
    if (!name.startsWith(VISIT)) continue
    const found = await keptDraft(name, Held)
    if (!found || Date.now() - found.atMs > HELD_MOST_MS) await dropDraft(name)
  }
}
