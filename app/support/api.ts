/** What the server says when it refuses: problem details. */
export interface Refusal {
  readonly status: number
  readonly code: string
  readonly detail: string
}

/** Words for any failed call: the server's own sentence, or that there is no network. */
export function refusalOf(error: unknown): Refusal {
  const { statusCode, data } = error as {
    statusCode?: number
    data?: { code?: string; detail?: string }
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
  }
}

/** No network, signed out, too many at once, or a fault of the server: the same call may succeed later. */
export const mayRetry = (status: number): boolean =>
  status === 0 || status === 401 || status === 429 || status >= 500

interface Call {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'DELETE'
  readonly body?: unknown
  readonly query?: Readonly<Record<string, string>>
}
/** One call of our own server. Plain strings keep the compiler from matching every route against every path. */
export const call = <T>(path: string, options: Call = {}): Promise<T> =>
  ($fetch as unknown as (path: string, options: Call) => Promise<T>)(path, options)
