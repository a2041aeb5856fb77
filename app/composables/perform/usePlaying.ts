import { pausedBetween, played, strokeNow, wayNow, type LiveSegment } from '#core/perform'

/** A massage as it goes: the movement in hand and its stroke, what comes then, and the two words that correct it. A device: the place it is at. */
export function usePlaying(hands: () => LiveSegment) {
  const { store, now, stepOf } = useRunning()
  const segment = computed(() => hands().segment)
  const step = computed(() =>
    segment.value.kind === 'apply' ? stepOf(segment.value.stepId) : undefined,
  )
  const movements = computed(() => step.value?.movements ?? [])
  const isPlayed = computed(() => movements.value.length > 0)
  const lengthS = computed(() => segment.value.endS - segment.value.startS)
  const pauses = computed(() => store.state?.pauses ?? [])
  /** Seconds of work from its beginning to a moment: pauses are none. */
  const workedS = (ms: number) =>
    (ms - hands().fromMs - pausedBetween(pauses.value, hands().fromMs, ms, now.value)) / 1000
  const atS = computed(() => workedS(now.value))
  const leftS = computed(() => lengthS.value - atS.value)
  const parts = computed(() => {
    const said = (store.state?.strokes ?? []).filter(
      ({ segmentId }) => segmentId === segment.value.id,
    )
    const corrections = said.map(({ way, atMs }) => ({ way, atS: workedS(atMs) }))
    return played(movements.value, lengthS.value, corrections)
  })
  const inHand = computed(() => strokeNow(parts.value, atS.value))
  const then = computed(() => {
    const at = inHand.value && parts.value.indexOf(inHand.value.part)
    return at === undefined ? [] : parts.value.slice(at + 1, at + 3)
  })
  /** The place that the device is at; a massage with it has its strokes instead. */
  const place = computed(() =>
    step.value && !isPlayed.value ? wayNow(step.value, lengthS.value, atS.value) : undefined,
  )
  const say = (way: 'again' | 'enough') =>
    store.say({ type: 'stroke', segmentId: segment.value.id, way })
  return { movements, isPlayed, inHand, then, place, leftS, say }
}
