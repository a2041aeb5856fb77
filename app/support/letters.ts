import { z } from 'zod'
import { LETTER_USE, type Letter, type LetterText } from '#core/formats/model'
import { keepDraft, keptDraft } from './held'
import { request } from './api'
import { inOnePart } from './part'

const Box = z.object({ key: z.string(), pass: z.string() })
type Box = z.infer<typeof Box>
const NAME = 'letters'
const IV_BYTES = 12

let box: Box | undefined

/** To whom letters are sealed, and what says whose they are: given by the server with the session. */
export async function addressLetters(given: Box): Promise<void> {
  box = given
  await keepDraft(NAME, given)
}

/** Nobody's letters are made here any more. */
export function forgetAddress(): void {
  box = undefined
}

const toBase64 = (bytes: Uint8Array): string =>
  btoa(Array.from(bytes, (byte) => String.fromCodePoint(byte)).join(''))
const fromBase64 = (text: string): Uint8Array<ArrayBuffer> =>
  Uint8Array.from(atob(text), (sign) => sign.codePointAt(0)!)

const ECDH = { name: 'ECDH', namedCurve: 'P-256' } as const

/**
 * A change that only the server can read: this tablet can deliver it after its session has ended, and no longer look into it. Undefined where
 * the server has not said what it is sealed to.
 */
export async function letterOf(
  id: string,
  change: Pick<LetterText, 'method' | 'path' | 'body'>,
): Promise<Letter | undefined> {
  box ??= await keptDraft(NAME, Box)
  if (!box) return undefined
  const { subtle } = crypto
  const server = await subtle.importKey('raw', fromBase64(box.key), ECDH, false, [])
  const own = await subtle.generateKey(ECDH, false, ['deriveBits'])
  const shared = await subtle.deriveBits({ name: 'ECDH', public: server }, own.privateKey, 256)
  const salt = await subtle.exportKey('raw', own.publicKey)
  const drawn = await subtle.importKey('raw', shared, 'HKDF', false, ['deriveKey'])
  const key = await subtle.deriveKey(
    { name: 'HKDF', hash: 'SHA-256', salt, info: new TextEncoder().encode(LETTER_USE) },
    drawn,
    { name: 'AES-GCM', length: 256 },
    false,
    ['encrypt'],
  )
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES))
  const text: LetterText = { pass: box.pass, madeMs: Date.now(), ...change }
  const data = await subtle.encrypt(
    { name: 'AES-GCM', iv, additionalData: new TextEncoder().encode(id) },
    key,
    new TextEncoder().encode(JSON.stringify(text)),
  )
  return {
    id,
    key: toBase64(new Uint8Array(salt)),
    iv: toBase64(iv),
    data: toBase64(new Uint8Array(data)),
  }
}

const PART_BYTES = 900_000
const LETTERS_MOST = 200

/** Brings letters to the server, whoever is signed in; gives those that it has now. */
export async function deliver(letters: readonly Letter[]): Promise<ReadonlySet<string>> {
  const there = new Set<string>()
  for (let rest = [...letters]; rest.length > 0;) {
    const part = inOnePart(rest, PART_BYTES, LETTERS_MOST)
    rest = rest.slice(part.length)
    const { acknowledged } = (await request('/api/outbox/sealed', {
      method: 'post',
      body: { letters: part },
    })) as { acknowledged: string[] }
    for (const id of acknowledged) there.add(id)
  }
  return there
}
