import { createEventStream, defineEventHandler } from 'h3'
import { currentAccount, requireCan } from '../utils/access'
import { worldOf } from '../utils/db'
import { listenTo } from '../utils/live'

const CAN = 'booking'
/** A stream that says nothing is taken for dead by what stands in between; and whoever was signed out meanwhile hears no more. */
const ALIVE_EVERY_MS = 20_000

const ALIVE = { event: 'alive', data: '.' }

/** What changes in the salon, as it changes, until the browser closes it: ids only. It holds no connection to the database of its own. */
const handler = defineEventHandler(async (event) => {
  const account = await requireCan(event, CAN)
  const stream = createEventStream(event)
  const deaf = listenTo(worldOf(event), account.salon_id, (change) => {
    void stream.push(JSON.stringify(change))
  })
  const timer = setInterval(() => void stillThere(), ALIVE_EVERY_MS)
  async function stillThere() {
    const now = await currentAccount(event).catch(() => undefined)
    if (now?.id === account.id && now.handed_visit_id === null) await stream.push(ALIVE)
    else await stream.close()
  }
  stream.onClosed(() => {
    clearInterval(timer)
    deaf()
  })
  void stream.push(ALIVE)
  return stream.send()
})

export default Object.assign(handler, { door: { can: CAN } })
