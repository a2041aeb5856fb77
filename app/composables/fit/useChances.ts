import { hasLadder, type FittedPlan } from '#core/adapt'
import { NO_PACE, type Chances, type Pace } from '#core/risk'
import { call } from '~/support/api'
import { chanceWords, RISK_SEED } from '~/support/fit/chance'
import { clockTime } from '~/support/time'

interface Timed {
  readonly id: string
  readonly startsAt: string
  readonly timeZone: string
}

/** The chance that the fitted visit runs over, at this practitioner’s pace, in words; undefined until it is known. */
export function useChances(
  visit: () => Timed | undefined,
  plan: Ref<FittedPlan | undefined>,
  maySeePace: () => boolean,
) {
  const pace = ref<Pace>(NO_PACE)
  const risk = ref<Chances>()
  watch(
    () => visit()?.id,
    async (id) => {
      // Without a connection the usual pace is taken: the chance is then of nobody in particular.
      if (id && maySeePace())
        pace.value = await call('/api/visits/:id/pace', { params: { id } }).catch(() => NO_PACE)
    },
    { immediate: true },
  )
  watch(
    [plan, pace],
    async ([now, seen]) => {
      if (!now || !hasLadder(now)) {
        risk.value = undefined
        return
      }
      const { steps, segments, slotS } = now
      const wish = { plan: { steps, segments }, slotS, seed: RISK_SEED, pace: seen }
      const found = await useFitter().chances(wish)
      if (plan.value === now) risk.value = found
    },
    { immediate: true },
  )
  return computed(() => {
    const at = visit()
    if (!risk.value || !at) return undefined
    const startMs = Date.parse(at.startsAt)
    const titleOf = (id: string) => plan.value?.steps.find((step) => step.id === id)?.title ?? id
    const clock = (seconds: number) => clockTime(startMs + seconds * 1000, at.timeZone)
    return chanceWords(risk.value, titleOf, clock)
  })
}
