import {
  createDecipheriv,
  createECDH,
  createHmac,
  hkdfSync,
  timingSafeEqual,
  type ECDH,
} from 'node:crypto'
import { LETTER_USE, LetterText, type Letter } from '#core/formats'
import { useConfig } from './config'
import { WORLDS, type World } from './db'

const CURVE = 'prime256v1'
/** The order of the curve (FIPS 186-5, P-256). */
const ORDER = BigInt('0xffffffff00000000ffffffffffffffffbce6faada7179e84f3b9cac2fc632551')
const TAG_BYTES = 16

let kept: ECDH | undefined

/** The server's key: it follows from the secret that all servers of one house share. */
function ownKey(): ECDH {
  if (kept) return kept
  const drawn = hkdfSync('sha256', useConfig().sessionSecret, 'zen-ladder', 'outbox', 48)
  const scalar = (BigInt(`0x${Buffer.from(drawn).toString('hex')}`) % (ORDER - 1n)) + 1n
  kept = createECDH(CURVE)
  kept.setPrivateKey(Buffer.from(scalar.toString(16).padStart(64, '0'), 'hex'))
  return kept
}

/** What tablets seal their letters to: 65 bytes in base64. */
export const publicKey = (): string => ownKey().getPublicKey('base64')

/** What a letter says; undefined where it was not sealed to this server, or changed on its way. */
export function opened({ id, key, iv, data }: Letter): LetterText | undefined {
  try {
    const theirs = Buffer.from(key, 'base64')
    const shared = ownKey().computeSecret(theirs)
    const secret = Buffer.from(hkdfSync('sha256', shared, theirs, LETTER_USE, 32))
    const bytes = Buffer.from(data, 'base64')
    const decipher = createDecipheriv('aes-256-gcm', secret, Buffer.from(iv, 'base64'))
    decipher.setAAD(Buffer.from(id))
    decipher.setAuthTag(bytes.subarray(-TAG_BYTES))
    const text = Buffer.concat([decipher.update(bytes.subarray(0, -TAG_BYTES)), decipher.final()])
    return LetterText.safeParse(JSON.parse(text.toString('utf8'))).data
  } catch {
    // Whatever is wrong with it, nobody can read it: not ours, or spoilt.
    return undefined
  }
}

const sealOf = (named: string): Buffer =>
  createHmac('sha256', useConfig().sessionSecret).update(`letter ${named}`).digest()

/** What a session puts into its letters, so that they are known as its own after it has ended. */
export function passOf(world: World, sessionId: string): string {
  const named = `${world}.${sessionId}`
  return `${named}.${sealOf(named).toString('base64url')}`
}

/** The session that a pass was given to, and its world; undefined for one that was made up. */
export function sessionOfPass(
  pass: string,
): { readonly world: World; readonly sessionId: string } | undefined {
  const [named = '', sessionId = '', seal = ''] = pass.split('.')
  const [given, right] = [Buffer.from(seal, 'base64url'), sealOf(`${named}.${sessionId}`)]
  const isOurs = given.length === right.length && timingSafeEqual(given, right)
  const world = WORLDS.find((one) => one === named)
  return isOurs && world ? { world, sessionId } : undefined
}
