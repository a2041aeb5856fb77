// One stream for all pages of this browser: what changes in the salon, handed on to each of them.

const AGAIN_MS = 5000
const CLOSED = 2

const ports = new Set<MessagePort>()
let source: EventSource | undefined

/** Opens the stream, and again where the server said no or was away: whoever missed something is told to read the day anew. */
function open(isAgain: boolean) {
  if (source || ports.size === 0) return
  source = new EventSource('/api/live')
  source.addEventListener('message', ({ data }) => tell(String(data)))
  source.addEventListener('open', () => {
    if (isAgain) tell('again')
    isAgain = true
  })
  source.addEventListener('error', () => {
    if (source?.readyState !== CLOSED) return
    source = undefined
    setTimeout(() => open(true), AGAIN_MS)
  })
}
function tell(text: string) {
  for (const port of ports) port.postMessage(text)
}
function leave(port: MessagePort) {
  ports.delete(port)
  if (ports.size > 0) return
  source?.close()
  source = undefined
}

addEventListener('connect', (event) => {
  const [port] = (event as MessageEvent).ports
  if (!port) return
  ports.add(port)
  port.addEventListener('message', () => leave(port))
  port.start()
  open(false)
})
