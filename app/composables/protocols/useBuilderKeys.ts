import { useEventListener } from '@vueuse/core'

interface BuilderKeys {
  readonly undo: () => void
  readonly redo: () => void
  readonly publish: () => void
  readonly help: () => void
}

const isTyping = (event: KeyboardEvent) =>
  event.target instanceof Element && event.target.closest('input, textarea, select') !== null

/** Which key does what, anywhere on the builder; what is typed in a field stays there, but for saving. */
function keyOf(event: KeyboardEvent): keyof BuilderKeys | undefined {
  const key = event.key.toLowerCase()
  const isHeld = event.ctrlKey || event.metaKey
  if (isHeld && key === 's') return 'publish'
  if (isTyping(event)) return undefined
  if (isHeld && key === 'z') return event.shiftKey ? 'redo' : 'undo'
  if (isHeld && key === 'y') return 'redo'
  return event.key === '?' ? 'help' : undefined
}

/** Undo, redo, publish and help by key, while the builder is shown. */
export function useBuilderKeys(keys: BuilderKeys) {
  useEventListener('keydown', (event: KeyboardEvent) => {
    const key = keyOf(event)
    if (!key) return
    event.preventDefault()
    keys[key]()
  })
}
