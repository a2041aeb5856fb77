import { isConflict } from '~/support/sides'
import { visitPath } from '~/support/visit-path'

/** What was said here of a visit and met a change made elsewhere meanwhile: it waits for somebody's word. */
export function useConflicts(visitId: () => string | undefined) {
  const outbox = useOutboxStore()
  const conflicts = computed(() =>
    outbox.aside.filter((change) => isConflict(change) && visitPath(change).visitId === visitId()),
  )
  return { conflicts }
}
