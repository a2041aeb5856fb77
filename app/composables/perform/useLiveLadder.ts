import { layoutLadder, leaveOnSteps } from '~/ladder/layout'
import { changeOvers } from '~/ladder/change-overs'
import { asPerformed, currentSteps } from '~/ladder/perform-words'

/** The ladder of a running visit as it is drawn: as planned until it starts, then as it goes. */
export function useLiveLadder() {
  const { store, plan, live, now, startedMs } = useRunning()
  const layout = computed(() => {
    if (!plan.value || !live.value) return undefined
    const { steps } = plan.value
    const startMs = startedMs.value
    const segments =
      startMs === undefined
        ? plan.value.segments
        : [
            ...asPerformed(live.value, startMs),
            ...changeOvers(store.state?.absences ?? [], startMs, now.value),
          ]
    const leaveOn = leaveOnSteps(steps, store.run!.input.shelf.products)
    return layoutLadder(steps, segments, leaveOn, { height: 640, rowHeight: 25 })
  })
  const fromMs = computed(() => startedMs.value ?? Date.parse(store.run!.head.startsAt))
  const totalS = computed(() => Math.round((live.value!.finishMs - fromMs.value) / 1000))
  const nowS = computed(() =>
    startedMs.value === undefined ? undefined : (now.value - startedMs.value) / 1000,
  )
  const currentStepIds = computed(() => (live.value ? currentSteps(live.value) : []))
  const perhaps = computed(() => plan.value?.open.flatMap((gate) => gate.stepIds) ?? [])
  return { layout, fromMs, totalS, nowS, currentStepIds, perhaps }
}
