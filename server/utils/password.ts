import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'

const derive = promisify<
  string,
  Buffer,
  number,
  { N: number; r: number; p: number; maxmem: number },
  Buffer
>(scrypt)
// Memory-hard: N · r · 128 bytes = 32 MiB a try (RFC 7914 names the parameters; the cost is our choice).
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }
const KEY_BYTES = 32

/** A salted scrypt hash: `scrypt$N$r$p$salt$key`, base64. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, KEY_BYTES, COST)
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join(
    '$',
  )
}

/** True when the password made this hash. Takes as long either way. */
export async function verifyPassword(password: string, hash: string): Promise<boolean> {
  const [kind, N, r, p, salt, key] = hash.split('$')
  if (kind !== 'scrypt' || !salt || !key) return false
  const wanted = Buffer.from(key, 'base64')
  const found = await derive(password, Buffer.from(salt, 'base64'), wanted.length, {
    N: Number(N),
    r: Number(r),
    p: Number(p),
    maxmem: COST.maxmem,
  })
  return timingSafeEqual(wanted, found)
}
