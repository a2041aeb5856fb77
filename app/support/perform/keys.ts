import { z } from 'zod'

/** What a key or a pedal can do in Perform, by the browser's own name of the key; empty: nothing was taught. */
export const Keys = z.object({
  next: z.string().max(40).default(''),
  stings: z.string().max(40).default(''),
  undo: z.string().max(40).default(''),
})
export type Keys = z.infer<typeof Keys>
export const KEY_USES = [
  { use: 'next', words: 'Next, and everything the big target does', usual: 'Space' },
  { use: 'stings', words: 'Stings', usual: '' },
  { use: 'undo', words: 'Undo', usual: '' },
] as const
export type KeyUse = (typeof KEY_USES)[number]['use']

/** The space bar always is the big target: many pedals send it, and nobody has to teach it. */
const ALWAYS_NEXT = 'Space'

/** What a key does; undefined: nothing. */
export function useOf(code: string, keys: Keys): KeyUse | undefined {
  if (code === ALWAYS_NEXT) return 'next'
  return KEY_USES.map(({ use }) => use).find((use) => keys[use] !== '' && keys[use] === code)
}

/** Keys that the browser, or moving about with it, needs: they are not taught. */
const NEVER: ReadonlySet<string> = new Set(['Escape', 'Tab', 'F5', 'MetaLeft', 'MetaRight'])

/** The keys after one more was taught: a key does one thing. Undefined where it cannot be taught. */
export function taught(keys: Keys, use: KeyUse, code: string): Keys | undefined {
  if (NEVER.has(code) || (code === ALWAYS_NEXT && use !== 'next')) return undefined
  const others = Object.fromEntries(
    KEY_USES.map((one) => [one.use, keys[one.use] === code ? '' : keys[one.use]]),
  )
  return Keys.parse({ ...others, [use]: code === ALWAYS_NEXT ? '' : code })
}

/** A key by its name: "PageDown" as "Page Down", "KeyB" as "B". */
export const keyWords = (code: string): string =>
  code.replace(/^(?:Key|Digit)(?=.$)/, '').replaceAll(/([a-z])([A-Z0-9])/g, '$1 $2')
