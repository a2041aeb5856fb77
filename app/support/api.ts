import type { InternalApi } from 'nitropack/types'
import type { ProblemCode } from '#core/fault'

/** What the server says when it refuses: problem details. */
export interface Refusal {
  readonly status: number
  readonly code: ProblemCode | 'offline'
  readonly detail: string
  /** Where in what was sent it is wrong. */
  readonly path?: string | undefined
}

/** Words for any failed call: the server's own sentence, or that there is no network. */
export function refusalOf(error: unknown): Refusal {
  const { statusCode, data } = error as {
    statusCode?: number
    data?: { code?: ProblemCode; detail?: string; path?: string }
  }
  if (!statusCode)
    return {
      status: 0,
      code: 'offline',
      detail: 'No connection. What you did is kept here and is saved when the network is back.',
    }
  return {
    status: statusCode,
    code: data?.code ?? 'error',
    detail: data?.detail ?? 'Something went wrong. Try again.',
    ...(data?.path ? { path: data.path } : {}),
  }
}

/** No network, signed out, too slow, too early, too many at once. */
const LATER: readonly number[] = [0, 401, 408, 425, 429]
/** The same call may succeed later: for one of these reasons, or after a fault of the server. */
export const mayRetry = (status: number): boolean => LATER.includes(status) || status >= 500

/** Which of several things sent together under a name is refused, by the path of the refusal: `events.3.body.text` is the fourth. */
export function placeIn(list: string, { path }: Refusal): number | undefined {
  const [name, at] = (path ?? '').split('.')
  return name === list && /^\d+$/.test(at ?? '') ? Number(at) : undefined
}

type Routes = {
  [Path in keyof InternalApi as Path extends `/api/${string}` ? Path : never]: InternalApi[Path]
}
export type Route = keyof Routes
type MethodOf<R extends Route> = Exclude<keyof Routes[R], 'default'>
type Name<Part> = Part extends `:${infer Param}` ? Param : never
/** The parts of a route that stand for something: of `/api/visits/:id/fit`, `id`. */
type ParamOf<R> = R extends `${infer Part}/${infer Rest}` ? Name<Part> | ParamOf<Rest> : Name<R>

/** What a route answers, as it arrives. It is inferred from the route itself: a field that is changed there does not compile here. */
export type Reply<R extends Route, M extends MethodOf<R> = MethodOf<R> & 'get'> = Routes[R][M]

type Call<R extends Route, M> = {
  readonly method?: M
  readonly body?: unknown
  readonly query?: Readonly<Record<string, string>>
} & ([ParamOf<R>] extends [never]
  ? object
  : { readonly params: Readonly<Record<ParamOf<R>, string>> })

/** One call of our own server: a route by its name, what stands for its parts, and the reply it has. `get`, unless another method is given. */
export function call<R extends Route, M extends MethodOf<R> = MethodOf<R> & 'get'>(
  ...[route, options]: [ParamOf<R>] extends [never]
    ? [route: R, options?: Call<R, M>]
    : [route: R, options: Call<R, M>]
): Promise<Reply<R, M>> {
  const { method, params, body, query } = (options ?? {}) as Request
  const path = route.replaceAll(/:(\w+)/g, (_, name: string) => encodeURIComponent(params![name]!))
  return request(path, { method: method ?? 'get', body, ...(query ? { query } : {}) }) as Promise<
    Reply<R, M>
  >
}

interface Request {
  readonly method?: string
  readonly params?: Readonly<Record<string, string>>
  readonly body?: unknown
  readonly query?: Readonly<Record<string, string>>
}

/** A call by its path, for changes that were kept as such; whoever reads the reply uses `call`. */
export const request = (path: string, { method, ...rest }: Omit<Request, 'params'>) =>
  // The compiler would otherwise match every path against every route.
  ($fetch as unknown as (path: string, options: Sent) => Promise<unknown>)(path, {
    ...(method ? { method: method.toUpperCase() } : {}),
    ...(outlivesPage(method, rest.body) ? { keepalive: true } : {}),
    ...rest,
  })

type Sent = Request & { readonly keepalive?: boolean }
/** Browsers let 64 KiB outlive their page, all requests together. */
const OUTLIVES_MOST = 16_000
/** A small change that is on its way when the page is left or read anew still arrives. */
const outlivesPage = (method: string | undefined, body: unknown): boolean =>
  method !== undefined &&
  method !== 'get' &&
  !(body instanceof FormData) &&
  JSON.stringify(body ?? '').length < OUTLIVES_MOST
