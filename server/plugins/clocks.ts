import type { Server } from 'node:http'
import type { Socket } from 'node:net'

/** Headers are whole within ten seconds; a request as a whole is ended by whoever reads its body (utils/body), at the latest here. */
const HEADERS_MS = 10_000
const REQUEST_MS = 180_000
const LATE = 'HTTP/1.1 408 Request Timeout\r\nConnection: close\r\n\r\n'

/**
 * Sets the clocks of the server that carries a request: it is ours to serve, not ours to make. The platform looks at its own clock for headers
 * every half minute only, so that a connection on which nothing whole comes has one of its own.
 */
export default defineNitroPlugin((nitro) => {
  const waiting = new WeakMap<Socket, NodeJS.Timeout>()
  const known = new WeakSet<Server>()

  function watch(socket: Socket) {
    const clock = setTimeout(() => socket.end(LATE), HEADERS_MS)
    waiting.set(socket, clock)
    socket.once('close', () => clearTimeout(clock))
  }
  nitro.hooks.hook('request', ({ node }) => {
    const { socket } = node.req
    clearTimeout(waiting.get(socket))
    const { server } = socket as { server?: Server }
    if (!server || known.has(server)) return
    known.add(server)
    server.headersTimeout = HEADERS_MS
    server.requestTimeout = REQUEST_MS
    server.on('setSecureContext' in server ? 'secureConnection' : 'connection', watch)
  })
})
