import type { H3Event } from 'h3'
import { worldOf } from './db'
import { log } from './log'
import { askStarter } from './starter'

/** Once the reply has gone out, who was erased is written down outside the database. What is missed by a crash is caught up at the next start, and with every copy. */
export function noteErasuresAfter(event: H3Event): void {
  if (worldOf(event) === 'demo') return
  event.node.res.once('finish', () => void noteErasures())
}

export async function noteErasures(): Promise<void> {
  const done = await askStarter('note-erasures')
  if (done !== true) log.warn({ why: done }, 'erasures not written down')
}
