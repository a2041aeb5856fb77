import type { NitroErrorHandler } from 'nitropack'
import { Fault, type Problem } from '#core/fault'
import { log, withoutData } from './utils/log'
import { explainDatabase, STATUS_OF } from './utils/problem'

/** What is said where a route has no sentence of its own. */
function plainProblem(status: number, message: string): Problem {
  if (status === 404) return { code: 'no_route', detail: 'There is nothing at this address.' }
  if (status === 405) return { code: 'wrong_method', detail: message }
  if (status < 500) return { code: 'invalid', detail: message }
  return {
    code: 'error',
    detail: 'Something went wrong on the server. What you typed is still here; try again.',
  }
}

const faultIn = (error: { cause?: unknown }): Fault | undefined =>
  [error, error.cause].find((thrown): thrown is Fault => thrown instanceof Fault)

const RETRY_AFTER_S = 5

/** Errors of the interface between browser and server as RFC 9457 problem details; nothing internal leaves the house. */
const handler: NitroErrorHandler = (error, event) => {
  const fault = faultIn(error) ?? faultIn({ cause: explainDatabase(error.cause ?? error) })
  const thrown = error.statusCode >= 400 ? error.statusCode : 500
  const status = fault ? STATUS_OF[fault.kind] : thrown
  const { code, detail, path, faults } = fault?.problem ?? plainProblem(status, error.message)
  const requestId = event.context.requestId as string | undefined
  if (status >= 500)
    log.error({ requestId, method: event.method, error: withoutData(error) }, 'failed')
  event.node.res.statusCode = status
  event.node.res.setHeader('Content-Type', 'application/problem+json')
  if (status === STATUS_OF.unavailable) event.node.res.setHeader('Retry-After', RETRY_AFTER_S)
  event.node.res.end(
    JSON.stringify({
      type: 'about:blank',
      status,
      title: detail,
      detail,
      code,
      ...(path ? { path } : {}),
      ...(faults ? { faults } : {}),
      ...(requestId ? { requestId } : {}),
    }),
  )
}
export default handler
