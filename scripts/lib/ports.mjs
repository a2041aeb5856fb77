import { createServer } from 'node:net'

const isFree = (port, host) =>
  new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, host, () => server.close(() => resolve(true)))
  })

/** The first free port from `from` upward on a host. */
export async function freePort(from, host = '127.0.0.1') {
  for (let port = from; port < from + 200; port++) {
    if (await isFree(port, host)) return port
  }
  throw new Error(`No free port between ${from} and ${from + 199}.`)
}
