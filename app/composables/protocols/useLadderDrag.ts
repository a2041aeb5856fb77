import { useDraggable } from 'vue-draggable-plus'

interface Ended {
  data?: string
  oldIndex?: number | undefined
  newIndex?: number | undefined
}

/**
 * Rungs dragged by their grip, with mouse or touch; the keys do it without. `order`: ids as shown. `dropped` is told the new
 * order and the id that was dragged.
 */
export function useLadderDrag(
  list: Ref<HTMLElement | undefined>,
  order: Ref<readonly string[]>,
  isDisabled: () => boolean,
  dropped: (order: string[], dragged: string) => void,
) {
  const ids = ref<string[]>([])
  watch(
    order,
    (now) => {
      ids.value = [...now]
    },
    { immediate: true },
  )
  const drag = useDraggable(list, ids, {
    handle: '.grip',
    animation: 120,
    forceFallback: true,
    fallbackTolerance: 3,
    disabled: isDisabled(),
    onEnd: ({ oldIndex, newIndex }: Ended) => {
      if (oldIndex === newIndex || newIndex === undefined) return
      dropped([...ids.value], ids.value[newIndex]!)
    },
  })
  watch(isDisabled, (off) => drag.option('disabled', off))
}
