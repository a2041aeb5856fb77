import { chooseWorld } from '../utils/access'

/** Says which world a request of the interface is of, before anything asks its database. */
export default defineEventHandler(async (event) => {
  if (event.path.startsWith('/api/')) await chooseWorld(event)
})
