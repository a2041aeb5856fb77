/** What only whoever started the server may do. */
type Ask = 'remove-demo' | 'copy-folders' | 'copy' | 'note-erasures'
interface Answer {
  readonly id: number
  /** True where it is done, what was asked for, else why not. */
  readonly reply: true | string | readonly string[] | null
}

let asked = 0
const PATIENCE_MS = 20_000
const NO_ANSWER = 'Whoever started the server does not answer. Look there, and try again.'

/** Asks whoever started the server for something; gives true, what was asked for, or a sentence that says why not. */
export function askStarter(
  ask: Ask,
  given: object = {},
  patienceMs = PATIENCE_MS,
): Promise<true | string | readonly string[]> {
  if (!process.send)
    return Promise.resolve('This server was not started by `npm start`: nobody is there to ask.')
  const id = ++asked
  return new Promise((resolve) => {
    const onMessage = (message: unknown) => {
      const { id: answered, reply } = message as Answer
      if (answered !== id) return
      clearTimeout(timer)
      process.off('message', onMessage)
      resolve(reply ?? 'That could not be done here.')
    }
    const late = () => onMessage({ id, reply: NO_ANSWER } satisfies Answer)
    const timer = setTimeout(late, patienceMs)
    process.on('message', onMessage)
    process.send!({ id, ask, with: given })
  })
}
