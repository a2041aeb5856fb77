import { randomUUID } from 'node:crypto'
import { accountById } from '../../db/access.sql'
import { inSalon } from '../../db/rows'
import { signIn } from '../../utils/access'
import { readJson } from '../../utils/body'
import { poolOf } from '../../utils/db'
import { newPasswordHash } from '../../utils/new-password'
import { parsed } from '../../utils/problem'
import { foundSalon, SetUp } from '../../utils/set-up'
import { countTry } from '../../utils/tries'

/** Tries with a code are counted together, whoever makes them. */
const CODE_TRIES = 'set-up'

/** Sets up the first salon, once, with the code that `npm start` prints; signs its owner in. */
export default defineEventHandler(async (event) => {
  const wish = parsed(SetUp, await readJson(event))
  const succeeded = await countTry(event, CODE_TRIES)
  const { name, email, password } = wish.you
  const about = [name, email, wish.salon.name]
  const passwordHash = await newPasswordHash(password, about, 'you.password')
  const ids = { salonId: randomUUID(), accountId: randomUUID() }
  const today = new Date().toISOString().slice(0, 10)
  await inSalon(poolOf('own'), ids.salonId, (db) =>
    foundSalon(db, ids, wish, { passwordHash, today }),
  )
  await succeeded()
  const account = await accountById(poolOf('own'), ids.accountId)
  await signIn(event, 'own', account!, 'password')
  setResponseStatus(event, 201)
  return { id: ids.salonId }
})
