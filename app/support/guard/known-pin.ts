const HASH: HmacKeyGenParams = { name: 'HMAC', hash: 'SHA-256' }
/** So often a PIN may be missed here; then it is asked again where there is a network. */
const MOST_MISSED = 5

let known: { readonly key: CryptoKey; readonly mark: ArrayBuffer; missed: number } | undefined

const bytes = (pin: string) => new TextEncoder().encode(pin)

/** Remembers a PIN that the server has just found right, as long as this page is open and nowhere else: nothing of it is ever written to the tablet. */
export async function rememberPin(pin: string): Promise<void> {
  const key = await crypto.subtle.generateKey(HASH, false, ['sign', 'verify'])
  known = { key, mark: await crypto.subtle.sign(HASH, key, bytes(pin)), missed: 0 }
}
export function forgetPin(): void {
  known = undefined
}

/** Whether this is that PIN; undefined where none is remembered: the page was read anew since, or it was missed too often. */
export async function isKnownPin(pin: string): Promise<boolean | undefined> {
  if (!known || known.missed >= MOST_MISSED) return undefined
  const isRight = await crypto.subtle.verify(HASH, known.key, known.mark, bytes(pin))
  known.missed = isRight ? 0 : known.missed + 1
  return isRight
}
