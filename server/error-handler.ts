import type { NitroErrorHandler } from 'nitropack'

/** What is said where a route has no sentence of its own. */
function plainDetail(status: number, message: string): string {
  if (status === 404) return 'There is nothing at this address.'
  if (status < 500) return message
  return 'Something went wrong on the server. What you typed is still here; try again.'
}

/** Errors of the interface between browser and server as RFC 9457 problem details; nothing internal leaves the house. */
const handler: NitroErrorHandler = (error, event) => {
  const status = error.statusCode && error.statusCode >= 400 ? error.statusCode : 500
  if (status >= 500) console.error(`${event.method} ${event.path}:`, error)
  const data = (error.data ?? {}) as {
    code?: string
    detail?: string
    path?: string
    faults?: unknown
  }
  const detail = data.detail ?? plainDetail(status, error.message)
  event.node.res.statusCode = status
  event.node.res.setHeader('Content-Type', 'application/problem+json')
  event.node.res.end(
    JSON.stringify({
      type: 'about:blank',
      status,
      title: detail,
      detail,
      code: data.code ?? 'error',
      ...(data.path ? { path: data.path } : {}),
      ...(data.faults ? { faults: data.faults } : {}),
    }),
  )
}
export default handler
