import type { RunEvent } from './events'

const byText = (a: string, b: string): number => {
  if (a === b) return 0
  return a < b ? -1 : 1
}

/** By time; at one time by device and its own count. */
function byTime(a: RunEvent, b: RunEvent): number {
  const ofDevice = byText(a.deviceId, b.deviceId) || a.seq - b.seq
  return a.wallMs - b.wallMs || ofDevice || (a.id < b.id ? -1 : 1)
}

/** Events once each, retracted ones out, in one order on every device. */
export function canonical(events: readonly RunEvent[]): RunEvent[] {
  const once = [...new Map(events.map((event) => [event.id, event])).values()]
  const retracted = new Set(
    once.flatMap((event) => (event.body.type === 'retract' ? [event.body.eventId] : [])),
  )
  return once.filter((event) => !retracted.has(event.id)).sort(byTime)
}
