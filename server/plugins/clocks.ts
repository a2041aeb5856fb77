import type { Server } from 'node:http'

/** Headers are whole within ten seconds; a request as a whole is ended by whoever reads its body (utils/body), at the latest here. */
const HEADERS_MS = 10_000
const REQUEST_MS = 180_000

/** Sets the clocks of the server that carries a request: it is ours to serve, not ours to make. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', ({ node }) => {
    const { server } = node.req.socket as { server?: Server }
    if (!server || server.headersTimeout === HEADERS_MS) return
    server.headersTimeout = HEADERS_MS
    server.requestTimeout = REQUEST_MS
  })
})
