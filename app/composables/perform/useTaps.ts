import type { RunBody } from '#core/perform'

export const UNDO_MS = 10_000

interface LastTap {
  readonly ids: readonly string[]
  readonly words: string
  readonly atMs: number
  readonly after?: (() => Promise<void>) | undefined
}

/** What was tapped on Perform, and how it is taken back for ten seconds. */
export function useTaps() {
  const { store, live, now } = useRunning()
  const { follows } = useLead()
  const lastTap = ref<LastTap>()
  /** A clock that was set right meanwhile may lie before what was tapped: then it is long ago. */
  const isRecent = (ms: number) => ms <= now.value && now.value - ms < UNDO_MS
  const undoable = computed(() =>
    lastTap.value && isRecent(lastTap.value.atMs) ? lastTap.value : undefined,
  )
  const inferred = computed(() => {
    const last = live.value?.lastInferred
    return !undoable.value && last && isRecent(last.toMs) ? last : undefined
  })

  /** Says one thing, or several that are taken back together. */
  async function tap(bodies: RunBody | readonly RunBody[], words: string) {
    const ids: string[] = []
    for (const body of [bodies].flat() as RunBody[]) ids.push((await store.say(body)).id)
    took(ids, words)
  }
  /** What was said elsewhere in one go is taken back here too; `after`: what follows from that. */
  function took(ids: string[], words: string, after?: () => Promise<void>) {
    lastTap.value = { ids, words, atMs: store.nowMs, after }
  }
  async function undo() {
    const last = undoable.value
    lastTap.value = undefined
    if (last) await takeBack(last)
    else if (inferred.value && !follows.value)
      await store.say({ type: 'still', segmentId: inferred.value.segment.id })
  }
  async function takeBack({ ids, after }: LastTap) {
    for (const eventId of ids) await store.say({ type: 'retract', eventId })
    await after?.()
  }
  /** What hands repeat until its sign shows is not clean yet. */
  async function onePassMore() {
    const segmentId = live.value?.hands?.segment.id
    if (segmentId) await tap({ type: 'pass', segmentId }, 'One more pass')
  }
  return { tap, took, undo, undoable, inferred, onePassMore }
}
