import { clockErrorMs, type RunEvent } from '#core/perform'

const RETRY_MS = 4000
const TICK_MS = 1000
/** A timer that comes a little early is still past the second it was set for. */
const PAST_MS = 20

let own: string | undefined
/** This tablet among those of a visit. */
export function deviceId(): string {
  if (own !== undefined) return own
  own = localStorage.getItem('zen-device') ?? crypto.randomUUID()
  localStorage.setItem('zen-device', own)
  return own
}

/** The clock of the screen, which moves as each second turns, and the next try to send; while a visit is open. */
export function runClocks(nowMs: Ref<number>, clock: () => number, send: () => Promise<void>) {
  let second: number | undefined
  let retry: number | undefined
  const sendSoon = () => void send()
  function turn() {
    const now = clock()
    const whole = now - (now % TICK_MS)
    // Whole seconds, so that no time on the screen jumps one; and never back behind what was said in this one.
    nowMs.value = nowMs.value > whole && nowMs.value <= now ? now : whole
    soon()
  }
  function soon() {
    second = window.setTimeout(turn, TICK_MS - (clock() % TICK_MS) + PAST_MS)
  }
  function start() {
    stop()
    soon()
    retry = window.setInterval(sendSoon, RETRY_MS)
    window.addEventListener('online', sendSoon)
  }
  function stop() {
    window.clearTimeout(second)
    window.clearInterval(retry)
    window.removeEventListener('online', sendSoon)
  }
  return { start, stop }
}

/** The tablet's clock beside the server's. */
export function ownClock(events: Ref<readonly RunEvent[]>) {
  const nowMs = ref(Date.now())
  /** By how much what it shows is behind, as measured last; milliseconds. */
  const behindMs = ref(0)
  /** By how much an impossible clock is set right of which no event tells: this tablet follows. */
  let setRightMs = 0
  /** Set right where it is impossibly wrong: by what the server made of its events, else by what the server's own clock says. */
  const clock = () => {
    const here = Date.now()
    return here + (clockErrorMs(events.value, deviceId(), here) || setRightMs)
  }
  /** The server answered somewhere between the two: half the way is the best guess. */
  function measured(
    reply: { readonly now: number; readonly isDoubtful: boolean },
    askedMs: number,
  ) {
    const here = Date.now()
    const offMs = Math.round(reply.now - (askedMs + here) / 2)
    if (reply.isDoubtful) setRightMs = offMs
    // What is set right shows the time as it is.
    behindMs.value = offMs - (clock() - here)
  }
  return { nowMs, behindMs, clock, measured }
}
export type OwnClock = ReturnType<typeof ownClock>
