/** What a key does on the ladder of the builder. */
export type LadderDeed =
  | { readonly kind: 'go'; readonly by: number }
  | { readonly kind: 'move'; readonly by: -1 | 1 }
  | { readonly kind: 'toggle' | 'open' | 'remove' | 'mend' | 'add' | 'copy' }

interface Pressed {
  readonly key: string
  readonly altKey: boolean
  readonly ctrlKey: boolean
  readonly metaKey: boolean
}

const TO_THE_END = 999
const DEEDS: Readonly<Record<string, LadderDeed>> = {
  ArrowDown: { kind: 'go', by: 1 },
  ArrowUp: { kind: 'go', by: -1 },
  Home: { kind: 'go', by: -TO_THE_END },
  End: { kind: 'go', by: TO_THE_END },
  ' ': { kind: 'toggle' },
  Enter: { kind: 'open' },
  Delete: { kind: 'remove' },
  Backspace: { kind: 'remove' },
}
const LETTERS: Readonly<Record<string, LadderDeed>> = {
  m: { kind: 'mend' },
  a: { kind: 'add' },
  c: { kind: 'copy' },
}
const WITH_ALT: Readonly<Record<string, LadderDeed>> = {
  ArrowDown: { kind: 'move', by: 1 },
  ArrowUp: { kind: 'move', by: -1 },
}
/** What one may do who may not write. */
const READING: ReadonlySet<LadderDeed['kind']> = new Set(['go', 'open'])

/** What a key does; undefined: nothing here. A letter with Ctrl, Cmd or Alt is the browser’s. */
export function deedOf(pressed: Pressed, mayWrite: boolean): LadderDeed | undefined {
  const { key, altKey, ctrlKey, metaKey } = pressed
  const isPlain = !altKey && !ctrlKey && !metaKey
  const deed = (altKey && WITH_ALT[key]) || DEEDS[key] || (isPlain ? LETTERS[key] : undefined)
  return deed && (mayWrite || READING.has(deed.kind)) ? deed : undefined
}
