import { z } from 'zod'

const base64 = z.string().regex(/^[A-Za-z0-9+/]+={0,2}$/, 'is no base64')

/** A change that only the server can read: sealed to its public key (ECDH on P-256, HKDF with SHA-256, AES-256-GCM with the id beside it). */
export const Letter = z.strictObject({
  id: z.uuid(),
  /** The public half of a key made for this letter alone: 65 bytes. */
  key: base64.max(100),
  iv: base64.max(24),
  data: base64.max(1_300_000),
})
export type Letter = z.infer<typeof Letter>

/** What stands in it. `pass`: what the server gave to the session that made it. */
export const LetterText = z.strictObject({
  pass: z.string().max(200),
  madeMs: z.number().int(),
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string().max(300),
  body: z.unknown(),
})
export type LetterText = z.infer<typeof LetterText>

/** What the key of a letter is for: the same words on both sides. */
export const LETTER_USE = 'zen-ladder letter'
