import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import type { Capability } from '../../server/utils/capabilities'

/** One route of the interface as its own file declares it. */
export interface Route {
  readonly method: string
  /** As in `/api/visits/:id/facts`. */
  readonly path: string
  /** What a role must be allowed; undefined where nobody need be signed in. */
  readonly can: Capability | undefined
  readonly query: z.ZodType | undefined
  readonly body: z.ZodType | undefined
  /** The body is no JSON. */
  readonly isForm: boolean
}

/** Open to everybody: signing in and out, and whether the server is there. A new one is named here, or the matrix fails. */
export const OPEN_ROUTES = [
  'GET /api/health',
  'GET /api/session',
  'POST /api/session',
  'DELETE /api/session',
  'POST /api/session/demo',
  'POST /api/session/own',
  'POST /api/session/pin',
  'GET /api/links/:token',
  'POST /api/links/:token',
  'GET /api/set-up',
  'POST /api/set-up',
  'POST /api/outbox/sealed',
]

const FOLDER = join(import.meta.dirname, '../../server/api')
const FILE = /^(.*?)(?:\.(get|post|put|delete))\.ts$/

const Door = z.object({
  can: z.custom<Capability>((can) => typeof can === 'string'),
  query: z.custom<z.ZodType>().optional(),
  body: z.custom<z.ZodType>().optional(),
  read: z.unknown().optional(),
})

const pathOf = (file: string): string =>
  `/api/${file}`.replaceAll(/\[(\w+)\]/g, ':$1').replace(/\/index$/, '')

/** Every route there is, read off the files: none can be forgotten. */
export async function allRoutes(): Promise<Route[]> {
  // The files only say what they let in; none of them is asked anything here.
  process.env.DATABASE_URL ??= 'postgres://nowhere'
  process.env.ZEN_SESSION_SECRET ??= 'x'.repeat(32)
  const files = readdirSync(FOLDER, { recursive: true, encoding: 'utf8' })
  const routes: Route[] = []
  for (const file of files.toSorted()) {
    const [, name, method] = FILE.exec(file) ?? []
    if (name === undefined || method === undefined) continue
    const route = { method: method.toUpperCase(), path: pathOf(name) }
    if (OPEN_ROUTES.includes(`${route.method} ${route.path}`)) {
      routes.push({ ...route, can: undefined, query: undefined, body: undefined, isForm: false })
      continue
    }
    const module = (await import(join(FOLDER, file))) as { default: { door?: unknown } }
    const { data: door } = Door.safeParse(module.default.door)
    if (!door) throw new Error(`server/api/${file} declares no door`)
    routes.push({
      ...{ ...route, can: door.can, query: door.query, body: door.body },
      isForm: door.read !== undefined,
    })
  }
  return routes
}
