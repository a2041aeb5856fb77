import { useDb } from '../utils/db'

/** Up and able to reach its database. */
export default defineEventHandler(async () => {
  await useDb().query('SELECT 1')
  return { ok: true }
})
