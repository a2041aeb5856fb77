import { webcrypto } from 'node:crypto'
import { LETTER_USE, type Letter } from '#core/formats'

// Letters as a tablet seals them, written a second time with the platform's own cryptography: what the server opens is the standard, not our code.

export interface Box {
  readonly key: string
  readonly pass: string
}
export interface Change {
  readonly method: string
  readonly path: string
  readonly body: unknown
}
const { subtle } = webcrypto
const ECDH = { name: 'ECDH', namedCurve: 'P-256' } as const
const bytes = (text: string) => new TextEncoder().encode(text)
/** Bytes as letters carry them. */
export const base64 = (given: ArrayBuffer | Uint8Array) =>
  Buffer.from(given instanceof Uint8Array ? given : new Uint8Array(given)).toString('base64')

/** A letter under an id. */
export async function sealedTo(box: Box, id: string, change: Change): Promise<Letter> {
  const server = await subtle.importKey('raw', Buffer.from(box.key, 'base64'), ECDH, false, [])
  const own = await subtle.generateKey(ECDH, true, ['deriveBits'])
  const shared = await subtle.deriveBits({ name: 'ECDH', public: server }, own.privateKey, 256)
  const salt = await subtle.exportKey('raw', own.publicKey)
  const key = await subtle.deriveKey(
    { name: 'HKDF', hash: 'SHA-256', salt, info: bytes(LETTER_USE) },
    await subtle.importKey('raw', shared, 'HKDF', false, ['deriveKey']),
    { name: 'AES-GCM', length: 256 },
    false,
    ['encrypt'],
  )
  const iv = webcrypto.getRandomValues(new Uint8Array(12))
  const text = JSON.stringify({ pass: box.pass, madeMs: Date.now(), ...change })
  const data = await subtle.encrypt(
    { name: 'AES-GCM', iv, additionalData: bytes(id) },
    key,
    bytes(text),
  )
  return { id, key: base64(salt), iv: base64(iv), data: base64(data) }
}
