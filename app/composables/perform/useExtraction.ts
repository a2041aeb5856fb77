import { extractAreas, readingUnderway, withoutOutcome, type RunBody } from '#core/perform'
import type { LesionOutcome } from '#core/skin'

/** Extraction: area by area without touching the tablet, and what came of it once the gloves are changed. */
export function useExtraction() {
  const { store, plan, live, hands, stepOf } = useRunning()
  const reading = computed(() =>
    store.run && store.state ? readingUnderway(store.run.input, store.state) : undefined,
  )
  const areas = computed(() => {
    const segment = hands.value?.segment
    const step = segment?.kind === 'apply' ? stepOf(segment.stepId) : undefined
    return step && reading.value ? extractAreas(step, reading.value) : []
  })
  /** Which of them hands are at, from 0. */
  const at = computed(() => {
    const left = store.state?.areas.get(hands.value?.segment.id ?? '') ?? 0
    return Math.min(left, areas.value.length - 1)
  })
  const area = computed(() => areas.value[at.value])
  const next = computed(() => areas.value[at.value + 1])

  /** The first extraction that is over and of which nobody has said what came of it. */
  const asked = computed(() => {
    const over = (stepId: string) =>
      live.value?.segments
        .filter(({ segment }) => segment.stepId === stepId && segment.kind === 'apply')
        .every(({ status }) => status === 'done' || status === 'inferred')
    for (const step of plan.value?.steps ?? []) {
      const lesions = reading.value ? withoutOutcome(step, reading.value) : []
      if (lesions.length > 0 && over(step.id)) return { step, lesions }
    }
    return undefined
  })
  function came(outcomes: Readonly<Record<string, LesionOutcome>>): RunBody {
    return { type: 'extracted', stepId: asked.value!.step.id, outcomes: { ...outcomes } }
  }
  return { areas, at, area, next, asked, came, say: store.say }
}
