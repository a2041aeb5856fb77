import { createSharedComposable } from '@vueuse/core'
import { keptIn } from '~/support/kept'
import { Keys, taught, type KeyUse } from '~/support/perform/keys'

const KEPT = 'zen-keys'

/** What keys and pedals do on this device: taught here, kept here. */
export const useKeyMap = createSharedComposable(() => {
  const keys = ref(keptIn(localStorage, KEPT, Keys) ?? Keys.parse({}))
  /** True where the key could be taught. */
  function teach(use: KeyUse, code: string): boolean {
    const next = taught(keys.value, use, code)
    if (!next) return false
    keys.value = next
    localStorage.setItem(KEPT, JSON.stringify(next))
    return true
  }
  return { keys, teach }
})
