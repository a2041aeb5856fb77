const SHOWN_MS = 5000
let timer: number | undefined

/** Why what was touched last does nothing now, for a few seconds. */
export function useOffReason() {
  const words = useState('off-reason', () => '')
  function say(why: string) {
    words.value = why
    window.clearTimeout(timer)
    timer = window.setTimeout(() => (words.value = ''), SHOWN_MS)
  }
  return { words, say }
}
