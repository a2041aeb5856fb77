import { signOut } from '../../utils/access'

export default defineEventHandler(async (event) => {
  await signOut(event)
  return sendNoContent(event)
})
