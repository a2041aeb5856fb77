import { autoUpdate, flip, offset, size, useFloating } from '@floating-ui/vue'
import type { ComponentPublicInstance } from 'vue'

const GAP_PX = 2
const MOST_HEIGHT_PX = 340
type Placed = ComponentPublicInstance | HTMLElement | null

const elementOf = (placed: Placed): HTMLElement | null =>
  placed instanceof HTMLElement ? placed : ((placed?.$el as HTMLElement | null) ?? null)

/**
 * Keeps a list beside the field it belongs to: below it, or above where there is more room, and never cut by what it stands in.
 * `field`, `list`: template refs. Gives the list’s style.
 */
export function usePlaced(field: Readonly<Ref<Placed>>, list: Readonly<Ref<Placed>>) {
  const fit = size({
    apply({ rects, availableHeight, elements }) {
      Object.assign(elements.floating.style, {
        minWidth: `${rects.reference.width}px`,
        maxHeight: `${Math.min(MOST_HEIGHT_PX, availableHeight)}px`,
      })
    },
    padding: 8,
  })
  const { floatingStyles, isPositioned } = useFloating(field, list, {
    open: () => list.value !== null,
    strategy: 'fixed',
    placement: 'bottom-start',
    transform: false,
    whileElementsMounted: autoUpdate,
    middleware: [offset(GAP_PX), flip({ padding: 8 }), fit],
  })
  // What is chosen is seen at once, however far down it stands.
  watch(isPositioned, (isThere) => {
    const chosen = isThere && elementOf(list.value)?.querySelector('[aria-selected="true"]')
    if (chosen) chosen.scrollIntoView({ block: 'nearest' })
  })
  return floatingStyles
}
