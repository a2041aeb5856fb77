import { enterWorld } from '../../utils/access'

/** Out of the demo studio, to the salon of one's own: whoever was signed in there still is. */
export default defineEventHandler(async (event) => {
  await enterWorld(event, 'own')
  return sendNoContent(event)
})
