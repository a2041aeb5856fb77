import { createHash, randomBytes } from 'node:crypto'

const TOKEN_BYTES = 24

/** What is kept of a token that opens something: whoever reads the table cannot use it. */
export const tokenHash = (token: string): string =>
  createHash('sha256').update(token).digest('base64url')

export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('base64url')
